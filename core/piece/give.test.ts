import { applyCommand } from "./commands";
import { asLayers, newArea, newPiece, type Area, type Piece } from "./piece";

const place = { at: [[0.1, 0.1] as const], mm2: 40, part: 40, width: 4 };
const source: Area = {
  ...newArea("a", "Petal 1"),
  place,
  material: "skin",
  tones: 3,
  contrast: 30,
  readings: {
    local: { lab: [60, 10, 20], spread: 2, at: { x: 0.1, y: 0.1, width: 0.02, height: 0.02 } },
  },
  layers: asLayers([
    { code: "sand2m", coats: 1 },
    { code: "sand4m", coats: 2, carries: true },
  ]),
  note: "mine",
};
const piece: Piece = {
  ...newPiece("Flower", null),
  areas: [
    source,
    { ...newArea("b", "Petal 2"), place, note: "own" },
    { ...newArea("c", "Paper"), white: true },
    newArea("d", "Leaf"),
  ],
};
const give = (what: "colours" | "plan", to: readonly string[]) =>
  applyCommand(piece, { type: "give", from: "a", to, what }).areas;

it("colours go on as colours that were given, and nothing else does", () => {
  const [a, b, , d] = give("colours", ["b"]);
  expect(a).toBe(source);
  expect(b).toEqual({
    ...piece.areas[1],
    readings: { local: { lab: [60, 10, 20], spread: 0, from: "like Petal 1" } },
  });
  expect(d).toBe(piece.areas[3]);
});
it("a whole plan goes on with its layers and wishes; name, place, note and what stays white stay", () => {
  const [, b, c, d] = give("plan", ["b", "c", "d", "a", "nobody"]);
  for (const area of [b!, d!]) {
    expect(area.layers).toEqual(source.layers);
    expect([area.material, area.tones, area.contrast]).toEqual(["skin", 3, 30]);
  }
  expect([b!.name, b!.note, b!.place]).toEqual(["Petal 2", "own", place]);
  expect(d!.place).toBeNull();
  expect(c).toBe(piece.areas[2]);
});
it("an area that is not there gives nothing", () => {
  expect(applyCommand(piece, { type: "give", from: "nobody", to: ["b"], what: "plan" })).toEqual(piece);
});
