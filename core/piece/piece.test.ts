import { applyCommand, moved, type Command } from "./commands";
import { newPiece, targetOf, type Area, type Piece, type PictureReading } from "./piece";

const reading = (L: number): PictureReading => ({
  lab: [L, 5, 10],
  spread: 0.4,
  at: { x: 0.1, y: 0.1, width: 0, height: 0 },
});
const after = (...commands: Command[]): Piece => commands.reduce(applyCommand, newPiece("Test", null));
const skin: Command = { type: "add area", id: "a", name: "Skin" };
const only = (p: Piece): Area => p.areas[0]!;

describe("commands on a piece", () => {
  it("leave the piece before them untouched", () => {
    const before = Object.freeze(newPiece("Test", null));
    expect(applyCommand(before, skin).areas).toHaveLength(1);
    expect(before.areas).toHaveLength(0);
  });
  it("name, move and delete areas", () => {
    const piece = after(
      skin,
      { type: "add area", id: "b", name: "Hair" },
      { type: "add area", id: "c", name: "Sea" },
      { type: "move area", id: "c", to: 0 },
      { type: "rename area", id: "b", name: "Braid" },
      { type: "delete area", id: "a" },
    );
    expect(piece.areas.map((a) => a.name)).toEqual(["Sea", "Braid"]);
  });
  it("keep tones and contrast within what can be planned", () => {
    expect(only(after(skin, { type: "set tones", id: "a", tones: 99 })).tones).toBe(6);
    expect(only(after(skin, { type: "set tones", id: "a", tones: Number.NaN })).tones).toBe(4);
    expect(only(after(skin, { type: "set contrast", id: "a", contrast: 1 })).contrast).toBe(4);
    expect(only(after(skin, { type: "set contrast", id: "a", contrast: null })).contrast).toBeNull();
  });
  it("keep, overrule and reorder a group", () => {
    const kept: Command = {
      type: "keep group",
      id: "a",
      group: {
        tones: [
          { code: "clay1c", coats: 1 },
          { code: "clay4m", coats: 2 },
        ],
      },
    };
    const piece = after(
      skin,
      kept,
      { type: "overrule tone", id: "a", place: 1, tone: { code: "bark5m", coats: 1, overruled: true } },
      { type: "move tone", id: "a", from: 1, to: 0 },
    );
    expect(only(piece).group!.tones).toEqual([
      { code: "bark5m", coats: 1, overruled: true },
      { code: "clay1c", coats: 1 },
    ]);
  });
  it("lock a tone and let it go, exclude an ink and allow it again", () => {
    const kept: Command = {
      type: "keep group",
      id: "a",
      group: {
        tones: [
          { code: "clay1c", coats: 1 },
          { code: "clay4m", coats: 2 },
        ],
      },
    };
    const locked = after(skin, kept, { type: "lock tone", id: "a", place: 1, locked: true });
    expect(only(locked).group!.tones[1]).toEqual({ code: "clay4m", coats: 2, locked: true });
    expect(
      only(applyCommand(locked, { type: "lock tone", id: "a", place: 1, locked: false })).group!.tones[1],
    ).toEqual({ code: "clay4m", coats: 2 });
    const without = after(
      skin,
      { type: "exclude ink", id: "a", code: "x", excluded: true },
      { type: "exclude ink", id: "a", code: "x", excluded: true },
    );
    expect(only(without).excluded).toEqual(["x"]);
    expect(
      only(applyCommand(without, { type: "exclude ink", id: "a", code: "x", excluded: false })).excluded,
    ).toEqual([]);
  });
  it("let the number of tones follow material and size, until it is set by hand", () => {
    expect(only(after(skin, { type: "set size", id: "a", size: 20 })).tones).toBe(2);
    expect(only(after(skin, { type: "set material", id: "a", material: "hair" })).tones).toBe(5);
    expect(
      only(after(skin, { type: "set tones", id: "a", tones: 6 }, { type: "set size", id: "a", size: 20 }))
        .tones,
    ).toBe(6);
    expect(only(after(skin, { type: "set size", id: "a", size: -3 })).size).toBe(1);
  });
  it("keep school, drift, emphasis, shadow and pencil", () => {
    const pencil = { base: null, steps: [] };
    const piece = after(
      skin,
      { type: "choose school", id: "a", school: "layered" },
      { type: "set drift", id: "a", drift: { light: 1, shadow: -1 } },
      { type: "set emphasis", id: "a", emphasis: true },
      { type: "keep shadow", id: "a", shadow: { kind: "underlay", code: "plum3c", coats: 2 } },
      { type: "keep pencil", id: "a", pencil },
    );
    expect(only(piece)).toMatchObject({
      school: "layered",
      drift: { light: 1, shadow: -1 },
      emphasis: true,
      shadow: { code: "plum3c" },
      pencil,
    });
  });
  it("take groups of several areas at once, and wishes of the whole; a deleted area touches nothing", () => {
    const two = after(
      skin,
      { type: "add area", id: "b", name: "Hat" },
      { type: "wish of the whole", set: { neighbours: [["a", "b"]], apart: 5 } },
    );
    expect(two.whole).toMatchObject({ apart: 5, scene: "neutral" });
    const taken = applyCommand(two, {
      type: "accept groups",
      groups: [
        { id: "b", group: { tones: [{ code: "z", coats: 1 }] } },
        { id: "gone", group: { tones: [] } },
      ],
    });
    expect(taken.areas.map((a) => a.group?.tones.length)).toEqual([undefined, 1]);
    expect(applyCommand(taken, { type: "delete area", id: "b" }).whole.neighbours).toEqual([]);
  });
  it("on an area that is gone change nothing", () => {
    const piece = after(skin);
    expect(applyCommand(piece, { type: "set tones", id: "gone", tones: 3 })).toEqual(piece);
    expect(applyCommand(piece, { type: "move area", id: "gone", to: 0 })).toEqual(piece);
  });
  it("place and clear readings, write notes, choose paper and picture", () => {
    const piece = after(
      skin,
      { type: "place reading", id: "a", place: "light", reading: reading(80) },
      { type: "write note", id: "a", note: "dry first" },
      { type: "choose paper", paperId: "p" },
      { type: "choose picture", pictureId: "q" },
      { type: "rename piece", name: "New" },
    );
    expect(only(piece).readings.light!.lab[0]).toBe(80);
    expect(piece).toMatchObject({ name: "New", paperId: "p", pictureId: "q" });
    expect(only(applyCommand(piece, { type: "clear reading", id: "a", place: "light" })).readings).toEqual(
      {},
    );
  });
  it("move within the list only", () => {
    expect(moved([1, 2, 3], 0, 2)).toEqual([2, 3, 1]);
    expect(moved([1, 2, 3], 0, 3)).toEqual([1, 2, 3]);
    expect(moved([1, 2, 3], -1, 1)).toEqual([1, 2, 3]);
  });
});

describe("what is planned for an area", () => {
  const with_ = (readings: Area["readings"]): Area => ({ ...only(after(skin)), readings });
  it("is nothing until something was picked", () => expect(targetOf(with_({}))).toBeUndefined());
  it("takes one reading for the local colour", () =>
    expect(targetOf(with_({ light: reading(80) }))).toEqual({ local: [80, 5, 10] }));
  it("takes light and shadow for what lies between", () =>
    expect(targetOf(with_({ light: reading(80), shadow: reading(40) }))!.local[0]).toBe(60));
  it("takes all three", () =>
    expect(targetOf(with_({ light: reading(80), local: reading(65), shadow: reading(40) }))).toEqual({
      light: [80, 5, 10],
      local: [65, 5, 10],
      shadow: [40, 5, 10],
    }));
});
