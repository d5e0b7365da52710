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

/** How far a darker tone is laid over its lighter neighbour, as a share of the area, and of the narrower of the two at most. */
const OVERLAP = 0.06;
const OVERLAP_SHARE = 0.25;
/** How much further than that a blending pass reaches. */
const BACK_REACH = 1.3;
/** Part of the lightest tone's place that stays bare in "middle out", and in "dark first" for the highlight. */
const KEPT_WHITE = 0.25;
const KEPT_HIGHLIGHT = 0.3;
/** A thin even layer, and a blending pass with a light hand, in coats. */
const THIN = 0.7;
const LIGHT_HAND = 0.5;
/** How far one tone is laid into the next where nothing is blended back from above, as a share of the narrower of the two. */
const INTO_NEXT = 0.4;
/** Shares of the area: ends least, and the tone of the local colour most. */
const WIDTHS = { end: 0.65, mid: 1, local: 2 } as const;
/** The middle of the area is the local colour's, whatever the number of tones. */
const LOCAL_SPAN = [0.38, 0.62] as const;

/** The tone that carries the local colour where nobody says which: the middle one, the lighter of two. */
export const middleTone = (tones: number): number => (tones - 1) >> 1;

/**
 * Where each tone of a group is wanted, light to dark: borders from 0 to 1, one more than tones. The ends cover the least, the tone of the
 * local colour the most, and the middle of the area always.
 * @param local the tone that carries the local colour
 */
export function toneBorders(tones: number, local = middleTone(tones)): number[] {
  const weights = Array.from({ length: tones }, (_, i) =>
    i === local ? WIDTHS.local : i === 0 || i === tones - 1 ? WIDTHS.end : WIDTHS.mid,
  );
  const total = weights.reduce((a, b) => a + b, 0);
  let sum = 0;
  const even = [0, ...weights.map((w) => (sum += w) / total)];
  const [a, b] = [even[local]!, even[local + 1]!];
  const [from, to] = [
    local ? Math.min(a, LOCAL_SPAN[0]) : 0,
    local < tones - 1 ? Math.max(b, LOCAL_SPAN[1]) : 1,
  ];
  return even.map((v, i) =>
    i <= local ? (a ? (v / a) * from : 0) : 1 - ((1 - v) / (1 - b || 1)) * (1 - to),
  );
}

/** Where a tone goes that begins at a share of the area: the darkest one is the deepest shadows' only where it leaves the rest to others. */
const placeOf = (tone: number, tones: number, begins: number): Where => {
  if (tone === 0) return "flood";
  if (tone === tones - 1 && begins >= 0.5) return "deepest";
  return tone === 1 ? "but highlight" : "shadow side";
};

/**
 * The passes of a school for a group.
 * @param coats coats of each tone, light to dark (2–6 tones)
 * @param border where each tone is wanted, see {@link toneBorders}; the last tone may have its place divided, so more may follow
 * @returns passes in the order in which they are laid
 */
export function schoolPasses(
  school: School,
  coats: readonly number[],
  border: readonly number[] = toneBorders(coats.length),
): SchoolPass[] {
  const n = coats.length;
  const last = n - 1;
  const begin = (tone: number) => border[tone]!;
  const end = (tone: number) => (tone >= last ? 1 : border[tone + 1]!);
  const width = (tone: number) => end(tone) - begin(tone);
  /** Narrower of the two tones that meet where a tone begins. */
  const meeting = (tone: number) => (tone > 0 && tone <= last ? Math.min(width(tone - 1), width(tone)) : 0);
  const overlap = (tone: number) => Math.min(OVERLAP, OVERLAP_SHARE * meeting(tone));
  const into = (tone: number) => INTO_NEXT * meeting(tone);
  const start = (tone: number) => Math.max(0, begin(tone) - overlap(tone));
  const stop = (tone: number, reach: number) => Math.min(1, end(tone) + reach * overlap(tone + 1));
  const lay = (tone: number, change: Partial<SchoolPass> = {}): SchoolPass => ({
    tone,
    kind: "lay",
    coats: coats[tone]!,
    from: start(tone),
    to: 1,
    stroke: tone === 0 ? "flat" : "circles",
    wet: true,
    where: placeOf(tone, n, begin(tone)),
    ...change,
  });
  const back = (tone: number, change: Partial<SchoolPass> = {}): SchoolPass => ({
    tone,
    kind: "blend back",
    coats: LIGHT_HAND,
    from: start(tone),
    to: stop(tone, BACK_REACH),
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
              to: stop(t, BACK_REACH),
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
            from: t ? start(t) : KEPT_WHITE * width(0),
            to: stop(t, BACK_REACH),
            stroke: "circles",
            where: t ? "darker edge" : "most of white",
          }),
        ),
      ];
    }
    case "dark first":
      return Array.from({ length: n }, (_, i) => last - i).map((t) =>
        lay(t, {
          from: t ? start(t) : KEPT_HIGHLIGHT * width(0),
          to: stop(t, 1),
          stroke: "flick",
          wet: t !== last,
          where: t === last ? "root and tip" : t === 0 ? "to highlight" : "drawn out",
        }),
      );
    case "edge in":
      return [
        ...coats.map((_, t) =>
          lay(t, {
            from: begin(t) - into(t),
            to: stop(t, 1),
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
              to: end(t) + into(t + 1),
              where: "seam to middle",
            }),
          ),
        back(0, {
          from: end(0) - into(1),
          to: end(0) + into(1),
          where: "seam to rim",
        }),
      ];
    case "layered":
      return coats.map((c, t) =>
        lay(t, {
          coats: c * THIN,
          wet: false,
          stroke: "flat",
          where: t === 0 ? "flood thin" : placeOf(t, n, begin(t)),
        }),
      );
  }
}
