import type { FinishLayer } from "@/core/media/layer";
import { MOST_MARKS, type Mark } from "@/core/media/mark";
import { applyCommand } from "./commands";
import { given } from "./give";
import { markedLayers, markNear, mirroredMark, movedMark, noRoom, remarked, withMarks } from "./marked";
import { newArea, newPiece } from "./piece";

const spark = (x: number, y: number, width = 1): Mark => ({ kind: "spark", points: [[x, y]], width });
const area = newArea("a", "Lamp");
const sheet = { width: 100, height: 50, reach: 1 };

describe("marks of an area", () => {
  it("go with those of the same code, else into a layer of their own", () => {
    const one = withMarks(area, "gel", [spark(0.1, 0.1)]);
    const two = withMarks(withMarks(one, "gel", [spark(0.2, 0.2)]), "liner", [spark(0.3, 0.3)]);
    expect(markedLayers(two).map(({ layer }) => [layer.code, layer.marks.length])).toEqual([
      ["gel", 2],
      ["liner", 1],
    ]);
    // What was to be set somewhere in the light is set where it is shown.
    const somewhere = { ...area, layers: [{ medium: "finish", code: "gel", place: "mids" } as const] };
    expect(withMarks(somewhere, "gel", [spark(0.5, 0.5)]).layers).toEqual([
      { medium: "finish", code: "gel", place: "mids", marks: [spark(0.5, 0.5)] },
    ]);
  });
  it("are as many as may be, and no more", () => {
    const most = withMarks(area, "gel", Array<Mark>(MOST_MARKS).fill(spark(0.5, 0.5)));
    expect(noRoom(most, "gel")).toBe("marks");
    expect(withMarks(most, "gel", [spark(0, 0)])).toBe(most);
    const layers = Array.from({ length: 8 }, (_, i): FinishLayer => ({
      medium: "finish",
      code: `f${i}`,
      place: "light",
    }));
    expect(noRoom({ ...area, layers }, "gel")).toBe("layers");
    expect(noRoom({ ...area, layers }, "f3")).toBeUndefined();
    expect(withMarks(area, "gel", [])).toBe(area);
  });
  it("go with their layer when the last is taken away, and stay when another is", () => {
    const two = withMarks(area, "gel", [spark(0.1, 0.1), spark(0.2, 0.2)]);
    expect(markedLayers(remarked(two, 0, (m) => m.slice(0, -1)))[0]!.layer.marks).toEqual([spark(0.1, 0.1)]);
    expect(remarked(two, 0, () => []).layers).toEqual([]);
    expect(remarked(area, 3, () => [])).toBe(area);
  });
  it("are set, changed and taken away by commands, several areas in one", () => {
    const piece = { ...newPiece("Lamps", null), areas: [area, newArea("b", "Glass"), newArea("c", "Wall")] };
    const set = applyCommand(piece, {
      type: "set marks",
      code: "gel",
      sets: [
        { id: "a", marks: [spark(0.1, 0.1)] },
        { id: "b", marks: [spark(0.2, 0.2)] },
      ],
    });
    expect(set.areas.map((a) => markedLayers(a).length)).toEqual([1, 1, 0]);
    const moved = applyCommand(set, { type: "change marks", id: "b", at: 0, marks: [spark(0.4, 0.4)] });
    expect(markedLayers(moved.areas[1]!)[0]!.layer.marks).toEqual([spark(0.4, 0.4)]);
    expect(applyCommand(moved, { type: "change marks", id: "b", at: 0, marks: [] }).areas[1]!.layers).toEqual(
      [],
    );
    // Another area takes what is set, and not where it is set.
    const shared = given(set, "a", ["c"], "plan");
    expect(shared.areas[2]!.layers).toEqual([{ medium: "finish", code: "gel", place: "light" }]);
  });
  it("move with all of their points, and stay on the drawing", () => {
    const line: Mark = {
      kind: "line",
      points: [
        [0.1, 0.2],
        [0.3, 0.9],
      ],
      width: 1,
    };
    expect(movedMark(line, [0.05, 0.05]).points).toEqual([
      [0.15, 0.25],
      [0.35, 0.95],
    ]);
    expect(movedMark(line, [-0.5, 0.5]).points).toEqual([
      [0, 0.3],
      [0.2, 1],
    ]);
    expect(mirroredMark(line, 0.5).points).toEqual([
      [0.9, 0.2],
      [0.7, 0.9],
    ]);
    expect(mirroredMark(spark(0.9, 0.5), 0.2).points).toEqual([[0, 0.5]]);
  });
  it("are found by pointing at them, the nearest first, along strokes as at dots", () => {
    const line: Mark = {
      kind: "line",
      points: [
        [0.2, 0.5],
        [0.8, 0.5],
      ],
      width: 1,
    };
    const own = withMarks(withMarks(area, "gel", [spark(0.1, 0.5), line]), "liner", [spark(0.5, 0.6)]);
    expect(markNear(own, [0.1, 0.5], sheet)).toEqual({ layer: 0, at: 0 });
    expect(markNear(own, [0.45, 0.51], sheet)).toEqual({ layer: 0, at: 1 });
    expect(markNear(own, [0.5, 0.6], sheet)).toEqual({ layer: 1, at: 0 });
    expect(markNear(own, [0.9, 0.9], sheet)).toBeUndefined();
    expect(markNear(area, [0.5, 0.5], sheet)).toBeUndefined();
  });
});
