import { scannedDesk } from "@/fixtures/scanned-desk";
import { BadInput } from "@/border/problem";
import { runOperation } from "./run";

const [paper, inks] = scannedDesk(24, 6);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const byLight = [...inks].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]).map((i) => i.code);
const tones = [byLight[2]!, byLight[8]!, byLight[16]!].map((code) => ({ code, coats: 1 }));
const pencils = [
  { code: "white", white: "#f4f3f0", black: "#c9c8c6" },
  { code: "red", white: "#b04a3a", black: "#7c352b" },
  { code: "ochre", white: "#c19a52", black: "#8a6f3c" },
  { code: "blue", white: "#3c4a74", black: "#323e60" },
];
const problems = (name: string, input: unknown) =>
  runOperation(name, input).then(
    () => [],
    (e: unknown) => (e instanceof BadInput ? e.problems.map((p) => p.path) : [String(e)]),
  );

describe("planning operations", () => {
  it("group keeps fixed tones, leaves excluded ones and says when it cannot", async () => {
    const target = { lab: inks[5]!.coats[0]!.lab };
    const [g] = (
      await runOperation("group", {
        ...desk,
        target,
        tones: 3,
        fixed: [{ code: byLight[4], coats: 1 }],
        exclude: [byLight[10]],
        top: 1,
      })
    ).groups;
    expect(g!.tones.map((t) => t.code)).toContain(byLight[4]);
    expect(g!.tones.map((t) => t.code)).not.toContain(byLight[10]);
    expect(await problems("group", { ...desk, target, fixed: [{ code: "nobody", coats: 1 }] })).toEqual([
      "fixed[0].code",
    ]);
    expect(
      await problems("group", { ...desk, target, material: "spoon", drift: { light: 3, shadow: 0 } }),
    ).toEqual(["material", "drift.light"]);
    expect(await problems("group", { ...desk, target, tones: 3, exclude: byLight.slice(0, 22) })).toEqual([
      "inks",
    ]);
  });
  it("schools lays all six, marks the habit, and lets an underlay show", async () => {
    const { schools } = await runOperation("schools", { ...desk, tones, material: "hair", mm2: 300 });
    expect(schools).toHaveLength(6);
    expect(schools.filter((s) => s.habit).map((s) => s.school)).toEqual(["dark first"]);
    for (const s of schools) {
      expect(s.strip.hex).toHaveLength(s.strip.cells * s.strip.lanes);
      expect(new Set(s.passes.map((p) => p.code))).toEqual(new Set(tones.map((t) => t.code)));
      expect(s.inkTotal).toBeCloseTo(
        s.ink.reduce((sum, i) => sum + i.coats, 0),
        9,
      );
    }
    const under = await runOperation("schools", { ...desk, tones, under: { code: byLight[14], coats: 2 } });
    expect(under.schools[0]!.lightness[1]).toBeLessThan(schools[0]!.lightness[1]);
    expect(await problems("schools", { ...desk, tones: tones.slice(0, 1), sheet: { openTime: -4 } })).toEqual(
      expect.arrayContaining(["tones", "sheet.openTime"]),
    );
  });
  it("shadow ranks kinds, gives boldness to what lies under, and checks a whole-piece underlay", async () => {
    const answer = await runOperation("shadow", {
      ...desk,
      cover: tones.slice(0, 2),
      kinds: ["underlay", "deeper", "overlay"],
      depth: 12,
      monochrome: { under: [byLight[12]], covers: [[byLight[1]], [byLight[20]]] },
      greyBases: 60,
    });
    for (const s of answer.shadows) expect(s.order === "under").toBe(s.boldness !== undefined);
    expect(answer.monochrome).toHaveLength(2);
    expect(answer.cover.lab[0] - answer.wanted.lab[0]).toBeCloseTo(12, 6);
    expect(await problems("shadow", { ...desk, cover: [{ code: "x", coats: 1 }] })).toEqual([
      "cover[0].code",
    ]);
    expect(
      await problems("shadow", {
        ...desk,
        cover: tones,
        kinds: ["spoon"],
        monochrome: { under: [], covers: "x" },
      }),
    ).toEqual(expect.arrayContaining(["kinds", "monochrome.under", "monochrome.covers"]));
  });
  it("pencilPlan draws a scale, shows pencils over the base, and adjusts a tone; bad pencils are named", async () => {
    const wish = {
      ...desk,
      pencils,
      grain: 0.4,
      light: { lab: [80, 10, 14] },
      local: { lab: [62, 20, 20] },
      shadow: { lab: [44, 16, 10] },
      values: 5,
    };
    const plan = await runOperation("pencilPlan", {
      ...wish,
      adjust: { stack: [byLight[8]], deltaL: 5 },
      strips: [{ stack: [], layers: [{ code: "red", layers: 2, pressure: "medium" }], color: "#d8b0a2" }],
    });
    expect(plan.steps).toHaveLength(5);
    expect(plan.white).toBe("white");
    expect(plan.tooth.strips).toBe(1);
    expect(plan.over.length).toBeGreaterThan(0);
    expect(plan.adjustments!.every((a) => a.deltaL > 0)).toBe(true);
    for (const s of plan.steps) {
      expect(s.shortfall !== undefined).toBe(s.deltaE00 > 3);
      // Whatever may come out more than 4 from what is wanted says so, one way or the other.
      if (s.deltaE00 + s.doubt > 4) expect(s.shortfall ?? s.unsure).toBeDefined();
    }
    expect(await problems("pencilPlan", { ...wish, pencils: [] })).toEqual(["pencils"]);
    expect(await problems("pencilPlan", { ...wish, pencils: [pencils[0], pencils[0]] })).toEqual([
      "pencils[1].code",
    ]);
    expect(
      await problems("pencilPlan", {
        ...wish,
        values: 12,
        strips: [{ stack: [], layers: [{ code: "red", layers: 2, pressure: "hard" }], color: "red" }],
      }),
    ).toEqual(expect.arrayContaining(["values", "strips[0].layers[0].pressure", "strips[0].color"]));
    expect(
      await problems("pencilPlan", {
        ...wish,
        strips: [{ stack: [], layers: [{ code: "green", layers: 2, pressure: "firm" }], color: "#808080" }],
      }),
    ).toEqual(["strips[0].layers[0].code"]);
  });
  it("pencilStrips says which strips tell most of a plan or of all pencils, on what lies at hand; strangers are named", async () => {
    const wish = { ...desk, pencils, grain: 0.4, top: 5 };
    const all = await runOperation("pencilStrips", wish);
    expect(all.strips).toHaveLength(5);
    expect(all.strips[0]!.spread).toBeLessThan(all.now);
    const layers = [{ code: "red", layers: 3, pressure: "light" }];
    const drawings = [{ stack: [byLight[8]], layers }];
    const own = await runOperation("pencilStrips", { ...wish, drawings });
    expect(new Set(own.strips.flatMap((s) => s.layers.map((l) => l.code)))).toEqual(new Set(["red"]));
    for (const s of own.strips) expect([[], [byLight[8]]]).toContainEqual(s.stack);
    // Read and fitted, the strips make the plan as sure as was said, or nearly.
    const read = own.strips.map(({ stack, layers }) => ({ stack, layers, color: "#c06050" }));
    const then = await runOperation("pencilStrips", { ...wish, drawings, strips: read, top: 1 });
    expect(then.now).toBeLessThan(own.now);
    expect(await problems("pencilStrips", { ...wish, pencils: [] })).toEqual(["pencils"]);
    expect(await problems("pencilStrips", { ...wish, codes: ["green"] })).toEqual(["codes[0]"]);
    expect(
      await problems("pencilStrips", {
        ...wish,
        drawings: [{ stack: ["none"], layers }],
      }),
    ).toEqual(["drawings[0].stack[0]"]);
    expect(
      await problems("pencilStrips", {
        ...wish,
        drawings: [{ stack: [], layers: [{ ...layers[0], code: "green" }] }],
      }),
    ).toEqual(["drawings[0].layers[0].code"]);
  });
  it("neutralPairs works for inks and for pencils", async () => {
    const ofInks = await runOperation("neutralPairs", { ...desk, top: 3 });
    expect(ofInks.pairs.length).toBeGreaterThan(0);
    const ofPencils = await runOperation("neutralPairs", {
      ...desk,
      of: "pencils",
      pencils,
      base: [byLight[1]],
    });
    for (const p of ofPencils.pairs)
      expect(p.codes.every((c) => pencils.some((q) => q.code === c))).toBe(true);
    expect(await problems("neutralPairs", { ...desk, with: "nobody" })).toEqual(["with"]);
  });
  it("planPiece plans all areas, shows the trade, and names what is wrong", async () => {
    const areas = [
      { id: "a", target: { lab: inks[5]!.coats[0]!.lab }, tones: 3 },
      { id: "b", target: { lab: inks[9]!.coats[0]!.lab }, tones: 2, fixed: [{ code: byLight[6], coats: 1 }] },
    ];
    const plan = await runOperation("planPiece", { ...desk, areas, neighbours: [["a", "b"]], trade: true });
    expect(plan.areas.map((x) => x.id)).toEqual(["a", "b"]);
    expect(plan.together.objective).toBeLessThanOrEqual(plan.apart.objective + 1e-9);
    expect(plan.markers.flatMap((m) => m.areas).length).toBe(5);
    expect(plan.areas[1]!.group.tones.map((t) => t.code)).toContain(byLight[6]);
    expect(plan.trade!.map((t) => t.markerCost)).toEqual(
      [...plan.trade!.map((t) => t.markerCost)].sort((a, b) => a - b),
    );
    expect(plan.trade!.at(-1)!.markers).toBeLessThanOrEqual(plan.trade![0]!.markers);
    expect(await problems("planPiece", { ...desk, areas: [areas[0], areas[0]] })).toEqual(["areas[1].id"]);
    expect(await problems("planPiece", { ...desk, areas, neighbours: [["a", "z"]] })).toEqual([
      "neighbours[0][1]",
    ]);
    expect(await problems("planPiece", { ...desk, areas: [], apart: -1 })).toEqual(
      expect.arrayContaining(["areas", "apart"]),
    );
  });
  it("substituteGroup makes a group again without its inks", async () => {
    const wanted = tones.map((t) => ({ lab: inks.find((i) => i.code === t.code)!.coats[0]!.lab }));
    const among = byLight.filter((c) => !tones.some((t) => t.code === c));
    const { groups } = await runOperation("substituteGroup", { ...desk, tones: wanted, among });
    expect(groups[0]!.each).toHaveLength(3);
    expect(groups.map((g) => g.mean)).toEqual([...groups.map((g) => g.mean)].sort((a, b) => a - b));
    expect(groups[0]!.group.tones.every((t) => among.includes(t.code))).toBe(true);
    expect(await problems("substituteGroup", { ...desk, tones: wanted, among: among.slice(0, 2) })).toEqual([
      "among",
    ]);
    expect(await problems("substituteGroup", { ...desk, tones: ["red", "#ffffff"], among })).toEqual([
      "tones",
    ]);
  });
  it("substituteGroup minds each tone by the share of the area that shows it", async () => {
    const wanted = tones.map((t) => ({ lab: inks.find((i) => i.code === t.code)!.coats[0]!.lab }));
    const among = byLight.filter((c) => !tones.some((t) => t.code === c));
    const steps = (from: number, to: number) =>
      Array.from({ length: 32 }, (_, i) => (i >= from && i < to ? 1 : 0));
    const first = async (shares?: number[]) => {
      const asked = { ...desk, tones: wanted, among, ...(shares && { shares }) };
      return (await runOperation("substituteGroup", asked)).groups[0]!;
    };
    const [even, light, dark] = [await first(), await first(steps(0, 3)), await first(steps(29, 32))];
    // What nobody sees may be farther off; what is seen is not.
    const off = (found: typeof even, end: number) => found.group.places.at(end)!.deltaE00;
    expect(off(light, 0)).toBeLessThanOrEqual(Math.min(off(even, 0), off(dark, 0)) + 1e-9);
    expect(off(dark, -1)).toBeLessThanOrEqual(Math.min(off(even, -1), off(light, -1)) + 1e-9);
    expect(off(dark, -1)).toBeLessThan(off(light, -1) - 1);
    expect(light.mean).toBeCloseTo(light.each[0]!, 6);
    expect(dark.mean).toBeCloseTo(dark.each[2]!, 6);
    expect(even.mean).toBeCloseTo((even.each[0]! + even.each[1]! + even.each[2]!) / 3, 6);
    expect(await problems("substituteGroup", { ...desk, tones: wanted, among, shares: [1] })).toEqual([
      "shares",
    ]);
  });
});
