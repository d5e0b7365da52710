import { xyzToLab, type Lab } from "@/core/colour/lab";
import { BANDS, reflectanceToXyz } from "@/core/colour/observer";
import { FormatError } from "./format-error";

/** One measured sample of a CGATS.17 file. */
export interface CgatsSample {
  readonly name: string;
  readonly lab: Lab;
  /** Line of the file, from 1. */
  readonly line: number;
}

const words = (line: string) =>
  [...line.matchAll(/"((?:[^"]|"")*)"|(\S+)/g)].map((m) =>
    m[1] !== undefined ? m[1].replaceAll('""', '"') : m[2]!,
  );
const MOST_SAMPLES = 20_000;

/** Columns of spectral reflectance at our bands, in whichever of the usual spellings; undefined when one is missing. */
function spectralColumns(fields: readonly string[]): number[] | undefined {
  const columns = Array.from({ length: BANDS }, (_, i) => {
    const nm = 380 + 10 * i;
    return fields.findIndex((f) =>
      [`NM${nm}`, `SPECTRAL_NM${nm}`, `SPECTRAL_NM_${nm}`, `R_${nm}`, `NM_${nm}`].includes(f),
    );
  });
  return columns.every((c) => c >= 0) ? columns : undefined;
}

/**
 * Readings of a CGATS.17 text (ANSI CGATS.17-2009): every data set, from LAB_*, XYZ_* (white Y = 100, D65) or 36 bands of reflectance.
 * @throws FormatError naming the line
 */
export function parseCgats(text: string): CgatsSample[] {
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  const out: CgatsSample[] = [];
  let fields: string[] | undefined;
  let collecting: string[] | undefined;
  let inData = false;
  lines.forEach((raw, i) => {
    const line = raw.split(/(?<!\S)#/)[0]!.trim();
    if (!line) return;
    const at = i + 1;
    const [first] = words(line);
    if (first === "BEGIN_DATA_FORMAT") collecting = [];
    else if (first === "END_DATA_FORMAT") {
      fields = collecting?.map((f) => f.toUpperCase());
      collecting = undefined;
    } else if (collecting) collecting.push(...words(line));
    else if (first === "BEGIN_DATA") {
      if (!fields?.length)
        throw new FormatError(
          at,
          "expected BEGIN_DATA_FORMAT with the names of the fields before BEGIN_DATA",
        );
      inData = true;
    } else if (first === "END_DATA") inData = false;
    else if (inData) {
      out.push(readSample(words(line), fields!, at));
      if (out.length > MOST_SAMPLES) throw new FormatError(at, `expected at most ${MOST_SAMPLES} samples`);
    }
  });
  if (inData) throw new FormatError(lines.length, "expected END_DATA: the file breaks off");
  if (!out.length)
    throw new FormatError(
      0,
      "expected a CGATS.17 text with at least one sample between BEGIN_DATA and END_DATA",
    );
  return out;
}

function readSample(values: readonly string[], fields: readonly string[], line: number): CgatsSample {
  if (values.length !== fields.length)
    throw new FormatError(
      line,
      `expected ${fields.length} values, as many as there are fields; found ${values.length}`,
    );
  const number = (field: string, column: number) => {
    const v = Number(values[column]!.replace(",", "."));
    if (!Number.isFinite(v))
      throw new FormatError(line, `expected a number for ${field}; found "${values[column]}"`);
    return v;
  };
  const triple = (names: readonly string[]): number[] | undefined => {
    const columns = names.map((n) => fields.indexOf(n));
    return columns.every((c) => c >= 0) ? columns.map((c, k) => number(names[k]!, c)) : undefined;
  };
  const nameAt = ["SAMPLE_NAME", "SAMPLENAME", "STRING", "SAMPLE_ID", "SAMPLEID"]
    .map((n) => fields.indexOf(n))
    .find((c) => c >= 0);
  const name = nameAt === undefined ? `line ${line}` : values[nameAt]!;
  const lab = triple(["LAB_L", "LAB_A", "LAB_B"]);
  if (lab) return { name, lab: checked(lab as unknown as Lab, line), line };
  const xyz = triple(["XYZ_X", "XYZ_Y", "XYZ_Z"]);
  if (xyz) return { name, lab: checked(xyzToLab([xyz[0]! / 100, xyz[1]! / 100, xyz[2]! / 100]), line), line };
  const bands = spectralColumns(fields);
  if (!bands)
    throw new FormatError(
      line,
      "expected fields LAB_L LAB_A LAB_B, or XYZ_X XYZ_Y XYZ_Z, or reflectance from 380 to 730 nm every 10 nm",
    );
  const reflectance = bands.map((c) => number(fields[c]!, c));
  const scale = Math.max(...reflectance) > 2 ? 100 : 1;
  return { name, lab: checked(xyzToLab(reflectanceToXyz(reflectance.map((r) => r / scale))), line), line };
}

function checked(lab: Lab, line: number): Lab {
  if (lab[0] < -0.5 || lab[0] > 101 || Math.abs(lab[1]) > 160 || Math.abs(lab[2]) > 160)
    throw new FormatError(
      line,
      `expected a colour with L* 0–100, a* and b* −160…160; found ${lab.map((v) => v.toFixed(1)).join(" ")}`,
    );
  return [Math.min(100, Math.max(0, lab[0])), lab[1], lab[2]];
}

/** CGATS.17 text of readings. */
export function formatCgats(
  samples: readonly { readonly name: string; readonly lab: Lab }[],
  originator: string,
): string {
  const rows = samples.map(({ name, lab }, i) =>
    [i + 1, `"${name.replaceAll('"', '""')}"`, ...lab.map((v) => v.toFixed(3))].join("\t"),
  );
  const head = [
    "CGATS.17",
    `ORIGINATOR\t"${originator.replaceAll('"', '""')}"`,
    "NUMBER_OF_FIELDS\t5",
    "BEGIN_DATA_FORMAT",
    "SAMPLE_ID\tSAMPLE_NAME\tLAB_L\tLAB_A\tLAB_B",
    "END_DATA_FORMAT",
  ];
  return [...head, `NUMBER_OF_SETS\t${rows.length}`, "BEGIN_DATA", ...rows, "END_DATA", ""].join("\r\n");
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
