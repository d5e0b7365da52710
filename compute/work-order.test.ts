import { BadInput } from "@/border/problem";
import { askedOfWork, pieceOfWork } from "@/fixtures/work";
import { runOperation } from "./run";
import type { WorkOrderOutput } from "./operations/work-order";

const desk = { speed: 20, change: 5, openTime: 60, dryTime: 200 };
const pass = { code: "clay1c", mm2: 200, coats: 1 };
const ask = (question: object, watch = {}) =>
  runOperation("workOrder", { worth: 30, seconds: 0.2, desk, ...question }, watch);
const paths = (question: object): Promise<string[]> =>
  ask(question).then(
    () => [],
    (e: unknown) => {
      if (!(e instanceof BadInput)) throw e;
      return e.problems.map((p) => p.path);
    },
  );

describe("workOrder", () => {
  it("answers with the ids that were given, numbers too, and takes touches of either side", async () => {
    const areas = [
      { id: 7, touches: ["b"], passes: [pass] },
      { id: "b", passes: [pass, { ...pass, code: "clay3m", wet: true }] },
    ];
    const found = await ask({ areas });
    expect(found.steps.map((s) => s.area).sort()).toEqual([7, "b", "b"].sort());
    expect(found.sections).toEqual({ 7: 1, b: 1 });
    // Beside wet ink nothing is laid: the open time lies between.
    const [first, second] = [...found.steps].sort((x, y) => x.start - y.start);
    const gap = found.steps.find((s) => s.area !== first!.area)!.start;
    expect(gap).toBeGreaterThanOrEqual(
      second!.area === first!.area ? 60 : first!.start + first!.seconds + 60,
    );
    expect(found.bound).toBeCloseTo(found.cost, 6);
  });
  it("tells each better order and its bound on the way, and can be stopped", async () => {
    const told: WorkOrderOutput[] = [];
    const stop = new AbortController();
    const question = { ...askedOfWork(pieceOfWork(120, 9, 60)), seconds: 30 };
    const work = runOperation("workOrder", question, {
      signal: stop.signal,
      onProgress: (_: number, soFar: unknown) => {
        if (!soFar) return;
        told.push(soFar as WorkOrderOutput);
        if (told.length > 3) stop.abort();
      },
    });
    await expect(work).rejects.toMatchObject({ name: "Cancelled" });
    const costs = told.map((t) => t.cost);
    expect(costs).toEqual([...costs].sort((a, b) => b - a));
    for (const t of told) expect(t.bound).toBeLessThanOrEqual(t.cost);
  });
  it("names what is wrong before it begins", async () => {
    const a = { id: "a", passes: [pass] };
    const b = { id: "b", passes: [pass] };
    expect(await paths({ areas: [{ ...a, touches: ["a"] }] })).toEqual(["areas[0].touches[0]"]);
    expect(await paths({ areas: [{ ...a, touches: ["z"] }] })).toEqual(["areas[0].touches[0]"]);
    expect(await paths({ areas: [a, a] })).toEqual(["areas[1].id"]);
    expect(
      await paths({
        areas: [
          { ...a, after: ["b"] },
          { ...b, after: ["a"] },
        ],
      }),
    ).toEqual(["areas[0].after"]);
    expect(await paths({ areas: [a], desk: { ...desk, speed: 0 } })).toEqual(["desk.speed"]);
    expect(await paths({ areas: [a], desk: { ...desk, change: NaN } })).toEqual(["desk.change"]);
    expect(await paths({ areas: [{ ...a, passes: [{ ...pass, mm2: NaN }] }] })).toEqual([
      "areas[0].passes[0].mm2",
    ]);
    expect(await paths({ areas: [a], worth: 1e308 })).toEqual(["worth"]);
    expect(await paths({ areas: [a], first: ["a", "a"] })).toEqual(["first"]);
    expect(await paths({ areas: [a], cuts: { z: 2 } })).toEqual(["cuts.z"]);
    expect(await paths({ areas: [a], cuts: { a: 0 } })).toEqual(["cuts"]);
    expect(await paths({ areas: [a], done: [{ area: "a", section: 0, pass: 4, end: 1 }] })).toEqual([
      "done[0].pass",
      "done[0].pass",
    ]);
    const large = Array.from({ length: 300 }, (_, i) => ({
      id: `a${i}`,
      passes: Array.from({ length: 34 }, () => pass),
    }));
    expect(await paths({ areas: large })).toEqual(["areas"]);
  });
  it("is there at once for work of hundreds of steps, and empty for none", async () => {
    expect(await ask({ areas: [] })).toMatchObject({ steps: [], cost: 0, bound: 0 });
    const found = await ask({ ...askedOfWork(pieceOfWork(300, 4, 60)), seconds: 0.1 });
    expect(found.steps).toHaveLength(300);
  });
  it("takes steps that are put before others, and an order that is put, and refuses what is none, by field", async () => {
    const areas = [
      { id: "a/b", passes: [pass] },
      { id: 2, passes: [pass, { ...pass, code: "clay3m" }] },
    ];
    const pinned = await ask({
      areas,
      pins: [
        [
          [2, 0, 1],
          ["a/b", 0, 0],
        ],
      ],
    });
    expect(pinned.steps.at(-1)!.area).toBe("a/b");
    const follow = [
      ["a/b", 0, 0],
      [2, 0, 0],
      [2, 0, 1],
    ];
    expect((await ask({ areas, follow })).steps.map((s) => s.area)).toEqual(["a/b", 2, 2]);
    expect((await ask({ areas, follow: [...follow].reverse() })).broken).toMatchObject([
      { rule: "beneath", area: 2 },
    ]);
    expect(
      await paths({
        areas,
        pins: [
          [
            ["z", 0, 0],
            [2, 0, 0],
          ],
        ],
      }),
    ).toEqual(["pins[0][0]"]);
    expect(await paths({ areas, follow: [[2, 0, 7]] })).toEqual(["follow[0]"]);
    for (const pins of [
      [[1, 2]],
      [
        [
          ["a/b", -1, 0],
          [2, 0, 0],
        ],
      ],
      [
        [
          ["a/b", 1e308, 0],
          [2, 0, 0],
        ],
      ],
      "x",
    ])
      expect(await paths({ areas, pins })).toEqual(["pins"]);
    expect(await paths({ areas, follow: Array(4001).fill([2, 0, 0]) })).toEqual(["follow"]);
  });
});
