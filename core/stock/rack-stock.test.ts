import fc from "fast-check";
import { applyCommand } from "@/core/piece/commands";
import { newPiece } from "@/core/piece/piece";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { layDesk } from "@/core/ink/desk";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { gapsOf } from "./gaps";
import { usesByCode } from "./losses";
import { guessMapping, readRows } from "./rack-file";
import { substitutesFor } from "./substitute";
import { twinPairs, twinsOf } from "@/core/ink/twins";

describe("a rack file", () => {
  it("is mapped by its headings, in any order and spelling", () => {
    expect(guessMapping(["Ink left", "Marker", "Colour family", "Hex", "Where", "?"])).toEqual({
      state: 0,
      code: 1,
      family: 2,
      colour: 3,
      place: 4,
    });
    expect(guessMapping(["Nr.", "Name", "Own"])).toEqual({ code: 0, name: 1, owned: 2 });
    expect(guessMapping(["a", "b"])).toEqual({});
    // Where names say nothing, what is in them does.
    const rows = [
      ["1", "clay3m", "Pale clay", "yes", "#c8a27a", ""],
      ["2", "fern2c", "Fern", "no", "#4e7a52", "x"],
      ["3", "dusk 7", "Dusk", "", "", "x"],
    ];
    expect(guessMapping(["row", "was", "heißt", "da", "sieht aus", "?"], rows)).toEqual({
      colour: 4,
      code: 1,
      owned: 3,
    });
    expect(guessMapping(["code", "?"], [["a", "#112233"]])).toEqual({ code: 0, colour: 1 });
  });
  const mapping = { code: 0, owned: 1, state: 2, refills: 3, colour: 4, kind: 5 };
  const one = (...values: string[]) => readRows([values], mapping);
  it("says only what the row says", () => {
    expect(one("clay3m", "", "", "", "", "").good).toEqual([{ code: "clay3m" }]);
    expect(one(" clay3m ", "Yes", "empty", "2", "C8A27A", "pencils").good).toEqual([
      {
        code: "clay3m",
        owned: true,
        wished: false,
        state: "dry",
        refills: 2,
        colour: "#c8a27a",
        kind: "pencil",
      },
    ]);
    expect(one("clay3m", "wished").good).toEqual([{ code: "clay3m", owned: false, wished: true }]);
  });
  it.each([
    [["", "yes"], "the code is missing"],
    [["a".repeat(41)], "code has 41 characters; at most 40 can be taken"],
    [["x", "maybe"], 'owned "maybe" is none of yes, no, wished'],
    [["x", "", "wet"], 'state "wet" is none of full, fine, low, dry'],
    [["x", "", "", "-1"], 'refills "-1" is not a whole number from 0 to 999'],
    [["x", "", "", "", "red"], 'colour "red" is not like #c8a27a'],
    [["x", "", "", "", "", "spoon"], expect.stringContaining('kind "spoon" is none of marker')],
  ])("refuses %j in words", (values, reason) =>
    expect(one(...(values as string[])).bad).toEqual([{ line: 2, values, reason }]),
  );
  it("keeps good rows whatever the others are, by line, and takes a code once", () => {
    const { good, bad } = readRows([["a", "yes"], ["", "no"], [" "], ["a", "no"], ["b", "no"]], mapping);
    expect(good.map((r) => r.code)).toEqual(["a", "b"]);
    expect(bad.map((b) => [b.line, b.reason])).toEqual([
      [3, "the code is missing"],
      [5, 'the code "a" stands in line 2 already'],
    ]);
  });
  it("takes every row once, as good or as bad, whatever is in it", () =>
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { minLength: 6, maxLength: 6 })), (rows) => {
        const { good, bad } = readRows(rows, mapping);
        expect(good.length + bad.length).toBe(rows.filter((r) => r.some((v) => v.trim())).length);
      }),
    ));
});

describe("the rack's worth", () => {
  const track = (code: string, L: number, owned = true) => ({
    code,
    family: "clay",
    owned,
    lab: [L, 20, 20] as Lab,
  });
  it("has gaps where nothing owned stands, and says what closes them best", () => {
    const [gap, ...more] = gapsOf([
      track("a", 90),
      track("b", 80, false),
      track("c", 72, false),
      track("d", 58),
      track("e", 50),
    ]);
    expect(gap).toEqual({ family: "clay", pale: "a", deep: "d", width: 32, closing: "c" });
    expect(more).toEqual([]);
    expect(gapsOf([track("a", 90), track("d", 58)])[0]!.closing).toBeUndefined();
  });
  it("has every pair of twins that comparing all with all finds", () => {
    const labs = fc.array(
      fc.tuple(
        fc.double({ min: 5, max: 98, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
      ),
      { maxLength: 25 },
    );
    fc.assert(
      fc.property(labs, (all) => {
        const inks = all.map((lab, i) => ({ code: `i${i}`, lab: lab as Lab }));
        const pairs = twinPairs(inks);
        let count = 0;
        inks.forEach((a, i) => inks.slice(i + 1).forEach((b) => deltaE00(a.lab, b.lab) < 2 && count++));
        expect(pairs).toHaveLength(count);
        expect(pairs.map((p) => p.deltaE00)).toEqual(pairs.map((p) => p.deltaE00).sort((a, b) => a - b));
        if (inks[0])
          expect(twinsOf("i0", inks)).toHaveLength(pairs.filter((p) => p.codes.includes("i0")).length);
      }),
    );
  });
  it("names the groups that would miss a marker", () => {
    const piece = applyCommand(
      applyCommand(newPiece("Kite", null), { type: "add area", id: "a", name: "Skin" }),
      {
        type: "keep group",
        id: "a",
        tones: [
          { code: "clay1c", coats: 1 },
          { code: "clay4m", coats: 2 },
        ],
      },
    );
    expect(usesByCode([{ id: "p", document: piece }]).get("clay4m") ?? []).toEqual([
      { piece: "Kite", pieceId: "p", area: "Skin", areaId: "a", medium: "tone", coats: 2 },
    ]);
    expect(usesByCode([{ id: "p", document: piece }]).get("soot1c") ?? []).toEqual([]);
  });
  it("finds the nearest stand-in in some coats, and takes fewer coats when more gain little", () => {
    const desk = layDesk(...scannedDesk(14, 6));
    const own = desk.inks[3]!.coats[1]!.lab;
    const [best, second] = substitutesFor(desk, own, [...desk.inks.keys()]);
    expect(best).toMatchObject({ ink: 3, coats: 2, closeness: "same" });
    expect(best!.deltaE00).toBeLessThan(0.01);
    expect(second!.deltaE00).toBeGreaterThan(best!.deltaE00);
    expect(substitutesFor(desk, own, [0, 1, 2], 2)).toHaveLength(2);
  });
});
