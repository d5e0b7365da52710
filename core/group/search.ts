import { cheapest } from "@/core/algebra/cheapest";
import { chroma, type Lab } from "@/core/colour/lab";
import { BANDS, type Spectrum } from "@/core/colour/observer";
import { seenLab } from "@/core/ink/desk";
import { laidLab } from "@/core/ink/laid";
import type { Candidates } from "./candidates";
import type { GroupGoal } from "./goal";
import type { GroupInks, Laying } from "./lay";
import { weightsAt, type PlaceWeights } from "./place-weights";
import { blendCost, leastPlaceCost, placeCost, stepCost, strokeCost, type ScoreWeights } from "./score";
import { layingOf, type SearchShape } from "./shape";
import { sieveFor } from "./sieve";
import { blendOf, mixDoses, type StepLimits } from "./step";

/** A tone that must stand in the group. */
export interface FixedTone {
  readonly ink: number;
  readonly coats: number;
}

export interface SearchWish {
  readonly goal: GroupGoal;
  readonly limits: StepLimits;
  readonly weights: ScoreWeights;
  /** Extra cost of an ink; Infinity forbids it. */
  readonly inkCost: (ink: number) => number;
  /** Tones that must be used, each in the place where the whole group is cheapest. */
  readonly fixed?: readonly FixedTone[];
  /** Inks that are not owned, and how many of them a group may have. */
  readonly unowned?: (ink: number) => boolean;
  readonly purchases?: number;
  /** Tones that are tried in one place, those likeliest there; else {@link MOST_TRIED}. */
  readonly tried?: number;
}

export interface FoundGroup {
  readonly laying: Laying;
  readonly inks: GroupInks;
  /** With the inks' extra costs. */
  readonly cost: number;
  /** Local colour as laid, to within the lookup's error. */
  readonly local: Lab;
}

/** Tones that are tried in one place; of a larger rack those whose own stroke is likeliest there. */
const MOST_TRIED = 600;

/** Overlays are greys: chroma of their own stroke at most. */
const GREY = 14;

/** Coats that an ink under or over the shadow end may have. */
const SHADOW_COATS = [1, 2];

/** A partial group: tones up to a place, light end first. */
interface Partial {
  readonly cost: number;
  readonly node: number;
  /** Locked tones in use, which come in falling lightness. */
  readonly held: number;
  readonly bought: number;
  readonly lab: Lab;
  readonly dose: Spectrum;
  readonly before: Partial | undefined;
}

/**
 * Groups of least cost as laid, best first: tones are chosen from the light end on, each judged by what is seen over those before it; of
 * each length the cheapest `width` partial groups are kept. With a width that keeps all of them, nothing better exists.
 * @param cap cost beyond which nothing is of interest
 * @param most groups wanted; they differ by at least one ink
 */
export function searchGroups(
  c: Candidates,
  shape: SearchShape,
  wish: SearchWish,
  width: number,
  cap = Infinity,
  most = 1,
): FoundGroup[] {
  const { tones, doses, desk, sheet, alone } = c;
  const {
    goal,
    limits,
    weights: w,
    inkCost,
    unowned,
    purchases = Infinity,
    tried: mostTried = MOST_TRIED,
  } = wish;
  const inksThere = [...new Set(tones.map((t) => t.ink))];
  const extra = new Float64Array(desk.inks.length).fill(Infinity);
  for (const ink of inksThere) extra[ink] = inkCost(ink);
  const buys = (ink: number) => (unowned?.(ink) ? 1 : 0);
  const locks = lockedNodes(c, wish.fixed ?? []);
  const lockOf = new Map(locks.map((node, k) => [node, k]));
  const lockedInks = new Set(locks.map((node) => tones[node]!.ink));
  const free = tones.flatMap((t, n) =>
    lockOf.has(n) || (!lockedInks.has(t.ink) && extra[t.ink]! < Infinity) ? [n] : [],
  );
  const left = followers(c, free, shape.tones);
  const mixed = new Float64Array(BANDS);
  const half = new Float64Array(BANDS);

  /** Expands partial groups by one tone. */
  function grow(partials: readonly (Partial | undefined)[], zone: number, limit: number): Partial[] {
    const best = Array.from({ length: locks.length + 1 }, () => cheapest<Partial>(limit));
    const strokes = new Float64Array(tones.length);
    for (const [n, t] of tones.entries())
      if (extra[t.ink]! < Infinity) strokes[n] = strokeCost(t.lab, t.coats, zone, goal, w) + extra[t.ink]!;
    const tried = limit === Infinity ? free : likeliest(zone, strokes);
    // The darkest tones can only be last: what leaves nothing to go on with is no beginning.
    const going = tried.filter((node) => locks.length > 0 || left[node]! >= shape.tones - 1 - zone);
    for (const before of partials) {
      const path = nodesOf(before);
      const inks = path.map((n) => tones[n]!.ink);
      const coatsBefore = path.map((n) => tones[n]!.coats);
      const bases = new Map<
        number,
        { weights: PlaceWeights | undefined; base: Float64Array; single: boolean }
      >();
      const after = going.filter((node) => !before || node > before.node);
      const sieve =
        limit === Infinity
          ? undefined
          : sieveFor(
              goal.places[zone]![0],
              before?.lab[0],
              desk.paper.lab[0],
              after.map((n) => tones[n]!.lab[0]),
            );
      for (const node of after) {
        const tone = tones[node]!;
        const held = heldWith(before?.held ?? 0, node, zone);
        const bought = (before?.bought ?? 0) + buys(tone.ink);
        if (held === undefined || bought > purchases || inks.includes(tone.ink)) continue;
        let at = bases.get(tone.coats);
        if (!at) {
          const weights = weightsAt(c, shape, zone, [...coatsBefore, tone.coats]);
          const base = new Float64Array(BANDS);
          inks.forEach((ink, z) => weights?.of[z] && addDose(base, doses, ink, weights.of[z]));
          at = { weights, base, single: !weights?.of.some((v, z) => z !== zone && v > 0) };
          bases.set(tone.coats, at);
        }
        if (!at.weights || (sieve && !lockOf.has(node) && !sieve(tone.lab[0]))) continue;
        const start = (before?.cost ?? 0) + strokes[node]!;
        const keep = best[held]!;
        // Every tone to come is a marker at least.
        const worst = Math.min(cap - w.marker * (shape.tones - 1 - zone), keep.limit());
        if (start > worst) continue;
        const own = at.weights.of[zone]!;
        const offset = tone.ink * BANDS;
        for (let i = 0; i < BANDS; i++) mixed[i] = at.base[i]! + own * doses[offset + i]!;
        const known = at.single ? aloneLab(tone.ink, at.weights.coats) : undefined;
        const L = known ? known[0] : sheet.lightnessOf(mixed);
        let cost = start + (before ? stepCost(before.lab[0], L, zone - 1, goal, limits, w) : 0);
        if (cost + leastPlaceCost(L, zone, goal, w) > worst) continue;
        const lab = known ?? sheet.lab();
        cost += placeCost(lab, zone, goal, w);
        if (cost > worst) continue;
        if (before) {
          if (!bothLocked(before.node, node) && c.alike(before.node, node)) continue;
          cost += blendCost(
            blendOf(before.lab, lab, sheet.labOf(mixDoses(before.dose, mixed, 0.5, half))),
            zone - 1,
            goal,
            w,
          );
          if (cost > worst) continue;
        }
        keep.add({ cost, node, held, bought, lab, dose: mixed.slice(), before });
      }
    }
    return best.flatMap((b) => b.take()).sort((a, b) => a.cost - b.cost);
  }
  /** The tones that are tried in a place, light to dark. */
  function likeliest(zone: number, strokes: Float64Array): readonly number[] {
    if (free.length <= mostTried) return free;
    const wanted = goal.places[zone]![0];
    const off = Float64Array.from(free, (node) =>
      lockOf.has(node) ? -1 : strokes[node]! + w.place * Math.abs(tones[node]!.lab[0] - wanted),
    );
    const most = off.slice().sort()[mostTried - 1]!;
    // Of those that are as far off as the last of them, the lighter ones.
    let level = mostTried;
    for (const o of off) if (o < most) level--;
    return free.filter((_, i) => off[i]! < most || (off[i] === most && level-- > 0));
  }

  const bothLocked = (a: number, b: number) => lockOf.has(a) && lockOf.has(b);

  /** Colour where one ink lies alone: as it was read. */
  function aloneLab(ink: number, coats: number): Lab {
    const key = `${ink} ${coats}`;
    let lab = alone.get(key);
    if (!lab) alone.set(key, (lab = laidLab(desk, [{ ink, coats, wet: false }])));
    return lab;
  }

  /** Locks in use once a tone is added; undefined when it breaks their order or leaves too few places for the others. */
  function heldWith(held: number, node: number, zone: number): number | undefined {
    const lock = lockOf.get(node);
    if (lock !== undefined && lock !== held) return undefined;
    const now = lock === undefined ? held : held + 1;
    return locks.length - now <= shape.tones - 1 - zone ? now : undefined;
  }

  function localOf(p: Partial): Lab {
    let at: Partial = p;
    for (let zone = shape.tones - 1; zone > shape.local; zone--) at = at.before!;
    return at.lab;
  }

  const isWhole = shape.shadow === "tone";
  let partials: readonly (Partial | undefined)[] = [undefined];
  for (let zone = 0; zone < shape.tones; zone++)
    partials = grow(partials, zone, isWhole && zone === shape.tones - 1 ? most : width);
  const whole = partials as readonly Partial[];
  if (isWhole)
    return whole.slice(0, most).map((p) => {
      const path = nodesOf(p).map((n) => tones[n]!);
      const laying = layingOf(
        shape,
        path.map((t) => t.coats),
        0,
      );
      return {
        laying,
        inks: { tones: path.map((t) => t.ink), under: [], over: [] },
        cost: p.cost,
        local: localOf(p),
      };
    });
  return withShadow(whole);

  /** Puts the one ink under or over the shadow end of whole groups that is best. */
  function withShadow(groups: readonly Partial[]): FoundGroup[] {
    const best = cheapest<FoundGroup>(most);
    const mayShade = (ink: number) => shape.shadow === "under" || chroma(seenLab(desk, [ink])) <= GREY;
    const inksAtHand = inksThere.filter((ink) => extra[ink]! < Infinity && mayShade(ink));
    for (const p of groups) {
      if (p.cost + w.marker + w.wait > Math.min(cap, best.limit())) break;
      const path = nodesOf(p).map((n) => tones[n]!);
      const coats = path.map((t) => t.coats);
      const inks = path.map((t) => t.ink);
      for (const shade of SHADOW_COATS) {
        const weights = weightsAt(c, shape, shape.tones, coats, shade);
        if (!weights) continue;
        const base = new Float64Array(BANDS);
        inks.forEach((ink, z) => weights.of[z] && addDose(base, doses, ink, weights.of[z]));
        const own = weights.of[shape.tones]!;
        for (const ink of inksAtHand) {
          if (inks.includes(ink) || p.bought + buys(ink) > purchases) continue;
          const worst = Math.min(cap, best.limit());
          let cost = p.cost + w.marker + w.wait + w.coats * (shade - 1) + extra[ink]!;
          if (cost > worst) continue;
          for (let i = 0; i < BANDS; i++) mixed[i] = base[i]! + own * doses[ink * BANDS + i]!;
          const L = sheet.lightnessOf(mixed);
          cost += stepCost(p.lab[0], L, shape.tones - 1, goal, limits, w);
          if (cost + leastPlaceCost(L, shape.tones, goal, w) > worst) continue;
          const lab = sheet.lab();
          cost += placeCost(lab, shape.tones, goal, w);
          if (cost > worst) continue;
          const blend = blendOf(p.lab, lab, sheet.labOf(mixDoses(p.dose, mixed, 0.5, half)));
          cost += blendCost(blend, shape.tones - 1, goal, w);
          if (cost > worst) continue;
          const laying = layingOf(shape, coats, shade);
          const [under, over] = shape.shadow === "under" ? [[ink], []] : [[], [ink]];
          best.add({ laying, inks: { tones: inks, under, over }, cost, local: localOf(p) });
        }
      }
    }
    return best.take();
  }
}

/** For each free tone how many others may still follow it, each darker, of another ink and no twin of the one before; counted up to the most. */
function followers({ tones, alike }: Candidates, free: readonly number[], most: number): number[] {
  const out = Array<number>(tones.length).fill(0);
  for (let i = free.length - 1; i >= 0; i--) {
    const node = free[i]!;
    for (let j = i + 1; j < free.length && out[node]! < most; j++) {
      const next = free[j]!;
      if (out[next]! < out[node]! || tones[next]!.ink === tones[node]!.ink || alike(node, next)) continue;
      out[node] = out[next]! + 1;
    }
  }
  return out;
}

function addDose(out: Float64Array, doses: Float64Array, ink: number, weight: number): void {
  for (let i = 0, at = ink * BANDS; i < BANDS; i++) out[i]! += weight * doses[at + i]!;
}

/** Places among the candidates of the tones that must be used, in falling lightness. */
function lockedNodes({ tones }: Candidates, fixed: readonly FixedTone[]): number[] {
  return fixed
    .map((f) => tones.findIndex((t) => t.ink === f.ink && t.coats === f.coats))
    .filter((n) => n >= 0)
    .sort((a, b) => a - b);
}

function nodesOf(partial: Partial | undefined): number[] {
  const out: number[] = [];
  for (let p = partial; p; p = p.before) out.unshift(p.node);
  return out;
}
