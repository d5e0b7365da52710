import { MARK_KINDS, type Mark, type MarkKind } from "@/core/media/mark";
import { counted } from "./numbers";

/** What each kind of mark is called, and what it is for. */
export const markInWords: Readonly<Record<MarkKind, { readonly name: string; readonly says: string }>> = {
  spark: { name: "Spark", says: "a dot: eyes, nose tip, metal, glass; freckles in brown" },
  line: {
    name: "Stroke",
    says: "one width: along an edge, a glint along a tube, a dark line where shapes need it",
  },
  hair: { name: "Hair", says: "thins out: single hairs, whiskers, lashes, fur" },
  dab: { name: "Dab", says: "a soft edge: a glow, a bloom, a soft light in gouache" },
};

/** So many of each kind: "3 sparks and 1 stroke". */
export function marksInWords(marks: readonly Pick<Mark, "kind">[]): string {
  const said = MARK_KINDS.flatMap((kind) => {
    const n = marks.filter((m) => m.kind === kind).length;
    return n ? [counted(n, markInWords[kind].name.toLowerCase())] : [];
  });
  return said.length > 1 ? `${said.slice(0, -1).join(", ")} and ${said.at(-1)}` : (said[0] ?? "no marks");
}

/** Widths of marks, mm, as one says them. */
export function widthsInWords(marks: readonly Pick<Mark, "width">[]): string {
  const [least, most] = [Math.min(...marks.map((m) => m.width)), Math.max(...marks.map((m) => m.width))];
  const text = (mm: number) => mm.toFixed(mm < 10 ? 1 : 0);
  return text(least) === text(most) ? `${text(least)} mm wide` : `${text(least)} to ${text(most)} mm wide`;
}
