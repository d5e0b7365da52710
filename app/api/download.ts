import Papa from "papaparse";
import { FORMULA } from "@/words/formula";

/** A file for the visitor to keep. */
export const download = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      "content-type": type.startsWith("text/") || type.endsWith("json") ? `${type}; charset=utf-8` : type,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      "x-content-type-options": "nosniff",
    },
  });

/** Rows as CSV that a spreadsheet opens as text. */
export const csvOf = (fields: string[], data: readonly object[]): string =>
  `${Papa.unparse({ fields, data: [...data] }, { escapeFormulae: FORMULA })}\r\n`;
