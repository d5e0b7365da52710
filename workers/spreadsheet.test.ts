import { strToU8, zipSync } from "fflate";
import { FormatError } from "@/core/formats/format-error";
import { formatOds } from "@/core/formats/ods";
import { formatXlsx } from "@/core/formats/xlsx";
import { isZip, sheetsOf } from "./spreadsheet";

const cells = (rows: readonly (readonly string[])[]) => rows.map((r) => r.map((text) => ({ text })));
const zip = (parts: Readonly<Record<string, string>>) =>
  zipSync(Object.fromEntries(Object.entries(parts).map(([n, t]) => [n, strToU8(t)])));
const ods = (table: string) =>
  zip({
    mimetype: "application/vnd.oasis.opendocument.spreadsheet",
    "content.xml": `<office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet>${table}</office:spreadsheet></office:body></office:document-content>`,
  });

describe.each([
  ["XLSX", formatXlsx, "Rack  mine 2"],
  ["ODS", formatOds, "Rack: mine/2"],
] as const)("a workbook that goes out as %s", (_, format, name) => {
  const rows = [
    ["code", "name", "colour"],
    ["007", 'Pale "warm" & <light>', "#c8a27a"],
    ["=1+1", "", "@x"],
    ["two  spaces", "two\nlines"],
  ];
  const made = format("Rack: mine/2", [
    ...cells(rows),
    [{ text: "clay3m", fill: "#c8a27a" }, { text: "" }, { text: "", fill: "#ffffff" }],
  ]);
  it("comes back as it was: codes stay texts, what looks like a formula stays what it looks like", () => {
    const { names, rows: read } = sheetsOf(made);
    expect(names).toEqual([name]);
    expect(read(0)).toEqual([...rows, ["clay3m"]]);
  });
  it("is a zip, and has no control characters in it", () => {
    expect(isZip(made)).toBe(true);
    expect(() => sheetsOf(format("a", cells([["a\u0000b\u0007"]])))).not.toThrow();
  });
});

describe("workbooks of other programs", () => {
  const book = (sheet: string, strings = "") =>
    zip({
      "xl/workbook.xml":
        '<workbook xmlns:r="r"><sheets><sheet name="One" r:id="a"/><sheet name="Two" r:id="b"/></sheets></workbook>',
      "xl/_rels/workbook.xml.rels":
        '<Relationships><Relationship Id="a" Target="worksheets/s1.xml"/><Relationship Id="b" Target="/xl/worksheets/s2.xml"/></Relationships>',
      "xl/worksheets/s1.xml": "<worksheet><sheetData/></worksheet>",
      "xl/worksheets/s2.xml": `<worksheet><sheetData>${sheet}</sheetData></worksheet>`,
      "xl/sharedStrings.xml": `<sst>${strings}</sst>`,
    });
  it("have shared texts, gaps, figures, answers of formulas and of yes and no", () => {
    const { names, rows } = sheetsOf(
      book(
        '<row r="2"><c r="A2" t="s"><v>1</v></c><c r="C2"><f>1+2</f><v>3</v></c><c r="D2" t="b"><v>1</v></c><c r="E2" t="e"><v>#REF!</v></c></row><row><c t="str"><v>next</v></c></row>',
        "<si><t>no</t></si><si><r><t>cl</t></r><r><t>ay</t></r><rPh><t>xx</t></rPh></si>",
      ),
    );
    expect(names).toEqual(["One", "Two"]);
    expect(rows(0)).toEqual([]);
    expect(rows(1)).toEqual([[], ["clay", "", "3", "yes"], ["next"]]);
  });
  it("as OpenDocument have repeated cells and rows", () => {
    const { names, rows } = sheetsOf(
      ods(
        `<table:table table:name="A"/><table:table table:name="B"><table:table-row><table:table-cell><text:p>code</text:p></table:table-cell><table:table-cell table:number-columns-repeated="2" office:value="7"><text:p>7</text:p></table:table-cell></table:table-row>
        <table:table-row table:number-rows-repeated="2"><table:table-cell/><table:table-cell office:value="2.5"/></table:table-row>
        <table:table-row table:number-rows-repeated="1048573"><table:table-cell table:number-columns-repeated="16384"/></table:table-row></table:table>`,
      ),
    );
    expect(names).toEqual(["A", "B"]);
    expect(rows(1)).toEqual([
      ["code", "7", "7"],
      ["", "2.5"],
      ["", "2.5"],
    ]);
  });
  it.each([
    ["no spreadsheet", zip({ "a.txt": "x" }), /this zip is none/],
    ["damage", formatXlsx("a", cells([["x"]])).slice(0, 300), /damaged or breaks off/],
    ["a part that is no XML", zip({ "xl/workbook.xml": "<a><b>" }), /parts is damaged/],
    [
      "very many parts",
      zip(Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`p${i}`, ""]))),
      /at most 2000 parts/,
    ],
    ["more than may be unpacked", zip({ "xl/workbook.xml": "x".repeat(101 * 1024 * 1024) }), /at most 96 MB/],
  ])("with %s are refused in words", (_, bytes, message) => {
    expect(() => sheetsOf(bytes)).toThrow(FormatError);
    expect(() => sheetsOf(bytes)).toThrow(message);
  });
  it("with rows without end are refused before they fill memory", () => {
    const { rows } = sheetsOf(
      ods(
        '<table:table><table:table-row table:number-rows-repeated="1000000"><table:table-cell><text:p>x</text:p></table:table-cell></table:table-row><table:table-row><table:table-cell><text:p>y</text:p></table:table-cell></table:table-row></table:table>',
      ),
    );
    expect(() => rows(0)).toThrow(/at most 200000 rows/);
    expect(() => sheetsOf(book('<row r="9999999"><c><v>1</v></c></row>')).rows(1)).toThrow(
      /at most 200000 rows/,
    );
  });
});
