import { strFromU8, unzipSync } from "fflate";
import { SaxesParser, type SaxesTagPlain } from "saxes";
import { FormatError } from "@/core/formats/format-error";

/** Tables of a spreadsheet, by the names of its sheets. */
export interface Sheets {
  readonly names: readonly string[];
  /** Rows of one sheet: what its cells show, formulas as they were last worked out. */
  readonly rows: (sheet: number) => string[][];
}

/** Bytes that a spreadsheet may unpack to, entries that it may have, rows, columns, and characters of a cell. */
const MOST_UNPACKED = 96 * 1024 * 1024;
const MOST_ENTRIES = 2000;
const MOST_ROWS = 200_000;
const MOST_COLUMNS = 200;
const LONGEST_CELL = 4000;
const MOST_STRINGS = 500_000;
const MOST_SPACES = 100;

/** Whether a file is a zip, as spreadsheets are. */
export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/** Parts of a zip that are wanted, unpacked; what it says of their sizes is added up before anything is. */
function partsOf(bytes: Uint8Array, wanted: (name: string) => boolean): Readonly<Record<string, Uint8Array>> {
  let [size, entries] = [0, 0];
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (++entries > MOST_ENTRIES) throw new FormatError(0, `expected at most ${MOST_ENTRIES} parts`);
        if (!wanted(name)) return false;
        size += originalSize;
        if (size > MOST_UNPACKED)
          throw new FormatError(0, `expected at most ${MOST_UNPACKED / 1024 / 1024} MB once it is unpacked`);
        return true;
      },
    });
  } catch (e) {
    if (e instanceof FormatError) throw e;
    throw new FormatError(0, "expected a whole spreadsheet: the file is damaged or breaks off");
  }
}

const localName = (name: string) => name.slice(name.indexOf(":") + 1);

interface Handlers {
  readonly open?: (name: string, attributes: Readonly<Record<string, string>>) => void;
  readonly text?: (text: string) => void;
  readonly close?: (name: string) => void;
}

/** Walks XML with names and attributes without their prefixes. */
function walk(part: Uint8Array, { open, text, close }: Handlers): void {
  const parser = new SaxesParser();
  parser.on("error", () => {
    throw new FormatError(0, "expected a whole spreadsheet: one of its parts is damaged");
  });
  parser.on("opentag", (tag: SaxesTagPlain) => {
    const attributes = Object.fromEntries(Object.entries(tag.attributes).map(([n, v]) => [localName(n), v]));
    open?.(localName(tag.name), attributes);
  });
  if (text) parser.on("text", text);
  parser.on("closetag", (tag) => close?.(localName(tag.name)));
  parser.write(strFromU8(part)).close();
}

/** Column of a cell such as "AB12", from 0. */
function columnOf(place: string | undefined): number | undefined {
  const letters = /^([A-Z]{1,3})\d{1,7}$/.exec(place ?? "")?.[1];
  if (!letters) return undefined;
  return [...letters].reduce((sum, c) => 26 * sum + c.charCodeAt(0) - 64, 0) - 1;
}

/** Rows that are filled cell by cell, within limits. */
function table() {
  const rows: string[][] = [];
  return {
    rows,
    put(row: number, column: number, text: string): void {
      if (!text || column >= MOST_COLUMNS) return;
      if (row >= MOST_ROWS) throw new FormatError(row + 1, `expected at most ${MOST_ROWS} rows`);
      while (rows.length <= row) rows.push([]);
      const own = rows[row]!;
      while (own.length < column) own.push("");
      own[column] = text.slice(0, LONGEST_CELL);
    },
  };
}

/** Office Open XML (ECMA-376): the workbook's sheets, their shared strings, and what cells hold. */
function xlsx(bytes: Uint8Array): Sheets {
  const parts = partsOf(bytes, (n) =>
    /^xl\/(workbook\.xml|sharedStrings\.xml|_rels\/.*\.rels|worksheets\/[^/]+\.xml)$/.test(n),
  );
  const book = parts["xl/workbook.xml"];
  if (!book) throw new FormatError(0, "expected a workbook in it");
  const listed: { readonly name: string; readonly id: string }[] = [];
  walk(book, { open: (name, a) => name === "sheet" && listed.push({ name: a.name ?? "", id: a.id ?? "" }) });
  const targets = new Map<string, string>();
  const links = parts["xl/_rels/workbook.xml.rels"];
  if (links)
    walk(links, {
      open: (name, a) =>
        name === "Relationship" && targets.set(a.Id ?? "", (a.Target ?? "").replace(/^\/?(xl\/)?/, "")),
    });
  const strings: string[] = [];
  const shared = parts["xl/sharedStrings.xml"];
  if (shared) {
    let [own, inText, phonetic] = ["", false, false];
    walk(shared, {
      open: (name) => {
        if (name === "si") own = "";
        if (name === "rPh") phonetic = true;
        inText = name === "t" && !phonetic;
      },
      text: (t) => inText && own.length < LONGEST_CELL && (own += t),
      close: (name) => {
        if (name === "t") inText = false;
        if (name === "rPh") phonetic = false;
        if (name === "si" && strings.push(own) > MOST_STRINGS)
          throw new FormatError(0, `expected at most ${MOST_STRINGS} different texts`);
      },
    });
  }
  return {
    names: listed.map((s) => s.name),
    rows: (sheet) => {
      const part = parts[`xl/${targets.get(listed[sheet]?.id ?? "") ?? ""}`];
      if (!part) throw new FormatError(0, "expected that sheet in it");
      const { rows, put } = table();
      let [row, column, next, kind, said, inValue] = [-1, 0, 0, "", "", false];
      walk(part, {
        open: (name, a) => {
          if (name === "row") {
            row = a.r && /^\d{1,7}$/.test(a.r) ? Number(a.r) - 1 : row + 1;
            next = 0;
          } else if (name === "c") {
            column = columnOf(a.r) ?? next;
            next = column + 1;
            kind = a.t ?? "n";
            said = "";
          }
          inValue = name === "v" || (name === "t" && kind === "inlineStr");
        },
        text: (t) => inValue && said.length < LONGEST_CELL && (said += t),
        close: (name) => {
          if (name === "v" || name === "t") inValue = false;
          if (name !== "c") return;
          const text =
            kind === "s"
              ? (strings[Number(said)] ?? "")
              : kind === "b"
                ? said === "1"
                  ? "yes"
                  : "no"
                : kind === "e"
                  ? ""
                  : said;
          put(row, column, text.trim());
        },
      });
      return rows;
    },
  };
}

/** OpenDocument (ISO 26300): tables of the content, repeated cells and rows laid out as far as they hold something. */
function ods(bytes: Uint8Array): Sheets {
  const content = partsOf(bytes, (n) => n === "content.xml")["content.xml"];
  if (!content) throw new FormatError(0, "expected content in it");
  const names: string[] = [];
  walk(content, { open: (name, a) => name === "table" && names.push(a.name ?? "") });
  return {
    names,
    rows: (sheet) => {
      const { rows, put } = table();
      let at = -1;
      let [row, rowTimes, column, cellTimes, said, value, inText] = [0, 1, 0, 1, "", "", 0];
      let cells: { column: number; text: string }[] = [];
      const times = (text: string | undefined) =>
        Math.min(MOST_ROWS, Math.max(1, Math.floor(Number(text ?? 1)) || 1));
      walk(content, {
        open: (name, a) => {
          if (name === "table") at++;
          if (at !== sheet) return;
          if (name === "table-row") {
            rowTimes = times(a["number-rows-repeated"]);
            [column, cells] = [0, []];
          } else if (name === "table-cell" || name === "covered-table-cell") {
            cellTimes = times(a["number-columns-repeated"]);
            [said, value] = [
              "",
              a["boolean-value"] === "true" ? "yes" : a["boolean-value"] === "false" ? "no" : (a.value ?? ""),
            ];
          } else if (name === "p") {
            if (said) said += "\n";
            inText++;
          } else if (name === "s" && inText) said += " ".repeat(Math.min(MOST_SPACES, times(a.c)));
        },
        text: (t) => at === sheet && inText > 0 && said.length < LONGEST_CELL && (said += t),
        close: (name) => {
          if (at !== sheet) return;
          if (name === "p") inText--;
          else if (name === "table-cell" || name === "covered-table-cell") {
            const text = (said || value).trim();
            if (text)
              for (let n = 0; n < cellTimes && column + n < MOST_COLUMNS; n++)
                cells.push({ column: column + n, text });
            column += cellTimes;
          } else if (name === "table-row") {
            if (cells.length)
              for (let n = 0; n < rowTimes; n++) for (const c of cells) put(row + n, c.column, c.text);
            row += rowTimes;
          }
        },
      });
      return rows;
    },
  };
}

/** Names of the parts of a zip. */
function namesIn(bytes: Uint8Array): ReadonlySet<string> {
  const names = new Set<string>();
  partsOf(bytes, (name) => {
    names.add(name);
    return false;
  });
  return names;
}

/** One part of a zip as text; undefined where there is none of that name. */
export function partIn(bytes: Uint8Array, name: string): string | undefined {
  const part = namesIn(bytes).has(name) ? partsOf(bytes, (n) => n === name)[name] : undefined;
  return part && strFromU8(part);
}

/**
 * The sheets of a spreadsheet, XLSX or ODS. Formulas are never worked out, links never followed.
 * @throws FormatError in words
 */
export function sheetsOf(bytes: Uint8Array): Sheets {
  const names = namesIn(bytes);
  if (names.has("xl/workbook.xml")) return xlsx(bytes);
  if (names.has("content.xml")) return ods(bytes);
  throw new FormatError(0, "expected a spreadsheet, XLSX or ODS; this zip is none");
}
