import type { SeenArea } from "@/core/colouring/look-over";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Spot, ToneMap, ToneWish } from "@/core/colouring/tone-map";
import { planGroups } from "@/core/group/plan";
import { mostCoats } from "@/core/ink/span";
import type { KeptTone } from "@/core/piece/piece";
import { part, type Work } from "@/core/progress";
import { otherOf, type AnewInput, type OtherGroup } from "./area-anew";
import { costOf } from "./cost";
import type { OpenDesk } from "./desk";
import { fixedOf, shapeWishOf, targetOf } from "./group-wish";
import type { ShownArea } from "./laid-areas";
import { COVERED, darkerBy, isCramped, paleCover, SMALL } from "./noticing";
import type { ShownAreaInput, ShownInField, ShownQuestion } from "./operations/render";

/** What was noticed of one area that may be mended by changing it alone, and of two that run together by changing either. */
export const MENDED = ["small highlight", "lost highlight", "pale cover", "merging"] as const;
export type Mended = (typeof MENDED)[number];

/** A change that mends something: it was laid and measured before it is offered. */
export interface Mend {
  readonly kind: Mended;
  /** What was noticed, by its areas. */
  readonly areas: readonly string[];
  /** What it does: the border of the lightest tone moves, that tone goes, or the area has another group. */
  readonly means:
    "border" | "white spot" | "without lightest" | "other tone" | "other group" | "coats" | "underlay";
  /** Mean ΔE00 over the pixels of what changes from what was picked there, before and after. */
  readonly off: readonly [number, number];
  /** What was noticed, in its own measure, before and after: mm², L* darker, degrees of hue, share of the border. */
  readonly figure: readonly [number, number];
  /** Where tones end by hand, by area. */
  readonly shares?: { readonly id: string; readonly shares: readonly number[] };
  /** A spot that stays bare paper, besides those that do. */
  readonly white?: { readonly id: string; readonly spot: Spot };
  readonly groups?: readonly ({ readonly id: string } & OtherGroup)[];
}

/** ΔE00 over an area by which a change may lie further from what was picked. */
export const DEARER = 0.5;
/** mm² that the lightest tone gets, and share of the area that this may be at most. */
const [ROOM, MOST_ROOM] = [8, 0.25] as const;
/** Groups that are laid and measured, and changes that are measured again on a tone map of their own. */
const [TRIED, AGAIN] = [4, 3] as const;
/** Most coats of a tone. */
const MOST_COATS = 4;

/** Everything that the ways to mend one thing are judged by. */
export interface Place {
  readonly id: string;
  readonly at: number;
  readonly now: ShownInField;
  readonly area: ShownAreaInput;
  readonly wish: AnewInput;
  /** Of its wish, for errors. */
  readonly path: string;
  /** As it would be seen where the tones go now: near, and at once. */
  readonly look: (s: ShownArea) => SeenArea;
  /** As it will be seen, on a tone map of its own. @param change of where its tones go */
  readonly lookAgain: (s: ShownArea, change?: Partial<ToneWish>) => SeenArea;
  readonly lay: (other: OtherGroup) => ShownArea;
  readonly kept: OtherGroup;
}

/** A change to one area, and about how near it comes. */
interface Tried {
  readonly means: Mend["means"];
  readonly off: number;
  readonly group: OtherGroup;
  readonly laid: ShownArea;
}

/** The lightest tone with more room, or an area without it. */
export function roomier(
  { at, id, now, kept, look, lookAgain, lay }: Place,
  map: ToneMap,
  mmPerPixel: number,
): Mend | undefined {
  const before = look(now);
  if (!isCramped(now, map, at, before.lightest, mmPerPixel) || before.off === undefined) return undefined;
  const { off } = before;
  const base = { kind: "small highlight" as const, areas: [id] };
  const tried: Mend[] = [];
  const [lightest, ...rest] = kept.tones;
  const byHand = now.wish.shares;
  const isPlain = kept.tones.every((t) => t.depth === undefined) && !lightest?.locked && !lightest?.carries;
  if (rest.length > 1 && isPlain) {
    const other = { ...kept, tones: rest };
    const shares = byHand?.slice(1) ?? null;
    const after = lookAgain(lay(other), { shares });
    if (after.off !== undefined)
      tried.push({
        ...base,
        means: "without lightest",
        off: [off, after.off],
        figure: [before.lightest, after.lightest],
        groups: [{ id, ...other }],
        ...(shares && { shares: { id, shares } }),
      });
  }
  const pixels = map.counts.subarray(at * 256 + 1, at * 256 + 256).reduce((sum, n) => sum + n, 0);
  const share = ROOM / (pixels * mmPerPixel ** 2);
  const inner = byHand ?? now.wish.borders.slice(1, -1);
  if (share <= MOST_ROOM && inner.length && share < (inner[1] ?? 1)) {
    const shares = [Math.max(share, inner[0]!), ...inner.slice(1)];
    const after = lookAgain(now, { shares });
    if (after.off !== undefined && after.lightest > SMALL)
      tried.push({
        ...base,
        means: "border",
        off: [off, after.off],
        figure: [before.lightest, after.lightest],
        shares: { id, shares },
      });
  }
  return tried.filter((m) => m.off[1] <= off + DEARER).sort((a, b) => a.off[1] - b.off[1])[0];
}

/** Radius of a spot that is left white, mm, and the share of the room that it takes. */
const [LEAST_SPOT, MOST_SPOT, OF_ROOM] = [0.6, 3, 0.6] as const;

/**
 * A spot of the lightest tone that stays bare paper, where that is nearer to the light that was picked than what covers it.
 * @param room where the lightest tone has most room
 */
export function leftWhite(
  open: OpenDesk,
  { id, now, wish, look, lookAgain }: Place,
  room: { readonly at: readonly [number, number]; readonly room: number } | undefined,
): Mend | undefined {
  const target = targetOf(open, wish.target);
  const seen = look(now);
  const was = darkerBy(target, seen, now.wish);
  if (!room || !target.light || seen.off === undefined || was <= COVERED) return undefined;
  const { paper } = open.desk;
  if (deltaE00(paper.lab, target.light) >= deltaE00(seen.ends[0], target.light)) return undefined;
  const radius = Math.min(MOST_SPOT, Math.max(LEAST_SPOT, OF_ROOM * room.room));
  const spot: Spot = { at: [...room.at], radius };
  return {
    kind: "lost highlight",
    areas: [id],
    means: "white spot",
    off: [seen.off, lookAgain(now, { whites: [spot] }).off ?? seen.off],
    figure: [was, target.light[0] - paper.lab[0]],
    white: { id, spot },
  };
}

/** A highlight that is light enough, or a cover that reads over its underlay, by the change that stays nearest to what was picked. */
export function* better(
  open: OpenDesk,
  { sheet }: Pick<ShownQuestion, "sheet">,
  { id, now, wish, path, kept, look, lookAgain, lay }: Place,
  kind: "lost highlight" | "pale cover",
): Work<Mend | undefined> {
  const target = targetOf(open, wish.target);
  const wrongBy = (s: ShownArea, seen: SeenArea): number =>
    kind === "lost highlight" ? darkerBy(target, seen, now.wish) : (paleCover(open, s, sheet) ?? 0);
  const present = look(now);
  const [was, off] = [wrongBy(now, present), present.off];
  const isRight = (by: number) => (kind === "lost highlight" ? by <= COVERED : by === 0);
  if (off === undefined || isRight(was)) return undefined;
  const price = costOf(open, wish.ownedOnly);
  const excluded = new Set(wish.exclude);
  const used = new Set([...kept.tones, ...kept.shade].map((t) => t.code));
  const usable = open.desk.inks.flatMap(({ code }, ink) =>
    Number.isFinite(price(ink)) && !excluded.has(code) && !used.has(code) ? [code] : [],
  );
  const { tones, shade } = kept;
  const withTone = (place: number, tone: KeptTone): OtherGroup => ({
    ...kept,
    tones: tones.map((t, i) => (i === place ? tone : t)),
  });
  const changes: { readonly means: Mend["means"]; readonly group: OtherGroup }[] = [];
  const place = kind === "lost highlight" ? 0 : tones.length - 1;
  const own = tones[place];
  if (own && !own.locked)
    for (const code of usable)
      for (const coats of [1, 2])
        changes.push({ means: "other tone", group: withTone(place, { ...own, code, coats }) });
  if (kind === "lost highlight" && own && !own.locked && own.coats > 1)
    changes.push({ means: "coats", group: withTone(0, { ...own, coats: own.coats - 1 }) });
  if (kind === "pale cover") {
    tones.forEach((t, i) => {
      if (!t.locked && t.coats < MOST_COATS)
        changes.push({ means: "coats", group: withTone(i, { ...t, coats: t.coats + 1 }) });
    });
    const weaker = shade.flatMap((s) =>
      s.kind !== "underlay" ? [s] : s.coats > 1 ? [{ ...s, coats: s.coats - 1 }] : [],
    );
    if (shade.some((s) => s.kind === "underlay"))
      changes.push({ means: "underlay", group: { ...kept, shade: weaker } });
  }
  // No more than the paper holds, or than lies there already.
  const holds = Math.max(sheet.capacity, mostCoats(now.passes)) + 1e-9;
  const tried: Tried[] = [];
  const lookAt = (means: Mend["means"], group: OtherGroup) => {
    const laid = lay(group);
    if (mostCoats(laid.passes) > holds) return;
    const seen = look(laid);
    if (isRight(wrongBy(laid, seen)) && seen.off !== undefined)
      tried.push({ means, group, laid, off: seen.off });
  };
  for (const [i, { means, group }] of changes.entries()) {
    lookAt(means, group);
    yield (0.6 * i) / changes.length;
  }
  const planned = yield* part(
    planGroups(open.desk, shapeWishOf(open, wish), TRIED, {
      inkCost: (ink) => (excluded.has(open.desk.inks[ink]!.code) ? Infinity : price(ink)),
      fixed: fixedOf(open, wish, path),
    }),
    0.6,
    0.3,
  );
  for (const g of planned) lookAt("other group", otherOf(open, g));
  const likely = tried.filter((t) => t.off <= off + DEARER).sort((a, b) => a.off - b.off);
  for (const { means, group, laid } of likely.slice(0, AGAIN)) {
    const seen = lookAgain(laid);
    const figure = wrongBy(laid, seen);
    yield 0.95;
    if (!isRight(figure) || seen.off === undefined || seen.off > off + DEARER) continue;
    return {
      kind,
      areas: [id],
      means,
      off: [off, seen.off],
      figure: [was, figure],
      groups: [{ id, ...group }],
    };
  }
  return undefined;
}
