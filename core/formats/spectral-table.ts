import { resampling, wavelengthOf } from "./bands";
import { rangeOf } from "./cgats";
import { FormatError } from "./format-error";
import { inShares, MOST_SAMPLES, type MeasuredFile, type MeasuredSample } from "./measured";

const NAMES = /^(name|sample|sample[ _]?name|sample[ _]?id|id|code|patch|label)$/i;
const LONGEST_WORD = 120;

/**
 * Readings of a table with wavelengths as columns, one sample a row: the first row that names wavelengths is its heading, what stands above it
 * is passed over.
 * @param rows of cells, as a spreadsheet or a CSV file has them
 * @throws FormatError naming the row
 */
export function measuredTable(rows: readonly (readonly string[])[]): MeasuredFile {
  const heading = rows.findIndex((r) => r.filter((c) => wavelengthOf(c) !== undefined).length > 8);
  if (heading < 0)
    throw new FormatError(
      0,
      "expected a row with wavelengths such as 380 nm, 390 nm … over the columns of reflectance",
    );
  const head = rows[heading]!;
  const columns = head.flatMap((c, at) => {
    const nm = wavelengthOf(c);
    return nm === undefined ? [] : [{ nm, at }];
  });
  const bands = resampling(
    columns.map((c) => c.nm),
    heading + 1,
  );
  const named = head.findIndex((c) => NAMES.test(c.trim()));
  const nameAt = named >= 0 ? named : head.findIndex((c) => wavelengthOf(c) === undefined);
  const samples: MeasuredSample[] = [];
  for (let i = heading + 1; i < rows.length; i++) {
    const row = rows[i]!;
    if (row.every((c) => !c.trim())) continue;
    const line = i + 1;
    const values = columns.map(({ nm, at }) => {
      const said = (row[at] ?? "").trim().replace(",", ".").replace(/\s*%$/, "");
      const v = Number(said);
      if (said === "" || !Number.isFinite(v) || v < 0)
        throw new FormatError(line, `expected a reflectance at ${nm} nm; found "${said.slice(0, 40)}"`);
      return v;
    });
    samples.push({
      name: nameAt < 0 ? `row ${line}` : (row[nameAt] ?? "").trim().slice(0, LONGEST_WORD) || `row ${line}`,
      line,
      reflectance: bands.resample(values),
    });
    if (samples.length > MOST_SAMPLES)
      throw new FormatError(line, `expected at most ${MOST_SAMPLES} samples`);
  }
  if (!samples.length)
    throw new FormatError(heading + 1, "expected rows of reflectance below the wavelengths");
  return { samples: inShares(samples), how: {}, bands: rangeOf(bands) };
}
