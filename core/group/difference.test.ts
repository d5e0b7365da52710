import { askedOf } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { layDesk } from "@/core/ink/desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { assessGroup } from "./assess";
import type { ChosenGroup } from "./chosen";
import { differenceOf, spanOf } from "./difference";

const codes = ["rust1c", "rust3m", "rust4m", "rust6m", "plum7c", "dusk1c", "dusk5c"];
const inks = codes.flatMap((c) => demoRange().filter((i) => i.code === c));
const desk = layDesk(...scanInks(whiteCard, inks, 5));
const at = (code: string) => inks.findIndex((i) => i.code === code);
const target = { local: [66, 18, 26] } as const;
const group = (
  tones: readonly string[],
  change: Partial<ChosenGroup> = {},
  school: "layered" | "light first" = "light first",
) =>
  assessGroup(
    desk,
    { tones: tones.map((c) => ({ ink: at(c), coats: 1 })), under: [], over: [], ...change },
    askedOf(desk, target, tones.length, { school }),
  );

describe("how a group differs from another", () => {
  const warm = group(["rust1c", "rust3m", "rust6m"]);
  it("is warmer towards orange and cooler towards blue, and the other way round from the other's side", () => {
    const cool = group(["dusk1c", "dusk5c"]);
    const two = group(["rust1c", "rust6m"]);
    const there = differenceOf(cool, two);
    const mean = (g: typeof cool) =>
      g.zones.reduce((sum, z) => sum + z.lab[2] + z.lab[1] / 2, 0) / g.zones.length;
    expect(there.warmth).toBeGreaterThan(5);
    expect(there.warmth).toBeCloseTo(mean(two) - mean(cool), 9);
    expect(differenceOf(two, cool).warmth).toBeCloseTo(-there.warmth, 9);
  });
  it("is nothing from itself", () =>
    expect(differenceOf(warm, warm)).toEqual({
      contrast: 0,
      warmth: 0,
      chroma: 0,
      shared: 3,
      markers: 0,
      apart: 0,
    }));
  it("is told in contrast, warmth and markers, as laid", () => {
    const flat = group(["rust1c", "rust3m"]);
    const fewer = differenceOf(warm, flat);
    expect(fewer.contrast).toBeCloseTo(spanOf(flat) - spanOf(warm), 9);
    expect(fewer.contrast).toBeLessThan(0);
    expect(fewer).toMatchObject({ shared: 2, markers: -1 });
    const cool = differenceOf(warm, group(["dusk1c", "dusk5c"]));
    expect(cool.warmth).toBeLessThan(-10);
    expect(cool.shared).toBe(0);
    expect(cool.apart).toBeGreaterThan(8);
  });
  it("names another school and another way to the shadow, and only those", () => {
    expect(differenceOf(warm, group(["rust1c", "rust3m", "rust6m"], {}, "layered")).school).toBe("layered");
    const under = group(["rust1c", "rust3m"], { under: [{ ink: at("plum7c"), coats: 1 }] });
    expect(differenceOf(group(["rust1c", "rust3m"]), under)).toMatchObject({
      shadow: "underlay",
      markers: 1,
    });
    expect(differenceOf(under, group(["rust1c", "rust3m"])).shadow).toBe("deeper");
  });
});
