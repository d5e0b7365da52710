import { route } from "@/door/route";
import { rackChartPdf, shelfLabelsPdf } from "@/app/print/rack-pdf";
import { colourOf } from "@/border/colour";
import { noSuch, wrong } from "@/border/problem";
import { plain } from "@/border/read-as";
import { checkOnce, ChangeRackInput, ImportRackInput, RackFileInput, RemoveRackInput } from "@/border/rack";
import { labToHex } from "@/core/colour/display";
import { formatCgats, nameStack } from "@/core/formats/cgats";
import { keptReading } from "@/core/formats/measured";
import { formatGpl } from "@/core/formats/gpl";
import { formatAco, formatAse, formatCss, formatSoc } from "@/core/formats/palettes";
import { formatOds } from "@/core/formats/ods";
import { formatSwatchBook } from "@/core/formats/swatch-book";
import { formatXlsx, type SheetCell } from "@/core/formats/xlsx";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import { RACK_COLUMNS } from "@/core/stock/rack-file";
import { asLab, findPaper, listPapers, type PaperSheet } from "@/store/papers";
import {
  changeRack,
  findRange,
  importRack,
  rackOn,
  removeFromRack,
  type Rack,
  type RackMarker,
} from "@/store/rack";
import { currentReadings } from "@/store/swatches";
import { addReadings } from "@/store/readings";
import { printerSheet, type Studio } from "@/store/studio";
import { csvOf, download } from "../download";

const asRow = (m: RackMarker) => ({
  ...m,
  owned: m.owned ? "yes" : m.wished ? "wished" : "no",
  colour: m.swatches[0] ? (m.swatches[0].hex ?? labToHex(m.swatches[0].lab)) : "",
});

interface Shown {
  readonly studio: Studio;
  readonly paper: PaperSheet;
  readonly rack: Rack;
  readonly all: readonly RackMarker[];
}

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const ODS = "application/vnd.oasis.opendocument.spreadsheet";
const asBody = (bytes: Uint8Array): ArrayBuffer => bytes.slice().buffer;
/** One coat of everything that was read. */
const oneCoat = ({ all }: Shown) =>
  all.flatMap((m) => (m.swatches[0] ? [{ name: m.code, lab: m.swatches[0].lab }] : []));

/** A workbook's sheet: its name and rows, colours as fills. */
function bookOf({ paper, all }: Shown): [string, SheetCell[][]] {
  const columns = ["range", ...RACK_COLUMNS] as const;
  const rows = all.map(asRow).map((row) =>
    columns.map((c) => {
      const text = String(row[c as keyof typeof row] ?? "");
      return { text, ...(c === "colour" && text && { fill: text }) };
    }),
  );
  return [`Rack on ${paper.name}`, [columns.map((text) => ({ text })), ...rows]];
}

/** How the rack is written in each format. */
const FILES: Record<RackFileInput["format"], (shown: Shown) => Response | Promise<Response>> = {
  csv: ({ all }) => download(csvOf(["range", ...RACK_COLUMNS], all.map(asRow)), "text/csv", "rack.csv"),
  json: ({ paper, rack, all }) =>
    download(
      JSON.stringify(
        { format: "blendt-rack", version: 1, paper: paper.name, ranges: rack.ranges, items: all },
        null,
        1,
      ),
      "application/json",
      "rack.json",
    ),
  xlsx: (shown) => download(asBody(formatXlsx(...bookOf(shown))), XLSX, "rack.xlsx"),
  ods: (shown) => download(asBody(formatOds(...bookOf(shown))), ODS, "rack.ods"),
  gpl: (shown) =>
    download(formatGpl(`Rack on ${shown.paper.name}`, oneCoat(shown)), "text/plain", "rack.gpl"),
  ase: (shown) => download(asBody(formatAse(oneCoat(shown))), "application/octet-stream", "rack.ase"),
  aco: (shown) => download(asBody(formatAco(oneCoat(shown))), "application/octet-stream", "rack.aco"),
  soc: (shown) => download(formatSoc(oneCoat(shown)), "text/xml", "rack.soc"),
  sbz: (shown) =>
    download(
      asBody(formatSwatchBook(`Rack on ${shown.paper.name}`, oneCoat(shown))),
      "application/zip",
      "rack.sbz",
    ),
  css: (shown) => download(formatCss(oneCoat(shown)), "text/css", "rack.css"),
  chart: async ({ studio, rack }) =>
    download(asBody(await rackChartPdf(rack, await printerSheet(studio))), "application/pdf", "rack.pdf"),
  labels: async ({ studio, rack }) =>
    download(asBody(await shelfLabelsPdf(rack, await printerSheet(studio))), "application/pdf", "labels.pdf"),
  cgats: async ({ studio, paper }) => {
    const own = (await currentReadings(studio, paper.id)).filter(
      (r) => !r.lift && r.backing === "paper" && !r.pressure,
    );
    const named = own.map((r) => ({ name: nameStack(r.stack), ...keptReading(asLab(r.lab), r.measured) }));
    return download(formatCgats(named, `Blendt, ${paper.name}`), "text/plain", "readings.txt");
  },
};

/** The rack as a file, with colours as read on a paper: the first one when none is named. */
export const GET = route(
  { query: RackFileInput },
  async (studio, input) => {
    const paper = input.paper ? await findPaper(studio, input.paper) : (await listPapers(studio))[0];
    const rack = paper && (await rackOn(studio, paper.id));
    return rack && FILES[input.format]({ studio, paper, rack, all: [...rack.markers, ...rack.others] });
  },
  "paper",
);

/** Rows of a file: new codes are added, known ones updated. */
export const POST = route(ImportRackInput, async (studio, { rangeId, paperId, rows }) => {
  checkOnce("rows", rows);
  if (!(await findRange(studio, rangeId))) throw noSuch("rangeId", "range");
  if (paperId && !(await findPaper(studio, paperId))) throw noSuch("paperId", "paper");
  const facts = rows.map(({ colour: _, ...row }) => ({ ...row, family: row.family ?? "other" }));
  const outcome = await importRack(studio, rangeId, plain(facts));
  if (outcome === "full") throw wrong("rows", `expected at most ${MOST_ON_RACK} things on the rack in all`);
  const elsewhere = new Set(outcome.elsewhere);
  const read = rows.flatMap(({ code, colour }) =>
    colour && paperId && !elsewhere.has(code)
      ? [
          {
            stack: [code],
            lab: colourOf(colour).lab,
            hex: typeof colour === "string" ? colour : null,
            source: "hand" as const,
          },
        ]
      : [],
  );
  if (paperId) await addReadings(studio, paperId, read);
  return { ...outcome, readings: read.length };
});

export const PATCH = route(ChangeRackInput, async (studio, { changes }) => {
  checkOnce("changes", changes);
  const { missing } = await changeRack(studio, plain(changes));
  if (missing.length)
    throw wrong("changes", `expected codes on the rack; not there: ${missing.slice(0, 5).join(", ")}`);
  return { changed: changes.length };
});

export const DELETE = route(RemoveRackInput, async (studio, { codes }) => {
  await removeFromRack(studio, codes);
  return true;
});
