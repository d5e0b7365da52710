import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { layDesk, type Stack } from "@/core/ink/desk";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { pencilFilm } from "@/core/pencil/film";
import { doubtOf } from "@/core/pencil/doubt";
import { fitPencils } from "@/core/pencil/fit-pencils";
import { nextStrips } from "@/core/pencil/next-strips";
import { mixedDesigns, stripDesigns } from "@/core/pencil/strip-designs";
import { finish } from "@/core/progress";
import { drawnLab, PRESSURES, usualTooth, type Pressure } from "@/core/pencil/tooth";
import { seenBy } from "@/demo/seen-by";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { PIGMENTS, PRESSES, TEETH, type ToothLaw } from "@/sim/teeth";
import { contrastCard } from "@/sim/wax";

export interface Drawn {
  readonly stack: Stack;
  readonly layers: readonly {
    readonly pencil: number;
    readonly layers: number;
    readonly pressure: Pressure;
  }[];
}

/** Markers that strips may lie on, beside the bare paper. */
const GROUNDS = [[], [4], [14], [24], [34]] as const;
const MIXED = 300;
const WANTED = 80;
const EVERY = [...PIGMENTS.keys()];
const HELD_OUT = 150;
const MOST_PENCILS = 4;

const inks = demoRange().filter((_, i) => i % 3 === 0);
/** Markers on white card under the pencils, scanned. */
export const teethDesk = () => layDesk(...scanInks(whiteCard, inks, 17));

/** What is seen of a drawing on a tooth. */
export const drawnOn = (law: ToothLaw, { stack, layers }: Drawn): Lab =>
  seenBy(
    law.over(
      colourSheet(
        whiteCard,
        stack.map((i) => inks[i]!.recipe),
      ),
      layers.map((l) => ({
        pigment: PIGMENTS[l.pencil]!,
        layers: l.layers,
        pressure: PRESSES[l.pressure],
      })),
    ),
  );

/** Films and tooth as they are learnt from two drawdowns a pencil and the strips that tell most. */
export function learnTooth(law: ToothLaw, desk: ReturnType<typeof layDesk>, strips: number) {
  const drawdown = (pigment: (typeof PIGMENTS)[number], field: keyof typeof contrastCard) =>
    seenBy(law.over(contrastCard[field], [{ pigment, layers: 6, pressure: 0.95 }]));
  const films = PIGMENTS.map((p) => pencilFilm(p.code, drawdown(p, "white"), drawdown(p, "black")));
  const designs = stripDesigns(EVERY, GROUNDS.length, MIXED);
  const grounds = GROUNDS.map((stack) => stackReflectance(desk, stack));
  const asDrawing = (d: (typeof designs)[number]) => ({ under: grounds[d.ground]!, layers: d.layers });
  const nothing = finish(fitPencils(films, [], usualTooth(null)));
  const { chosen } = finish(
    nextStrips(
      nothing.posterior,
      mixedDesigns(EVERY, GROUNDS.length, WANTED, MOST_PENCILS).map(asDrawing),
      designs.map(asDrawing),
      strips,
    ),
  );
  const read = chosen.map(({ candidate }) => {
    const d = designs[candidate]!;
    return {
      ...asDrawing(d),
      lab: drawnOn(law, { stack: GROUNDS[d.ground]!, layers: d.layers }),
    };
  });
  return finish(fitPencils(films, read, usualTooth(null)));
}

function judge(law: ToothLaw, desk: ReturnType<typeof layDesk>, strips: number): string {
  const { films: learnt, tooth: fit, posterior } = learnTooth(law, desk, strips);
  const random = seeded(19);
  const pick = (n: number) => Math.floor(random() * n);
  const cells = Array.from({ length: MOST_PENCILS }, (_, n) => {
    const off = Array.from({ length: HELD_OUT }, () => {
      const drawn: Drawn = {
        stack: Array.from({ length: 1 + pick(2) }, () => pick(inks.length)),
        layers: Array.from({ length: n + 1 }, () => ({
          pencil: pick(PIGMENTS.length),
          layers: 1 + pick(4),
          pressure: PRESSURES[pick(PRESSURES.length)]!,
        })),
      };
      const under = stackReflectance(desk, drawn.stack);
      const layers = drawn.layers.map((l) => ({ ...l, film: learnt[l.pencil]! }));
      return {
        off: deltaE00(drawnLab(under, layers, fit), drawnOn(law, drawn)),
        doubt: doubtOf(posterior, { under, layers: drawn.layers }),
      };
    });
    const far = off.map((o) => o.off);
    const held = off.filter((o) => o.off <= o.doubt).length / off.length;
    return `**${quantile(far, 0.5).toFixed(2)}** | ${quantile(far, 0.95).toFixed(1)} | ${(100 * held).toFixed(0)} %`;
  });
  return `| ${law.name} | ${fit.strips}, ${fit.residual.toFixed(2)} | ${cells.join(" | ")} |`;
}

/** Pencil over marker on teeth that differ by law from the one that the model was made on. */
export function judgeTeeth(): string {
  const desk = teethDesk();
  const head = ["1 pencil", "2", "3", "4"].flatMap((n) => [`${n}: median`, "95th", "held"]);
  const rows = TEETH.flatMap((law) => [40, 12].map((n) => judge(law, desk, n)));
  return `### Pencil over marker on three teeth that differ by law: ${HELD_OUT} held-out drawings a column (ΔE00); strips chosen by what they tell, one pressure each; held: within the doubt that is said (90 % wanted)\n\n| tooth | strips, residual | ${head.join(" | ")} |\n| --- | --- |${" --- |".repeat(head.length)}\n${rows.join("\n")}`;
}
