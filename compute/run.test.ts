import { deltaE00 } from "@/core/colour/delta-e00";
import { BadInput } from "@/border/problem";
import { Cancelled } from "@/core/progress";
import { runOperation } from "./run";
import { demoReadings } from "@/demo/markers";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";

const inks = demoRange()
  .filter((i) => ["clay", "rust", "bark"].includes(i.family) && i.depth % 2 === 1)
  .slice(0, 18);
const { bare, coats } = demoReadings(whiteCard, inks);
const desk = { paper: { color: bare }, inks: inks.map((i) => ({ code: i.code, coats: coats.get(i.code)! })) };
const [first, second] = desk.inks.filter((i) => !/ff|00/.test(i.coats[0]!)) as [
  (typeof desk.inks)[0],
  (typeof desk.inks)[0],
];

const problems = async (name: string, input: unknown) => {
  const error = await runOperation(name, input).then(
    () => undefined,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(BadInput);
  return (error as BadInput).problems;
};

describe("predict", () => {
  it("shows the paper, measured swatches and stacks", async () => {
    const out = await runOperation("predict", {
      ...desk,
      stacks: [[], [first.code], [first.code, second.code]],
    });
    expect(out.stacks[0]!.hex).toBe(bare);
    expect(out.stacks[1]).toMatchObject({ hex: first.coats[0], measured: true, inGamut: true });
    expect(out.stacks[2]!.lab[0]).toBeLessThan(out.stacks[1]!.lab[0]);
    expect(out.stacks[2]!.measured).toBe(false);
    const { fit } = out.paper;
    expect(fit.uptake[0]).toBe(1);
    expect(fit.k1).toBeGreaterThan(0);
    expect(fit.residual).toBeLessThan(1);
  });
  it("takes Lab as well as hex, and one coat as well as three", async () => {
    const out = await runOperation("predict", {
      paper: { color: { lab: [95, 0, 2] } },
      inks: [{ code: "x", coats: [{ lab: [60, 20, 20] }] }],
      stacks: [["x", "x"]],
    });
    expect(out.stacks[0]!.lab[0]).toBeLessThan(60);
  });
});

describe("match", () => {
  it("gives layers bottom to top that predict to the same colour", async () => {
    const out = await runOperation("match", { ...desk, target: "#b07a5e" });
    const [best] = out.recipes;
    const again = await runOperation("predict", {
      ...desk,
      stacks: [best!.layers.flatMap((l) => Array<string>(l.coats).fill(l.code))],
    });
    expect(again.stacks[0]!.hex).toBe(best!.hex);
    expect(out.stacksEvaluated).toBeGreaterThan(0);
    expect(out.milliseconds).toBeGreaterThan(0);
    expect(out.recipes.filter((r) => r.preferred)).toHaveLength(1);
  });
  it("leaves dry markers out", async () => {
    const dried = {
      ...desk,
      inks: desk.inks.map((i) => (i.code === first.code ? { ...i, state: "dry" } : i)),
      target: first.coats[0],
    };
    expect(
      (await runOperation("match", dried)).recipes.flatMap((r) => r.layers.map((l) => l.code)),
    ).not.toContain(first.code);
  });
});

describe("group and assess", () => {
  it("plan light to dark with roles, verdicts and reasons, and assess the same group the same", async () => {
    const { groups } = await runOperation("group", {
      ...desk,
      target: { light: "#f0c6a6", local: "#d0987a", shadow: "#7a4a3c" },
      tones: 3,
      top: 2,
    });
    const [best, other] = groups;
    expect(best!.tones.map((t) => t.role)).toEqual(["highlight", "mid", "shadow"]);
    expect(best!.steps).toHaveLength(2);
    expect(best!.difference).toBe("");
    expect(other!.difference).toMatch(/ΔE00 apart/);
    const { group } = await runOperation("assess", {
      ...desk,
      target: { light: "#f0c6a6", local: "#d0987a", shadow: "#7a4a3c" },
      tones: best!.tones.map(({ code, coats: n }) => ({ code, coats: n })),
    });
    expect(group.score).toBeCloseTo(best!.score, 9);
    expect(group.tones.map((t) => t.hex)).toEqual(best!.tones.map((t) => t.hex));
    expect(group.passes).toEqual(best!.passes);
  });
  it("say what lies where: passes in order, and the places by which the group is judged", async () => {
    const asked = {
      ...desk,
      target: { light: "#f0c6a6", local: "#d0987a", shadow: "#7a4a3c" },
      tones: "auto",
      shadow: "best",
      school: "dark second",
      sheet: { capacity: 4, openTime: 30, bleed: 0.3 },
      top: 1,
    };
    const [best] = (await runOperation("group", asked)).groups;
    const { passes, places, school } = best!;
    expect(school).toBe("dark second");
    expect(best!.mostCoats).toBeLessThanOrEqual(4 + 1e-9);
    expect(places.map((p) => p.name)).toEqual(["light", ...best!.tones.map(() => "tone"), "shadow"]);
    for (const p of places) {
      const there = passes.filter((x) => x.from <= p.t && (p.t < x.to || x.to >= 1));
      expect(p.stack).toEqual(there.map(({ code, coats }) => ({ code, coats })));
      expect(p.deltaE00).toBeCloseTo(deltaE00(p.lab, p.goal), 9);
    }
    expect(best!.localColourDeltaE00).toBeCloseTo(places[best!.local + 1]!.deltaE00, 9);
    expect(best!.strip.length).toBeGreaterThan(20);
  });
  it("say so when nothing fits on the paper, naming the field", async () => {
    const [problem] = await problems("group", {
      ...desk,
      target: "#d0987a",
      tones: 4,
      sheet: { capacity: 1 },
    });
    expect(problem).toMatchObject({
      path: "sheet.capacity",
      expected: expect.stringContaining("nothing fits in 1 coat."),
    });
  });
  it("say when there are too few markers for the tones", async () => {
    expect(await problems("group", { ...desk, inks: desk.inks.slice(0, 2), target: "#b07a5e" })).toEqual([
      { path: "inks", expected: expect.stringContaining("at least 4 inks") },
    ]);
  });
});

describe("an answer that takes its time", () => {
  it("is shown as far as it is known, and says when it is proven", async () => {
    const shown: { proven: boolean; recipes: unknown[] }[] = [];
    const found = await runOperation(
      "match",
      { ...desk, target: "#b07a5e" },
      { onProgress: (_, soFar) => soFar && shown.push(soFar as (typeof shown)[number]) },
    );
    expect(shown.length).toBeGreaterThan(0);
    expect(shown.every((s) => !s.proven && s.recipes.length > 0)).toBe(true);
    expect(found.proven).toBe(true);
  });
  it("says how far off it is, and in which direction, where nothing reaches the colour", async () => {
    const { reach } = await runOperation("match", { ...desk, target: { lab: [99, 60, -60] } });
    expect(reach!.abovePaper).toBe(true);
    expect(reach!.message).toMatch(/^None of these markers reaches this colour\./);
  });
});

describe("work", () => {
  const many = Array.from({ length: 1001 }, (_, i) => ({ code: `ink${i}`, coats: ["#c8a27a"] }));
  it("that would take too long is refused before it starts, naming what there is too much of", async () => {
    const large = { paper: { color: "#f4f5ec" }, inks: many };
    const { desk: handle } = await runOperation("open", large);
    expect(await problems("match", { desk: handle, target: "#b07a5e" })).toEqual([
      { path: "inks", expected: expect.stringContaining("at most 1000 inks") },
    ]);
    expect(await problems("neutralPairs", { desk: handle })).toEqual([
      { path: "inks", expected: expect.stringContaining("at most 500 inks") },
    ]);
    const areas = Array.from({ length: 60 }, (_, i) => ({ id: `a${i}`, target: "#b07a5e" }));
    expect(await problems("planPiece", { desk: handle, areas })).toEqual([
      { path: "areas", expected: expect.stringContaining("at most 14 areas") },
    ]);
  }, 60_000);
});

describe("bad input", () => {
  it("is named by path with what was expected, all of it at once", async () => {
    const found = await problems("group", {
      paper: { color: "beige" },
      inks: [
        { code: "", coats: [] },
        { code: "b", coats: ["#12345"] },
      ],
      target: { light: "#ffffff" },
      tones: 9,
      colour: 1,
    });
    expect(found.map((p) => p.path).sort()).toEqual([
      "colour",
      "inks[0].coats",
      "inks[0].code",
      "inks[1].coats",
      "paper.color",
      "target",
      "tones",
    ]);
    expect(found.find((p) => p.path === "tones")!.expected).toBe(
      'expected a whole number from 2 to 6, or "auto"',
    );
  });
  it.each([
    ["predict", { ...desk, stacks: [["nowhere"]] }, "stacks[0][0]"],
    ["predict", { ...desk, stacks: "all" }, "stacks"],
    ["predict", { ...desk, inks: [first, first], stacks: [] }, "inks[1].code"],
    ["match", { ...desk, target: { lab: [50, 0] } }, "target"],
    ["match", { ...desk, target: "#000000", search: "clever" }, "search"],
    ["match", { ...desk, target: "#000000", maxInks: 2.5 }, "maxInks"],
    [
      "assess",
      {
        ...desk,
        target: "#000000",
        tones: [
          { code: first.code, coats: 1 },
          { code: "nowhere", coats: 1 },
        ],
      },
      "tones[1].code",
    ],
    ["predict", [], ""],
    ["nothing", {}, ""],
    ["constructor", {}, ""],
  ])("to %s is refused at %#: the field is named", async (name, input, path) =>
    expect((await problems(name, input))[0]!.path).toBe(path),
  );
});

it("stops when it is told to", async () => {
  const controller = new AbortController();
  const work = runOperation(
    "match",
    { ...desk, target: "#b07a5e", search: "exhaustive" },
    { signal: controller.signal, onProgress: () => controller.abort() },
  );
  await expect(work).rejects.toBeInstanceOf(Cancelled);
});
