import { FORMULA } from "@/words/formula";
import Papa from "papaparse";
import { isRead, parseCode, type CodeKey } from "@/core/codes/key";
import { FormatError } from "@/core/formats/format-error";
import { guessMapping, readRows, type BadRow, type Mapping, type RackFileRow } from "@/core/stock/rack-file";
import { loadRackFile, type Loaded } from "./load-rack-file";

/** What is shown of a file before anything is taken from it. */
export interface RackFileHead {
  readonly name: string;
  readonly encoding: string;
  readonly headings: readonly string[];
  readonly rows: number;
  /** Its first rows. */
  readonly sample: readonly (readonly string[])[];
  /** What its columns are, by their names and by what is in them. */
  readonly guess: Mapping;
  /** Sheets of a spreadsheet, and the one that is read. */
  readonly sheets?: readonly string[];
  readonly sheet: number;
}

/** What a mapping makes of a file. */
export interface RackFileCount {
  readonly good: number;
  readonly bad: number;
  /** The first of the bad rows. */
  readonly worst: readonly BadRow[];
  /** Markers whose code the key of the range cannot read. */
  readonly unread: number;
}

export type RackFileAnswer<T> =
  { readonly ok: true; readonly is: T } | { readonly ok: false; readonly message: string };

type Tell = (share: number) => void;
const SAMPLE = 6;
/** Rows by which columns without a known name are recognised. */
const LOOKED_AT = 400;
const BAD_SHOWN = 100;

const isMarker = (row: RackFileRow) => (row.kind ?? "marker") === "marker";

/** One rack file, kept beside the page: however long it is, the page sees its head, counts, and rows a handful at a time. */
export function rackFile() {
  let file: Loaded | undefined;
  let good: readonly (RackFileRow & { readonly family: string })[] = [];
  let bad: readonly BadRow[] = [];
  return {
    open(name: string, bytes: ArrayBuffer, onProgress: Tell, sheet = 0): RackFileAnswer<RackFileHead> {
      try {
        file = loadRackFile(name, bytes, onProgress, sheet);
      } catch (e) {
        if (!(e instanceof FormatError)) throw e;
        return { ok: false, message: e.message };
      }
      const { encoding, headings, rows, sheets } = file;
      // A file usually ends in a line break, which is no row.
      const written = rows.reduce((sum, row) => sum + Number(row.some((v) => v.trim())), 0);
      return {
        ok: true,
        is: {
          name,
          encoding,
          headings,
          rows: written,
          sample: rows.slice(0, SAMPLE),
          guess: guessMapping(headings, rows.slice(0, LOOKED_AT)),
          ...(sheets && { sheets }),
          sheet,
        },
      };
    },
    /** Reads all rows by a mapping; families come from the file, else from the key of the range. */
    read(mapping: Mapping, key: CodeKey | null, onProgress: Tell): RackFileCount {
      const read = readRows(file?.rows ?? [], mapping, file?.first, onProgress);
      let unread = 0;
      good = read.good.map((row) => {
        const parsed = key && isMarker(row) ? parseCode(key, row.code) : undefined;
        if (parsed && !isRead(parsed)) unread++;
        return {
          ...row,
          family: row.family ?? (parsed && isRead(parsed) ? parsed.family : undefined) ?? "other",
        };
      });
      bad = read.bad;
      return { good: good.length, bad: bad.length, worst: bad.slice(0, BAD_SHOWN), unread };
    },
    rows: (from: number, count: number): readonly RackFileRow[] => good.slice(from, from + count),
    /** The bad rows as a CSV, each with its line and the reason. */
    badRows: (): string =>
      Papa.unparse(
        {
          fields: ["line", "reason", ...(file?.headings ?? [])],
          data: bad.map((b) => [String(b.line), b.reason, ...b.values]),
        },
        { escapeFormulae: FORMULA },
      ),
  };
}

export type RackFileApi = ReturnType<typeof rackFile>;
