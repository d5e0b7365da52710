import type { Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { resampling, wavelengthOf, type Resampling } from "./bands";
import { FormatError } from "./format-error";
import {
  checked,
  conditionIn,
  inShares,
  lightIn,
  MOST_SAMPLES,
  observerIn,
  type MeasuredFile,
  type MeasuredHow,
  type MeasuredSample,
} from "./measured";

/** Words of a line; what stands in quotes is one. */
const words = (line: string): string[] =>
  line.includes('"')
    ? [...line.matchAll(/"((?:[^"]|"")*)"|(\S+)/g)].map((m) =>
        m[1] !== undefined ? m[1].replaceAll('""', '"') : m[2]!,
      )
    : line.split(/\s+/);

const NAMES = ["SAMPLE_NAME", "SAMPLENAME", "STRING", "SAMPLE_ID", "SAMPLEID", "SAMPLE_LOC"];
const LABS = [
  ["LAB_L", "LAB_A", "LAB_B"],
  ["L*", "A*", "B*"],
] as const;
const XYZS = [["XYZ_X", "XYZ_Y", "XYZ_Z"]] as const;

/** What the columns of a table are. */
interface Columns {
  readonly fields: readonly string[];
  readonly name: number | undefined;
  readonly lab: readonly number[] | undefined;
  readonly xyz: readonly number[] | undefined;
  readonly spectrum: { readonly at: readonly number[]; readonly bands: Resampling } | undefined;
}

function columnsOf(given: readonly string[], line: number): Columns {
  const fields = given.map((f) => f.toUpperCase());
  const find = (names: readonly (readonly string[])[]) =>
    names.map((own) => own.map((n) => fields.indexOf(n))).find((at) => at.every((c) => c >= 0));
  const bands = fields.flatMap((f, at) => {
    const nm = wavelengthOf(f);
    return nm === undefined ? [] : [{ nm, at }];
  });
  const [lab, xyz] = [find(LABS), find(XYZS)];
  // A few columns that look like bands are no spectrum where there is a colour.
  const isSpectrum = bands.length > 8 || (bands.length > 0 && !lab && !xyz);
  return {
    fields,
    name: NAMES.map((n) => fields.indexOf(n)).find((c) => c >= 0),
    lab,
    xyz,
    spectrum: isSpectrum
      ? {
          at: bands.map((b) => b.at),
          bands: resampling(
            bands.map((b) => b.nm),
            line,
          ),
        }
      : undefined,
  };
}

/** Words of the header that say how it was measured. */
function told(how: MeasuredHow, key: string, value: string): MeasuredHow {
  const observer = () => {
    const found = observerIn(value);
    return found ? { observer: found } : {};
  };
  const condition = conditionIn(value);
  switch (key) {
    case "ILLUMINANT":
    case "ILLUMINATION":
    case "ILLUMINATION_NAME":
    case "LIGHT_SOURCE":
      return { ...how, ...lightIn(value) };
    case "OBSERVER":
    case "ILLUMINATION_OBSERVER":
    case "OBSERVER_ANGLE":
      return { ...how, ...observer() };
    case "WEIGHTING_FUNCTION":
      return /OBSERVER/i.test(value)
        ? { ...how, ...observer() }
        : /ILLUMINANT/i.test(value)
          ? { ...how, ...lightIn(value.replace(/ILLUMINANT/i, "")) }
          : how;
    case "MEASUREMENT_SOURCE":
    case "MEASUREMENT_CONDITION":
      return {
        ...how,
        ...(condition && { condition }),
        ...(!how.light && /ILLUMINATION|ILLUMINANT/i.test(value) && !condition && lightIn(value)),
      };
    case "FILTER":
    case "FILTER_STATUS":
      return { ...how, filter: value, ...(!how.condition && condition && { condition }) };
    case "MEASUREMENT_GEOMETRY":
      return { ...how, geometry: value };
    case "SAMPLE_BACKING":
    case "BACKING":
      return { ...how, backing: value };
    case "INSTRUMENTATION":
    case "INSTRUMENT":
    case "TARGET_INSTRUMENT": {
      // Some write all of it into one line: "45/0, D65, 2 degree".
      const light = how.light || how.otherLight ? {} : lightIn(/\bD\d\d\b/i.exec(value)?.[0] ?? "");
      const angle = how.observer ? {} : /\b(2|10)[ _]?(deg|°)/i.test(value) ? observer() : {};
      return { ...how, device: value, ...light, ...angle };
    }
    default:
      return how;
  }
}

/** Most lines of a header that are looked at, and characters of a word of it that are kept. */
const LONGEST_WORD = 120;

/**
 * Readings of a CGATS.17 text (ANSI CGATS.17-2009): every data set of every table, each sample with its spectrum, its Lab and its XYZ as far as
 * they are there, and what the header says of light, observer and instrument.
 * @throws FormatError naming the line
 */
export function parseCgats(text: string): MeasuredFile {
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  const samples: MeasuredSample[] = [];
  let how: MeasuredHow = {};
  let bands: Resampling | undefined;
  let columns: Columns | undefined;
  let collecting: { readonly names: string[]; readonly line: number } | undefined;
  let inData = false;
  for (const [i, raw] of lines.entries()) {
    const line = (raw.includes("#") ? raw.split(/(?<!\S)#/)[0]! : raw).trim();
    if (!line) continue;
    const at = i + 1;
    if (line === "END_DATA") inData = false;
    else if (inData) {
      samples.push(readSample(words(line), columns!, at));
      if (samples.length > MOST_SAMPLES)
        throw new FormatError(at, `expected at most ${MOST_SAMPLES} samples`);
    } else if (line === "BEGIN_DATA_FORMAT") collecting = { names: [], line: at };
    else if (line === "END_DATA_FORMAT") {
      if (collecting) columns = columnsOf(collecting.names, collecting.line + 1);
      bands ??= columns?.spectrum?.bands;
      collecting = undefined;
    } else if (collecting) collecting.names.push(...words(line));
    else if (line === "BEGIN_DATA") {
      if (!columns?.fields.length)
        throw new FormatError(
          at,
          "expected BEGIN_DATA_FORMAT with the names of the fields before BEGIN_DATA",
        );
      if (!columns.spectrum && !columns.lab && !columns.xyz)
        throw new FormatError(
          at,
          "expected fields LAB_L LAB_A LAB_B, or XYZ_X XYZ_Y XYZ_Z, or reflectance by wavelength such as SPECTRAL_NM380",
        );
      inData = true;
    } else {
      const [key, ...rest] = words(line.slice(0, 4 * LONGEST_WORD));
      how = told(how, key!.toUpperCase(), rest.join(" ").slice(0, LONGEST_WORD));
    }
  }
  if (inData) throw new FormatError(lines.length, "expected END_DATA: the file breaks off");
  if (!samples.length)
    throw new FormatError(
      0,
      "expected a CGATS.17 text with at least one sample between BEGIN_DATA and END_DATA",
    );
  return { samples: inShares(samples), how, ...(bands && { bands: rangeOf(bands) }) };
}

/** Range of spectra as it is told. */
export const rangeOf = ({ from, to, step, held }: Resampling) => ({ from, to, step, held });

function readSample(values: readonly string[], columns: Columns, line: number): MeasuredSample {
  const { fields, name, lab, xyz, spectrum } = columns;
  if (values.length !== fields.length)
    throw new FormatError(
      line,
      `expected ${fields.length} values, as many as there are fields; found ${values.length}`,
    );
  const number = (column: number) => {
    const v = Number(values[column]!.replace(",", "."));
    if (!Number.isFinite(v))
      throw new FormatError(
        line,
        `expected a number for ${fields[column]}; found "${values[column]!.slice(0, 40)}"`,
      );
    return v;
  };
  const triple = (at: readonly number[]): [number, number, number] => [
    number(at[0]!),
    number(at[1]!),
    number(at[2]!),
  ];
  const read = spectrum?.bands.resample(spectrum.at.map(number));
  if (read?.some((r) => r < 0)) throw new FormatError(line, "expected reflectances of 0 or more");
  return {
    name: name === undefined ? `line ${line}` : values[name]!.slice(0, LONGEST_WORD),
    line,
    ...(read && { reflectance: read }),
    ...(lab && { lab: checked(triple(lab), line) }),
    ...(xyz && { xyz: triple(xyz) }),
  };
}

/** A reading as it goes out. */
export interface OutgoingSample {
  readonly name: string;
  /** Under daylight (D65, 2°). */
  readonly lab: Lab;
  readonly reflectance?: Spectrum | undefined;
}

/** In quotes, on one line: a line's end would end the row. */
const quoted = (text: string) => `"${text.replace(/[\s\p{Cc}]+/gu, " ").replaceAll('"', '""')}"`;

/** CGATS.17 text of readings: Lab (D65, 2°) of all, and the spectra of those that have one as a second table. */
export function formatCgats(samples: readonly OutgoingSample[], originator: string): string {
  const table = (names: readonly string[], rows: readonly string[]) => [
    `NUMBER_OF_FIELDS\t${names.length}`,
    "BEGIN_DATA_FORMAT",
    names.join("\t"),
    "END_DATA_FORMAT",
    `NUMBER_OF_SETS\t${rows.length}`,
    "BEGIN_DATA",
    ...rows,
    "END_DATA",
  ];
  const row = ({ name }: OutgoingSample, i: number, values: readonly string[]) =>
    [i + 1, quoted(name), ...values].join("\t");
  const colours = samples.filter((s) => !s.reflectance);
  const spectra = samples.filter((s) => s.reflectance);
  const bands = Array.from({ length: BANDS }, (_, i) => `SPECTRAL_NM${380 + 10 * i}`);
  const lab = (s: OutgoingSample) => s.lab.map((v) => v.toFixed(3));
  const head = [
    "CGATS.17",
    `ORIGINATOR\t${quoted(originator)}`,
    'WEIGHTING_FUNCTION\t"ILLUMINANT, D65"',
    'WEIGHTING_FUNCTION\t"OBSERVER, 2 degree"',
  ];
  const fields = ["SAMPLE_ID", "SAMPLE_NAME", "LAB_L", "LAB_A", "LAB_B"];
  return [
    ...head,
    ...(colours.length || !spectra.length
      ? table(
          fields,
          colours.map((s, i) => row(s, i, lab(s))),
        )
      : []),
    ...(spectra.length
      ? table(
          [...fields, ...bands],
          spectra.map((s, i) => row(s, i, [...lab(s), ...Array.from(s.reflectance!, (r) => r.toFixed(5))])),
        )
      : []),
    "",
  ].join("\r\n");
}

/** Name of a stack in a readings file: codes bottom to top, a number of coats after ×. "clay3m ×2 + dusk2c". */
export function nameStack(stack: readonly string[]): string {
  const runs: { code: string; coats: number }[] = [];
  for (const code of stack) {
    const last = runs.at(-1);
    if (last?.code === code) last.coats++;
    else runs.push({ code, coats: 1 });
  }
  return runs.map(({ code, coats }) => (coats > 1 ? `${code} ×${coats}` : code)).join(" + ") || "paper";
}

const MOST_COATS = 12;

/** Stack of a name such as "clay3m", "clay3m x2" or "clay3m ×2 + dusk2c"; "paper" is no ink at all. Undefined when it is none. */
export function readStack(name: string): string[] | undefined {
  if (/^(paper|bare|white)$/i.test(name.trim())) return [];
  const out: string[] = [];
  for (const part of name.split(/\s+\+\s+/)) {
    const match = /^(\S(?:.*\S)?)\s+[×xX*]\s*(\d+)$/.exec(part.trim()) ?? /^(\S.*)$/.exec(part.trim());
    if (!match) return undefined;
    const coats = match[2] ? Number(match[2]) : 1;
    if (coats < 1 || out.length + coats > MOST_COATS) return undefined;
    out.push(...Array<string>(coats).fill(match[1]!.trim()));
  }
  return out;
}
