import { scannedDesk } from "@/fixtures/scanned-desk";
import type { CompareSheetOutput } from "./operations/compare-sheet";
import type { PredictOutput } from "./operations/predict";
import type { RepairOutput } from "./operations/repair";
import { runOperation } from "./run";

const [W, H] = [90, 60];
/** A ball (1) on a ground (2). */
const labels = Uint16Array.from({ length: W * H }, (_, p) =>
  Math.hypot((p % W) - 45, Math.floor(p / W) - 30) < 24 ? 1 : 2,
);
const ground = {
  labels: { width: W, height: H, data: Buffer.from(labels.buffer).toString("base64") },
  mmPerPixel: 0.5,
  order: [1, 2],
  forms: [{ id: 1, kind: "ball" }],
};
const [paper, all] = scannedDesk(24, 9);
const byL = [...all].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]);
const desk = {
  paper: { color: { lab: paper } },
  inks: byL.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const codes = [1, 9, 17].map((n) => byL[n]!.code);
const layers = codes.map((code) => ({ medium: "tone" as const, code, coats: 1 }));

const fieldOf = async () => ((await runOperation("light", ground)) as { field: string }).field;
const compare = async (more: object, area: object = {}) =>
  (await runOperation("compareSheet", {
    ...desk,
    field: await fieldOf(),
    areas: [{ id: 1, layers, tones: { borders: [0, 0.33, 0.67, 1] }, ...area }],
    ...more,
  })) as CompareSheetOutput;
const read = (...labs: readonly (readonly number[])[]) => ({
  lies: [{ id: 1, zones: labs.map((lab, i) => ({ zone: i + 1, lab: { lab } })) }],
});
const planned = async () =>
  (await compare(read([50, 0, 0], [50, 0, 0], [50, 0, 0]))).zones
    .toSorted((a, b) => a.zone - b.zone)
    .map((z) => z.planned.lab);

describe("what lies on a sheet against its plan", () => {
  it("is as planned where what was read is what was planned, tone by tone", async () => {
    const plan = await planned();
    expect(plan.map(([L]) => L)).toEqual(plan.map(([L]) => L).sort((a, b) => b - a));
    const { zones, mean } = await compare(read(...plan));
    expect(zones).toHaveLength(3);
    for (const z of zones) expect(z).toMatchObject({ within: true, causes: [], says: "As planned.", of: 3 });
    expect(mean).toBeLessThan(0.01);
    // All of the area is one of its tones.
    const mm2 = labels.reduce((n, l) => n + (l === 1 ? 0.25 : 0), 0);
    expect(zones.reduce((sum, z) => sum + z.mm2, 0)).toBeCloseTo(mm2, 3);
  });
  it("names the coat that is not there, worst first, and a repair goes on from what was read", async () => {
    const plan = await planned();
    const { stack } = (await compare(read(...plan))).zones.find((z) => z.zone === 3)!;
    const without = stack.slice(0, -1);
    const { stacks } = (await runOperation("predict", {
      ...desk,
      stacks: [without, stack],
    })) as PredictOutput;
    const lies = plan[2]!.map((v, c) => v + stacks[0]!.lab[c]! - stacks[1]!.lab[c]!);
    const { zones } = await compare({ ...read(plan[0]!, plan[1]!, lies), photo: 0.5 });
    const [worst] = zones;
    expect(worst).toMatchObject({ zone: 3, within: false, likely: without });
    expect(worst!.causes[0]).toMatchObject({ kind: "fewer", code: stack.at(-1) });
    expect(worst!.causes[0]!.left).toBeLessThan(0.01);
    expect(worst!.says).toMatch(new RegExp(`It looks as (1 coat of |if )${stack.at(-1)} `));
    const mended = (await runOperation("repair", {
      ...desk,
      stack: worst!.likely,
      wanted: { lab: { lab: plan[2] } },
      lies: { lab: { lab: lies } },
      coatsLeft: 2,
    })) as RepairOutput;
    expect(mended.now.lab).toEqual(worst!.lies.lab);
    expect(mended.remedies[0]!.deltaE00).toBeLessThan(worst!.deltaE00 / 2);
  });
  it("goes by what is laid so far, and by what was added", async () => {
    const none = await compare(read(paper, paper, paper), { upTo: 0 });
    for (const z of none.zones) expect(z).toMatchObject({ stack: [], within: true });
    const added = [{ codes: [codes[2]], from: 0, to: 1 }];
    const [zone] = (await compare(read(paper, paper, paper), { upTo: 0, added })).zones;
    expect(zone).toMatchObject({ stack: [codes[2]], within: false });
    expect(zone!.causes[0]).toMatchObject({ kind: "fewer", code: codes[2] });
  });
  it("refuses areas and tones that are none, and more than can be gone through", async () => {
    await expect(compare({ lies: [{ id: 7, zones: [{ zone: 1, lab: "#777777" }] }] })).rejects.toThrow(
      "lies[0].id",
    );
    await expect(compare({ lies: [{ id: 1, zones: [{ zone: 9, lab: "#777777" }] }] })).rejects.toThrow(
      "lies[0].zones[0].zone",
    );
    const zones = Array.from({ length: 30 }, () => ({ zone: 1, lab: "#777777" }));
    await expect(compare({ lies: Array.from({ length: 67 }, () => ({ id: 1, zones })) })).rejects.toThrow(
      "at most 2000 zones",
    );
  });
});
