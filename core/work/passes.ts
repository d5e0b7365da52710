import { rolesOf, type Role } from "@/core/group/tone";

/** One time over an area with one marker. */
export interface Pass {
  readonly code: string;
  readonly coats: number;
  readonly role: Role;
  readonly kind: "lay" | "blend back";
  /** Where on the area. */
  readonly where: string;
  readonly stroke: string;
}

interface LaidTone {
  readonly code: string;
  readonly coats: number;
  /** Place from light (0) to dark. */
  readonly depth: number;
}

/** Where a tone goes: the lightest floods all and maps the shadows, each darker one keeps further inside them. */
export function whereToLay(depth: number, tones: number): string {
  if (depth === 0) return "all over";
  if (depth === tones - 1) return "deepest shadows only";
  return tones - depth === tones - 1 ? "all but the highlight" : "the shadow side";
}

/**
 * Passes of the light-first school: the tones in the order given, then back from the second darkest to the lightest over all, so that each
 * edge is softened by the lighter of its two tones.
 * @param tones in the order in which they are laid, with their place from light to dark
 */
export function passesOf(tones: readonly LaidTone[]): Pass[] {
  const roles = rolesOf(tones.length);
  const lay = tones.map((t): Pass => ({
    code: t.code,
    coats: t.coats,
    role: roles[t.depth]!,
    kind: "lay",
    where: whereToLay(t.depth, tones.length),
    stroke: t.depth === 0 ? "side of the brush, quick and even; map the shadows with it" : "small circles",
  }));
  const back = [...tones]
    .sort((a, b) => b.depth - a.depth)
    .slice(1)
    .map((t): Pass => ({
      code: t.code,
      coats: 1,
      role: roles[t.depth]!,
      kind: "blend back",
      where: t.depth === 0 ? "over all, while wet" : `over the edge of the ${roles[t.depth + 1]!}`,
      stroke: "small circles, light hand",
    }));
  return [...lay, ...back];
}
