import { route } from "@/door/route";
import { OneOf, Optional } from "@/border/fields";
import { needOf, suppliesOf } from "@/core/stock/supplies";
import { listPapers } from "@/store/papers";
import { findPiece } from "@/store/pieces";
import { rackOn } from "@/store/rack";
import { needInWords, suppliesMarkdown, usedIn } from "@/words/supplies";
import { csvOf, download } from "../../../download";

class SuppliesInput {
  @Optional() @OneOf(["csv", "md"]) format: "csv" | "md" = "csv";
}

const fileName = (name: string, ending: string) =>
  `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .toLowerCase() || "piece"
  }-supplies.${ending}`;

const FIELDS = ["marker", "owned", "state", "need", "areas"];

/** The supply list of a piece: ?format=csv or md. */
export const GET = route(
  { query: SuppliesInput },
  async (studio, { format }, { id }) => {
    const piece = (await findPiece(studio, id!))?.document;
    if (!piece) return undefined;
    const papers = await listPapers(studio);
    const paper = papers.find((p) => p.id === piece.paperId) ?? papers[0];
    const rack = paper && (await rackOn(studio, paper.id));
    const supplies = suppliesOf(piece, rack ? [...rack.markers, ...rack.others] : []);
    if (format === "md")
      return download(
        suppliesMarkdown(piece, paper?.name ?? "none", supplies),
        "text/markdown",
        fileName(piece.name, "md"),
      );
    const data = supplies.map((s) => ({
      marker: s.code,
      owned: s.owned ? "yes" : "no",
      state: s.state,
      need: needInWords[needOf(s)],
      areas: usedIn(s).join("; "),
    }));
    return download(csvOf(FIELDS, data), "text/csv", fileName(piece.name, "csv"));
  },
  "piece",
);
