import { strToU8, zipSync } from "fflate";
import { xmlText } from "./xml-text";
import type { SheetCell } from "./xlsx";

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n';
const TYPE = "application/vnd.oasis.opendocument.spreadsheet";
const OASIS = "urn:oasis:names:tc:opendocument:xmlns";
const SPACES = [
  ["office", "office:1.0"],
  ["table", "table:1.0"],
  ["text", "text:1.0"],
  ["style", "style:1.0"],
  ["fo", "xsl-fo-compatible:1.0"],
]
  .map(([name, of]) => ` xmlns:${name}="${OASIS}:${of}"`)
  .join("");

/** An OpenDocument workbook of one sheet (ISO 26300), its first row in bold: all cells are texts, so that no code becomes a number, and nothing is a formula. */
export function formatOds(name: string, rows: readonly (readonly SheetCell[])[]): Uint8Array {
  const fills = [...new Set(rows.flat().flatMap((c) => (c.fill ? [c.fill] : [])))];
  const styleOf = new Map(fills.map((f, i) => [f, `fill${i}`]));
  const styles = fills.map(
    (f) =>
      `<style:style style:name="${styleOf.get(f)}" style:family="table-cell"><style:table-cell-properties fo:background-color="${f}"/></style:style>`,
  );
  const sheet = rows.map((cells, r) => {
    const written = cells.map(({ text, fill }) => {
      const style = fill
        ? ` table:style-name="${styleOf.get(fill)}"`
        : r === 0
          ? ' table:style-name="head"'
          : "";
      if (!text) return `<table:table-cell${style}/>`;
      const lines = text.split("\n").map((line) => `<text:p>${spaced(xmlText(line))}</text:p>`);
      return `<table:table-cell${style} office:value-type="string">${lines.join("")}</table:table-cell>`;
    });
    return `<table:table-row>${written.join("") || "<table:table-cell/>"}</table:table-row>`;
  });
  const content = `${HEAD}<office:document-content${SPACES} office:version="1.3"><office:automatic-styles><style:style style:name="head" style:family="table-cell"><style:text-properties fo:font-weight="bold"/></style:style>${styles.join("")}</office:automatic-styles><office:body><office:spreadsheet><table:table table:name="${xmlText(name.slice(0, 60)) || "Sheet"}">${sheet.join("")}</table:table></office:spreadsheet></office:body></office:document-content>`;
  const manifest = `${HEAD}<manifest:manifest xmlns:manifest="${OASIS}:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:media-type="${TYPE}"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>`;
  return zipSync({
    // First and as it is: programs know the file by it.
    mimetype: [strToU8(TYPE), { level: 0 }],
    "content.xml": strToU8(content),
    "META-INF/manifest.xml": strToU8(manifest),
  });
}

/** Spaces beyond the first of a row count only where they are said. */
const spaced = (xml: string) => xml.replace(/^ +| {2,}/g, (run) => `<text:s text:c="${run.length}"/>`);
