import Papa from "papaparse";
import { FormatError } from "@/core/formats/format-error";
import { parseGpl, type PaletteColour } from "@/core/formats/gpl";
import { isAse, isCssPalette, parseAco, parseAse, parseCss, parseSoc } from "@/core/formats/palettes";
import { BOOK, parseSwatchBook } from "@/core/formats/swatch-book";
import { RACK_COLUMNS, type RackColumn } from "@/core/stock/rack-file";
import { decodeText } from "./decode-text";
import { isZip, partIn, sheetsOf } from "./spreadsheet";

/** A file as rows of text under headings. */
export interface Loaded {
  readonly name: string;
  readonly encoding: string;
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly first: number;
  /** Names of a spreadsheet's sheets. */
  readonly sheets?: readonly string[];
}

const MOST_BYTES = 64 * 1024 * 1024;
const MOST_ROWS = 2_000_000;
const MOST_COLUMNS = 200;
/** Rows between two reports of progress. */
const REPORTED = 5000;

const inWords = (n: number) => n.toLocaleString("en");

function checkCount(rows: number): void {
  if (rows > MOST_ROWS)
    throw new FormatError(0, `it has more than ${inWords(MOST_ROWS)} rows; bring it in in parts`);
}

/**
 * Reads a file of any of the formats the rack takes.
 * @param onProgress told the share that is read, 0–1
 * @throws FormatError in words
 */
export function loadRackFile(
  name: string,
  bytes: ArrayBuffer,
  onProgress: (share: number) => void = () => undefined,
  sheet = 0,
): Loaded {
  if (bytes.byteLength > MOST_BYTES)
    throw new FormatError(0, `expected at most ${MOST_BYTES / 1024 / 1024} MB`);
  const binary = new Uint8Array(bytes);
  if (isZip(binary)) {
    const book = partIn(binary, BOOK);
    return book === undefined
      ? fromSheet(name, binary, sheet)
      : fromPalette(name, "palette", parseSwatchBook(book));
  }
  if (isAse(binary)) return fromPalette(name, "palette", parseAse(binary));
  if (/\.aco$/i.test(name)) return fromPalette(name, "palette", parseAco(binary));
  const { text, encoding } = decodeText(bytes);
  if (!text.trim()) throw new FormatError(0, `"${name}" is empty`);
  if (text.startsWith("GIMP Palette")) return fromPalette(name, encoding, parseGpl(text));
  if (/^\uFEFF?\s*</.test(text)) return fromPalette(name, encoding, parseSoc(text));
  if (isCssPalette(text)) return fromPalette(name, encoding, parseCss(text));
  if (/^\s*[[{]/.test(text)) {
    let parsed: unknown;
    try {
      parsed = JSON.parse(text);
    } catch (e) {
      throw new FormatError(0, `"${name}" looks like JSON and is not: ${(e as Error).message}`);
    }
    const items = Array.isArray(parsed) ? parsed : (parsed as { items?: unknown }).items;
    if (!Array.isArray(items) || !items.length)
      throw new FormatError(0, 'expected a JSON list of things with a "code", or {"items": […]}');
    checkCount(items.length);
    const headings = [...RACK_COLUMNS];
    const cell = (item: Record<string, unknown>, c: RackColumn): string => {
      if (c === "owned")
        return item.owned === true
          ? "yes"
          : item.wished === true
            ? "wished"
            : item.owned === false
              ? "no"
              : String(item.owned ?? "");
      return item[c] === undefined || item[c] === null ? "" : String(item[c] as string | number);
    };
    return {
      name,
      encoding,
      headings,
      rows: (items as Record<string, unknown>[]).map((item) => headings.map((c) => cell(item ?? {}, c))),
      first: 1,
    };
  }
  const { data, errors } = parseCsv(text, onProgress);
  const unclosed = errors.find((e) => e.type === "Quotes");
  if (unclosed)
    throw new FormatError((unclosed.row ?? 0) + 1, `a quotation mark is not closed: ${unclosed.message}`);
  const [headings = [], ...rows] = data;
  if (headings.length < 1 || !rows.length)
    throw new FormatError(0, `"${name}" needs a line of headings and at least one row`);
  if (headings.length > MOST_COLUMNS) throw new FormatError(1, `expected at most ${MOST_COLUMNS} columns`);
  return { name, encoding, headings, rows, first: 2 };
}

/** Colours of a palette as rows: their names are codes. */
const fromPalette = (name: string, encoding: string, colours: readonly PaletteColour[]): Loaded => ({
  name,
  encoding,
  headings: ["code", "colour"],
  rows: colours.map((c) => [c.name, c.hex]),
  first: colours[0]?.line ?? 1,
});

/** One sheet of a spreadsheet: its first row that holds something is its headings. */
function fromSheet(name: string, bytes: Uint8Array, sheet: number): Loaded {
  const { names, rows: read } = sheetsOf(bytes);
  if (!names.length) throw new FormatError(0, `"${name}" has no sheet`);
  const all = read(Math.min(sheet, names.length - 1));
  const at = all.findIndex((row) => row.some((v) => v));
  const headings = all[at] ?? [];
  const rows = all.slice(at + 1).map((row) => headings.map((_, i) => row[i] ?? ""));
  checkCount(rows.length);
  return { name, encoding: "spreadsheet", headings, rows, first: at + 2, sheets: names };
}

/** Records of a CSV with any separator, read row by row. */
function parseCsv(
  text: string,
  onProgress: (share: number) => void,
): { data: string[][]; errors: Papa.ParseError[] } {
  const data: string[][] = [];
  const errors: Papa.ParseError[] = [];
  Papa.parse<string[]>(text, {
    skipEmptyLines: false,
    delimitersToGuess: [",", ";", "\t", "|"],
    step: (row) => {
      for (const e of row.errors) errors.push({ ...e, row: data.length });
      data.push(row.data);
      if (data.length % REPORTED) return;
      checkCount(data.length - 1);
      onProgress(Math.min(1, row.meta.cursor / text.length));
    },
  });
  checkCount(data.length - 1);
  return { data, errors };
}
