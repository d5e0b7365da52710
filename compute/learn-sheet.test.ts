import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { seeded } from "@/sim/random";
import type { LearnSheetOutput } from "./operations/learn-sheet";
import type { PredictOutput } from "./operations/predict";
import { runOperation } from "./run";

const [paper, inks] = scannedDesk(16, 21);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.slice(0, 1).map((c) => ({ lab: c.lab })) })),
};
const codes = inks.map((i) => i.code);
const random = seeded(8);
const pick = () => codes[Math.floor(random() * codes.length)]!;
const stacks = Array.from({ length: 24 }, () => [...new Set([pick(), pick(), pick()])]).filter(
  (s) => s.length > 1,
);
const predict = async (of: readonly string[][], more: object = {}) =>
  ((await runOperation("predict", { ...desk, ...more, stacks: of })) as PredictOutput).stacks.map(
    (s) => s.lab,
  );
const learn = async (lies: (stack: readonly string[], planned: Lab) => Lab) => {
  const planned = await predict(stacks);
  return (await runOperation("learnSheet", {
    ...desk,
    photo: 0.5,
    places: stacks.map((stack, i) => ({
      stack,
      planned: { lab: planned[i] },
      lies: { lab: lies(stack, planned[i]!) },
      mm2: 50,
    })),
  })) as LearnSheetOutput;
};

describe("what a finished sheet teaches", () => {
  it("helps stacks that were held back where the model is off alike, and what is kept is predicted then", async () => {
    // Everything that lies over something else is darker than the model thinks.
    const { lessons, now, then } = await learn((_, [L, a, b]) => [0.85 * L, a, b]);
    expect(lessons.length).toBeGreaterThan(15);
    expect(then!).toBeLessThan(0.7 * now!);
    const overlays = lessons.map((l) => ({ stack: l.stack, color: { lab: l.kept.lab } }));
    const after = await predict(
      lessons.map((l) => [...l.stack]),
      { overlays },
    );
    lessons.forEach((l, i) => expect(deltaE00(after[i]!, l.kept.lab)).toBeLessThan(0.01));
    for (const l of lessons)
      expect(deltaE00(l.kept.lab, l.read.lab)).toBeLessThanOrEqual(
        deltaE00(l.predicted.lab, l.read.lab) + 1e-9,
      );
  });

  it("is nothing where all lies as predicted, and not to be judged by few stacks", async () => {
    expect(await learn((_, planned) => planned)).toEqual({ lessons: [], now: null, then: null });
    const one = (await runOperation("learnSheet", {
      ...desk,
      photo: 1,
      places: [{ stack: codes.slice(0, 2), planned: { lab: [50, 0, 0] }, lies: { lab: [44, 2, 6] }, mm2: 9 }],
    })) as LearnSheetOutput;
    expect(one.lessons).toHaveLength(1);
    expect(one).toMatchObject({ now: null, then: null });
  });

  it("promises nothing where what lies is at random: the held-out figure says so", async () => {
    const noise = () => 12 * (random() - 0.5);
    const { now, then } = await learn((_, [L, a, b]) => [L + noise(), a + noise(), b + noise()]);
    expect(then!).toBeGreaterThan(0.9 * now!);
  });

  it("names what is wrong with a question", async () => {
    const place = { stack: ["nowhere"], planned: { lab: [50, 0, 0] }, lies: { lab: [50, 0, 0] }, mm2: 9 };
    await expect(runOperation("learnSheet", { ...desk, photo: 1, places: [place] })).rejects.toThrow(
      /places\[0\]\.stack\[0\]/,
    );
    for (const wrong of [
      { photo: -1 },
      { photo: null },
      { places: null },
      { places: [{ ...place, mm2: 1e308 }] },
    ])
      await expect(runOperation("learnSheet", { ...desk, photo: 1, places: [], ...wrong })).rejects.toThrow();
  });
});
