import { scannedDesk } from "@/fixtures/scanned-desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk } from "@/core/ink/desk";
import { laidLab } from "@/core/ink/laid";
import { covers } from "@/core/ink/span";
import type { Layer } from "@/core/media/layer";
import type { Pass } from "@/core/media/medium";
import { laidAs } from "@/core/media/tone";
import { courseOf } from "./course";
import { layArea } from "./laid-area";
import { inkPasses, laidPasses, type Known } from "./laid-passes";
import { rampOf } from "./ramp";

const desk = layDesk(...scannedDesk(4, 5));
const codes = [...desk.inks].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]).map((i) => i.code);
const inkOf = (code: string) => {
  const at = desk.inks.findIndex((i) => i.code === code);
  return at < 0 ? undefined : at;
};
const known: Known = {
  inkOf,
  filmOf: () => undefined,
  toothOf: () => {
    throw new Error("nothing is drawn");
  },
  opaqueOf: () => [97, 0, 0],
};
const tones: Layer[] = codes.map((code) => ({ medium: "tone", code, coats: 1 }));
const HOW = { school: "light first", capacity: 6 } as const;

describe("the course of an area", () => {
  it("keeps the order of its layers, whatever is known of their inks", () => {
    const swapped: Layer[] = [tones[2]!, tones[0]!, tones[3]!, tones[1]!];
    const { passes, tones: byDepth } = courseOf(swapped, HOW);
    expect(byDepth).toEqual(swapped);
    expect(passes.filter((p) => p.kind === "lay").map((p) => p.code)).toEqual(
      swapped.map((t) => "code" in t && t.code),
    );
    expect(passes[0]!.role).toBe("highlight");
  });
  it("lays tones in the order of the hand and leaves each its place", () => {
    const byHand = laidAs(
      tones.map((t) => t as Extract<Layer, { medium: "tone" }>),
      [tones[3], tones[0], tones[1], tones[2]].map((t) => t as Extract<Layer, { medium: "tone" }>),
    );
    const [plain, hand] = [courseOf(tones, HOW), courseOf(byHand, HOW)];
    expect(hand.borders).toEqual(plain.borders);
    expect(hand.passes[0]).toMatchObject({ code: codes[3], role: "shadow", wet: false });
    const spanOf = (passes: readonly Pass[], code: string) => {
      const { from, to } = passes.find((p) => p.code === code && p.kind === "lay")!;
      return [from, to];
    };
    for (const c of codes) expect(spanOf(hand.passes, c)).toEqual(spanOf(plain.passes, c));
  });
  it("gives the middle of the area to the tone that carries the local colour", () => {
    for (let local = 0; local < 4; local++) {
      const marked = tones.map((t, i) => (i === local ? { ...t, carries: true as const } : t)) as Layer[];
      const { borders, local: said } = courseOf(marked, HOW);
      expect(said).toBe(local);
      expect(borders[local]!).toBeLessThanOrEqual(0.38 + 1e-9);
      expect(borders[local + 1]!).toBeGreaterThanOrEqual(0.62 - 1e-9);
    }
  });
  it("puts a hint where it belongs: in the light, in the mids, in the shadow, along the edge", () => {
    const hint = (place: "all" | "light" | "mids" | "shadow" | "edge") => {
      const { passes, borders } = courseOf(
        [...tones, { medium: "shadow", kind: "warm hint", code: "cream", coats: 1, place }],
        HOW,
      );
      const { from, to } = passes.find((p) => p.code === "cream")!;
      return [borders.indexOf(from), borders.indexOf(to)];
    };
    expect((["all", "light", "mids", "shadow", "edge"] as const).map(hint)).toEqual([
      [0, 4],
      [0, 1],
      [1, 3],
      [3, 4],
      [3, 4],
    ]);
  });
  it("has the underlay of the whole beneath a group, and none beneath bare paper", () => {
    const { passes } = courseOf(tones, { ...HOW, underlay: ["violet"] });
    expect(passes[0]).toMatchObject({ code: "violet", ofWhole: true, dry: false });
    // What comes over it waits for dry ink.
    expect(passes[1]!.dry).toBe(true);
    expect(courseOf([], { ...HOW, underlay: ["violet"] }).passes).toEqual([]);
  });
  it("is seen at every place as the stack that lies there", () => {
    const { passes } = courseOf(tones, HOW);
    const { at } = layArea(desk, laidPasses(passes, known), { wet: 1.3, dry: 0.2 });
    const ink = inkPasses(passes, inkOf);
    for (const t of [0.01, 0.3, 0.5, 0.7, 0.99])
      expect(
        deltaE00(
          at(t, 0),
          laidLab(
            desk,
            ink.filter((p) => covers(p, t)),
          ),
        ),
      ).toBeLessThan(1e-6);
  });
  it("runs along its ramp from light to dark, and ends where its places do", () => {
    const area = layArea(desk, laidPasses(courseOf(tones, HOW).passes, known), { wet: 1.3, dry: 0.2 });
    const ramp = rampOf(area);
    expect(deltaE00(ramp[0]!, area.at(0, 0))).toBeLessThan(1.5);
    expect(deltaE00(ramp.at(-1)!, area.at(1, 0))).toBeLessThan(1.5);
    ramp.slice(1).forEach((lab, i) => expect(lab[0]).toBeLessThan(ramp[i]![0] + 1));
  });
  it("leaves out of the picture what was not read, and nothing else", () => {
    const strange: Layer[] = [...tones.slice(0, 3), { medium: "tone", code: "never read", coats: 2 }];
    const { passes } = courseOf(strange, HOW);
    expect(passes.some((p) => p.code === "never read")).toBe(true);
    expect(laidPasses(passes, known).ink).toHaveLength(passes.filter((p) => p.code !== "never read").length);
  });
  it("does not pass over a kind of pass that nobody knows", () => {
    const odd = { ...courseOf(tones, HOW).passes[0]!, kind: "sprayed" } as unknown as Pass;
    expect(() => laidPasses([odd], known)).toThrow(/sprayed/);
  });
});
