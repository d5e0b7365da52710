import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { planTogether, type JointPlan, type JointWish } from "@/core/group/joint";
import { layDesk } from "@/core/ink/desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scanInks } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";

const AREAS = 12;
const INKS = 200;
const PIECES = 8;
/** What a marker costs in the bench, as in the app's middle setting. */
export const MARKER_COST = 1.5;

/** A made-up piece: areas of a few related hues with random depth, each touching the next. */
export function randomPiece(seed: number, paper: Lab, markerCost = MARKER_COST): JointWish {
  const random = seeded(seed);
  const hues = Array.from({ length: 4 }, () => 360 * random());
  const areas = Array.from({ length: AREAS }, () => {
    const h = ((hues[Math.floor(random() * hues.length)]! + 40 * (random() - 0.5)) * Math.PI) / 180;
    const c = 8 + 34 * random();
    const local: Lab = [42 + 36 * random(), c * Math.cos(h), c * Math.sin(h)];
    return {
      wish: {
        target: { local },
        wish: {},
        paper,
        tones: 3 + Math.floor(2 * random()),
        mostTones: 5,
        school: "light first" as const,
        shadow: "deeper" as const,
        capacity: 5,
      },
      fixed: [],
      excluded: () => false,
      emphasis: false,
    };
  });
  return {
    areas,
    neighbours: areas.slice(1).map((_, i) => [i, i + 1] as const),
    apart: 6,
    markerCost,
    inkCost: () => 0,
    limit: null,
  };
}

const localError = ({ groups }: JointPlan) =>
  groups.reduce((sum, g) => sum + deltaE00(g.local, g.goal.local), 0) / groups.length;

/** The joint plan of pieces of 12 areas against each area planned by itself. */
export function judgeJoint(): string {
  const range = demoRange()
    .filter((_, i) => i % 7 !== 3)
    .slice(0, INKS);
  const desk = layDesk(...scanInks(whiteCard, range, 3));
  const rows = Array.from({ length: PIECES }, (_, n) => {
    const wish = randomPiece(100 + n, desk.paper.lab);
    const t0 = performance.now();
    const { alone: greedy, together: joint } = finish(planTogether(desk, wish))!;
    const seconds = (performance.now() - t0) / 1000;
    return { greedy, joint, seconds, errors: [localError(greedy), localError(joint)] as const };
  });
  const table = rows.map(
    ({ greedy, joint, seconds, errors }, n) =>
      `| ${n + 1} | ${greedy.markers} | ${joint.markers} | **${Math.round(100 * (1 - joint.markers / greedy.markers))} %** | ${errors[0].toFixed(2)} | ${errors[1].toFixed(2)} | ${(greedy.fit / AREAS).toFixed(2)} | ${(joint.fit / AREAS).toFixed(2)} | ${greedy.objective.toFixed(1)} | ${joint.objective.toFixed(1)} | ${seconds.toFixed(2)} s |`,
  );
  const saved =
    1 - rows.reduce((s, r) => s + r.joint.markers, 0) / rows.reduce((s, r) => s + r.greedy.markers, 0);
  return [
    `### Joint plan of ${AREAS} areas from ${desk.inks.length} inks against area by area (marker cost ${MARKER_COST}; at most 2 s, at least a quarter fewer markers at the same fit wanted)`,
    `| piece | markers, area by area | together | fewer | local colour off, area by area (ΔE00) | together | mean score, area by area | together | objective, area by area | together | time |\n| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |\n${table.join("\n")}`,
    `In all ${(100 * saved).toFixed(0)} % fewer markers; worse than area by area on its own objective in ${rows.filter((r) => r.joint.objective > r.greedy.objective + 1e-9).length} of ${PIECES} pieces.`,
  ].join("\n\n");
}
