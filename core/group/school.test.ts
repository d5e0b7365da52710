import { USUAL_SHEET } from "@/core/ink/reach";
import { judgeFade, layStrip, type LaidPass } from "@/core/course/strip";
import { whyInWords } from "@/words/material";
import { layDesk, type Desk } from "@/core/ink/desk";
import { stackLab } from "@/core/ink/stack";
import { deltaE00 } from "@/core/colour/delta-e00";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { cautionsOf, type CautionCase } from "./caution";
import { areaSizeOf, MATERIALS, tonesFor } from "./material";
import { schoolPasses, SCHOOLS, type School } from "./school";

const wanted = ["clay1c", "clay3m", "clay5m", "clay7m", "soot9c", "tide3c", "rust5c", "dusk5c"];
const range = demoRange().filter((i) => wanted.includes(i.code));
const desk: Desk = layDesk(...scanInks(whiteCard, range, 9));
const ink = (code: string) => desk.inks.findIndex((i) => i.code === code);
const clays = ["clay1c", "clay3m", "clay5m", "clay7m"].map(ink);
const lay = (school: School, inks = clays) =>
  layStrip(
    desk,
    schoolPasses(
      school,
      inks.map(() => 1),
    ).map((p): LaidPass => ({ ...p, ink: inks[p.tone]! })),
  );
const flood = (code: string, coats: number, wet = false): LaidPass => ({
  ink: ink(code),
  coats,
  from: 0,
  to: 1,
  stroke: "circles",
  wet,
});

describe("a sample strip", () => {
  it("sends the darkest tone into the deepest shadows only where most of the area is not its own", () => {
    const darkest = (border: readonly number[]) =>
      schoolPasses(
        "light first",
        border.map(() => 1),
        border,
      ).find((p) => p.tone === border.length - 1 && p.kind === "lay")!.where;
    expect(darkest([0, 0.3])).toBe("but highlight");
    expect(darkest([0, 0.65])).toBe("deepest");
    expect(darkest([0, 0.2, 0.38])).toBe("shadow side");
    expect(darkest([0, 0.35, 0.7])).toBe("deepest");
  });
  it("of one even coat is what the stack model says of it, but for the unevenness of the hand", () => {
    for (const n of [1, 2, 3]) {
      const strip = layStrip(
        desk,
        Array.from({ length: n }, () => flood("clay5m", 1)),
      );
      const off = strip.profile.map((lab) =>
        deltaE00(lab, stackLab(desk.paper, Array(n).fill(desk.inks[ink("clay5m")]!.spectrum))),
      );
      expect(Math.max(...off)).toBeLessThan(0.5);
      expect(strip.inkUsed.get(ink("clay5m"))).toBeCloseTo(n, 1);
    }
  });
  it("darkens with every pass and never beyond the ink in it", () => {
    const one = layStrip(desk, [flood("clay3m", 1)]).profile[30]![0];
    const two = layStrip(desk, [flood("clay3m", 1), flood("clay5m", 1)]).profile[30]![0];
    expect(two).toBeLessThan(one);
  });
  it("keeps the paper where nothing is laid", () => {
    const half: LaidPass = { ...flood("clay5m", 1), from: 0.5 };
    const { profile } = layStrip(desk, [half]);
    expect(deltaE00(profile[2]!, desk.paper.lab)).toBeLessThan(0.2);
    expect(profile[60]![0]).toBeLessThan(desk.paper.lab[0] - 10);
  });
  it("keeps fewer strokes where a wet pass goes over them", () => {
    const flicked: LaidPass = { ...flood("clay7m", 1), from: 0.4, stroke: "flick" };
    const after = (wet: boolean) =>
      layStrip(desk, [flicked, { ...flood("clay1c", 1, wet), stroke: "flat" }]).texture;
    expect(after(true)).toBeLessThan(0.8 * after(false));
  });
  it("loses dark ink to a wet lighter pass, more than to a dry one", () => {
    const dark = flood("clay7m", 1);
    const after = (wet: boolean) => layStrip(desk, [dark, flood("clay1c", 1, wet)]).profile[30]![0];
    expect(after(true)).toBeGreaterThan(after(false));
  });
  it("is an even fade when each millimetre changes alike, an edge when one takes all", () => {
    const ramp = Array.from({ length: 64 }, (_, i) => [90 - i * 0.5, 0, 0] as const);
    const jump = Array.from({ length: 64 }, (_, i) => [i < 32 ? 90 : 60, 0, 0] as const);
    expect(judgeFade(ramp).edge).toBeLessThan(0.5);
    expect(judgeFade(jump).edge).toBeGreaterThan(10);
    expect(judgeFade(jump).softness).toBeLessThan(judgeFade(ramp).softness);
  });
});

describe("what a school leaves and thins", () => {
  const passes = (school: School) => schoolPasses(school, [2, 1, 1], [0, 0.3, 0.7, 1]);
  it("keeps the highlight bare in dark first, and some white in middle out", () => {
    for (const school of ["dark first", "middle out"] as const) {
      const lightest = passes(school).filter((p) => p.tone === 0);
      expect(Math.min(...lightest.map((p) => p.from))).toBeGreaterThan(0.05);
    }
    for (const school of ["light first", "layered"] as const)
      expect(Math.min(...passes(school).map((p) => p.from))).toBe(0);
  });
  it("lays thinner where it lays in layers", () => {
    const laid = (school: School) =>
      passes(school)
        .filter((p) => p.kind === "lay")
        .map((p) => p.coats);
    expect(laid("light first")).toEqual([2, 1, 1]);
    laid("layered").forEach((c, i) => expect(c).toBeCloseTo([1.4, 0.7, 0.7][i]!, 9));
  });
});

describe("the six schools", () => {
  const strips = Object.fromEntries(SCHOOLS.map((s) => [s, lay(s)])) as Record<
    School,
    ReturnType<typeof lay>
  >;
  it("look and measure differently", () => {
    const looks = SCHOOLS.map((s) => strips[s].profile);
    looks.forEach((a, i) =>
      looks
        .slice(0, i)
        .forEach((b) => expect(Math.max(...a.map((lab, x) => deltaE00(lab, b[x]!)))).toBeGreaterThan(1.5)),
    );
  });
  it("blend softest light first, keep strokes dark first, and leave edges when layered", () => {
    expect(strips["light first"].edge).toBeLessThan(strips.layered.edge);
    expect(strips["light first"].edge).toBeLessThan(strips["middle out"].edge);
    for (const s of SCHOOLS)
      if (s !== "dark first") expect(strips["dark first"].texture).toBeGreaterThan(strips[s].texture);
  });
  it("leave bare paper in the light when they say so", () => {
    for (const s of ["middle out", "dark first"] as const)
      expect(strips[s].profile[0]![0]).toBeGreaterThan(strips["light first"].profile[0]![0] + 3);
  });
  it("take more ink the more they go back", () => {
    const ink = (s: School) => [...strips[s].inkUsed.values()].reduce((a, b) => a + b, 0);
    expect(ink("light first")).toBeGreaterThan(ink("dark second"));
    expect(ink("dark second")).toBeGreaterThan(ink("dark first"));
  });
  it.each(SCHOOLS)("%s lays groups of two to six", (school) => {
    for (let n = 2; n <= 6; n++) {
      const passes = schoolPasses(school, Array<number>(n).fill(1));
      expect(new Set(passes.map((p) => p.tone)).size).toBe(n);
      for (const p of passes) expect(p.from >= 0 && p.to <= 1 && p.from < p.to).toBe(true);
    }
  });
});

describe("materials", () => {
  it("have a school each, with its reason", () =>
    MATERIALS.forEach((m) => expect(whyInWords[m].length).toBeGreaterThan(20)));
  it("call areas small and large by the tones they bear", () =>
    expect([1, 40, 41, 250, 4000, 4001, 1e6].map(areaSizeOf)).toEqual([
      "tiny",
      "tiny",
      "small",
      "small",
      "medium",
      "large",
      "large",
    ]));
  it("get more tones the bigger the area, within 2 to 6", () => {
    for (const m of MATERIALS) {
      const tones = [10, 100, 1000, 10_000].map((mm2) => tonesFor(m, mm2));
      expect(tones).toEqual([...tones].sort((a, b) => a - b));
      expect(Math.min(...tones)).toBeGreaterThanOrEqual(2);
      expect(Math.max(...tones)).toBeLessThanOrEqual(6);
    }
    expect(tonesFor("other", null)).toBe(4);
    expect(tonesFor("hair", null)).toBeGreaterThan(tonesFor("white cloth", null));
  });
});

describe("cautions", () => {
  const kinds = (
    codes: readonly string[],
    change: Partial<CautionCase> = {},
    school: School = "light first",
  ) => {
    const inks = codes.map(ink);
    const tones = inks
      .map((i) => ({ ink: i, coats: 1, lab: stackLab(desk.paper, [desk.inks[i]!.spectrum]) }))
      .sort((a, b) => b.lab[0] - a.lab[0]);
    const strip = lay(
      school,
      tones.map((t) => t.ink),
    );
    return cautionsOf({
      desk,
      tones,
      material: "cloth",
      scene: "neutral",
      mm2: null,
      capacity: 9,
      sheet: USUAL_SHEET,
      strip,
      ...change,
    }).map((c) => c.kind);
  };
  it("are none where all is well", () => expect(kinds(["clay1c", "clay3m", "clay5m"])).toEqual([]));
  it("warn of near black on skin, not on cloth", () => {
    expect(kinds(["clay3m", "clay5m", "soot9c"], { material: "skin" })).toContain("flat black");
    expect(kinds(["clay3m", "clay5m", "soot9c"])).not.toContain("flat black");
  });
  it("warn of a cool grey in a warm scene", () => {
    expect(kinds(["tide3c", "soot9c"], { scene: "warm" })).toContain("grey temperature");
    expect(kinds(["tide3c", "soot9c"], { scene: "cool" })).not.toContain("grey temperature");
  });
  it("warn when the paper is full, and when ink creeps past a tiny area", () => {
    expect(kinds(["clay1c", "clay3m", "clay5m", "clay7m"], { capacity: 3 })).toContain("capacity");
    expect(kinds(["clay3m", "clay5m"], { mm2: 6 })).toContain("bleed");
    expect(kinds(["clay3m", "clay5m"], { mm2: 900 })).not.toContain("bleed");
  });
  it("warn when white is filled and when opposites dull a pure colour", () => {
    expect(kinds(["clay5m", "clay7m"], { material: "white cloth" })).toContain("white filled");
    expect(kinds(["rust5c", "dusk5c"], { local: [70, 40, 50] })).toContain("dull");
  });
});
