import { saltmarshKey } from "@/demo/codes";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { BadInput } from "@/border/problem";
import { runOperation } from "./run";

const [paper, inks] = scannedDesk(10, 6);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const problems = (name: string, input: unknown) =>
  runOperation(name, input).then(
    () => [],
    (e: unknown) => (e instanceof BadInput ? e.problems : [{ path: String(e), expected: "" }]),
  );

describe("the swatchbook's operations", () => {
  it("parseCode reads codes and says what failed; a key that contradicts its examples is refused", async () => {
    const { codes } = await runOperation("parseCode", { key: saltmarshKey, codes: ["clay3m", "clay3q"] });
    expect(codes).toEqual([
      expect.objectContaining({ family: "clay", depth: 3 }),
      expect.objectContaining({ part: 2, readUpTo: 5 }),
    ]);
    expect(await problems("parseCode", { key: { ...saltmarshKey, examples: ["nope"] }, codes: [] })).toEqual([
      { path: "key", expected: expect.stringContaining("examples read") },
    ]);
    expect(
      await problems("parseCode", { key: { parts: [{ kind: "spoon" }], examples: [] }, codes: [] }),
    ).toEqual([expect.objectContaining({ path: "key" })]);
  });
  it("auditCodes and twins compare colours that come in as hex or Lab", async () => {
    const two = [
      { code: "clay3m", color: "#d0a090" },
      { code: "clay4m", color: { lab: [75, 14, 15] } },
    ];
    const { findings } = await runOperation("auditCodes", { key: saltmarshKey, inks: two });
    expect(findings.map((f) => f.kind)).toContain("deeper code, lighter swatch");
    expect((await runOperation("twins", { inks: [two[0], { code: "b", color: "#d0a190" }] })).pairs).toEqual([
      { codes: expect.arrayContaining(["clay3m", "b"]), deltaE00: expect.any(Number) },
    ]);
    expect(await problems("auditCodes", { key: saltmarshKey, inks: two, homes: { clay: 400 } })).toEqual([
      { path: "homes", expected: expect.stringContaining("degrees") },
    ]);
  });
  it("fitPaper gives the paper's values, what they rest on, and every ink's coats", async () => {
    const fit = await runOperation("fitPaper", {
      ...desk,
      lifts: [{ code: inks[0]!.code, coats: 2, color: { lab: inks[0]!.coats[0]!.lab } }],
      curveCoats: 4,
    });
    expect(fit).toMatchObject({ inks: 10, readings: 30, lifting: { cells: 1 } });
    expect(fit.residual).toBeLessThan(1.5);
    expect(fit.curves).toHaveLength(10);
    for (const c of fit.curves) {
      const L = c.coats.map((s) => s.lab[0]);
      expect(L).toHaveLength(5);
      expect(L).toEqual([...L].sort((a, b) => b - a));
    }
    expect(
      await problems("fitPaper", { ...desk, lifts: [{ code: "nobody", coats: 2, color: "#ffffff" }] }),
    ).toEqual([expect.objectContaining({ path: "lifts[0].code" })]);
  });
  it("fitPaper shows long cells as read and as laid, and the values they tell; without any it says what is assumed", async () => {
    const byLightness = [...inks].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]);
    const [light, dark] = [byLightness[0]!, byLightness.at(-1)!];
    const at = (from: readonly number[], to: readonly number[], t: number) =>
      from.map((v, c) => v + t * (to[c]! - v));
    const blend = {
      how: "dark over dry light",
      stack: [light.code],
      over: [dark.code],
      step: 0.6,
      colors: Array.from({ length: 40 }, (_, i) => ({
        lab: at(light.coats[0]!.lab, dark.coats[2]!.lab, Math.min(1, Math.max(0, (i - 17) / 5))),
      })),
    };
    const stranger = { ...blend, over: ["not here"] };
    const fit = await runOperation("fitPaper", { ...desk, blends: [blend, stranger] });
    expect(fit.blends).toHaveLength(1);
    expect(fit.blends[0]!.read).toHaveLength(40);
    expect(fit.blending.edge).toMatchObject({ cells: 1 });
    expect(fit.blending.mixing).toBeUndefined();
    const L = fit.blends[0]!.laid.map((c) => c.lab[0]);
    expect(Math.abs(L.at(-1)! - L[0]!)).toBeGreaterThan(3);
    const none = await runOperation("fitPaper", desk);
    expect(none).toMatchObject({ blending: {}, blends: [], assumed: { wetLifting: 0.05 } });
    for (const [change, path] of [
      [{ how: "anyhow" }, "blends[0].how"],
      [{ colors: [] }, "blends[0].colors"],
      [{ step: 0 }, "blends[0].step"],
      [{ over: null }, "blends[0].over"],
    ] as const)
      expect(await problems("fitPaper", { ...desk, blends: [{ ...blend, ...change }] })).toEqual([
        expect.objectContaining({ path }),
      ]);
  });
  it("substitute finds the nearest other ink, never the tone itself", async () => {
    const codes = inks.map((i) => i.code);
    const { tones } = await runOperation("substitute", {
      ...desk,
      tones: [[codes[2]!], [codes[3]!, codes[3]!]],
      among: codes,
      top: 2,
    });
    expect(tones).toHaveLength(2);
    expect(tones[0]!.substitutes).toHaveLength(2);
    expect(tones[0]!.substitutes.map((s) => s.code)).not.toContain(codes[2]);
    expect(tones[0]!.substitutes[0]!.deltaE00).toBeLessThanOrEqual(tones[0]!.substitutes[1]!.deltaE00);
    expect(await problems("substitute", { ...desk, tones: [["x"]], among: codes })).toEqual([
      expect.objectContaining({ path: "tones[0][0]" }),
    ]);
    expect(await problems("substitute", { ...desk, tones: [], among: [] })).toEqual([
      expect.objectContaining({ path: "among" }),
    ]);
  });
  it("predict shows an overlay as it was read, and says that near stacks lean", async () => {
    const [a, b] = inks.map((i) => i.code) as [string, string];
    const overlays = [{ stack: [a, b], color: { lab: [50, 3, 4] } }];
    const { stacks } = await runOperation("predict", { ...desk, overlays, stacks: [[a, b], [b, a], [a]] });
    expect(stacks[0]).toMatchObject({ lab: [50, 3, 4], knowledge: "measured" });
    expect(stacks[1]!.knowledge).toBe("leaning");
    const plain = await runOperation("predict", {
      ...desk,
      overlays: [{ stack: [a, "not here"], color: "#000000" }],
      stacks: [[a, b]],
    });
    expect(plain.stacks[0]!.knowledge).toBe("predicted");
  });
  it("readChart says what is wrong with pixels, and why a picture is refused", async () => {
    const blank = { width: 40, height: 30, rgb: Buffer.alloc(3600, 200).toString("base64") };
    expect(await problems("readChart", { image: { ...blank, width: 41 }, charts: [] })).toEqual([
      { path: "image.rgb", expected: "expected 3690 bytes in base64, three a pixel; found 3600" },
    ]);
    expect(await problems("readChart", { image: blank, charts: [] })).toEqual([
      { path: "", expected: expect.stringContaining("No chart is seen") },
    ]);
    expect(
      (
        await problems("readChart", {
          image: blank,
          charts: [{ serial: 0, sheet: "A5", lines: [], paper: "white" }],
        })
      )
        .map((p) => p.path)
        .sort(),
    ).toEqual(["charts[0].paper", "charts[0].serial", "charts[0].sheet"]);
  });
});
