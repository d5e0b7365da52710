import { SHADOW_ORDER, type Expectation, type Shadow, type ShadowKind } from "@/core/shadow/shadow";
import { coatsInWords } from "./numbers";

/** What a kind of shadow is. */
export const shadowInWords: Readonly<Record<ShadowKind, string>> = {
  deeper: "a deeper marker of about the same hue",
  underlay:
    "violet or the opposite colour before the local colour: a rich, neutral shadow that fades under its cover",
  overlay: "a cool or warm grey over the finished colour: a realistic cast shadow",
  "cool hint": "a pale blue or violet at the very end, in the shadow only",
  "warm hint": "a pale yellow or pink at the very end, in the light only",
  undertone: "blue or violet beneath dark greys, for black hair and cloth",
};

/** What to expect of a shadow, with its numbers. */
export function expectationInWords(
  code: string,
  s: Pick<Shadow, "kind" | "deepening" | "fade" | "hueTurn" | "muddy" | "purity" | "coatsLeft">,
  e: Expectation,
): string {
  const over = e.over.join(" and ");
  const turned = e.turns ? `${Math.abs(s.hueTurn).toFixed(0)}° ${e.turns}` : "the hue stays";
  const L = (v: number) => `${v.toFixed(0)} L*`;
  const parts =
    SHADOW_ORDER[s.kind] === "under"
      ? [
          `Looks strong now, ${L(e.strength)} below the paper; after ${coatsInWords(e.coverCoats)} of ${over} it is ${L(s.deepening)} below its neighbours: ${(100 * s.fade).toFixed(0)} % fades. Then ${turned}.`,
        ]
      : [`${code} over ${over}: ${L(s.deepening)} deeper, ${turned}.`];
  if (!e.reads)
    parts.push(
      "The cover is too pale for it and no longer reads as itself: a deeper cover there, or fewer coats beneath.",
    );
  if (s.muddy) parts.push(`Muddy: ${(100 * s.purity).toFixed(0)} % of the chroma is left.`);
  if (s.coatsLeft < 0) parts.push(`${coatsInWords(-s.coatsLeft)} more than the paper holds: bleed grows.`);
  return parts.join(" ");
}
