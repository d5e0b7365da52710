import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { adviceInWords } from "@/words/advice";
import { adviseGroup, inkBetween, type Advice } from "./advice";
import { groupGoal } from "./goal";
import { judgeStep } from "./step";
import type { Tone } from "./tone";

const wanted = ["clay1c", "clay3m", "clay5m", "clay7m", "clay9m", "clay4m", "rust5c", "dusk5c", "dusk1m"];
const desk: Desk = layDesk(
  ...scanInks(
    whiteCard,
    demoRange().filter((i) => wanted.includes(i.code)),
    21,
  ),
);
const paper = desk.paper.lab;

const tone = (code: string): Tone => {
  const ink = desk.inks.findIndex((i) => i.code === code);
  return { ink, coats: 1, lab: seenLab(desk, [ink]) };
};

/** Advice on a group against a goal of its own contrast, unless another is given. */
function advice(
  codes: readonly string[],
  change: { contrast?: number; localDifference?: number; owned?: (ink: number) => boolean } = {},
) {
  const tones = codes.map(tone).sort((a, b) => b.lab[0] - a.lab[0]);
  const steps = tones.slice(1).map((t, i) => judgeStep(desk, tones[i]!, t));
  const span = tones[0]!.lab[0] - tones.at(-1)!.lab[0];
  const goal = groupGoal({ local: tones[tones.length >> 1]!.lab }, tones.length, paper, {
    contrast: change.contrast ?? Math.max(4, span),
  });
  return adviseGroup(desk, tones, steps, goal, change.localDifference ?? 1, change.owned);
}
const kinds = (...args: Parameters<typeof advice>): Advice["kind"][] => advice(...args).map((a) => a.kind);

describe("advice on a group", () => {
  it("is silent when every step is even", () => {
    expect(kinds(["clay3m", "clay5m", "clay7m"])).toEqual([]);
  });

  it("says where an edge will show, and puts an owned ink between", () => {
    const [wide] = advice(["clay1c", "clay7m"]);
    expect(wide!.kind).toBe("step too wide");
    expect(adviceInWords(wide!)).toMatch(
      /^Step \d+ L\* from clay1c to clay7m: an edge will show; put \w+ between: you own it\.$/,
    );
    expect(wide!.fix).toMatchObject({ kind: "insert", after: 0 });
  });

  it("does not propose what is not owned", () => {
    const [wide] = advice(["clay1c", "clay7m"], { owned: () => false });
    expect(wide!.fix).toBeUndefined();
    expect(adviceInWords(wide!)).toContain("no owned ink lies between");
  });

  it("leaves out a tone that is hardly seen", () => {
    const first = tone("clay3m");
    const near = { ...tone("clay4m"), lab: [first.lab[0] - 3, first.lab[1] + 6, first.lab[2] + 6] as const };
    const tones = [first, near, tone("clay7m")];
    const steps = tones.slice(1).map((t, i) => judgeStep(desk, tones[i]!, t));
    const found = adviseGroup(
      desk,
      tones,
      steps,
      groupGoal({ local: near.lab }, 3, paper, { contrast: 30 }),
      1,
    );
    expect(found.find((a) => a.kind === "step too narrow")).toMatchObject({
      fix: { kind: "remove", tone: 1, code: "clay4m" },
    });
    const twin = { ...near, lab: [first.lab[0] - 0.5, first.lab[1], first.lab[2]] as const };
    const twins = adviseGroup(
      desk,
      [first, twin],
      [judgeStep(desk, first, twin)],
      groupGoal({ local: first.lab }, 2, paper, { contrast: 10 }),
      1,
    );
    expect(adviceInWords(twins.find((a) => a.kind === "twins")!)).toContain("one of them is enough");
  });

  it("warns of a blend of opposites that turns muddy", () => {
    const [mud] = advice(["rust5c", "dusk5c"]).filter((a) => a.kind === "mud");
    expect(adviceInWords(mud!)).toMatch(/loses \d+ of chroma/);
    expect(kinds(["clay3m", "clay5m"])).not.toContain("mud");
  });

  it("speaks of a flat group and of a local colour that is off, with the figures", () => {
    expect(
      adviceInWords(advice(["clay3m", "clay5m"], { contrast: 50 }).find((a) => a.kind === "contrast")!),
    ).toMatch(/^Contrast \d+ L\* where 50 is wanted/);
    expect(
      adviceInWords(
        advice(["clay3m", "clay5m", "clay7m"], { localDifference: 6.2 }).find(
          (a) => a.kind === "local colour",
        )!,
      ),
    ).toContain("6.2 ΔE00");
    expect(kinds(["clay3m", "clay5m", "clay7m"], { localDifference: 3.9 })).not.toContain("local colour");
  });
});

describe("an ink between two tones", () => {
  it("divides the step near its middle and is none of those already used", () => {
    const [light, dark] = [tone("clay1c"), tone("clay7m")];
    const between = inkBetween(desk, light, dark, [light, dark], () => true)!;
    expect(between.lab[0]).toBeLessThan(light.lab[0]);
    expect(between.lab[0]).toBeGreaterThan(dark.lab[0]);
    expect(Math.abs(between.lab[0] - (light.lab[0] + dark.lab[0]) / 2)).toBeLessThan(
      (light.lab[0] - dark.lab[0]) / 3,
    );
    expect([light.ink, dark.ink]).not.toContain(between.ink);
  });

  it("is none when nothing lies there", () => {
    const [light, dark] = [tone("clay5m"), tone("clay7m")];
    expect(
      inkBetween(
        desk,
        light,
        dark,
        desk.inks.map((_, i) => ({ ...light, ink: i })),
        () => true,
      ),
    ).toBeUndefined();
  });
});
