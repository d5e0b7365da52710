import type { Use } from "@/core/stock/losses";
import type { Piece } from "@/core/piece/piece";
import { needOf, WHOLE, type Need, type Supply } from "@/core/stock/supplies";
import { counted } from "./numbers";
import { asCode, plainly } from "./plainly";

/** What to do about a supply. */
export const needInWords: Readonly<Record<Need, string>> = {
  ready: "ready",
  "running low": "running low",
  refill: "refill: dry",
  buy: "to buy",
};

/** Names of the areas that use a supply. */
export const usedIn = ({ areas }: Pick<Supply, "areas">): string[] =>
  areas.map((a) => (a === WHOLE ? "underlay of the whole" : a));

/** Supply list as a Markdown table. */
export function suppliesMarkdown(piece: Piece, paper: string, supplies: readonly Supply[]): string {
  const rows = supplies.map(
    (s) => `| ${asCode(s.code)} | ${needInWords[needOf(s)]} | ${plainly(usedIn(s).join(", "))} |`,
  );
  const title = `# ${plainly(piece.name)}: supply list\n\nPaper: ${plainly(paper)}. ${counted(supplies.length, "thing")}.\n\n`;
  return `${title}| marker | state | used in |\n| --- | --- | --- |\n${rows.join("\n")}${rows.length ? "\n" : ""}`;
}

/** Areas that are named; further ones are counted. */
const MOST_NAMED = 8;

/** Where something is used: each area once, with what it is there. */
export function usesInWords(uses: readonly Use[]): string {
  const all = [
    ...new Set(
      uses.map(({ area, piece, medium }) =>
        medium === "underlay of the whole"
          ? `the underlay of ${piece}`
          : `${area} (${piece}${medium === "tone" ? "" : `, ${medium}`})`,
      ),
    ),
  ];
  const more = all.length - MOST_NAMED;
  return all.slice(0, MOST_NAMED).join(", ") + (more > 0 ? ` and ${more} more` : "");
}

/** Ground that a marker covers in a piece, coats counted. */
export const coveredInWords = (mm2: number): string =>
  mm2 < 1000
    ? `${Math.max(1, Math.round(mm2))} mm² in all, coats counted`
    : `${(mm2 / 100).toFixed(0)} cm² in all, coats counted`;
