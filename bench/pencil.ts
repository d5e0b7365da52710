import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seenBy } from "@/demo/seen-by";
import { layDesk, type Desk, type Stack } from "@/core/ink/desk";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { pencilFilm, type PencilFilm } from "@/core/pencil/film";
import { fitPencils, type FittedTooth, type Posterior } from "@/core/pencil/fit-pencils";
import { finish } from "@/core/progress";
import { drawnLab, usualTooth, type Pressure, type PencilLayer, type ToothFit } from "@/core/pencil/tooth";
import { demoRange, type SimulatedInk } from "@/sim/demo-range";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { drawdownOn, drawOver, hand, teeth, waxPencils } from "@/sim/wax";
import { scanInks } from "@/fixtures/scanned-desk";

const PRESSURES_TRIED: readonly Pressure[] = ["light", "medium", "firm"];

/** A paper with its inks and pencils, and the desk where their truth can be seen. */
export interface PencilDesk {
  readonly stock: PaperStock;
  readonly inks: readonly SimulatedInk[];
  readonly desk: Desk;
  readonly films: readonly PencilFilm[];
}

export function pencilDesk(stock: PaperStock): PencilDesk {
  const inks = demoRange().filter((_, i) => i % 2 === 0);
  const films = waxPencils.map((p) =>
    pencilFilm(p.code, seenBy(drawdownOn(p, "white")), seenBy(drawdownOn(p, "black"))),
  );
  return { stock, inks, desk: layDesk(...scanInks(stock, inks, 17)), films };
}

export interface Drawn {
  readonly stack: Stack;
  readonly layers: readonly {
    readonly pencil: number;
    readonly layers: number;
    readonly pressure: Pressure;
  }[];
}

/** What the simulated desk shows. */
export const truthOf = (d: PencilDesk, { stack, layers }: Drawn): Lab =>
  seenBy(
    drawOver(
      colourSheet(
        d.stock,
        stack.map((i) => d.inks[i]!.recipe),
      ),
      teeth[d.stock.name]!,
      layers.map((l) => ({ pencil: waxPencils[l.pencil]!, layers: l.layers, pressure: hand[l.pressure] })),
    ),
  );

export const layersOf = (d: PencilDesk, drawn: Drawn): PencilLayer[] =>
  drawn.layers.map((l) => ({ film: d.films[l.pencil]!, layers: l.layers, pressure: l.pressure }));
export const predicted = (d: PencilDesk, drawn: Drawn, fit: ToothFit): Lab =>
  drawnLab(stackReflectance(d.desk, drawn.stack), layersOf(d, drawn), fit);

/** What a studio draws to learn its paper: every pencil lightly and firmly over the bare sheet, and some pairs. */
export function learnStrips(d: PencilDesk): readonly Drawn[] {
  const singles = waxPencils.flatMap((_, pencil) =>
    (
      [
        [3, "light"],
        [2, "medium"],
        [2, "firm"],
      ] as const
    ).map(([layers, pressure]): Drawn => ({ stack: [], layers: [{ pencil, layers, pressure }] })),
  );
  const pairs = (
    [
      [4, 0],
      [12, 10],
      [10, 4],
      [12, 4],
    ] as const
  ).flatMap(([first, second]) =>
    (
      [
        [4, "light"],
        [3, "medium"],
        [2, "firm"],
      ] as const
    ).map(([layers, pressure]): Drawn => ({
      stack: [],
      layers: [
        { pencil: first, layers, pressure },
        { pencil: second, layers: 3, pressure: "medium" },
      ],
    })),
  );
  return [...singles, ...pairs].filter((t) => t.layers.every((l) => l.pencil < d.films.length));
}

/** The desk with what its strips taught: how the paper takes wax, and films that meet their thin layers too. */
export function learn(d: PencilDesk): {
  readonly desk: PencilDesk;
  readonly fit: FittedTooth;
  readonly posterior: Posterior;
} {
  const strips = learnStrips(d).map((t) => ({
    under: stackReflectance(d.desk, t.stack),
    layers: t.layers,
    lab: truthOf(d, t),
  }));
  const { films, tooth, posterior } = finish(fitPencils(d.films, strips, usualTooth(null)));
  return { desk: { ...d, films }, fit: tooth, posterior };
}

function judge(stock: PaperStock): string {
  const { desk: d, fit } = learn(pencilDesk(stock));
  const random = seeded(23);
  const pick = (n: number) => Math.floor(random() * n);
  const draw = (pencils: number): Drawn => ({
    stack: Array.from({ length: 1 + pick(2) }, () => pick(d.inks.length)),
    layers: Array.from({ length: pencils }, () => ({
      pencil: pick(waxPencils.length),
      layers: 1 + pick(5),
      pressure: PRESSURES_TRIED[pick(3)]!,
    })),
  });
  const cells = [1, 2, 3].map((pencils) => {
    const off = Array.from({ length: 200 }, () => draw(pencils)).map(
      (t) =>
        [
          deltaE00(predicted(d, t, fit), truthOf(d, t)),
          deltaE00(predicted(d, { ...t, layers: [] }, fit), truthOf(d, t)),
        ] as const,
    );
    const [own, none] = [0, 1].map((c) => off.map((o) => o[c]!));
    return `**${quantile(own!, 0.5).toFixed(2)}** | ${quantile(own!, 0.95).toFixed(2)} | ${quantile(none!, 0.5).toFixed(1)}`;
  });
  return `| ${stock.name} | ${fit.strips} strips, ${fit.residual.toFixed(2)} | ${cells.join(" | ")} |`;
}

/** Pencil over marker, predicted from drawdowns and a few strips, against the simulated wax. */
export function judgePencil(): string {
  const head = [
    "1 pencil: median",
    "95th",
    "no pencil model",
    "2: median",
    "95th",
    "no pencil model",
    "3: median",
    "95th",
    "no pencil model",
  ];
  return `### Pencil over marker: 200 held-out drawings a column (random bases of one or two coats, pencils, layers and pressures; ΔE00)\n\n| paper | fitted on, residual | ${head.join(" | ")} |\n| --- | --- |${" --- |".repeat(head.length)}\n${[whiteCard, warmToned].map(judge).join("\n")}`;
}
