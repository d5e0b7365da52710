import Papa from "papaparse";
import { parseCgats } from "@/core/formats/cgats";
import { parseCxf } from "@/core/formats/cxf";
import { FormatError } from "@/core/formats/format-error";
import type { MeasuredFile } from "@/core/formats/measured";
import { measuredTable } from "@/core/formats/spectral-table";

/** Characters of an instrument's file: twenty thousand spectra with many digits. */
const MOST_CHARACTERS = 16 * 1024 * 1024;
/** Longest line, characters: a table of a thousand columns. */
const LONGEST_LINE = 64 * 1024;
const MOST_ROWS = 25_000;

/**
 * What an instrument's file holds, told by how it begins: CxF3 (XML), CGATS.17, or a table with wavelengths as columns.
 * @throws FormatError naming the line
 */
export function readMeasured(text: string): MeasuredFile {
  if (text.length > MOST_CHARACTERS)
    throw new FormatError(0, `expected at most ${MOST_CHARACTERS / 1024 / 1024} million characters`);
  if (text.includes("\0")) throw new FormatError(0, "expected text; this is a file of another kind");
  if (/^\uFEFF?\s*</.test(text)) return parseCxf(text);
  let line = 0;
  for (let from = 0; from < text.length; line++) {
    const to = text.indexOf("\n", from);
    const end = to < 0 ? text.length : to;
    if (end - from > LONGEST_LINE)
      throw new FormatError(line + 1, `expected lines of at most ${LONGEST_LINE} characters`);
    from = end + 1;
  }
  if (/^\s*BEGIN_DATA\b/m.test(text)) return parseCgats(text);
  const { data } = Papa.parse<string[]>(text, { preview: MOST_ROWS, skipEmptyLines: false });
  return measuredTable(data);
}
