import { expect, test } from "./test";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { interleave, stripLines } from "@/core/chart/compose";
import { printedPage } from "@/demo/printed-page";
import { drawOver, hand, teeth, waxPencils } from "@/sim/wax";
import { pencilName } from "@/words/pencil";
import { harshShot, photograph, type Shot } from "@/sim/camera";
import { colourPage } from "@/sim/colouring";
import type { Drawing } from "@/sim/drawing";
import { demoRange } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { blendLines, inkLine, layOutChart, type Chart } from "@/core/chart/layout";
import { readChart, type KnownChart, type ReadPage } from "@/core/chart/read-chart";
import { ChartRefused } from "@/core/chart/refusal";
import { layDesk } from "@/core/ink/desk";
import { fitBlending } from "@/core/ink/fit-blending";

/** Pictures are work for plain Node: Jest's sandbox makes their loops ten times slower. */
const inks = new Map(
  demoRange()
    .slice(60, 84)
    .map((i) => [i.code, i.recipe]),
);
const codes = [...inks.keys()];
const chart: Chart = { serial: 21, sheet: "A4", lines: codes.map(inkLine) };
const truth = (stack: readonly string[]): Lab =>
  xyzToLab(
    look(
      colourSheet(
        whiteCard,
        stack.map((c) => inks.get(c)!),
      ),
    ),
  );
const known = codes
  .filter((_, i) => i % 2)
  .flatMap((c) => [1, 2, 3].map((n) => Array<string>(n).fill(c)))
  .map((stack) => ({ stack, lab: truth(stack) }));
const charts: KnownChart[] = [{ ...chart, paper: truth([]), known }];
const sheet = colourPage(printedPage(layOutChart(chart)[0]!), whiteCard, (c) => inks.get(c));
const shot: Shot = {
  ...harshShot(seeded(2)),
  width: 1600,
  height: 1200,
  turn: 187,
  tilt: 12,
  noise: 1.5,
  blur: 0.5,
  exposure: 0.65,
  uneven: 0.3,
  quality: 92,
};

function finish<T>(work: Generator<number, T>): { value: T; shares: number[] } {
  const shares: number[] = [];
  for (;;) {
    const step = work.next();
    if (step.done) return { value: step.value, shares };
    shares.push(step.value);
  }
}
const take = (drawing: Drawing, change: Partial<Shot> = {}) =>
  photograph(drawing, { ...shot, ...change }, seeded(8));
async function refusal(drawing: Drawing, change: Partial<Shot>, asked?: number): Promise<string> {
  const photo = await take(drawing, change);
  try {
    finish(readChart(photo, charts, asked));
    return "read";
  } catch (e) {
    return e instanceof ChartRefused ? e.reason : String(e);
  }
}

const allKnown = (own: readonly string[]) =>
  own
    .flatMap((c) => [1, 2, 3].map((n) => Array<string>(n).fill(c)))
    .map((stack) => ({ stack, lab: truth(stack) }));

test.describe.configure({ mode: "serial" });

test.describe("a photographed chart", () => {
  let page: ReadPage;
  let truthAt: (x: number, y: number) => readonly [number, number];
  test("is read upside down and aslant, with rising progress", async () => {
    const photo = await take(sheet);
    truthAt = photo.truth;
    const { value, shares } = finish(readChart(photo, charts));
    page = value;
    expect(page).toMatchObject({ serial: 21, page: 0, pages: 1 });
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(page.references).toBeGreaterThan(25);
  });
  test("finds every cell where it is", () => {
    layOutChart(chart)[0]!.cells.forEach((c, i) => {
      const [x, y] = truthAt(c.box.x, c.box.y);
      expect(
        Math.hypot(x - page.cells[i]!.corners[0]![0], y - page.cells[i]!.corners[0]![1]) / page.pixelsPerMm,
      ).toBeLessThan(1.5);
      expect(page.cells[i]!.stack).toEqual(c.stack);
    });
  });
  test("gives colours of unseen inks near the truth", () => {
    const off = page.cells
      .filter((c) => !c.lift && codes.indexOf(c.stack[0]!) % 2 === 0)
      .map((c) => deltaE00(c.lab, truth(c.stack)))
      .sort((a, b) => a - b);
    expect(off[off.length >> 1]).toBeLessThan(1.3);
    expect(off[Math.floor(0.95 * off.length)]).toBeLessThan(4);
  });
});

test.describe("a picture that cannot be trusted", () => {
  test("is refused with its reason: no chart, a covered mark, blur, too bright, too dark", async () => {
    expect(await refusal({ ...sheet, discs: [], bars: [] }, {})).toBe("no chart");
    expect(await refusal({ ...sheet, discs: sheet.discs.slice(3) }, {})).toBe("cut off");
    expect(await refusal(sheet, { exposure: 1.5 })).toBe("too bright");
    expect(await refusal(sheet, { exposure: 0.05 })).toBe("too dark");
    expect(["blurred", "no chart", "cut off", "no page code"]).toContain(await refusal(sheet, { blur: 5 }));
  });
  test("is refused when it is another page than was asked for, or of no known chart", async () => {
    expect(await refusal(sheet, {}, 22)).toBe("wrong page");
    const photo = await take(sheet);
    const unknown = () => finish(readChart(photo, [{ ...charts[0]!, serial: 5 }]));
    expect(unknown).toThrow(ChartRefused);
    expect(unknown).toThrow(/chart 21, page 1/);
  });
});

test("a photographed page of blends is read as colours along its cells, which tell how far ink ran", async () => {
  const own = ["rust1c", "rust6m", "plum1c", "plum7c"];
  const recipes = new Map(demoRange().map((i) => [i.code, i.recipe]));
  const page: Chart = {
    serial: 22,
    sheet: "A4",
    lines: [
      ...own.map(inkLine),
      ...blendLines("rust1c", "rust6m"),
      ...blendLines("plum1c", "plum7c"),
      ...codes.slice(0, 6).map(inkLine),
    ],
  };
  const drawing = colourPage(printedPage(layOutChart(page)[0]!), whiteCard, (c) => recipes.get(c));
  const photo = await take(drawing);
  const stacks = [...own, ...codes.slice(0, 6)].flatMap((c) =>
    [1, 2, 3].map((n) => Array<string>(n).fill(c)),
  );
  const lab = (stack: readonly string[]): Lab =>
    xyzToLab(
      look(
        colourSheet(
          whiteCard,
          stack.map((c) => recipes.get(c)!),
        ),
      ),
    );
  const { value } = finish(
    readChart(photo, [
      { ...page, paper: truth([]), known: stacks.map((stack) => ({ stack, lab: lab(stack) })) },
    ]),
  );
  const long = value.cells.filter((c) => c.meets);
  expect(long.map((c) => c.doubts)).toEqual(long.map(() => []));
  const desk = layDesk(
    truth([]),
    own.map((code) => ({
      code,
      coats: [1, 2, 3].map((n) => ({ lab: lab(Array<string>(n).fill(code)) })) as never,
    })),
  );
  const placed = (stack: readonly string[]) => stack.map((c) => own.indexOf(c));
  const { mixing, edge, wetLifting } = fitBlending(
    desk,
    long.map((c) => ({
      how: c.meets!.how,
      stack: placed(c.stack),
      over: placed(c.meets!.over),
      profile: c.profile!,
    })),
  );
  // As without a camera between: a little blur is added by the lens.
  expect(mixing!.value).toBeGreaterThan(0.8);
  expect(mixing!.value).toBeLessThan(1.4);
  expect(edge!.value).toBeLessThan(0.75);
  expect(wetLifting!.value).toBeLessThan(0.3);
});

test("a photographed page of pencil strips is read with its pressures, near what lies there", async () => {
  const pencils = waxPencils.slice(0, 4);
  const strips = (["light", "medium", "firm"] as const).flatMap((pressure, p) =>
    pencils.map((pencil, i) => ({
      stack: (i + p) % 2 ? [codes[2 * i]!] : [],
      layers: [
        { code: pencil.code, layers: 1 + p, pressure },
        ...(p === 1 ? [{ code: pencils[(i + 1) % 4]!.code, layers: 1, pressure }] : []),
      ],
    })),
  );
  // Inks whose colour is known stand between them.
  const lines = interleave(stripLines(strips, pencilName), codes.slice(0, 6), 2);
  const page: Chart = { serial: 23, sheet: "A4", lines };
  const layout = layOutChart(page)[0]!;
  const drawing = colourPage(printedPage(layout), whiteCard, (c) => inks.get(c));
  const tooth = teeth["Smooth white card"]!;
  const drawn = (stack: readonly string[], pressure: keyof typeof hand) => {
    const base = stack.filter((c) => inks.has(c)).map((c) => inks.get(c)!);
    const passes = stack
      .filter((c) => !inks.has(c))
      .map((c) => ({ pencil: pencils.find((q) => q.code === c)!, layers: 1, pressure: hand[pressure] }));
    return drawOver(colourSheet(whiteCard, base), tooth, passes);
  };
  const cells = layout.cells.filter((c) => c.pressure);
  const patches = cells.map((c) => ({ ...c.box, reflectance: drawn(c.stack, c.pressure!) }));
  const photo = await take({ ...drawing, patches: [...drawing.patches, ...patches] });
  const { value } = finish(
    readChart(photo, [{ ...page, paper: truth([]), known: allKnown(codes.slice(0, 6)) }]),
  );
  const read = value.cells.filter((c) => c.pressure);
  expect(read.map((c) => [c.stack, c.pressure])).toEqual(cells.map((c) => [c.stack, c.pressure]));
  const off = read
    .map((c) => deltaE00(c.lab, xyzToLab(look(drawn(c.stack, c.pressure!)))))
    .sort((a, b) => a - b);
  expect(off[off.length >> 1]).toBeLessThan(1.6);
  expect(off.at(-1)).toBeLessThan(5);
});
