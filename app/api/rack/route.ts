import Papa from "papaparse";
import { colourOf } from "@/compute/inputs/colour";
import { BadInput } from "@/compute/problem";
import { validate } from "@/compute/validate";
import { labToHex } from "@/core/colour/display";
import { formatCgats, nameStack } from "@/core/formats/cgats";
import { formatGpl } from "@/core/formats/gpl";
import { RACK_COLUMNS } from "@/core/stock/rack-file";
import { listPapers } from "@/store/papers";
import {
  changeRack,
  currentReadings,
  importRack,
  rackOn,
  removeFromRack,
  type RackMarker,
} from "@/store/rack";
import { addReadings } from "@/store/readings";
import { asLab } from "@/store/papers";
import { ChangeRackInput, ImportRackInput, RemoveRackInput } from "@/store/rack-input";
import { currentStudio } from "@/store/studio";
import { answer, jsonBody, notFound } from "../answer";
import { download } from "../download";

/** The rack as a file: ?format=csv, json, gpl or cgats, with colours as read on ?paper=ID. */
export const GET = (request: Request) =>
  answer(async () => {
    const studio = await currentStudio();
    const params = new URL(request.url).searchParams;
    const papers = await listPapers(studio);
    const paper = papers.find((p) => p.id === params.get("paper")) ?? papers[0];
    const rack = paper && (await rackOn(studio, paper.id));
    if (!rack) return notFound("paper");
    const all = [...rack.markers, ...rack.others];
    const read = all.flatMap((m) => (m.swatches[0] ? [{ name: m.code, lab: m.swatches[0].lab }] : []));
    switch (params.get("format")) {
      case "csv":
        return download(
          `${Papa.unparse({ fields: ["range", ...RACK_COLUMNS], data: all.map(asRow) }, { escapeFormulae: true })}\r\n`,
          "text/csv",
          "rack.csv",
        );
      case "gpl":
        return download(formatGpl(`Rack on ${paper.name}`, read), "text/plain", "rack.gpl");
      case "cgats": {
        const readings = (await currentReadings(studio, paper.id)).filter(
          (r) => !r.lift && r.backing === "paper" && !r.pressure,
        );
        return download(
          formatCgats(
            readings.map((r) => ({ name: nameStack(r.stack), lab: asLab(r.lab) })),
            `Blendt, ${paper.name}`,
          ),
          "text/plain",
          "readings.txt",
        );
      }
      case "json":
        return download(
          JSON.stringify(
            { format: "blendt-rack", version: 1, paper: paper.name, ranges: rack.ranges, items: all },
            null,
            1,
          ),
          "application/json",
          "rack.json",
        );
      default:
        throw new BadInput([{ path: "format", expected: "expected csv, json, gpl or cgats" }]);
    }
  });

const asRow = (m: RackMarker) => ({
  ...m,
  owned: m.owned ? "yes" : m.wished ? "wished" : "no",
  colour: m.swatches[0] ? (m.swatches[0].hex ?? labToHex(m.swatches[0].lab)) : "",
});

/** Rows of a file: new codes are added, known ones updated. */
export const POST = (request: Request) =>
  answer(async () => {
    const studio = await currentStudio();
    const { rangeId, paperId, rows } = validate(ImportRackInput, await jsonBody(request));
    if (paperId && !(await listPapers(studio)).some((p) => p.id === paperId)) return notFound("paper");
    const outcome = await importRack(
      studio,
      rangeId,
      rows.map(({ colour: _, ...row }) => ({ ...row, family: row.family ?? "other" })),
    );
    const coloured = rows.flatMap(({ code, colour }) =>
      colour && !outcome.elsewhere.includes(code) ? [{ code, colour }] : [],
    );
    if (paperId && coloured.length)
      await addReadings(
        studio,
        paperId,
        coloured.map(({ code, colour }) => ({
          stack: [code],
          lab: colourOf(colour).lab,
          hex: typeof colour === "string" ? colour : null,
          source: "hand" as const,
        })),
      );
    return Response.json({ ...outcome, readings: paperId ? coloured.length : 0 });
  });

export const PATCH = (request: Request) =>
  answer(async () => {
    const { changes } = validate(ChangeRackInput, await jsonBody(request));
    const plain = changes.map(({ code, set }) => ({ code, set: { ...set } }));
    const { missing } = await changeRack(await currentStudio(), plain);
    if (missing.length)
      throw new BadInput([
        {
          path: "changes",
          expected: `expected codes on the rack; not there: ${missing.slice(0, 5).join(", ")}`,
        },
      ]);
    return Response.json({ changed: changes.length });
  });

export const DELETE = (request: Request) =>
  answer(async () => {
    const { codes } = validate(RemoveRackInput, await jsonBody(request));
    return Response.json({ removed: await removeFromRack(await currentStudio(), codes) });
  });
