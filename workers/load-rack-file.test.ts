import { FormatError } from "@/core/formats/format-error";
import { guessMapping, readRows } from "@/core/stock/rack-file";
import { decodeText } from "./decode-text";
import { labToHex } from "@/core/colour/display";
import { formatAco, formatAse, formatCss, formatSoc } from "@/core/formats/palettes";
import { formatSwatchBook } from "@/core/formats/swatch-book";
import { formatXlsx } from "@/core/formats/xlsx";
import { loadRackFile } from "./load-rack-file";

const bytes = (text: string, encoding: BufferEncoding = "utf8"): ArrayBuffer => {
  const b = Buffer.from(text, encoding);
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;
};
const bigEndian = (text: string) => {
  const b = Buffer.from(text, "utf16le").swap16();
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;
};
const refusal = (name: string, content: ArrayBuffer): string => {
  try {
    loadRackFile(name, content);
  } catch (e) {
    return e instanceof FormatError ? e.message : `not a refusal: ${String(e)}`;
  }
  return "";
};
/** Rows as they would go to the rack. */
const taken = (content: ArrayBuffer) => {
  const { headings, rows, first } = loadRackFile("file", content);
  return readRows(rows, guessMapping(headings), first);
};

describe("text of which nobody says the encoding", () => {
  const text = "code;name\nclay1;Blaßrosa\n";
  it.each([
    ["UTF-8", bytes(text)],
    ["UTF-8", bytes(`\uFEFF${text}`)],
    ["UTF-16", bytes(`\uFEFF${text}`, "utf16le")],
    ["UTF-16", bigEndian(`\uFEFF${text}`)],
    ["UTF-16 without its mark", bytes(text, "utf16le")],
    ["UTF-16 without its mark", bigEndian(text)],
    ["Windows-1252", bytes(text, "latin1")],
  ])("is read as %s", (encoding, content) => {
    const found = decodeText(content);
    expect(found.encoding).toBe(encoding);
    expect(found.text.replace("\uFEFF", "")).toBe(text);
  });
  it("is no text when it has NULs", () => {
    expect(refusal("photo.csv", bytes("code\nab\u0000c,d\u0000\n"))).toMatch(
      /NUL characters.*save it as CSV/,
    );
  });
  it("may be very short", () => {
    for (const short of ["", "a", "ab"]) expect(decodeText(bytes(short)).text).toBe(short);
  });
});

describe("a CSV", () => {
  it("may have any separator and any order of columns", () => {
    for (const separator of [",", ";", "\t", "|"])
      expect(
        taken(
          bytes(["name", "code", "owned"].join(separator) + "\n" + ["Pale", "clay1", "yes"].join(separator)),
        ).good,
      ).toEqual([{ code: "clay1", name: "Pale", owned: true, wished: false }]);
  });
  it("keeps good rows and names the lines of bad ones", () => {
    const { good, bad } = taken(bytes("code,state\nclay1,full\nclay2,wet\n\nclay1,low\n,full\n"));
    expect(good.map((r) => r.code)).toEqual(["clay1"]);
    expect(bad.map((b) => [b.line, b.reason])).toEqual([
      [3, 'state "wet" is none of full, fine, low, dry'],
      [5, 'the code "clay1" stands in line 2 already'],
      [6, "the code is missing"],
    ]);
  });
  it("may have quotation marks, line breaks in cells, and formulas that stay text", () => {
    const { good } = taken(bytes('code,notes\r\nclay1,"two\nlines, and ""more"""\r\nclay2,=1+1\r\n'));
    expect(good.map((r) => r.notes)).toEqual(['two\nlines, and "more"', "=1+1"]);
  });
  it("is refused with its line when a quotation mark is not closed", () => {
    expect(refusal("a.csv", bytes('code,notes\nclay1,"open\nclay2,x\n'))).toMatch(
      /quotation mark is not closed/,
    );
  });
  it("needs headings, a row, and not too many of them", () => {
    expect(refusal("a.csv", bytes("  \n "))).toMatch(/is empty/);
    expect(refusal("a.csv", bytes("code"))).toMatch(/needs a line of headings and at least one row/);
    expect(refusal("a.csv", bytes(`code\n${"c\n".repeat(2_000_005)}`))).toMatch(/more than 2,000,000 rows/);
    expect(refusal("a.csv", bytes(`code${",".repeat(300)}\nclay1`))).toMatch(/at most 200 columns/);
    expect(refusal("a.csv", new ArrayBuffer(65 * 1024 * 1024))).toMatch(/at most 64 MB/);
  });
});

describe("JSON", () => {
  it("is a list, or what the rack itself saves", () => {
    const items = [
      { code: "clay1", owned: true, refills: 2, spoon: 1 },
      { code: "clay2", owned: false, wished: true },
    ];
    const rows = [
      { code: "clay1", owned: true, wished: false, refills: 2 },
      { code: "clay2", owned: false, wished: true },
    ];
    expect(taken(bytes(JSON.stringify(items))).good).toEqual(rows);
    expect(taken(bytes(JSON.stringify({ format: "blendt-rack", items }))).good).toEqual(rows);
  });
  it.each(["{", "[1,2", '{"items":7}', "[]", '{"items":[]}'])("%s is refused in words", (text) =>
    expect(refusal("a.json", bytes(text))).toMatch(/JSON/),
  );
  it("with entries that are nothing gives bad rows, not a crash", () => {
    const { good, bad } = taken(bytes('[null, 7, "x", {}, {"code":"clay1"}]'));
    expect(good).toEqual([{ code: "clay1" }]);
    expect(bad.length).toBeLessThanOrEqual(4);
  });
});

describe("a palette", () => {
  it("gives codes and colours", () => {
    const palette = "GIMP Palette\nName: Mine\nColumns: 2\n#\n200 162 122\tclay3m\n  0   0   0\tsoot9c\n";
    expect(taken(bytes(palette)).good).toEqual([
      { code: "clay3m", colour: "#c8a27a" },
      { code: "soot9c", colour: "#000000" },
    ]);
  });
  it("is refused with the line that is wrong", () => {
    expect(refusal("a.gpl", bytes("GIMP Palette\n#\n300 0 0\tx\n"))).toMatch(/line 3/);
  });
});

describe("spreadsheets and palettes", () => {
  const arrayOf = (b: Uint8Array) => b.slice().buffer;
  it("are rows under headings, whichever row those stand in", () => {
    const book = formatXlsx("Mine", [
      [],
      [{ text: "code" }, { text: "colour" }, { text: "owned" }],
      [{ text: "clay3m" }, { text: "#c8a27a", fill: "#c8a27a" }],
      [{ text: "fern2c" }, { text: "" }, { text: "yes" }],
    ]);
    expect(loadRackFile("mine.xlsx", arrayOf(book))).toEqual({
      name: "mine.xlsx",
      encoding: "spreadsheet",
      headings: ["code", "colour", "owned"],
      rows: [
        ["clay3m", "#c8a27a", ""],
        ["fern2c", "", "yes"],
      ],
      first: 3,
      sheets: ["Mine"],
    });
  });
  it.each([
    ["a.ase", formatAse],
    ["a.aco", formatAco],
    ["a.soc", formatSoc],
    ["a.css", formatCss],
    ["a.sbz", (own: Parameters<typeof formatAse>[0]) => formatSwatchBook("Mine", own)],
  ] as const)("as %s are codes and colours", (name, format) => {
    const made = format([{ name: "clay3m", lab: [60, 10, 12] }]);
    const bytes = typeof made === "string" ? new TextEncoder().encode(made) : made;
    const { headings, rows } = loadRackFile(name, arrayOf(bytes));
    expect(headings).toEqual(["code", "colour"]);
    expect(rows).toEqual([["clay3m", labToHex([60, 10, 12])]]);
  });
});
