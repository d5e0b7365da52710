import Papa from "papaparse";
import { needOf, suppliesMarkdown, suppliesOf } from "@/core/stock/supplies";
import { findPiece } from "@/store/pieces";
import { listPapers } from "@/store/papers";
import { rackOn } from "@/store/rack";
import { currentStudio } from "@/store/studio";
import { answer, isId, notFound } from "../../../answer";
import { download } from "../../../download";

const fileName = (name: string, ending: string) =>
  `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .toLowerCase() || "piece"
  }-supplies.${ending}`;

/** The supply list of a piece: ?format=csv or md. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { id } = await params;
    const studio = await currentStudio();
    const piece = isId(id) ? (await findPiece(studio, id))?.document : undefined;
    if (!piece) return notFound("piece");
    const papers = await listPapers(studio);
    const paper = papers.find((p) => p.id === piece.paperId) ?? papers[0];
    const rack = paper && (await rackOn(studio, paper.id));
    const supplies = suppliesOf(piece, rack ? [...rack.markers, ...rack.others] : []);
    if (new URL(request.url).searchParams.get("format") === "md")
      return download(
        suppliesMarkdown(piece, paper?.name ?? "none", supplies),
        "text/markdown",
        fileName(piece.name, "md"),
      );
    const rows = supplies.map((s) => ({
      marker: s.code,
      owned: s.owned ? "yes" : "no",
      state: s.state,
      need: needOf(s),
      areas: s.areas.join("; "),
    }));
    const csv = Papa.unparse(
      { fields: ["marker", "owned", "state", "need", "areas"], data: rows },
      { escapeFormulae: true },
    );
    return download(`${csv}\r\n`, "text/csv", fileName(piece.name, "csv"));
  });
