/** Ways to lay a blend group. All are in use; each suits other things. */
export const SCHOOLS = [
  "light first",
  "dark second",
  "middle out",
  "dark first",
  "edge in",
  "layered",
] as const;
export type School = (typeof SCHOOLS)[number];

/** How the marker is moved. */
export type Stroke = "flat" | "circles" | "flick" | "dab";

/** Where a pass goes, by what it does there. */
export type Where =
  | "flood"
  | "flood and map"
  | "deepest"
  | "but highlight"
  | "shadow side"
  | "next edge"
  | "over all wet"
  | "into shadows"
  | "towards light"
  | "leave white"
  | "darker edge"
  | "most of white"
  | "root and tip"
  | "to highlight"
  | "drawn out"
  | "rim"
  | "middle"
  | "inside rim"
  | "seam to middle"
  | "seam to rim"
  | "flood thin";

/** One time over part of an area with one tone. */
export interface SchoolPass {
  /** Place of the tone in its group, from light (0) to dark. */
  readonly tone: number;
  readonly kind: "lay" | "blend back";
  readonly coats: number;
  /** Part of the area that is covered, from its lightest end (0) to its darkest (1). */
  readonly from: number;
  readonly to: number;
  readonly stroke: Stroke;
  /** Whether the sheet is still wet when the pass comes. */
  readonly wet: boolean;
  readonly where: Where;
}

/** How far a darker tone is laid over its lighter neighbour, as a share of the area. */
const OVERLAP = 0.06;
/** Bare paper that "middle out" keeps, and "dark first" leaves for the highlight. */
const KEPT_WHITE = 0.05;
const KEPT_HIGHLIGHT = 0.1;
/** A thin even layer, and a blending pass with a light hand, in coats. */
const THIN = 0.7;
const LIGHT_HAND = 0.5;
/** How far one tone is laid into the next where nothing is blended back from above. */
const INTO_NEXT = 0.14;

/**
 * Where each tone of a group is wanted, light to dark: n + 1 borders from 0 to 1. The ends cover the least, the mids carry the local colour.
 */
export function toneBorders(tones: number): number[] {
  const weights = Array.from({ length: tones }, (_, i) =>
    tones > 2 && (i === 0 || i === tones - 1) ? 0.65 : 1,
  );
  const total = weights.reduce((a, b) => a + b, 0);
  let sum = 0;
  return [0, ...weights.map((w) => (sum += w) / total)];
}

const placeOf = (tone: number, tones: number): Where => {
  if (tone === 0) return "flood";
  if (tone === tones - 1) return "deepest";
  return tone === 1 ? "but highlight" : "shadow side";
};

/**
 * The passes of a school for a group.
 * @param coats coats of each tone, light to dark (2–6 tones)
 * @returns passes in the order in which they are laid
 */
export function schoolPasses(school: School, coats: readonly number[]): SchoolPass[] {
  const n = coats.length;
  const last = n - 1;
  const border = toneBorders(n);
  const start = (tone: number) => Math.max(0, border[tone]! - (tone ? OVERLAP : 0));
  const lay = (tone: number, change: Partial<SchoolPass> = {}): SchoolPass => ({
    tone,
    kind: "lay",
    coats: coats[tone]!,
    from: start(tone),
    to: 1,
    stroke: tone === 0 ? "flat" : "circles",
    wet: true,
    where: placeOf(tone, n),
    ...change,
  });
  const back = (tone: number, change: Partial<SchoolPass> = {}): SchoolPass => ({
    tone,
    kind: "blend back",
    coats: LIGHT_HAND,
    from: start(tone),
    to: Math.min(1, border[tone + 1]! + 2 * OVERLAP),
    stroke: "circles",
    wet: true,
    where: "next edge",
    ...change,
  });
  const overAll = back(0, { from: 0, to: 1, stroke: "flat", where: "over all wet" });
  const darker = Array.from({ length: last }, (_, i) => i + 1);
  const backDown = darker
    .slice(0, -1)
    .reverse()
    .map((t) => back(t));

  switch (school) {
    case "light first":
      return [
        lay(0, { wet: false, where: "flood and map" }),
        ...darker.map((t) => lay(t)),
        ...backDown,
        overAll,
      ];
    case "dark second":
      return [
        lay(0, { wet: false }),
        lay(last, { where: "into shadows" }),
        ...darker
          .slice(0, -1)
          .reverse()
          .map((t) =>
            lay(t, {
              to: Math.min(1, border[t + 1]! + 2 * OVERLAP),
              where: "towards light",
            }),
          ),
        overAll,
      ];
    case "middle out": {
      const middle = Math.max(1, last >> 1);
      const lighter = Array.from({ length: middle }, (_, i) => middle - 1 - i);
      return [
        lay(middle, { wet: false, where: "leave white" }),
        ...darker.filter((t) => t > middle).map((t) => lay(t)),
        ...lighter.map((t) =>
          lay(t, {
            kind: "blend back",
            from: Math.max(KEPT_WHITE, start(t)),
            to: Math.min(1, border[t + 1]! + 2 * OVERLAP),
            stroke: "circles",
            where: t ? "darker edge" : "most of white",
          }),
        ),
      ];
    }
    case "dark first":
      return Array.from({ length: n }, (_, i) => last - i).map((t) =>
        lay(t, {
          from: t === 0 ? KEPT_HIGHLIGHT : start(t),
          to: Math.min(1, border[t + 1]! + OVERLAP),
          stroke: "flick",
          wet: t !== last,
          where: t === last ? "root and tip" : t === 0 ? "to highlight" : "drawn out",
        }),
      );
    case "edge in":
      return [
        ...coats.map((_, t) =>
          lay(t, {
            from: t ? Math.max(0, border[t]! - INTO_NEXT) : 0,
            to: Math.min(1, border[t + 1]! + OVERLAP),
            wet: t > 0,
            stroke: "circles",
            where: t === 0 ? "rim" : t === last ? "middle" : "inside rim",
          }),
        ),
        ...darker
          .slice(0, -1)
          .reverse()
          .map((t) =>
            back(t, {
              from: start(t),
              to: Math.min(1, border[t + 1]! + INTO_NEXT),
              where: "seam to middle",
            }),
          ),
        back(0, {
          from: Math.max(0, border[1]! - INTO_NEXT),
          to: Math.min(1, border[1]! + INTO_NEXT),
          where: "seam to rim",
        }),
      ];
    case "layered":
      return coats.map((c, t) =>
        lay(t, {
          coats: c * THIN,
          wet: false,
          stroke: "flat",
          where: t === 0 ? "flood thin" : placeOf(t, n),
        }),
      );
  }
}
