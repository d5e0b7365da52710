import type { PlacedArea } from "@/core/picture/area-map";
import { applyCommand } from "./commands";
import { newArea, newPiece, type Piece } from "./piece";
import { backgroundArea, bareRegions, gatherable, gathered, openRegions, type Ground } from "./placing";

const region = (id: number, name?: string) => ({
  id,
  middle: [id / 20, 0.5] as const,
  mm2: 10 * id,
  width: 2,
  edge: id === 9 ? 0.9 : 0,
  ...(name && { name }),
});
const ground: Ground = {
  regions: [1, 2, 3, 4, 5, 6, 7, 8, 9].map((id) => region(id, id === 7 || id === 8 ? "Sail" : undefined)),
  areas: [
    { id: "a", regions: [1] },
    { id: "b", regions: [2, 3] },
  ] as unknown as PlacedArea[],
  free: [4, 5, 6, 7, 8, 9],
};
const place = { at: [[0.05, 0.5] as const], mm2: 10, part: 10, width: 2 };
const piece: Piece = {
  ...newPiece("Test", null),
  areas: [
    { ...newArea("a", "Area 1"), place },
    { ...newArea("b", "Hull"), place },
  ],
};
let made = 0;
const newId = () => `n${++made}`;

describe("shapes made one area", () => {
  it("may be those of none and single ones of which nothing has been said; never the bare sheet", () => {
    expect(gatherable(piece, ground)).toEqual([4, 5, 6, 7, 8, 1]);
    const said = { ...piece, areas: [{ ...piece.areas[0]!, fixed: true }, piece.areas[1]!] };
    expect(gatherable(said, ground)).not.toContain(1);
  });
  it("are taken in one step, many sets at once; areas of single shapes go into them", () => {
    const command = gathered(
      piece,
      ground,
      [
        [1, 4],
        [5, 6],
        [2, 9],
      ],
      10,
      newId,
    )!;
    expect(command.instead).toEqual(["a"]);
    expect(command.areas.map((a) => a.at.length)).toEqual([2, 2]);
    const after = applyCommand(piece, command);
    expect(after.areas.map((a) => a.name)).toEqual(["Hull", "Area 2", "Area 3"]);
    expect(after.areas[1]!.place!.mm2).toBe(50);
  });
  it("keep the name that the drawing's file gives to all of them", () => {
    const [sail] = gathered(piece, ground, [[7, 8]], 10, newId)!.areas;
    expect(sail!.name).toBe("Sail");
    expect(gathered(piece, ground, [[6, 7]], 10, newId)!.areas[0]!.name).not.toBe("Sail");
  });
  it("are no more than there is room for, and nothing where nothing may be gathered", () => {
    expect(gathered(piece, ground, [[4], [5], [6]], 2, newId)!.areas).toHaveLength(2);
    expect(gathered(piece, ground, [[2, 3], [9]], 10, newId)).toBeUndefined();
  });
});

describe("names that nobody gave", () => {
  const three: Piece = {
    ...newPiece("Test", null),
    areas: ["Area 1", "Hull", "Area 3"].map((name, i) => newArea(`a${i}`, name)),
  };
  it("follow the number by which an area is known", () => {
    const gone = applyCommand(three, { type: "delete area", id: "a0" });
    expect(gone.areas.map((a) => a.name)).toEqual(["Hull", "Area 2"]);
    const turned = applyCommand(three, { type: "move area", id: "a2", to: 0 });
    expect(turned.areas.map((a) => a.name)).toEqual(["Area 1", "Area 2", "Hull"]);
  });
  it("are given to several at once, and a material is", () => {
    const named = applyCommand(three, {
      type: "name areas",
      areas: [
        { id: "a0", name: "petal 1" },
        { id: "a2", name: "petal 2" },
      ],
    });
    expect(named.areas.map((a) => a.name)).toEqual(["petal 1", "Hull", "petal 2"]);
    const cloth = applyCommand(named, { type: "set materials", ids: ["a0", "a2"], material: "cloth" });
    expect(cloth.areas.map((a) => a.material)).toEqual(["cloth", "other", "cloth"]);
  });
});

describe("the bare sheet round a drawing", () => {
  const touching = (...edges: readonly number[]): Ground => ({
    ...ground,
    regions: ground.regions.map((r, i) => ({ ...r, edge: edges[i] ?? 0 })),
  });
  it("is both sides of a drawing that reaches from edge to edge, and no small corner", () => {
    const both = touching(0, 0, 0, 0.55, 0.4, 0.05);
    expect(bareRegions(both)).toEqual([4, 5]);
    expect(openRegions(both)).toEqual([6, 7, 8, 9]);
  });
  it("is nothing where a scene fills the picture", () => {
    const scene = touching(0, 0, 0, 0.45, 0.4, 0.15);
    expect(bareRegions(scene)).toEqual([]);
    expect(openRegions(scene)).toEqual(scene.free);
    expect(backgroundArea(scene, [], newId)).toBeUndefined();
  });
  it("is one area where somebody wants it, with a name of its own", () => {
    const both = touching(0, 0, 0, 0.55, 0.4);
    const area = backgroundArea(both, ["Hull", "Background"], newId)!;
    expect(area.name).toBe("Background 2");
    expect(area.at).toEqual([
      [0.2, 0.5],
      [0.25, 0.5],
    ]);
    expect(area.mm2).toBe(90);
  });
});
