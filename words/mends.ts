import type { Noticed } from "./check";

const MENDABLE = ["small highlight", "lost highlight", "pale cover", "merging"] as const;
type Mendable = (typeof MENDABLE)[number];

/** Whether a change of its own may mend it. */
export const isMendable = (n: Noticed): n is Extract<Noticed, { readonly kind: Mendable }> =>
  (MENDABLE as readonly string[]).includes(n.kind);

/** What mends something, whoever worked it out. */
interface Mends {
  readonly kind: Mendable;
  readonly areas: readonly string[];
  readonly means:
    "border" | "white spot" | "without lightest" | "other tone" | "other group" | "coats" | "underlay";
  readonly off: readonly [number, number];
  readonly figure: readonly [number, number];
  readonly groups?: readonly {
    readonly id: string;
    readonly tones: readonly { readonly code: string; readonly coats: number }[];
    readonly shade: readonly { readonly kind: string; readonly code: string; readonly coats: number }[];
  }[];
}

const figureOf = ({ kind, figure: [was, is] }: Mends): string => {
  switch (kind) {
    case "small highlight":
      return is === 0 ? "" : `${was.toFixed(1)} → ${is.toFixed(1)} mm²`;
    case "lost highlight":
      return `${was.toFixed(0)} → ${Math.max(0, is).toFixed(0)} darker than picked`;
    case "pale cover":
      return `${was.toFixed(0)} → ${is.toFixed(0)}° of hue`;
    case "merging":
      return `${(100 * was).toFixed(0)} → ${(100 * is).toFixed(0)} % of their border`;
  }
};

/** A group as it is spoken of: its codes, with coats where there are more than one. */
const codesOf = (tones: readonly { readonly code: string; readonly coats: number }[]): string =>
  tones.map(({ code, coats }) => (coats > 1 ? `${code} ×${coats}` : code)).join(", ");

/** What mends something that was noticed, as a sentence, what it changes, and what its button says. */
export function mendInWords(
  m: Mends,
  nameOf: (id: string) => string,
): { readonly says: string; readonly figure: string; readonly take: string } {
  const changed = m.groups?.map((g) => nameOf(g.id)).join(" and ") ?? nameOf(m.areas[0]!);
  const [group] = m.groups ?? [];
  const near = `${m.off[0].toFixed(1)} → ${m.off[1].toFixed(1)} ΔE00`;
  const figure = [figureOf(m), near].filter(Boolean).join(", ");
  switch (m.means) {
    case "border":
      return { says: `${changed}: its lightest tone gets more room.`, figure, take: "Move its border" };
    case "white spot":
      return { says: `${changed}: a spot of its light stays bare paper.`, figure, take: "Keep it white" };
    case "without lightest":
      return { says: `${changed}: leave its lightest tone out.`, figure, take: "Leave it out" };
    case "underlay":
      return {
        says: `${changed}: ${group!.shade.some((s) => s.kind === "underlay") ? "one coat less of" : "no"} underlay.`,
        figure,
        take: "Take it",
      };
    case "coats":
    case "other tone":
      return { says: `${changed}: ${codesOf(group!.tones)}.`, figure, take: "Take it" };
    case "other group":
      return {
        says:
          m.groups!.length > 1
            ? `${m.groups!.map((g) => `${nameOf(g.id)}: ${codesOf(g.tones)}`).join("; ")}.`
            : `${changed}: ${codesOf(group!.tones)} instead.`,
        figure,
        take: "Take it",
      };
  }
}
