import { applyCommand } from "./commands";
import {
  areasFor,
  joined,
  measured,
  openRegions,
  placedByReadings,
  swapped,
  withPart,
  type Ground,
} from "./placing";
import { neighboursOf, newArea, newPiece, partOf, sizeOf, type Area, type Piece } from "./piece";
import { cornerAspect, DEFAULT_SET_UP, drawingWidth, onSheet, placeOf, type AreaPlace } from "./set-up";
import type { SetUpCommand } from "./set-up-commands";
import { upgradePiece } from "./upgrade";

const place = (...at: AreaPlace["at"]): AreaPlace => ({ at, mm2: 10, part: 10, width: 2 });
const area = (id: string, at: AreaPlace | null, more: Partial<Area> = {}): Area => ({
  ...newArea(id, id),
  place: at,
  ...more,
});
const pieceOf = (...areas: Area[]): Piece => ({ ...newPiece("Kite", null), areas });
const run = (piece: Piece, command: SetUpCommand | undefined): Piece => applyCommand(piece, command!);

const line = { pictureId: "p", kind: "drawn", proof: null, corners: null, width: null } as const;

/** Four regions in a row; the last is the sheet round them. */
const ground: Ground = {
  regions: [1, 2, 3, 4].map((id) => ({
    id,
    middle: [id / 10, 0.5],
    mm2: 10 * id,
    width: id,
    edge: id === 4 ? 0.9 : 0,
    ...(id < 3 && { name: "Petal" }),
  })),
  free: [3, 4],
  areas: [
    {
      id: "a",
      regions: [1],
      points: [1],
      mm2: 10,
      part: 10,
      width: 1,
      middle: [0.1, 0.5],
      box: [0, 0, 1, 1],
    },
    {
      id: "b",
      regions: [2],
      points: [2],
      mm2: 20,
      part: 20,
      width: 2,
      middle: [0.2, 0.5],
      box: [0, 0, 1, 1],
    },
  ],
};
const piece = pieceOf(area("a", place([0.1, 0.5])), area("b", place([0.2, 0.5])));

describe("areas from regions", () => {
  it("are named by the drawing's file, what it calls one thing is one, and no name is used twice", () => {
    let n = 0;
    const found = areasFor(ground, [1, 2, 3], ["Petal", "Area 2"], 9, () => `id${++n}`);
    expect(found.map(({ name, at }) => [name, at.length])).toEqual([
      ["Petal 2", 2],
      ["Area 3", 1],
    ]);
    expect(found[0]).toMatchObject({ mm2: 30, part: 20, width: 2 });
  });
  it("are the largest ones when there is not room for all", () => {
    expect(areasFor(ground, [1, 3, 4], [], 1, () => "x").map((a) => a.mm2)).toEqual([40]);
    expect(areasFor(ground, [1], [], 0, () => "x")).toEqual([]);
  });
  it("leave the bare sheet round the drawing out", () => expect(openRegions(ground)).toEqual([3]));
});

describe("mending areas", () => {
  it("joined, the first keeps its plan and has the regions of all", () => {
    const after = run(piece, joined(piece, ground, ["a", "b"], [3]));
    expect(after.areas.map((a) => a.id)).toEqual(["a"]);
    expect(after.areas[0]!.place!.at).toEqual([
      [0.1, 0.5],
      [0.2, 0.5],
      [0.3, 0.5],
    ]);
    expect(joined(piece, ground, ["a"], [])).toBeUndefined();
  });
  it("a region is given from one to another, and taken out again", () => {
    const given = run(piece, withPart(piece, ground, "a", 2));
    expect(given.areas[0]!.place!.at).toEqual([
      [0.1, 0.5],
      [0.2, 0.5],
    ]);
    expect(given.areas[1]!.place).toBeNull();
    expect(run(piece, withPart(piece, ground, "a", 1)).areas[0]!.place).toBeNull();
    expect(run(piece, withPart(piece, ground, "b", 3)).areas[1]!.place!.at).toEqual([
      [0.2, 0.5],
      [0.3, 0.5],
    ]);
  });
  it("locked areas give and take nothing", () => {
    const locked = run(piece, { type: "mark areas", ids: ["b"], set: { fixed: true } });
    expect(withPart(locked, ground, "a", 2)).toBeUndefined();
    expect(withPart(locked, ground, "b", 3)).toBeUndefined();
    expect(joined(locked, ground, ["a", "b"], [])).toBeUndefined();
    expect(swapped(locked, "a", "b")).toBeUndefined();
  });
  it("one that lost its place takes its successor's, and keeps its plan", () => {
    const lost = pieceOf(area("a", place([0.9, 0.9]), { note: "planned" }), area("b", place([0.2, 0.5])));
    const after = run(lost, swapped(lost, "a", "b"));
    expect(after.areas[0]).toMatchObject({ note: "planned", place: { at: [[0.2, 0.5]] } });
    expect(after.areas[1]!.place).toBeNull();
  });
  it("areas made by hand find their places by the colours that were picked for them", () => {
    const at = { x: 0.4, y: 0.2, width: 0.02, height: 0.02 };
    const picked = pieceOf(
      area("a", null, { readings: { local: { lab: [50, 0, 0], spread: 0, at } } }),
      area("b", null),
      area("c", place([0.1, 0.1]), { readings: { local: { lab: [50, 0, 0], spread: 0, at } } }),
    );
    expect(placedByReadings(picked, (x, y) => [x / 2, y])).toEqual([{ id: "a", at: [[0.205, 0.21]] }]);
  });
});

describe("what is measured", () => {
  const touches = [{ a: "a", b: "b", mm: 12.34 }];
  it("is kept in round figures, and nothing changes when it is the same", () => {
    const command = measured(piece, { ...ground, touches });
    const after = run(piece, command);
    expect(after.setUp.touches).toEqual([["a", "b", 12.3]]);
    expect(sizeOf(after.areas[1]!)).toBe(20);
    expect(measured(after, { ...ground, touches })).toBeUndefined();
    expect(neighboursOf(after)).toEqual([["a", "b"]]);
  });
  it("is overruled by what somebody says", () => {
    const said = applyCommand(piece, { type: "set size", id: "a", size: 500 });
    expect(sizeOf(said.areas[0]!)).toBe(500);
    expect(partOf(said.areas[0]!)).toBe(500);
    const after = run(
      { ...piece, whole: { ...piece.whole, neighbours: [] } },
      measured(piece, { ...ground, touches }),
    );
    expect(neighboursOf(after)).toEqual([]);
  });
});

describe("commands of set-up", () => {
  it("change the line, the sheet and the search", () => {
    let p = run(piece, { type: "choose line", line });
    p = run(p, { type: "change line", set: { width: 120, proof: false } });
    p = run(p, { type: "change sheet", set: { width: 100 } });
    p = run(p, { type: "change search", set: { gap: 2 } });
    expect(p.setUp).toMatchObject({
      line: { width: 120, proof: false },
      sheet: { width: 100 },
      gap: 2,
      speck: 1,
    });
    expect(run(p, { type: "choose line", line: null }).setUp.line).toBeNull();
    // A sheet turned on its side comes with the line, in one step.
    const turned = run(piece, { type: "choose line", line, sheet: { width: 297, height: 210 } });
    expect(turned.setUp).toMatchObject({ line, sheet: { width: 297, height: 210, cut: "sheet" } });
    expect(run(piece, { type: "change line", set: { width: 9 } }).setUp.line).toBeNull();
  });
  it("cuts are added and taken away", () => {
    const cut = {
      points: [
        [0, 0],
        [1, 1],
      ] as const,
      closed: false,
      curved: false,
    };
    const p = run(run(piece, { type: "add cut", cut }), { type: "add cut", cut: { ...cut, closed: true } });
    expect(run(p, { type: "take cut away", at: 0 }).setUp.cuts).toEqual([{ ...cut, closed: true }]);
  });
  it("several areas are deleted in one step", () =>
    expect(run(piece, { type: "place areas", places: [], without: ["a", "b"] }).areas).toEqual([]));
  it("an area that is deleted is gone from every list", () => {
    const p: Piece = {
      ...piece,
      whole: { ...piece.whole, neighbours: [["a", "b"]] },
      setUp: { ...piece.setUp, order: ["b", "a"], touches: [["a", "b", 3]] },
    };
    const after = applyCommand(p, { type: "delete area", id: "b" });
    expect(after.whole.neighbours).toEqual([]);
    expect(after.setUp).toMatchObject({ order: ["a"], touches: [] });
  });
  it("references are several; one is at hand, and another follows when it is taken away", () => {
    let p = run(piece, { type: "add reference", pictureId: "x" });
    p = run(p, { type: "add reference", pictureId: "y" });
    p = run(p, { type: "change reference", pictureId: "y", set: { gains: [1, 2, 1] } });
    expect(p.pictureId).toBe("y");
    p = applyCommand(p, { type: "choose picture", pictureId: "x" });
    expect(p.references).toHaveLength(2);
    expect(run(p, { type: "take reference away", pictureId: "x" }).pictureId).toBe("y");
  });
  it("readings are proposed for several areas at once", () => {
    const readings = { local: { lab: [60, 1, 2] as const, spread: 1 } };
    const p = run(piece, { type: "propose readings", areas: [{ id: "b", readings }] });
    expect(p.areas[1]!.readings).toEqual(readings);
    expect(p.areas[0]!.readings).toEqual({});
  });
});

describe("how large a drawing is", () => {
  it("begins on the sheet that is used here", () => {
    expect(onSheet("A4")).toEqual(DEFAULT_SET_UP);
    expect(onSheet("Letter").sheet).toEqual({ ...DEFAULT_SET_UP.sheet, width: 215.9, height: 279.4 });
  });
  it("is what somebody says, else what its sheet says, else as large as fits", () => {
    const sheet = { ...DEFAULT_SET_UP.sheet, width: 200, height: 100 };
    expect(drawingWidth({ line: { ...line, width: 77 }, sheet }, 1)).toBe(77);
    expect(
      drawingWidth(
        {
          line: {
            ...line,
            corners: [
              [0, 0],
              [1, 0],
              [1, 1],
              [0, 1],
            ],
          },
          sheet,
        },
        1,
      ),
    ).toBe(200);
    expect(drawingWidth({ line, sheet }, 1)).toBe(80);
    expect(placeOf(sheet, 80, 80)).toEqual([60, 10]);
    expect(placeOf({ ...sheet, at: [3, 4] }, 80, 80)).toEqual([3, 4]);
  });
  it("a seen shape near the sheet's is the sheet's", () => {
    expect(cornerAspect(1.4, { ...DEFAULT_SET_UP.sheet, width: 297, height: 210 })).toBeCloseTo(1.414, 3);
    expect(cornerAspect(1.2, { ...DEFAULT_SET_UP.sheet, width: 297, height: 210 })).toBeNull();
  });
});

it("a piece of 400 areas with many parts stays under 200 kB", () => {
  const areas = Array.from({ length: 400 }, (_, i) =>
    area(crypto.randomUUID(), place([0.1234, 0.5678]), { name: `Area ${i}` }),
  );
  const touches = areas.slice(1).map((a, i) => [areas[i]!.id, a.id, 12.3] as const);
  const document = { ...pieceOf(...areas), setUp: { ...DEFAULT_SET_UP, touches } };
  expect(JSON.stringify(document).length).toBeLessThan(200_000);
});

it("documents of the third version know no drawing, and say what touches where they said it", () => {
  const { place: _p, white: _w, past: _a, fixed: _f, joints: _j, ...old } = newArea("a", "A");
  const { references: _r, setUp: _s, ...rest } = newPiece("Old", null);
  const third = {
    ...rest,
    version: 3,
    pictureId: "x",
    areas: [old],
    whole: { ...rest.whole, neighbours: [] },
  };
  const now = upgradePiece(third) as Piece;
  expect(now.references).toEqual([{ pictureId: "x", pairs: [], gains: [1, 1, 1] }]);
  expect(now.setUp).toEqual(DEFAULT_SET_UP);
  expect(now.areas[0]).toEqual(newArea("a", "A"));
  expect(now.whole.neighbours).toBeNull();
});
