import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { askedOf } from "@/fixtures/group-wish";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { adviceInWords } from "@/words/advice";
import type { Advice } from "./advice";
import { assessGroup } from "./assess";
import type { GroupTarget } from "./goal";
import type { School } from "./school";

const wanted = [
  "clay1c",
  "clay3m",
  "clay5m",
  "clay7m",
  "clay9m",
  "clay4m",
  "rust5c",
  "dusk5c",
  "dusk1m",
  "fern5c",
];
const desk: Desk = layDesk(
  ...scanInks(
    whiteCard,
    demoRange().filter((i) => wanted.includes(i.code)),
    21,
  ),
);
const ink = (code: string) => desk.inks.findIndex((i) => i.code === code);

interface Change {
  readonly contrast?: number;
  readonly target?: GroupTarget;
  readonly capacity?: number;
  readonly school?: School;
  readonly owned?: (ink: number) => boolean;
}

/** Advice on a group; unless something else is wished it is what was wanted. */
function advice(
  codes: readonly string[],
  { target, contrast, capacity = 9, school = "light first", owned }: Change = {},
): readonly Advice[] {
  const chosen = { tones: codes.map((c) => ({ ink: ink(c), coats: 1 })) };
  const own = seenLab(desk, [ink(codes[codes.length >> 1]!)]);
  const look = assessGroup(desk, chosen, askedOf(desk, { local: own }, codes.length));
  const { zones, goal } = look;
  const local = zones[goal.localAt]!.lab;
  const asked = askedOf(desk, target ?? { local }, codes.length, {
    wish: target ? {} : { contrast: contrast ?? Math.max(4, zones[0]!.lab[0] - zones.at(-1)!.lab[0]) },
    capacity,
    school,
    ...(owned && { owned }),
  });
  return assessGroup(desk, chosen, asked).advice;
}
const kinds = (...args: Parameters<typeof advice>): Advice["kind"][] => advice(...args).map((a) => a.kind);
const said = (kind: Advice["kind"], ...args: Parameters<typeof advice>) =>
  adviceInWords(advice(...args).find((a) => a.kind === kind)!);

describe("advice on a group as laid", () => {
  it("is silent when every step is even", () => expect(kinds(["clay3m", "clay5m", "clay7m"])).toEqual([]));
  it("says where an edge will show, and puts an owned ink between that divides the step as laid", () => {
    const [wide] = advice(["clay1c", "clay7m"]);
    expect(wide!.kind).toBe("step too wide");
    expect(adviceInWords(wide!)).toMatch(
      /^A step of \d+ in lightness from clay1c to clay7m: an edge will show; put \w+ between: you own it\.$/,
    );
    const fix = wide!.fix as { kind: "insert"; after: number; code: string };
    expect(fix).toMatchObject({ kind: "insert", after: 0 });
    const L = seenLab(desk, [ink(fix.code)])[0];
    expect(L).toBeLessThan(seenLab(desk, [ink("clay1c")])[0]);
    expect(L).toBeGreaterThan(seenLab(desk, [ink("clay7m")])[0]);
  });
  it("does not propose what is not owned", () => {
    const [wide] = advice(["clay1c", "clay7m"], { owned: () => false });
    expect(wide!.fix).toBeUndefined();
    expect(adviceInWords(wide!)).toContain("no owned marker lies between");
  });
  it("leaves out a tone that is hardly seen", () => {
    const found = kinds(["clay3m", "clay4m", "clay7m"]).concat(kinds(["clay1c", "dusk1m", "clay7m"]));
    const narrow = advice(["clay3m", "clay5m", "clay7m"], {}).filter((a) => a.kind === "step too narrow");
    expect(narrow).toEqual([]);
    for (const kind of found) expect(typeof kind).toBe("string");
    const one: Advice = {
      kind: "step too narrow",
      pair: ["clay3m", "clay4m"],
      deltaL: 2.6,
      narrowest: 4,
      fix: { kind: "remove", tone: 1, code: "clay4m" },
    };
    expect(adviceInWords(one)).toMatch(/hardly seen \(under 4\); leave out clay4m/);
  });
  it("warns of a blend of opposites that turns muddy", () => {
    expect(said("mud", ["rust5c", "dusk5c"], { school: "dark first" })).toMatch(
      /loses \d+ of colour strength/,
    );
    expect(kinds(["clay3m", "clay5m"])).not.toContain("mud");
  });
  it("speaks of a flat group and of a local colour that is off, with the figures", () => {
    expect(said("contrast", ["clay3m", "clay5m"], { contrast: 60 })).toMatch(
      /^Contrast \d+ where \d+ is wanted/,
    );
    expect(said("local colour", ["clay3m", "clay5m", "clay7m"], { target: { local: [60, 40, 10] } })).toMatch(
      /As laid, the local colour is \d+\.\d ΔE00 off: a/,
    );
  });
  it("says which end misses what was read, and in which direction", () => {
    const target = { light: [96, 0, 0], local: [60, 12, 16], shadow: [15, 0, 0] } as const;
    expect(said("light end", ["clay5m", "clay7m"], { target })).toMatch(
      /^The light end .* too dark by \d+\.$/,
    );
    expect(said("shadow end", ["clay1c", "clay3m"], { target })).toMatch(
      /^The shadow end .* too light by \d+\.$/,
    );
  });
  it("says first what the paper cannot hold", () => {
    const [first] = advice(["clay1c", "clay3m", "clay5m", "clay7m", "clay9m"], { capacity: 3 });
    expect(first).toMatchObject({ kind: "capacity", holds: 3 });
    expect(adviceInWords(first!)).toMatch(/^5 coats lie where the paper holds 3/);
  });
});
