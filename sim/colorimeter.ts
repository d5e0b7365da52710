import { look } from "./observer";
import { normal } from "./random";

/** XYZ of the lamp's white over the observer's, to Lab: the instrument's own arithmetic. */
function lab(
  [X, Y, Z]: readonly [number, number, number],
  white: readonly [number, number, number],
): [number, number, number] {
  const f = (t: number) => (t > 0.008856451679 ? Math.cbrt(t) : 7.787037037 * t + 16 / 116);
  const [x, y, z] = [f(X / white[0]), f(Y / white[1]), f(Z / white[2])];
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

export interface Sample {
  readonly name: string;
  /** Reflectance every 5 nm. */
  readonly reflectance: ArrayLike<number>;
}

export interface Instrument {
  /** Spread of one reading, L*a*b*. */
  readonly noise: number;
  /** Drift of lightness from the first reading to the last of a session, L*. */
  readonly drift: number;
  /** Share of readings taken half beside the patch, or of nothing at all. */
  readonly misreads: number;
}

export const handheld: Instrument = { noise: 0.12, drift: 0.25, misreads: 0.03 };

/** Reads each sample several times in a session and writes what a handheld colorimeter writes: CGATS.17 text. */
export function colorimeterFile(
  samples: readonly Sample[],
  paper: ArrayLike<number>,
  times: number,
  random: () => number,
  { noise, drift, misreads }: Instrument = handheld,
): string {
  const white = look(new Float64Array(71).fill(1));
  const readings = samples.flatMap((sample) => Array.from({ length: times }, () => sample));
  const rows = readings.map((sample, i) => {
    const missed = random() < misreads;
    const beside = missed ? 0.3 + 0.6 * random() : 0;
    const seen = Array.from(sample.reflectance, (r, k) => (1 - beside) * r + beside * paper[k]!);
    const [L, a, b] = lab(look(seen), white);
    const values = [L + (drift * i) / readings.length, a, b].map((v) =>
      (v + noise * normal(random)).toFixed(2),
    );
    return `${i + 1}\t"${sample.name.replaceAll('"', "'")}"\t${values.join("\t")}`;
  });
  return [
    "CGATS.17",
    'ORIGINATOR\t"Simulated handheld colorimeter"',
    'INSTRUMENTATION\t"45/0, D65, 2 degree"',
    "NUMBER_OF_FIELDS\t5",
    "BEGIN_DATA_FORMAT",
    "SAMPLE_ID\tSAMPLE_NAME\tLAB_L\tLAB_A\tLAB_B",
    "END_DATA_FORMAT",
    `NUMBER_OF_SETS\t${rows.length}`,
    "BEGIN_DATA",
    ...rows,
    "END_DATA",
    "",
  ].join("\r\n");
}
