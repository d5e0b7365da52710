import type { Meeting } from "@/core/chart/layout";
import type { Profile } from "@/core/chart/profile";
import { deltaE00 } from "@/core/colour/delta-e00";
import { seenBy } from "@/demo/seen-by";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { colourAlong, type PassAlong } from "@/sim/flow";
import { thinMarker, warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { BLENDER, layOnSheet } from "@/sim/sheet";
import { layDesk } from "./desk";
import { fitBlending, laidBlend, liftsOf, withBlending, type BlendReading } from "./fit-blending";
import { fitLifting } from "./fit-lifting";
import { laidLab } from "./laid";
import { fadeOf } from "./fade";

const PAIRS = [
  ["rust1c", "rust6m"],
  ["reed2c", "reed7m"],
  ["plum1c", "plum7c"],
] as const;
const inks = PAIRS.flat().map((code) => demoRange().find((i) => i.code === code)!);
const WIDTH = 26;
const COLUMNS = 52;

/** A pair as somebody lays it on a simulated paper and reads it along the cell. */
function laid(stock: PaperStock, pair: number, how: Meeting): BlendReading {
  const [light, dark] = [2 * pair, 2 * pair + 1];
  const pass = (ink: number, from: number, wet: boolean): PassAlong => ({
    ink: inks[ink]!.recipe,
    coats: 1,
    wet,
    from,
  });
  const passes = {
    "dark over wet light": [pass(light, 0, false), pass(dark, WIDTH / 2, true)],
    "light over wet dark": [pass(dark, WIDTH / 2, false), pass(light, 0, true)],
    "dark over dry light": [pass(light, 0, false), pass(dark, WIDTH / 2, false)],
    lifted: [
      pass(dark, 0, false),
      pass(dark, 0, false),
      { ink: BLENDER as typeof BLENDER, coats: 1, wet: false, from: WIDTH / 2 },
    ],
  }[how];
  return {
    how,
    ...(how === "lifted" ? { stack: [dark, dark], over: [] } : { stack: [light], over: [dark] }),
    profile: {
      step: WIDTH / COLUMNS,
      labs: colourAlong(stock, passes, COLUMNS, WIDTH / COLUMNS).map(seenBy),
    },
  };
}
const page = (stock: PaperStock, kinds: readonly Meeting[]) =>
  PAIRS.flatMap((_, pair) => kinds.map((how) => laid(stock, pair, how)));
const WET: readonly Meeting[] = ["dark over wet light", "light over wet dark", "dark over dry light"];

describe("long cells of a simulated paper", () => {
  const papers = [whiteCard, warmToned, thinMarker].map((stock) => {
    const desk = layDesk(...scanInks(stock, inks, 5));
    return { stock, desk, blending: fitBlending(desk, page(stock, WET)) };
  });
  it("tell how far wet tones run together and how far a dry edge creeps", () => {
    for (const { stock, blending } of papers) {
      // The sheet's own figures are mean squares of the quickest dye; a nib's frayed edge comes on top.
      expect(blending.mixing!.value / Math.sqrt(stock.flow)).toBeGreaterThan(0.75);
      expect(blending.mixing!.value / Math.sqrt(stock.flow)).toBeLessThan(1.25);
      expect(blending.edge!.value).toBeGreaterThan(0.5 * Math.sqrt(stock.creep));
      expect(blending.edge!.value).toBeLessThan(0.3 + Math.sqrt(stock.creep));
      expect(blending.mixing!.residual).toBeLessThan(0.05);
    }
  });
  it("tell papers apart: the thirsty one runs furthest and loosens most", () => {
    const [card, toned, thin] = papers.map((p) => p.blending);
    expect(toned!.mixing!.value).toBeGreaterThan(card!.mixing!.value);
    expect(card!.mixing!.value).toBeGreaterThan(thin!.mixing!.value);
    expect(toned!.wetLifting!.value).toBeGreaterThan(card!.wetLifting!.value);
    expect(card!.wetLifting!.value).toBeGreaterThan(thin!.wetLifting!.value);
  });
  it("bring what is laid wet on such a paper nearer to what is predicted", () => {
    const { stock, desk } = papers[1]!;
    const told = withBlending(desk, page(stock, WET));
    const passes = (light: number) =>
      [light + 1, light, light].map((ink, i) => ({ ink, coats: 1, wet: i > 0 }));
    const off = (own: typeof desk) =>
      PAIRS.map((_, p) => {
        const seen = layOnSheet(
          stock,
          passes(2 * p).map((c) => ({ ...c, ink: inks[c.ink]!.recipe })),
        );
        return deltaE00(laidLab(own, passes(2 * p)), seenBy(seen));
      }).reduce((a, b) => a + b);
    expect(off(told)).toBeLessThan(0.8 * off(desk));
  });
  it("that were lifted are lift cells as well", () => {
    const { stock, desk } = papers[0]!;
    const lifted = liftsOf(desk, page(stock, ["lifted"]));
    expect(lifted.map((l) => l.coats)).toEqual([2, 2, 2]);
    const { blender, cells } = fitLifting(desk.paper, lifted);
    expect(cells).toBe(3);
    expect(blender).toBeGreaterThan(0.2);
    expect(blender).toBeLessThan(0.7);
  });
});

describe("values fitted to long cells", () => {
  const desk = layDesk(...scanInks(whiteCard, inks, 5));
  /** What the model itself would lay with a reach. */
  const modelled = (how: Meeting, wet: number, dry: number): BlendReading => {
    const fade = fadeOf(
      desk,
      [
        { ink: 0, coats: 1, wet: false, from: 0, to: 1 },
        { ink: 1, coats: 1, wet: how === "dark over wet light", from: 0.5, to: 1, taper: 0.8 },
      ],
      { wet, dry },
    );
    const labs = Array.from({ length: 104 }, (_, x) => fade.at((x + 0.5) / 104, 1 / 26));
    return { how, stack: [0], over: [1], profile: { step: 0.25, labs } };
  };
  it("are those it was laid with", () => {
    for (const reach of [0.5, 1.2, 2.4]) {
      const { mixing, edge } = fitBlending(desk, [
        modelled("dark over wet light", reach, 0),
        modelled("dark over dry light", 0, reach / 3),
      ]);
      expect(mixing!.value).toBeCloseTo(reach, 1);
      expect(edge!.value).toBeCloseTo(reach / 3, 1);
    }
  });
  it("do not mind where exactly the second laying began", () => {
    const { how, stack, over, profile } = modelled("dark over wet light", 1.5, 0);
    const shifted: Profile = { ...profile, labs: profile.labs.slice(12) };
    expect(fitBlending(desk, [{ how, stack, over, profile: shifted }]).mixing!.value).toBeCloseTo(1.5, 1);
  });
  it("are left out where nothing tells them: no cells, or two layings that look alike", () => {
    expect(fitBlending(desk, [])).toEqual({});
    expect(withBlending(desk, [])).toBe(desk);
    const flat: BlendReading = {
      how: "dark over dry light",
      stack: [0],
      over: [1],
      profile: { step: 0.5, labs: Array.from({ length: 40 }, () => [80, 5, 5] as const) },
    };
    expect(fitBlending(desk, [flat])).toEqual({});
    expect(laidBlend(withBlending(desk, [flat]), flat)).toBeUndefined();
  });
  it("stay within what papers can be, whatever was read", () => {
    const noise: BlendReading[] = WET.map((how, k) => ({
      how,
      stack: [0],
      over: [1],
      profile: {
        step: 0.5,
        labs: Array.from(
          { length: 44 },
          (_, i) => [((i * 37 + k * 11) % 100) as number, i - 20, -i] as const,
        ),
      },
    }));
    const { wetLifting, mixing, edge } = fitBlending(desk, noise);
    for (const m of [wetLifting, mixing, edge]) {
      if (!m) continue;
      expect(Number.isFinite(m.value) && m.value >= 0 && m.value <= 6).toBe(true);
      expect(Number.isFinite(m.residual)).toBe(true);
    }
  });
});
