import { strToU8, zipSync } from "fflate";
import { xmlText } from "./xml-text";

/** A cell: what it shows, and a colour that fills it. */
export interface SheetCell {
  readonly text: string;
  /** "#rrggbb". */
  readonly fill?: string;
}

/** Letters of a column, from 0. */
function lettersOf(column: number): string {
  let [n, out] = [column + 1, ""];
  for (; n > 0; n = Math.floor((n - 1) / 26)) out = String.fromCharCode(65 + ((n - 1) % 26)) + out;
  return out;
}

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
const MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
const LINKS = "http://schemas.openxmlformats.org/package/2006/relationships";
const OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";

/** A workbook of one sheet (ECMA-376), its first row in bold: all cells are texts, so that no code becomes a number, and nothing is a formula. */
export function formatXlsx(name: string, rows: readonly (readonly SheetCell[])[]): Uint8Array {
  const fills = [...new Set(rows.flat().flatMap((c) => (c.fill ? [c.fill] : [])))];
  const styleOf = new Map(fills.map((f, i) => [f, i + 2]));
  const sheet = rows
    .map((cells, r) => {
      const written = cells.map(({ text, fill }, c) => {
        const style = fill ? ` s="${styleOf.get(fill)}"` : r === 0 ? ' s="1"' : "";
        return text || fill
          ? `<c r="${lettersOf(c)}${r + 1}"${style} t="inlineStr"><is><t xml:space="preserve">${xmlText(text)}</t></is></c>`
          : "";
      });
      return `<row r="${r + 1}">${written.join("")}</row>`;
    })
    .join("");
  const styles = `<styleSheet xmlns="${MAIN}"><fonts count="2"><font><sz val="11"/><name val="Calibri"/></font><font><b/><sz val="11"/><name val="Calibri"/></font></fonts><fills count="${fills.length + 2}"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill>${fills.map((f) => `<fill><patternFill patternType="solid"><fgColor rgb="FF${f.slice(1).toUpperCase()}"/><bgColor indexed="64"/></patternFill></fill>`).join("")}</fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="${fills.length + 2}"><xf xfId="0"/><xf xfId="0" fontId="1" applyFont="1"/>${fills.map((_, i) => `<xf xfId="0" fillId="${i + 2}" applyFill="1"/>`).join("")}</cellXfs></styleSheet>`;
  const parts: Readonly<Record<string, string>> = {
    "[Content_Types].xml": `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/></Types>`,
    "_rels/.rels": `<Relationships xmlns="${LINKS}"><Relationship Id="rId1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    "xl/workbook.xml": `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="${xmlText(name.replace(/[[\]:*?/\\]/g, " ").slice(0, 31)) || "Sheet"}" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    "xl/_rels/workbook.xml.rels": `<Relationships xmlns="${LINKS}"><Relationship Id="rId1" Type="${OFFICE}/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="${OFFICE}/styles" Target="styles.xml"/></Relationships>`,
    "xl/styles.xml": styles,
    "xl/worksheets/sheet1.xml": `<worksheet xmlns="${MAIN}"><sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" activePane="bottomLeft" state="frozen"/></sheetView></sheetViews><sheetData>${sheet}</sheetData></worksheet>`,
  };
  return zipSync(Object.fromEntries(Object.entries(parts).map(([n, xml]) => [n, strToU8(HEAD + xml)])));
}
