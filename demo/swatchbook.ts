import { inkLine, layOutChart, type Chart, type PageLayout } from "@/core/chart/layout";
import { averageReadings } from "@/core/chart/average";
import { parseCgats, readStack } from "@/core/formats/cgats";
import { readingOf } from "@/core/formats/measured";
import type { Lab } from "@/core/colour/lab";
import { photograph, type Photo, type Shot } from "@/sim/camera";
import { colourPage } from "@/sim/colouring";
import { colorimeterFile } from "@/sim/colorimeter";
import { demoRange } from "@/sim/demo-range";
import type { InkRecipe } from "@/sim/dyes";
import type { PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { secondRange } from "@/sim/second-range";
import { colourSheet } from "@/sim/sheet";
import { printedPage } from "./printed-page";

const recipes: ReadonlyMap<string, InkRecipe> = new Map(
  [...demoRange(), ...secondRange()].map((i) => [i.code, i.recipe]),
);

/** Colour of a stack of the demo's inks on a simulated paper, every 5 nm; undefined for a code the demo does not know. */
export function demoSheet(stock: PaperStock, stack: readonly string[]): Float64Array | undefined {
  const coats = stack.map((code) => recipes.get(code));
  return coats.some((c) => !c) ? undefined : colourSheet(stock, coats as InkRecipe[]);
}

/** What the simulated colorimeter writes of stacks on a paper, three readings each. */
export function demoColorimeter(
  stock: PaperStock,
  stacks: readonly (readonly string[])[],
  names: readonly string[],
  seed: number,
  times = 3,
): string {
  return colorimeterFile(
    stacks.map((stack, i) => ({ name: names[i]!, reflectance: demoSheet(stock, stack)! })),
    colourSheet(stock, []),
    times,
    seeded(seed),
  );
}

/** Readings of a colorimeter's file, repeats averaged and misreads left out. */
export function readingsOf(
  cgats: string,
): { readonly stack: readonly string[]; readonly lab: Lab; readonly spread: number }[] {
  const byName = new Map<string, Lab[]>();
  const { samples, how } = parseCgats(cgats);
  for (const sample of samples) {
    const { lab } = readingOf(sample, how, "D65");
    byName.set(sample.name, [...(byName.get(sample.name) ?? []), lab]);
  }
  return [...byName].map(([name, labs]) => ({ stack: readStack(name)!, ...averageReadings(labs) }));
}

/** A chart of the demo's inks in rack order from one place to another. */
export const demoChart = (serial: number, from: number, to: number): Chart => ({
  serial,
  sheet: "A4",
  lines: demoRange()
    .slice(from, to)
    .map((i) => inkLine(i.code)),
});

/** A coloured page of a chart as a hand-held photo under a warm lamp. `streaky` lines were coloured with a drying marker. */
export function demoPhoto(
  stock: PaperStock,
  layout: PageLayout,
  seed: number,
  change: Partial<Shot> = {},
  streaky: readonly number[] = [],
): Promise<Photo> {
  const random = seeded(seed);
  const drawing = colourPage(printedPage(layout), stock, (code) => recipes.get(code));
  const patches = drawing.patches.map((p, i) =>
    streaky.includes(layout.cells[i]!.line) ? { ...p, streaks: 0.2 } : p,
  );
  const shot: Shot = {
    width: 2000,
    height: 1500,
    turn: 92,
    tilt: 14,
    lean: 40,
    fill: 0.9,
    shift: [0, 0],
    lamp: 3600,
    uneven: 0.3,
    lampFrom: 200,
    vignette: 0.15,
    exposure: 0.68,
    noise: 2,
    blur: 0.7,
    quality: 90,
    ...change,
  };
  return photograph({ ...drawing, patches }, shot, random);
}

/** The one page that is laid out for a part of a chart. */
export const pageOf = (chart: Chart, page: number): PageLayout => layOutChart(chart)[page]!;
