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

/** How far a hue turns, as one would say it. */
const turnInWords = (degrees: number): string =>
  Math.abs(degrees) < 8
    ? "hardly"
    : Math.abs(degrees) < 20
      ? "a little"
      : Math.abs(degrees) < 45
        ? "clearly"
        : "much";

const PARTS: readonly (readonly [number, string])[] = [
  [0.12, "hardly any of it"],
  [0.29, "about a quarter"],
  [0.41, "about a third"],
  [0.58, "about half"],
  [0.71, "about two thirds"],
  [0.785, "about three quarters"],
  [0.9, "about four fifths"],
  [Infinity, "nearly all of it"],
];
/** A share as one would say it. */
const partInWords = (share: number): string => PARTS.find(([upTo]) => share < upTo)![1];

/** What to expect of a shadow, with its numbers. */
export function expectationInWords(
  code: string,
  s: Pick<Shadow, "kind" | "deepening" | "fade" | "hueTurn" | "muddy" | "purity" | "coatsLeft">,
  e: Expectation,
): string {
  const over = e.over.join(" and ");
  const turned = e.turns
    ? `${turnInWords(s.hueTurn)} ${e.turns} (${Math.abs(s.hueTurn).toFixed(0)}°)`
    : "the hue stays";
  const L = (v: number) => v.toFixed(0);
  const parts =
    SHADOW_ORDER[s.kind] === "under"
      ? [
          `Looks strong now; ${partInWords(s.fade)} fades once covered; ${turned}. In lightness: ${L(e.strength)} below the paper now, ${L(s.deepening)} below its neighbours after ${coatsInWords(e.coverCoats)} of ${over} (${(100 * s.fade).toFixed(0)} % fades).`,
        ]
      : [`${code} over ${over}: ${L(s.deepening)} darker, ${turned}.`];
  if (!e.reads)
    parts.push(
      "The cover is too pale for it and no longer reads as itself: a deeper cover there, or fewer coats beneath.",
    );
  if (s.muddy) parts.push(`Muddy: ${(100 * s.purity).toFixed(0)} % of the colour strength is left.`);
  if (s.coatsLeft < 0) parts.push(`${coatsInWords(-s.coatsLeft)} more than the paper holds: bleed grows.`);
  return parts.join(" ");
}
