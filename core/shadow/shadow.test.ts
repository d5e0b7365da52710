import { expectationInWords } from "@/words/shadow";
import fc from "fast-check";
import { chroma } from "@/core/colour/lab";
import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { checkMonochrome, reads } from "./monochrome";
import { greyBases, neutralPairs } from "./neutral";
import {
  boldnessOf,
  expectationOf,
  rankShadows,
  SHADOW_ORDER,
  SHADOW_KINDS,
  suits,
  wantedShadow,
  weighShadow,
  type ShadowWish,
} from "./shadow";

const range = demoRange().filter(
  (i) =>
    ["clay", "plum", "dusk", "corn", "tide", "sand", "fern", "ruby", "soot", "lake"].includes(i.family) &&
    i.depth % 2,
);
const desk: Desk = layDesk(...scanInks(whiteCard, range, 11));
const ink = (code: string) => desk.inks.findIndex((i) => i.code === code);
const cover = [ink("clay3m"), ink("clay5m")];
const wish: ShadowWish = {
  cover,
  shadow: wantedShadow(seenLab(desk, cover), 16),
  grey: false,
  capacity: 5,
  usable: () => true,
};

describe("a shadow", () => {
  it("that lies under fades: it is always weaker covered than bare", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: desk.inks.length - 1 }),
        fc.integer({ min: 1, max: 3 }),
        (i, coats) => {
          const s = weighShadow(desk, "underlay", i, coats, wish);
          const strength = desk.paper.lab[0] - s.bare[0];
          expect(s.deepening).toBeLessThan(strength + 0.5);
          expect(s.fadeL).toBeCloseTo(strength - s.deepening, 6);
        },
      ),
      { numRuns: 60 },
    ));
  it("grows with its coats, and counts them against the paper", () => {
    const { steps, enough } = boldnessOf(desk, { kind: "underlay", ink: ink("plum5c") }, wish, 5);
    expect(steps.map((s) => s.deepening)).toEqual([...steps.map((s) => s.deepening)].sort((a, b) => a - b));
    expect(enough).toBeDefined();
    expect(boldnessOf(desk, { kind: "underlay", ink: ink("plum5c") }, wish, 90).enough).toBeUndefined();
    expect(weighShadow(desk, "underlay", ink("plum5c"), 3, wish).coatsLeft).toBe(0);
    expect(weighShadow(desk, "underlay", ink("plum5c"), 3, { ...wish, capacity: 4 }).coatsLeft).toBe(-1);
  });
  it("of the opposite colour is muddy, unless grey was asked for", () => {
    const yellow = { ...wish, cover: [ink("corn3c")] };
    const muddy = weighShadow(desk, "underlay", ink("dusk5c"), 2, yellow);
    expect(muddy.purity).toBeLessThan(1);
    expect(weighShadow(desk, "underlay", ink("dusk5c"), 2, { ...yellow, grey: true }).muddy).toBe(false);
  });
  it("over the cover does not fade", () =>
    expect(weighShadow(desk, "overlay", ink("tide3c"), 1, wish)).toMatchObject({
      fade: 0,
      fadeL: 0,
      fadeC: 0,
    }));
  it("that is made up is deeper, and leans where it is told", () => {
    expect(wantedShadow([70, 10, 20], 16)[0]).toBe(54);
    expect(wantedShadow([70, 10, 20], 16, -1)[2]).toBeLessThan(wantedShadow([70, 10, 20], 16, 1)[2]);
  });
});

describe("ranked shadows", () => {
  const ranked = rankShadows(desk, SHADOW_KINDS, wish, 2);
  it("come best first, at most so many of a kind, each of an ink that suits it", () => {
    expect(ranked.map((s) => s.score)).toEqual([...ranked.map((s) => s.score)].sort((a, b) => a - b));
    for (const kind of SHADOW_KINDS)
      expect(ranked.filter((s) => s.kind === kind).length).toBeLessThanOrEqual(2);
    for (const s of ranked) expect(suits(s.kind, seenLab(desk, [s.ink]), seenLab(desk, cover))).toBe(true);
    expect(new Set(ranked.map((s) => s.kind)).size).toBeGreaterThanOrEqual(4);
  });
  it("leave out what may not be used, and the cover's own inks", () => {
    const usable = (i: number) => desk.inks[i]!.code.startsWith("plum");
    const some = rankShadows(desk, SHADOW_KINDS, { ...wish, usable }, 5);
    expect(some.length).toBeGreaterThan(0);
    expect(some.every((s) => usable(s.ink) && !cover.includes(s.ink))).toBe(true);
  });
  it("say what to expect with its numbers", () => {
    for (const s of ranked) {
      const says = expectationInWords(desk.inks[s.ink]!.code, s, expectationOf(desk, s, wish));
      expect(says).toContain(
        `${s.deepening.toFixed(0)} ${SHADOW_ORDER[s.kind] === "under" ? "below its neighbours" : "darker"}`,
      );
      if (SHADOW_ORDER[s.kind] === "under")
        expect(says).toMatch(
          /Looks strong now; .* fades once covered; .* \d+ below the paper now, -?\d+ below its neighbours after 2 coats of clay3m and clay5m/,
        );
    }
  });
});

describe("a whole-piece underlay", () => {
  const under = ["plum1c", "plum5c"].map(ink);
  it("is covered by deep colours and not by pale yellow, for which a deeper one is found", () => {
    const [pale, deep] = checkMonochrome(
      desk,
      under,
      [[ink("corn1c")], [ink("ruby9c"), ink("ruby9c")]],
      () => true,
    );
    for (const s of pale!.strengths) expect(s.deepening).toBeGreaterThan(0);
    expect(pale!.strengths[1]!.covers).toBe(false);
    expect(deep!.strengths.every((s) => s.covers)).toBe(true);
    expect(deep!.deeper).toBeUndefined();
    if (pale!.deeper)
      expect(seenLab(desk, [pale!.deeper.ink])[0]).toBeLessThan(seenLab(desk, [ink("corn1c")])[0]);
  });
  it("leaves a colour itself while hue and chroma hold", () => {
    expect(reads([70, 20, 20], [55, 18, 16])).toBe(true);
    expect(reads([70, 20, 20], [55, -20, 16])).toBe(false);
    expect(reads([70, 1, 2], [55, 3, 2])).toBe(true);
    expect(reads([70, 1, 2], [55, 25, 2])).toBe(false);
  });
});

describe("opposites", () => {
  const pairs = neutralPairs(desk, { usable: () => true, top: 5 });
  it("neutralise: greyer together than either alone, best first", () => {
    expect(pairs.length).toBeGreaterThan(2);
    for (const p of pairs) expect(chroma(p.lab)).toBeLessThan(0.7 * p.from);
  });
  it("hold a wanted lightness and a wanted ink", () => {
    const [near] = neutralPairs(desk, { usable: () => true, top: 1, lightness: 50 });
    expect(Math.abs(near!.lab[0] - 50)).toBeLessThan(12);
    const fern = ink("fern5c");
    for (const p of neutralPairs(desk, { usable: () => true, top: 3, with: fern }))
      expect(p.inks).toContain(fern);
  });
  it("as bases for grey stand apart in temperature, not in value", () => {
    for (const b of greyBases(desk, 65, () => true)) {
      expect(b.deltaL).toBeLessThanOrEqual(5);
      expect(b.labs[0][2]).toBeLessThan(b.labs[1][2]);
    }
  });
});
