import { mostCoats } from "@/core/ink/span";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { quantile } from "@/core/algebra/median";
import { USUAL_STEEPNESS, wantedAt, type Wanted } from "@/core/group/wanted";
import { SHARE_STEPS } from "@/core/group/area-shares";
import type { GroupTarget } from "@/core/group/goal";
import { inkOfPass, layingPasses } from "@/core/group/lay";
import { planGroups } from "@/core/group/plan";
import { layingOf } from "@/core/group/shape";
import { shapesOf, type ShapeWish } from "@/core/group/shapes";
import type { LaidGroup } from "@/core/group/weigh";
import { seenLab, type Desk } from "@/core/ink/desk";
import { fadeOf } from "@/core/ink/fade";
import { reachOn, USUAL_SHEET } from "@/core/ink/reach";
import { finish } from "@/core/progress";
import { demoRange, type SimulatedInk } from "@/sim/demo-range";
import { colourField } from "@/sim/field";
import { look } from "@/sim/observer";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { rackOf, reachableTargets } from "./groups";

/** How areas are divided from their light end to their dark one. What light falls on evenly is divided evenly; hands and flat grounds are not. */
const step = (s: number) => (s + 0.5) / SHARE_STEPS;
const bell = (t: number, at: number, wide: number) => Math.exp(-0.5 * ((t - at) / wide) ** 2);
const AREAS: Readonly<Record<string, (t: number) => number>> = {
  "ball, tube": () => 1,
  "face in the light": (t) => (t < 0.25 ? 2 : 2 / 3),
  "folded, deep": (t) => 0.4 + 1.2 * t,
  flat: (t) => bell(t, 0.5, 0.03),
  "flat, a shadow cast": (t) => bell(t, 0.45, 0.03) * 6 + bell(t, 0.95, 0.04),
  hair: (t) => bell(t, 0.3, 0.09) + bell(t, 0.8, 0.1) + 0.1,
};

const TARGETS = 6;
const CAPACITY = 5;
/** Way from the light end to the dark one, mm. */
const AREA_MM = 1 / USUAL_STEEPNESS;
/** Random groups that are tried for each target, and how many of them are bettered ink by ink. */
const [TRIED, BETTERED] = [4000, 3];
const PLACES = Array.from({ length: SHARE_STEPS }, (_, s) => step(s));

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** Mean ΔE00 over an area of what is seen there against what is wanted there. */
function missed(seen: readonly Lab[], wanted: readonly Wanted[], shares: readonly number[]): number {
  const total = shares.reduce((a, b) => a + b, 0);
  return PLACES.reduce(
    (sum, t, s) => sum + (shares[s]! / total) * deltaE00(seen[s]!, wantedAt(wanted, t)),
    0,
  );
}

/** What was picked, at the places where it lies: straight between them. */
const wantedOf = ({ light, local, shadow }: GroupTarget & { light: Lab; shadow: Lab }): Wanted[] => [
  { t: 0.1, lab: light },
  { t: 0.5, lab: local },
  { t: 0.9, lab: shadow },
];

/** An area about as the desk foresees it. */
function foreseen(desk: Desk, { laying, inks }: LaidGroup): readonly Lab[] {
  const passes = layingPasses(laying).map((p) => ({ ...p, ink: inkOfPass(p, inks) }));
  const fade = fadeOf(desk, passes, reachOn(desk, USUAL_SHEET));
  // Every fourth place, and as there around it: the search tries tens of thousands.
  const seen = PLACES.filter((_, s) => s % 4 === 2).map((t) => fade.at(t, 1 / AREA_MM));
  return PLACES.map((_, s) => seen[s >> 2]!);
}

/** The same area coloured pass by pass on the simulated sheet. */
function coloured(inks: readonly SimulatedInk[], g: LaidGroup): readonly Lab[] {
  const passes = layingPasses(g.laying).map(({ from, to, ...p }) => ({
    ink: inks[inkOfPass({ from, to, ...p }, g.inks)]!.recipe,
    coats: p.coats,
    wet: p.wet,
    cover: Float64Array.from(PLACES, (_, s) =>
      Math.max(0, Math.min(1, Math.min(to * SHARE_STEPS, s + 1) - Math.max(from * SHARE_STEPS, s))),
    ),
  }));
  const inside = new Uint8Array(SHARE_STEPS).fill(1);
  return colourField(whiteCard, passes, SHARE_STEPS, inside, AREA_MM / SHARE_STEPS).map((r) =>
    xyzToLab(look(r)),
  );
}

/** The best group that a long random search finds, by what the desk says of it: random tones, the best bettered one ink at a time. */
function searched(
  desk: Desk,
  wish: ShapeWish,
  wanted: readonly Wanted[],
  shares: readonly number[],
  seed: number,
): LaidGroup {
  const random = seeded(seed);
  const pick = <T>(of: readonly T[]) => of[Math.floor(random() * of.length)]!;
  const shapes = [2, 3, 4].flatMap((n) => shapesOf(wish, n));
  const dark = (tones: readonly { ink: number; coats: number }[]) =>
    [...tones].sort(
      (a, b) =>
        seenLab(desk, Array<number>(b.coats).fill(b.ink))[0] -
        seenLab(desk, Array<number>(a.coats).fill(a.ink))[0],
    );
  type Try = { shape: (typeof shapes)[number]; tones: { ink: number; coats: number }[]; off: number };
  const judged = (shape: Try["shape"], chosen: Try["tones"]): Try => {
    const tones = dark(chosen);
    const laying = layingOf(
      shape.shape,
      tones.map((t) => t.coats),
      0,
    );
    const inks = { tones: tones.map((t) => t.ink), under: [], over: [] };
    if (mostCoats(layingPasses(laying)) > CAPACITY) return { shape, tones, off: Infinity };
    return {
      shape,
      tones,
      off: missed(foreseen(desk, { laying, inks }), wanted, shares),
    };
  };
  const tries = Array.from({ length: TRIED }, () => {
    const shape = pick(shapes);
    return judged(
      shape,
      Array.from({ length: shape.shape.tones }, () => ({
        ink: Math.floor(random() * desk.inks.length),
        coats: 1 + Math.floor(2 * random()),
      })),
    );
  }).sort((a, b) => a.off - b.off);
  let best = tries[0]!;
  for (let now of tries.slice(0, BETTERED)) {
    for (let better = true; better;) {
      better = false;
      for (let z = 0; z < now.tones.length; z++)
        for (let ink = 0; ink < desk.inks.length; ink++)
          for (const coats of [1, 2]) {
            const other = judged(
              now.shape,
              now.tones.map((t, i) => (i === z ? { ink, coats } : t)),
            );
            if (other.off < now.off - 1e-9) [now, better] = [other, true];
          }
    }
    if (now.off < best.off) best = now;
  }
  return {
    laying: layingOf(
      best.shape.shape,
      best.tones.map((t) => t.coats),
      0,
    ),
    inks: { tones: best.tones.map((t) => t.ink), under: [], over: [] },
  };
}

interface Figures {
  readonly planned: number;
  readonly blind: number;
  readonly searched: number;
  readonly local: number;
  readonly tones: number;
}

/** Groups that were planned with the area's shares and without, against what a long search finds, as they lie on the simulated sheet. */
export function judgeAlong(): string {
  const rack = rackOf(
    "160 of the demo’s range",
    demoRange()
      .filter((_, i) => i % 7 !== 3)
      .slice(0, 160),
    3,
  );
  const targets = reachableTargets(rack, TARGETS, 41);
  const rows = Object.entries(AREAS).map(([name, of]) => {
    const shares = PLACES.map(of);
    const figures = targets.flatMap((target, n): Figures[] => {
      const wanted = wantedOf(target);
      const wish = (known?: readonly number[]): ShapeWish => ({
        target,
        wish: { shares: known },
        paper: rack.desk.paper.lab,
        tones: "auto",
        mostTones: 4,
        school: "light first",
        shadow: "deeper",
        capacity: CAPACITY,
      });
      const [planned] = finish(planGroups(rack.desk, wish(shares), 1));
      const [blind] = finish(planGroups(rack.desk, wish(), 1));
      if (!planned || !blind) return [];
      const best = searched(rack.desk, wish(), wanted, shares, n);
      const off = (g: LaidGroup) => missed(coloured(rack.inks, g), wanted, shares);
      return [
        {
          planned: off(planned),
          blind: off(blind),
          searched: off(best),
          local: deltaE00(coloured(rack.inks, planned)[SHARE_STEPS / 2]!, target.local),
          tones: planned.inks.tones.length,
        },
      ];
    });
    const all = (key: keyof Figures) => figures.map((f) => f[key]);
    const ratio = mean(all("planned")) / mean(all("searched"));
    return `| ${name} | ${mean(all("planned")).toFixed(2)} | ${mean(all("blind")).toFixed(2)} | ${mean(all("searched")).toFixed(2)} | **${ratio.toFixed(2)}** | ${quantile(all("local"), 0.5).toFixed(2)} | ${mean(all("tones")).toFixed(1)} |`;
  });
  return `### Groups over the areas they lie on (${TARGETS} readings each of light, local colour and shadow; mean ΔE00 over the area's ${SHARE_STEPS} shares of what lies on the simulated sheet against what is wanted there; the search tries ${TRIED} random groups of 2–4 tones and betters the best ${BETTERED} ink by ink, minding nothing else)

| area | planned | planned without its shares | long search | planned ÷ search | local colour, median | tones |
| --- | --- | --- | --- | --- | --- | --- |
${rows.join("\n")}`;
}
