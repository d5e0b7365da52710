import { quantile } from "@/core/algebra/median";
import type { Desk, Stack } from "@/core/ink/desk";
import type { PencilFilm } from "@/core/pencil/film";
import type { Posterior } from "@/core/pencil/fit-pencils";
import type { Pressure, ToothFit } from "@/core/pencil/tooth";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenLab } from "@/core/ink/desk";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { doubtOf } from "@/core/pencil/doubt";
import { chooseRoles, pencilsOn } from "@/core/pencil/choose";
import {
  type DoubtOf,
  planPencil,
  shortfallOf,
  valueScale,
  wantedBase,
  type Surface,
} from "@/core/pencil/plan";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { waxPencils } from "@/sim/wax";
import { learn, pencilDesk, truthOf } from "./pencil";
import { PRESSURES } from "@/core/pencil/tooth";
import { finish } from "@/core/progress";
import { seeded } from "@/sim/random";
import { PIGMENTS, TEETH, type ToothLaw } from "@/sim/teeth";
import { drawnOn, learnTooth, teethDesk } from "./teeth";

/** Light, local colour and shadow of what is often finished with pencil. */
const subjects: readonly (readonly [string, Lab, Lab, Lab])[] = [
  ["skin", [86, 8, 16], [68, 18, 22], [42, 18, 14]],
  ["deep skin", [60, 14, 20], [42, 14, 16], [26, 8, 6]],
  ["apple", [78, 24, 18], [56, 42, 26], [36, 28, 8]],
  ["leaf", [80, -14, 28], [58, -16, 24], [34, -10, 6]],
  ["sky cloth", [82, -6, -14], [54, 2, -26], [28, 8, -22]],
  ["plum", [76, 14, -10], [48, 22, -16], [28, 10, -10]],
  ["straw", [90, 0, 26], [74, 6, 38], [48, 12, 24]],
  ["tin", [88, 0, 2], [60, 0, 0], [28, 0, -2]],
  ["brown fur", [76, 8, 20], [50, 14, 20], [28, 8, 6]],
];

const VALUES = 7;
/** What comes out farther from the wanted value than this must have been said. */
const FAR = 4;

/** What a desk knows of its pencils, and what its paper shows of a drawing. */
interface Known {
  readonly desk: Desk;
  readonly films: readonly PencilFilm[];
  readonly fit: ToothFit;
  readonly posterior: Posterior;
  readonly truth: (drawn: Laid) => Lab;
}
interface Laid {
  readonly stack: Stack;
  readonly layers: readonly {
    readonly pencil: number;
    readonly layers: number;
    readonly pressure: Pressure;
  }[];
}

type Subject = (typeof subjects)[number];
const scaleOf = ([, light, local, shadow]: Subject) => valueScale(light, local, shadow, VALUES);

/** Markers that suit best beneath, of all there are. */
function basesFor(desk: Desk, [, light, local]: Subject): Surface[] {
  const best = wantedBase(light, local);
  return desk.inks
    .map((_, i) => ({ i, off: deltaE00(seenLab(desk, [i]), best) }))
    .sort((a, b) => a.off - b.off)
    .slice(0, 3)
    .map(({ i }): Surface => ({
      base: i,
      lab: seenLab(desk, [i]),
      reflectance: stackReflectance(desk, [i]),
    }));
}

/** Plans each subject and draws it: how far off each value lies, and whether that was said. */
function drawn({ desk, films, fit, posterior, truth }: Known, subject: Subject) {
  const [, , local] = subject;
  const paper: Surface = { base: -1, lab: desk.paper.lab, reflectance: desk.paper.reflectance };
  const numbers = new Map(films.map((f, i) => [f.code, i]));
  const numbered = (layers: readonly { code: string; layers: number; pressure: Pressure }[]) =>
    layers.map((l) => ({ pencil: numbers.get(l.code)!, layers: l.layers, pressure: l.pressure }));
  const doubt: DoubtOf = (under, layers) =>
    doubtOf(posterior, { under: under.reflectance, layers: numbered(layers) });
  const from = performance.now();
  const further = pencilsOn(films, paper.reflectance, fit);
  const plan = finish(
    planPencil(
      { scale: scaleOf(subject), middle: local, paper, bases: basesFor(desk, subject), fit, doubt, further },
      chooseRoles(further, local),
    ),
  );
  const seconds = (performance.now() - from) / 1000;
  return {
    plan,
    seconds,
    values: plan.steps.map((s) => ({
      off: deltaE00(
        truth({ stack: s.onPaper || plan.base.base < 0 ? [] : [plan.base.base], layers: numbered(s.layers) }),
        s.wanted,
      ),
      isSaid: shortfallOf(s, plan) !== undefined || s.deltaE00 + s.doubt > FAR,
    })),
  };
}

function judge(stock: PaperStock): string[] {
  const own = pencilDesk(stock);
  const { desk: d, fit, posterior } = learn(own);
  const known: Known = { desk: d.desk, films: d.films, fit, posterior, truth: (at) => truthOf(d, at) };
  return subjects.map((subject) => {
    const { plan, values } = drawn(known, subject);
    const laid = values.map((v) => v.off);
    const silent = values.filter((v) => v.off > FAR && !v.isSaid).length;
    return `| ${stock.name} | ${subject[0]} | ${plan.medianDeltaE00.toFixed(2)} | **${quantile(laid, 0.5).toFixed(2)}** | ${Math.max(...laid).toFixed(1)} | ${values.filter((v) => v.isSaid).length} | ${silent} |`;
  });
}

/** Drawings at random, over bare paper or any marker. */
const RANDOM = 2500;
/** How near, for each value of each subject, the nearest of many drawings comes that are chosen at random and seen as they are. */
function longSearch(law: ToothLaw, desk: Desk): number[][] {
  const random = seeded(43);
  const pick = (n: number) => Math.floor(random() * n);
  const scales = subjects.map(scaleOf);
  const nearest = scales.map((scale) => scale.map(() => Infinity));
  for (let n = 0; n < RANDOM; n++) {
    const base = pick(desk.inks.length + 1);
    const lab = drawnOn(law, {
      stack: base < desk.inks.length ? [base] : [],
      layers: Array.from({ length: 1 + pick(4) }, () => ({
        pencil: pick(PIGMENTS.length),
        layers: 1 + pick(5),
        pressure: PRESSURES[pick(PRESSURES.length)]!,
      })),
    });
    scales.forEach((scale, k) =>
      scale.forEach((wanted, i) => (nearest[k]![i] = Math.min(nearest[k]![i]!, deltaE00(lab, wanted)))),
    );
  }
  return nearest;
}

/** Plans on teeth that differ by law, against what a long search by eye would find. */
export function judgeToothScales(): string {
  const desk = teethDesk();
  const rows = TEETH.flatMap((law) => {
    const found = longSearch(law, desk);
    return [40, 12].map((strips) => {
      const { films, tooth: fit, posterior } = learnTooth(law, desk, strips);
      const known: Known = { desk, films, fit, posterior, truth: (at) => drawnOn(law, at) };
      const all = subjects.map((s) => drawn(known, s));
      const values = all.flatMap((a, n) => a.values.map((v, i) => ({ ...v, near: found[n]![i]! })));
      const can = values.filter((v) => v.near <= 3);
      const off = (vs: readonly { off: number }[], q: number) =>
        quantile(
          vs.map((v) => v.off),
          q,
        );
      const silent = values.filter((v) => v.off > FAR && !v.isSaid).length;
      const said = values.filter((v) => v.isSaid).length;
      const slowest = Math.max(...all.map((a) => a.seconds));
      return `| ${law.name} | ${strips} | ${values.length} | **${off(values, 0.5).toFixed(2)}** | ${off(values, 0.95).toFixed(1)} | ${can.length}, ${quantile(
        values.map((v) => v.near),
        0.5,
      ).toFixed(
        2,
      )} | **${off(can, 0.5).toFixed(2)}** | ${off(can, 0.95).toFixed(1)} | ${said} | ${silent} | ${slowest.toFixed(1)} s |`;
    });
  });
  return `### Pencil plans of ${VALUES} values of ${subjects.length} subjects on three teeth that differ by law, from ${PIGMENTS.length} pencils, drawn (ΔE00 from the wanted value; 3 wanted in the median where ${RANDOM} drawings at random, seen as they are, come within 3; 3.9 with 12 strips)

| tooth | strips | values | off: median | 95th | search finds within 3, its median | off there: median | 95th | said to be out of reach or not sure | more than 4 off and not said | slowest plan |
| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |
${rows.join("\n")}`;
}

/** Whole pencil plans drawn on the simulated paper against the scale they were asked for. */
export const judgePencilScales = (): string =>
  `### Pencil plans of ${VALUES} values from ${waxPencils.length} pencils, drawn on the simulated paper (ΔE00 from the wanted value; 3 wanted in the median where the pencils allow it)\n\n| paper | subject | planned, median | as drawn, median | as drawn, worst | values said to be out of reach or not sure | more than 4 off and not said |\n| --- | --- | --- | --- | --- | --- | --- |\n${[whiteCard, warmToned].flatMap(judge).join("\n")}`;
