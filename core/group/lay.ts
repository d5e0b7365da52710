import type { LaidCoat } from "@/core/ink/laid";
import { coatsAt, covers, stretches } from "@/core/ink/span";
import { schoolPasses, toneBorders, type School, type SchoolPass } from "./school";

/** How the tones of a group are laid on an area, whatever inks they are. */
export interface Laying {
  readonly school: School;
  /** Coats of each tone, light to dark. */
  readonly coats: readonly number[];
  /** The tone that carries the local colour. */
  readonly local: number;
  /** Coats of each ink that lies under, and over, the shadow end alone. */
  readonly under: readonly number[];
  readonly over: readonly number[];
  /** Coats that the paper holds anywhere. */
  readonly capacity: number;
  /** The order in which the tones are laid where somebody chose another than their school's: each tone once, by its place from light to dark. */
  readonly hand?: readonly number[];
}

/** One time over part of an area: with a tone, or with the n-th ink under or over the shadow end. */
export interface GroupPass extends Omit<SchoolPass, "tone" | "kind" | "where"> {
  readonly kind: SchoolPass["kind"] | "underlay" | "overlay";
  /** Place of the tone in its group, or of the ink among those that lie under or over. */
  readonly tone: number;
  readonly where: SchoolPass["where"] | "shadow";
}

/** A place of an area, from its lightest end (0) to its darkest (1), and what part of the plan it stands for. */
export interface GroupPlace {
  readonly t: number;
  /** The tone that is seen there; for the shadow end the last one. */
  readonly tone: number;
}

/** Distance of the light and the shadow place from the ends of the area. */
const FROM_END = 0.02;
/** Borders within this of one another are one. */
const EPSILON = 1e-9;

/** Whether the shadow end is a place of its own, beyond that of the last tone. */
export const hasShadowEnd = ({ under, over }: Pick<Laying, "under" | "over">): boolean =>
  under.length + over.length > 0;

/** Places on an area: one a tone, and one more for what lies under or over its shadow end. */
export const zonesOf = (laying: Pick<Laying, "under" | "over" | "coats">): number =>
  laying.coats.length + (hasShadowEnd(laying) ? 1 : 0);

export const bordersOf = (laying: Pick<Laying, "under" | "over" | "coats" | "local">): number[] =>
  toneBorders(zonesOf(laying), laying.local);

/**
 * All passes of a group in the order in which they are laid. Blending passes stop short of where the paper is full; what must lie for the
 * group to be seen at all may still be too much: see `mostCoats`.
 */
export function layingPasses(laying: Laying): GroupPass[] {
  const { coats, under, over, capacity, school } = laying;
  const borders = bordersOf(laying);
  const from = borders[coats.length] ?? 1;
  const shadow = (kind: "underlay" | "overlay", list: readonly number[]): GroupPass[] =>
    list.map((c, tone) => ({
      tone,
      kind,
      coats: c,
      from,
      to: 1,
      stroke: "circles",
      wet: false,
      where: "shadow",
    }));
  const passes: GroupPass[] = [
    ...shadow("underlay", under),
    ...schoolPasses(school, coats, borders).map((p, i) => (i || !under.length ? p : { ...p, wet: false })),
    ...shadow("overlay", over),
  ];
  return inHandOrder(withinCapacity(passes, capacity), laying.hand);
}

/** Tones that are laid in another order by hand: the sheet is as wet at each turn as it was; blending back still follows. */
function inHandOrder(passes: readonly GroupPass[], hand: readonly number[] | undefined): GroupPass[] {
  if (!hand) return [...passes];
  const isLaid = (p: GroupPass) => p.kind === "lay";
  const turns = passes.filter(isLaid);
  const laid = [...turns].sort((a, b) => hand.indexOf(a.tone) - hand.indexOf(b.tone));
  const first = passes.findIndex(isLaid);
  return [
    ...passes.slice(0, first),
    ...laid.map((p, turn) => ({ ...p, wet: turns[turn]!.wet })),
    ...passes.slice(first).filter((p) => !isLaid(p)),
  ];
}

/** Blending passes are shortened to where the paper still holds them; one that has no room left is not laid. */
function withinCapacity(passes: readonly GroupPass[], capacity: number): GroupPass[] {
  const isBlend = (p: GroupPass) =>
    p.kind === "blend back" && passes.some((o) => o !== p && o.tone === p.tone && o.kind === "lay");
  let kept = passes.filter((p) => !isBlend(p));
  for (const pass of passes) {
    if (!isBlend(pass)) continue;
    const places = stretches([...kept, pass])
      .map(({ from, to }) => (from + to) / 2)
      .filter((t) => covers(pass, t));
    const full = places.find((t) => coatsAt(kept, t) + pass.coats > capacity + EPSILON);
    const to =
      full === undefined
        ? pass.to
        : kept.flatMap((p) => [p.from, p.to]).reduce((b, v) => (v <= full && v > b ? v : b), pass.from);
    if (to - pass.from > EPSILON) kept = [...kept, { ...pass, to }];
  }
  // In the order in which they were, with what was shortened in its place.
  return passes.flatMap((p) => {
    const own = kept.find(
      (k) => k === p || (isBlend(p) && k.kind === p.kind && k.tone === p.tone && k.from === p.from),
    );
    return own ? [own] : [];
  });
}

/** The places by which a group is judged: the light end, the middle of each tone's own part, and the shadow end. */
export function placesOf(laying: Laying, passes: readonly GroupPass[]): GroupPlace[] {
  const borders = bordersOf(laying);
  const tones = laying.coats.length;
  const middles = Array.from({ length: tones }, (_, tone): GroupPlace => ({ t: middleOf(tone), tone }));
  /** Middle of the part of a tone's place that it covers. */
  function middleOf(tone: number): number {
    const own = passes.filter((p) => p.tone === tone && (p.kind === "lay" || p.kind === "blend back"));
    const from = Math.max(borders[tone]!, Math.min(...own.map((p) => p.from)));
    return (from + borders[tone + 1]!) / 2;
  }
  const bare = Math.min(...passes.filter((p) => p.tone === 0 && !isShadow(p)).map((p) => p.from));
  return [
    { t: Math.min(Math.max(0, bare) + FROM_END, middles[0]!.t), tone: 0 },
    ...middles,
    { t: Math.max(1 - FROM_END, middles[tones - 1]!.t), tone: tones - 1 },
  ];
}

export const isShadow = ({ kind }: Pick<GroupPass, "kind">): boolean =>
  kind === "underlay" || kind === "overlay";

/** Whether a pass lays a tone, not what lies under or over the shadow end. */
export const isOfTone = (p: GroupPass): p is GroupPass & SchoolPass => !isShadow(p);

/** The inks that stand for a group's passes, by place on the desk. */
export interface GroupInks {
  readonly tones: readonly number[];
  readonly under: readonly number[];
  readonly over: readonly number[];
}

export const inkOfPass = (pass: GroupPass, inks: GroupInks): number =>
  (pass.kind === "underlay" ? inks.under : pass.kind === "overlay" ? inks.over : inks.tones)[pass.tone]!;

/** What lies at a place, first pass first. */
export const laidAt = (passes: readonly GroupPass[], inks: GroupInks, t: number): LaidCoat[] =>
  passes.filter((p) => covers(p, t)).map((p) => ({ ink: inkOfPass(p, inks), coats: p.coats, wet: p.wet }));
