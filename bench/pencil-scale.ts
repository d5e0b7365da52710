import { quantile } from "@/core/algebra/median";
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
import { finish } from "@/core/progress";

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

function judge(stock: PaperStock): string[] {
  const { desk: d, fit, posterior } = learn(pencilDesk(stock));
  const paper: Surface = { base: -1, lab: d.desk.paper.lab, reflectance: d.desk.paper.reflectance };
  const pencils = pencilsOn(d.films, paper.reflectance, fit);
  const numbers = new Map(d.films.map((f, i) => [f.code, i]));
  const doubt: DoubtOf = (under, layers) =>
    doubtOf(posterior, {
      under: under.reflectance,
      layers: layers.map((l) => ({ pencil: numbers.get(l.code)!, layers: l.layers, pressure: l.pressure })),
    });
  return subjects.map(([name, light, local, shadow]) => {
    const best = wantedBase(light, local);
    const bases = d.desk.inks
      .map((_, i) => ({ i, off: deltaE00(seenLab(d.desk, [i]), best) }))
      .sort((a, b) => a.off - b.off)
      .slice(0, 3)
      .map(({ i }): Surface => ({
        base: i,
        lab: seenLab(d.desk, [i]),
        reflectance: stackReflectance(d.desk, [i]),
      }));
    const plan = finish(
      planPencil(
        { scale: valueScale(light, local, shadow, VALUES), middle: local, paper, bases, fit, doubt },
        chooseRoles(pencils, local),
      ),
    );
    const laid = plan.steps.map((s) =>
      deltaE00(
        truthOf(d, {
          stack: s.onPaper ? [] : [plan.base.base],
          layers: s.layers.map((l) => ({
            pencil: numbers.get(l.code)!,
            layers: l.layers,
            pressure: l.pressure,
          })),
        }),
        s.wanted,
      ),
    );
    const says = (i: number) =>
      shortfallOf(plan.steps[i]!, plan) || plan.steps[i]!.deltaE00 + plan.steps[i]!.doubt > FAR;
    const said = plan.steps.filter((_, i) => says(i)).length;
    const silent = laid.filter((off, i) => off > FAR && !says(i)).length;
    return `| ${stock.name} | ${name} | ${plan.medianDeltaE00.toFixed(2)} | **${quantile(laid, 0.5).toFixed(2)}** | ${Math.max(...laid).toFixed(1)} | ${said} | ${silent} |`;
  });
}

/** Whole pencil plans drawn on the simulated paper against the scale they were asked for. */
export const judgePencilScales = (): string =>
  `### Pencil plans of ${VALUES} values from ${waxPencils.length} pencils, drawn on the simulated paper (ΔE00 from the wanted value; 3 wanted in the median where the pencils allow it)\n\n| paper | subject | planned, median | as drawn, median | as drawn, worst | values said to be out of reach or not sure | more than 4 off and not said |\n| --- | --- | --- | --- | --- | --- | --- |\n${[whiteCard, warmToned].flatMap(judge).join("\n")}`;
