import { quantile } from "@/core/algebra/median";
import { interleave } from "@/core/chart/compose";
import { inkLine, layOutChart, linesAPage, type Chart } from "@/core/chart/layout";
import { readChart, type KnownChart, type ReadPage } from "@/core/chart/read-chart";
import { ChartRefused } from "@/core/chart/refusal";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { layDesk, seenLab, type MeasuredInk } from "@/core/ink/desk";
import { matchTarget } from "@/core/match/match";
import { printedPage } from "@/demo/printed-page";
import { readingsOf } from "@/demo/swatchbook";
import { harshShot, photograph, type Photo, type Shot } from "@/sim/camera";
import { colourPage } from "@/sim/colouring";
import type { Drawing } from "@/sim/drawing";
import { colorimeterFile } from "@/sim/colorimeter";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { whiteCard, warmToned, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { BLENDER, colourSheet } from "@/sim/sheet";
import { nameStack } from "@/core/formats/cgats";
import { finish } from "@/core/progress";

const PHOTOS_A_PAGE = 3;
const MANY_PHOTOS = 200;
const TARGETS = 60;
/** Largest share of a cell's height by which its found corner may miss before it could be taken for a neighbour. */
const OWN_CELL = 4;

interface Printed {
  readonly stock: PaperStock;
  readonly chart: Chart;
  readonly inks: ReadonlyMap<string, SimulatedInk>;
  readonly known: KnownChart["known"];
}

const truthOf = ({ stock, inks }: Printed, stack: readonly string[], lift = false): Lab =>
  xyzToLab(
    look(
      colourSheet(stock, [
        ...stack.map((c) => inks.get(c)!.recipe),
        ...(lift ? [BLENDER as typeof BLENDER] : []),
      ]),
    ),
  );

const coats = (code: string) => [1, 2, 3].map((n) => Array<string>(n).fill(code));

/** A chart of a range on a paper; every third ink was measured with the colorimeter before, as the composer of charts would have it. */
function printed(
  stock: PaperStock,
  range: readonly SimulatedInk[],
  serial: number,
): Printed & { unseen: ReadonlySet<string> } {
  const inks = new Map(range.map((i) => [i.code, i]));
  const measured = range.filter((_, i) => i % 3 === 1).map((i) => i.code);
  const unseen = range.map((i) => i.code).filter((c) => !measured.includes(c));
  const stacks = measured.flatMap(coats);
  const samples = stacks.map((s) => ({
    name: nameStack(s),
    reflectance: colourSheet(
      stock,
      s.map((c) => inks.get(c)!.recipe),
    ),
  }));
  const known = readingsOf(colorimeterFile(samples, colourSheet(stock, []), 3, seeded(serial)));
  return {
    stock,
    inks,
    known,
    unseen: new Set(unseen),
    chart: { serial, sheet: "A4", lines: interleave(unseen.map(inkLine), measured, 2) },
  };
}

const drawn = (p: Printed, page: number): Drawing =>
  colourPage(printedPage(layOutChart(p.chart)[page]!), p.stock, (c) => p.inks.get(c)?.recipe);
const asKnown = (p: Printed, known = p.known): KnownChart => ({ ...p.chart, paper: truthOf(p, []), known });
const read = (photo: Photo, charts: readonly KnownChart[]): ReadPage => finish(readChart(photo, charts));
const pagesOf = (p: Printed) => Math.ceil(p.chart.lines.length / linesAPage(p.chart.sheet));

async function judgeReadings(p: Printed & { unseen: ReadonlySet<string> }, name: string): Promise<string> {
  const errors: number[] = [];
  const white: number[] = [];
  for (let page = 0; page < pagesOf(p); page++)
    for (let k = 0; k < PHOTOS_A_PAGE; k++) {
      const random = seeded(1000 * p.chart.serial + 10 * page + k);
      const photo = await photograph(drawn(p, page), harshShot(random), random);
      const err = (r: ReadPage) =>
        r.cells
          .filter((c) => p.unseen.has(c.stack[0]!))
          .map((c) => deltaE00(c.lab, truthOf(p, c.stack, c.lift)));
      errors.push(...err(read(photo, [asKnown(p)])));
      white.push(...err(read(photo, [asKnown(p, [])])));
    }
  return `| ${p.stock.name} | ${name} | ${errors.length} | **${quantile(errors, 0.5).toFixed(2)}** | **${quantile(errors, 0.95).toFixed(2)}** | ${quantile(white, 0.5).toFixed(2)} | ${quantile(white, 0.95).toFixed(2)} |`;
}

/** Whether every cell of many photos is found where it is. */
async function judgePlaces(p: Printed): Promise<string> {
  let [wrong, cells, refused, farthest] = [0, 0, 0, 0];
  for (let k = 0; k < MANY_PHOTOS; k++) {
    const random = seeded(5000 + k);
    const page = k % pagesOf(p);
    const layout = layOutChart(p.chart)[page]!;
    const photo = await photograph(drawn(p, page), harshShot(random, 2200, 1650), random);
    try {
      const found = read(photo, [asKnown(p)]);
      if (found.page !== page) wrong += found.cells.length;
      found.cells.forEach((c, i) => {
        const { x, y } = layout.cells[i]!.box;
        const [tx, ty] = photo.truth(x, y);
        const off = Math.hypot(tx - c.corners[0]![0], ty - c.corners[0]![1]) / found.pixelsPerMm;
        farthest = Math.max(farthest, off);
        if (off > OWN_CELL) wrong++;
        cells++;
      });
    } catch (e) {
      if (!(e instanceof ChartRefused)) throw e;
      refused++;
    }
  }
  return `${MANY_PHOTOS} random photos of 2200 × 1650: **${wrong} of ${cells} cells** assigned to another ink (the farthest corner was ${farthest.toFixed(1)} mm off), ${refused} photos refused.`;
}

/** Pictures that must be refused. */
async function judgeRefusals(p: Printed): Promise<string> {
  const random = seeded(9);
  const shot: Shot = {
    ...harshShot(random),
    turn: 3,
    tilt: 8,
    exposure: 0.65,
    noise: 2,
    blur: 0.6,
    uneven: 0.2,
  };
  const cases: readonly [string, Partial<Shot>, ((d: Drawing) => Drawing)?][] = [
    ["a mark cut off by the edge of the picture", { shift: [0.3, 0] }],
    ["a mark covered", {}, (d) => ({ ...d, discs: d.discs.slice(3) })],
    ["blurred", { blur: 9 }],
    ["overexposed", { exposure: 1.35 }],
    ["underexposed", { exposure: 0.05 }],
    ["a large glare", { glare: { x: 105, y: 150, radius: 55, strength: 0.8 } }],
    ["a hard shadow over half of the page", { shadow: { from: 100, left: 0.45 } }],
    ["55° aslant and far away", { tilt: 62, fill: 0.42 }],
    ["a photo of something else", {}, (d) => ({ ...d, discs: [], bars: [] })],
    ["the strip covered", {}, (d) => ({ ...d, bars: d.bars.filter((b) => b.height !== 5) })],
  ];
  const outcomes: string[] = [];
  for (const [name, change, alter] of cases) {
    const photo = await photograph(
      alter ? alter(drawn(p, 0)) : drawn(p, 0),
      { ...shot, ...change },
      seeded(3),
    );
    outcomes.push(verdict(name, () => read(photo, [asKnown(p)])));
  }
  const good = await photograph(drawn(p, 0), shot, seeded(3));
  outcomes.push(
    verdict("a page of another chart than asked", () =>
      finish(readChart(good, [asKnown(p)], p.chart.serial + 1)),
    ),
  );
  outcomes.push(
    verdict("a page of no chart of the studio", () =>
      read(good, [{ ...asKnown(p), serial: p.chart.serial + 1 }]),
    ),
  );
  const taken = outcomes.filter((o) => o.endsWith("READ")).length;
  return `Refused as they should be: ${outcomes.length - taken} of ${outcomes.length}. ${outcomes.join("; ")}.`;
}

function verdict(name: string, work: () => unknown): string {
  try {
    work();
    return `${name}: READ`;
  } catch (e) {
    if (!(e instanceof ChartRefused)) throw e;
    return `${name}: ${e.reason}`;
  }
}

/** Plans made with readings from photos against plans made with perfect readings: how far the paper comes from the target. */
async function judgeLoop(p: Printed & { unseen: ReadonlySet<string> }): Promise<string> {
  const fromPhotos = new Map<string, Lab>();
  for (let page = 0; page < pagesOf(p); page++) {
    const random = seeded(77 + page);
    const photo = await photograph(drawn(p, page), harshShot(random), random);
    for (const c of read(photo, [asKnown(p)]).cells)
      if (!c.lift && !c.doubts.length) fromPhotos.set(nameStack(c.stack), c.lab);
  }
  for (const k of p.known) fromPhotos.set(nameStack(k.stack), k.lab);
  const codes = [...p.inks.keys()];
  const inksBy = (labOf: (stack: readonly string[]) => Lab | undefined): MeasuredInk[] =>
    codes.flatMap((code) => {
      const own = coats(code).map(labOf);
      const upTo = own.findIndex((l) => !l);
      const read_ = (upTo < 0 ? own : own.slice(0, upTo)) as Lab[];
      return read_.length ? [{ code, coats: read_.map((lab) => ({ lab })) }] : [];
    });
  const paper = truthOf(p, []);
  const desks = [inksBy((s) => truthOf(p, s)), inksBy((s) => fromPhotos.get(nameStack(s)))].map((inks) =>
    layDesk(paper, inks),
  );
  const random = seeded(31);
  const targets = Array.from({ length: TARGETS }, () =>
    truthOf(
      p,
      Array.from({ length: 3 }, () => codes[Math.floor(random() * codes.length)]!),
    ),
  );
  const plan = desks.map((desk) =>
    targets.map((target) => {
      const best = finish(matchTarget(desk, target, { maxInks: 2, maxCoats: 3, top: 1 })).recipes[0]!;
      return deltaE00(
        truthOf(
          p,
          best.layers.flatMap((l) => Array<string>(l.coats).fill(desk.inks[l.ink]!.code)),
        ),
        target,
      );
    }),
  );
  const overlays = Array.from({ length: 300 }, () =>
    [0, 1].map(() => codes[Math.floor(random() * codes.length)]!),
  );
  const predicted = desks.map((desk) => {
    const place = new Map(desk.inks.map((i, n) => [i.code, n]));
    return overlays
      .filter((o) => o.every((c) => place.has(c)))
      .map((o) =>
        deltaE00(
          seenLab(
            desk,
            o.map((c) => place.get(c)!),
          ),
          truthOf(p, o),
        ),
      );
  });
  const row = (what: string, [perfect, photos]: readonly (readonly number[])[]) =>
    `| ${what} | ${quantile(perfect!, 0.5).toFixed(2)} | ${quantile(photos!, 0.5).toFixed(2)} | **${(quantile(photos!, 0.5) / quantile(perfect!, 0.5)).toFixed(2)}×** | ${quantile(perfect!, 0.95).toFixed(2)} | ${quantile(photos!, 0.95).toFixed(2)} |`;
  return [
    "| plan to paper, ΔE00 | perfect readings, median | readings from one harsh photo a page, median | ratio | perfect, 95th | photos, 95th |\n| --- | --- | --- | --- | --- | --- |",
    row(`best recipe (2 inks, 3 coats) for ${TARGETS} targets, as laid, from the target`, plan),
    row("overlays of two inks, as laid, from the prediction", predicted),
  ].join("\n");
}

/** Charts: print, colour, photograph under the harshest settings, read, fit, plan. */
export async function judgeCharts(): Promise<string> {
  const demo = demoRange().slice(0, 180);
  const card = printed(whiteCard, demo, 3);
  const rows = [
    await judgeReadings(card, "demo range"),
    await judgeReadings(printed(warmToned, demo.slice(0, 120), 4), "demo range"),
    await judgeReadings(printed(whiteCard, strangeInks(120, 5), 5), "random mixtures"),
  ];
  return [
    "### Chart reading under the harshest photos (any turn, up to 35° aslant, lamps of 2800–5300 K from one side, noise, blur, JPEG 70–95; every third line known from the colorimeter)",
    `| paper | inks | cells of unseen inks | median ΔE00 | 95th | white alone: median | 95th |\n| --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`,
    await judgePlaces(card),
    await judgeRefusals(card),
    await judgeLoop(card),
  ].join("\n\n");
}
