import { covers, mostCoats } from "@/core/ink/span";
import { deltaE00 } from "@/core/colour/delta-e00";
import { mixLab } from "@/core/colour/mean-lab";
import { hexToLab } from "@/core/colour/display";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { quantile } from "@/core/algebra/median";
import type { GroupTarget } from "@/core/group/goal";
import { inkOfPass } from "@/core/group/lay";
import { planGroups, type PlannedGroup } from "@/core/group/plan";
import type { ShadowWay } from "@/core/group/shapes";
import { layDesk, type Desk } from "@/core/ink/desk";
import { fitToOverlays } from "@/core/ink/fit-overlays";
import { matchTarget } from "@/core/match/match";
import { finish } from "@/core/progress";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";
import { colourSheet, layOnSheet } from "@/sim/sheet";

const GROUPS = 40;
const CAPACITY = 5;
/** A colour that a recipe reaches this well (ΔE00) is one that a group is asked for. */
const REACHABLE = 1;
const MIDDLE = [0.4, 0.45, 0.5, 0.55, 0.6];

/** Readings such as people pick: a local colour that the rack can make, a paler light, a deeper shadow that keeps its chroma. */
function randomTarget(random: () => number, paper: Lab): GroupTarget & { light: Lab; shadow: Lab } {
  const h = 2 * Math.PI * random();
  const C = 8 + 34 * random();
  const local: Lab = [42 + 36 * random(), C * Math.cos(h), C * Math.sin(h)];
  const lift = 10 + 12 * random();
  const light = mixLab(local, paper, Math.min(0.75, lift / Math.max(12, paper[0] - local[0])));
  const drop = 14 + 10 * random();
  const kept = 0.75 + 0.3 * random();
  return { light, local, shadow: [Math.max(16, local[0] - drop), local[1] * kept, local[2] * kept] };
}

export interface LaidErrors {
  readonly localBest: number;
  readonly localMiddle: number;
  readonly light: number;
  readonly shadow: number;
}

/** A planned group laid pass by pass on the simulated sheet, against what was wanted. */
export function layOut(
  stock: PaperStock,
  inks: readonly SimulatedInk[],
  g: PlannedGroup,
  target: GroupTarget & { light: Lab; shadow: Lab },
): LaidErrors {
  const seenAt = (t: number): Lab =>
    xyzToLab(
      look(
        layOnSheet(
          stock,
          g.weighed.passes
            .filter((p) => covers(p, t))
            .map((p) => ({ ink: inks[inkOfPass(p, g.inks)]!.recipe, coats: p.coats, wet: p.wet })),
        ),
      ),
    );
  const places = g.weighed.places.map((p) => seenAt(p.t));
  return {
    localBest: Math.min(...places.map((lab) => deltaE00(lab, target.local))),
    localMiddle: quantile(
      MIDDLE.map((t) => deltaE00(seenAt(t), target.local)),
      0.5,
    ),
    light: deltaE00(places[0]!, target.light),
    shadow: deltaE00(places.at(-1)!, target.shadow),
  };
}

interface Rack {
  readonly name: string;
  readonly inks: readonly SimulatedInk[];
  readonly desk: Desk;
}

/** Overlays of two inks that were read with the swatches: six lines of a chart. */
const OVERLAYS = 24;

export function rackOf(name: string, inks: readonly SimulatedInk[], seed: number): Rack {
  const random = seeded(seed);
  const overlays = Array.from({ length: OVERLAYS }, () => {
    const stack = [0, 1].map(() => Math.floor(random() * inks.length));
    const sheet = colourSheet(
      whiteCard,
      stack.map((i) => inks[i]!.recipe),
    );
    return { stack, lab: hexToLab(scan(sheet, random))! };
  });
  return { name, inks, desk: fitToOverlays(layDesk(...scanInks(whiteCard, inks, seed)), overlays) };
}

/** Reachable targets of a rack. */
export function reachableTargets({ desk }: Rack, count: number, seed: number) {
  const random = seeded(seed);
  const out: ReturnType<typeof randomTarget>[] = [];
  while (out.length < count) {
    const target = randomTarget(random, desk.paper.lab);
    const options = { maxInks: 2, maxCoats: 4, top: 1 };
    const { recipes } = finish(matchTarget(desk, target.local, options, "pruned"));
    if (recipes[0] && recipes[0].deltaE00 <= REACHABLE) out.push(target);
  }
  return out;
}

function judge(rack: Rack, tones: number | "auto", shadow: ShadowWay): string {
  const targets = reachableTargets(rack, GROUPS, 77);
  const errors: LaidErrors[] = [];
  const took: number[] = [];
  let [even, steps, over, none, count] = [0, 0, 0, 0, 0];
  for (const target of targets) {
    const wish = {
      target,
      wish: {},
      paper: rack.desk.paper.lab,
      tones,
      mostTones: 5,
      school: "light first" as const,
      shadow,
      capacity: CAPACITY,
    };
    const start = performance.now();
    const [g] = finish(planGroups(rack.desk, wish, 1));
    took.push(performance.now() - start);
    if (!g) {
      none++;
      continue;
    }
    count += g.inks.tones.length;
    errors.push(layOut(whiteCard, rack.inks, g, target));
    for (const s of g.weighed.steps) {
      steps++;
      if (s.verdict === "even") even++;
    }
    if (mostCoats(g.weighed.passes) > CAPACITY + 1e-9) over++;
  }
  const of = (key: keyof LaidErrors, q: number) =>
    quantile(
      errors.map((e) => e[key]),
      q,
    ).toFixed(2);
  return `| ${rack.name} | ${tones} | ${shadow} | **${of("localBest", 0.5)}** / ${of("localBest", 0.95)} | ${of("localMiddle", 0.5)} | ${of("light", 0.5)} / ${of("light", 0.95)} | ${of("shadow", 0.5)} / ${of("shadow", 0.95)} | ${((100 * even) / steps).toFixed(0)} % | ${over} | ${none} | ${(count / errors.length).toFixed(1)} | ${(quantile(took, 0.5) / 1000).toFixed(2)} / ${(quantile(took, 0.95) / 1000).toFixed(2)} s |`;
}

/** Groups as planned, laid pass by pass on the simulated desk. */
export function judgeGroups(): string {
  const racks = [
    rackOf(
      "160 of the demo’s range",
      demoRange()
        .filter((_, i) => i % 7 !== 3)
        .slice(0, 160),
      3,
    ),
    rackOf("320 strange inks", strangeInks(320, 5), 5),
  ];
  const rows = racks.flatMap((r) => [judge(r, 4, "deeper"), judge(r, 4, "best"), judge(r, "auto", "best")]);
  return `### Groups laid pass by pass on the simulated desk (${GROUPS} readings of light, local colour and shadow, the local one reachable within ${REACHABLE} ΔE00; paper of ${CAPACITY} coats, fitted to its swatches and ${OVERLAYS} overlays; ΔE00, median / 95th)

| rack | tones | shadow | local colour at its best place | through the middle | light | shadow | steps even | over capacity | nothing fits | tones laid | first group |
| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |
${rows.join("\n")}`;
}
