import { BadInput } from "@/border/problem";
import { labToHex } from "@/core/colour/display";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { runOperation } from "./run";
import type { RepairOutput } from "./operations/repair";

const [paper, inks] = scannedDesk(8, 5);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const codes = inks.map((i) => i.code);
const ask = (question: object, watch = {}): Promise<RepairOutput> =>
  runOperation("repair", { ...desk, coatsLeft: 3, ...question }, watch);
const paths = (question: object): Promise<string[]> =>
  ask(question).then(
    () => [],
    (e: unknown) => {
      if (!(e instanceof BadInput)) throw e;
      return e.problems.map((p) => p.path);
    },
  );

describe("repair", () => {
  const stack = [codes[0]!, codes[1]!];
  it("says what lies there, what to lay, what that gives, and how long to wait", async () => {
    const wanted = await runOperation("predict", { ...desk, stacks: [[...stack, codes[4]!]] });
    const target = { lab: { lab: wanted.stacks[0]!.lab } };
    const dry = await ask({ stack, wanted: target, symptom: "weak", wet: false });
    expect(dry.now.deltaE00).toBeGreaterThan(1);
    expect(dry.remedies[0]).toMatchObject({
      with: "ink",
      add: [codes[4]!],
      waits: 0,
      onWet: false,
      coatsLeft: 2,
    });
    expect(dry.remedies[0]!.deltaE00).toBeLessThan(0.01);
    expect(dry.remedies[0]!.says).toContain(codes[4]!);
    expect(dry.says).toContain("One more coat");
    // Where it is still wet the same coat comes at once or waits as long as the paper needs.
    const wet = await ask({ stack, wanted: target, wet: true, dryTime: 240, top: 20 });
    for (const r of wet.remedies) expect(r.waits).toBe(r.onWet ? 0 : 240);
  });
  it("tries blender, pencil and what is opaque as well, and is honest where nothing helps", async () => {
    const black = [codes[0]!, codes[0]!, codes[1]!, codes[2]!, codes[3]!];
    const target = { lab: { lab: paper } };
    const without = await ask({ stack: black, wanted: target, coatsLeft: 0 });
    expect(without.remedies).toEqual([]);
    expect(without.says).toContain("no more ink");
    const white = labToHex([97, 0, 0]);
    const found = await ask({
      stack: black,
      wanted: target,
      symptom: "highlight lost",
      coatsLeft: 0,
      blender: { code: "blender", lifts: 0.5 },
      finishers: [{ code: "gel white", color: white }],
      pencils: [{ code: "chalk", white: "#ffffff", black: "#d0d0d0" }],
    });
    expect(found.remedies[0]).toMatchObject({ with: "opaque", add: ["gel white"] });
    expect(found.remedies.map((r) => r.with)).toEqual(expect.arrayContaining(["pencil", "blender"]));
  });
  it("leaves out dry markers, and names what is wrong", async () => {
    const wanted = { lab: "#804030" };
    const dry = desk.inks.map((i) => ({ ...i, state: "dry" }));
    expect((await ask({ inks: dry, stack, wanted })).remedies).toEqual([]);
    expect(await paths({ stack: ["nobody's"], wanted })).toEqual(["stack[0]"]);
    expect(await paths({ stack, wanted: null })).toEqual(["wanted"]);
    expect(await paths({ stack, wanted: { lab: "red-ish" } })).toEqual(["wanted.lab"]);
    expect(await paths({ stack, wanted, symptom: "ugly" })).toEqual(["symptom"]);
    expect(await paths({ stack, wanted, coatsLeft: 1e308 })).toEqual(["coatsLeft"]);
    expect(await paths({ stack: Array(100_000).fill(codes[0]), wanted })).toEqual(["stack"]);
    expect(await paths({ stack, wanted, top: 0 })).toEqual(["top"]);
  });
});
