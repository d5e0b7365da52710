import {
  blendPage,
  pencilLines,
  pieceLines,
  stackLines,
  stripLines,
  type StripWish,
} from "@/core/chart/compose";
import { inkLine, type ChartLine } from "@/core/chart/layout";
import { PLACES, type Piece } from "@/core/piece/piece";
import { expectedColours, neededFirst } from "@/core/stock/needed-first";
import type { Rack } from "@/store/rack";
import { pencilName } from "@/words/pencil";
import type { PaperData } from "./paper-view";

/** What may be printed. */
export const WHICH = [
  "all markers",
  "owned markers",
  "markers not read yet",
  "one family",
  "what a piece needs first",
  "a piece and its overlays",
  "open trials",
  "pencils over markers",
  "strips that tell most of your pencils",
  "blends, light against dark",
] as const;
export type Which = (typeof WHICH)[number];

/** Markers that pencils are tried over when none are named: pale to deep. */
const PENCIL_BASES = 8;

/** Markers of one page or less. */
const MOST_FIRST = 12;

/** Owned markers, not read yet, that are expected near the colours which were picked for a piece. */
export function firstFor(rack: Rack, piece: Piece): string[] {
  const colours = piece.areas.flatMap((a) =>
    a.white ? [] : PLACES.flatMap((p) => (a.readings[p] ? [a.readings[p].lab] : [])),
  );
  const expected = rack.ranges.flatMap(({ name, key, homes }) =>
    key
      ? expectedColours(
          key,
          rack.markers
            .filter((m) => m.range === name && m.owned && m.state !== "dry")
            .map((m) => ({ code: m.code, ...(m.swatches[0] && { lab: m.swatches[0].lab }) })),
          homes,
        )
      : [],
  );
  return neededFirst(expected, colours, MOST_FIRST);
}

/** Lines and title of a chart with what was chosen. */
export function composed(
  rack: Rack,
  {
    which,
    family,
    piece,
    trials,
    strips,
  }: {
    which: Which;
    family: string;
    piece: Piece | undefined;
    trials: PaperData["trials"];
    /** As `pencilStrips` found them; none before it has. */
    strips: readonly StripWish[];
  },
): { lines: ChartLine[]; title: string } {
  const inks = (list: readonly { readonly code: string }[], title: string) => ({
    lines: list.map((m) => inkLine(m.code)),
    title,
  });
  switch (which) {
    case "all markers":
      return inks(rack.markers, "All markers");
    case "owned markers":
      return inks(
        rack.markers.filter((m) => m.owned),
        "Owned markers",
      );
    case "markers not read yet":
      return inks(
        rack.markers.filter((m) => m.owned && m.swatches.length < 3),
        "Owned markers not read yet",
      );
    case "one family":
      return inks(
        rack.markers.filter((m) => m.family === family),
        `Family ${family}`,
      );
    case "what a piece needs first":
      return inks(
        piece ? firstFor(rack, piece).map((code) => ({ code })) : [],
        piece ? `First for ${piece.name}` : "",
      );
    case "a piece and its overlays":
      return { lines: piece ? pieceLines(piece) : [], title: piece ? piece.name : "" };
    case "open trials":
      return {
        lines: stackLines(
          "trials",
          trials.filter((t) => t.verdict === "open").map((t) => ({ stack: t.stack })),
        ),
        title: "Open trials",
      };
    case "strips that tell most of your pencils":
      return { lines: stripLines(strips, pencilName), title: "Strips of pencil" };
    case "blends, light against dark":
      return {
        lines: blendPage(
          rack.markers
            .filter((m) => m.owned && m.state !== "dry" && m.swatches.length)
            .map(({ code, family, swatches }) => ({ code, family, lightness: swatches[0]!.lab[0] })),
        ),
        title: "Blends",
      };
    case "pencils over markers": {
      const ready = rack.markers
        .filter((m) => m.owned && m.state !== "dry" && m.swatches.length)
        .sort((a, b) => b.swatches[0]!.lab[0] - a.swatches[0]!.lab[0]);
      const bases = Array.from(
        { length: Math.min(PENCIL_BASES, ready.length) },
        (_, i) => ready[Math.floor((i * ready.length) / PENCIL_BASES)]!.code,
      );
      return {
        lines: pencilLines(
          rack.others.filter((o) => o.kind === "pencil" && o.owned).map((o) => o.code),
          bases,
        ),
        title: "Pencils over markers",
      };
    }
  }
}
