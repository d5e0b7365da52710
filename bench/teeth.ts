import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { layDesk, type Stack } from "@/core/ink/desk";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { pencilFilm, type PencilFilm } from "@/core/pencil/film";
import { fitTooth, type TrialStrip } from "@/core/pencil/fit-tooth";
import { refineFilm } from "@/core/pencil/refine-film";
import { drawnLab, PRESSURES, usualTooth, type Pressure } from "@/core/pencil/tooth";
import { seenBy } from "@/demo/seen-by";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { PIGMENTS, PRESSES, TEETH, type ToothLaw } from "@/sim/teeth";
import { contrastCard } from "@/sim/wax";

interface Drawn {
  readonly stack: Stack;
  readonly layers: readonly {
    readonly pencil: number;
    readonly layers: number;
    readonly pressure: Pressure;
  }[];
}

/** Strips of a studio that draws every pencil twice, and a few over each other; the first twelve are twelve pencils, once. */
const STRIPS: readonly Drawn[] = [
  ...PIGMENTS.map((_, pencil): Drawn => ({ stack: [], layers: [{ pencil, layers: 3, pressure: "light" }] })),
  ...PIGMENTS.map((_, pencil): Drawn => ({ stack: [], layers: [{ pencil, layers: 2, pressure: "firm" }] })),
  ...(
    [
      [5, 0],
      [9, 3],
      [14, 6],
      [11, 2],
    ] as const
  ).map(([first, second]): Drawn => ({
    stack: [],
    layers: [
      { pencil: first, layers: 3, pressure: "medium" },
      { pencil: second, layers: 3, pressure: "light" },
    ],
  })),
];
const HELD_OUT = 150;
const MOST_PENCILS = 4;

const inks = demoRange().filter((_, i) => i % 3 === 0);

function judge(law: ToothLaw, desk: ReturnType<typeof layDesk>, strips: number): string {
  const truth = ({ stack, layers }: Drawn): Lab =>
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
  const drawdown = (pigment: (typeof PIGMENTS)[number], field: keyof typeof contrastCard) =>
    seenBy(law.over(contrastCard[field], [{ pigment, layers: 6, pressure: 0.95 }]));
  const films = PIGMENTS.map((p) => pencilFilm(p.code, drawdown(p, "white"), drawdown(p, "black")));
  const chosen = strips >= STRIPS.length ? STRIPS : STRIPS.filter((_, i) => i % 3 !== 2).slice(0, strips);
  const read = (now: readonly PencilFilm[]): TrialStrip[] =>
    chosen.map((d) => ({
      under: stackReflectance(desk, d.stack),
      layers: d.layers.map((l) => ({ film: now[l.pencil]!, layers: l.layers, pressure: l.pressure })),
      lab: truth(d),
    }));
  const first = fitTooth(read(films), usualTooth(null));
  const refined = films.map((f) => refineFilm(f, read(films), first));
  const fit = fitTooth(read(refined), first);
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
      const layers = drawn.layers.map((l) => ({ ...l, film: refined[l.pencil]! }));
      return deltaE00(drawnLab(stackReflectance(desk, drawn.stack), layers, fit), truth(drawn));
    });
    return `**${quantile(off, 0.5).toFixed(2)}** | ${quantile(off, 0.95).toFixed(1)}`;
  });
  return `| ${law.name} | ${chosen.length}, ${fit.residual.toFixed(2)} | ${cells.join(" | ")} |`;
}

/** Pencil over marker on teeth that differ by law from the one that the model was made on. */
export function judgeTeeth(): string {
  const desk = layDesk(...scanInks(whiteCard, inks, 17));
  const head = ["1 pencil: median", "95th", "2: median", "95th", "3: median", "95th", "4: median", "95th"];
  const rows = TEETH.flatMap((law) => [STRIPS.length, 12].map((n) => judge(law, desk, n)));
  return `### Pencil over marker on three teeth that differ by law: ${HELD_OUT} held-out drawings a column (ΔE00)\n\n| tooth | strips, residual | ${head.join(" | ")} |\n| --- | --- |${" --- |".repeat(head.length)}\n${rows.join("\n")}`;
}
