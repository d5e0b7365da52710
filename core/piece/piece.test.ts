import { MEDIA } from "@/core/media/registry";
import type { ShadowKind } from "@/core/shadow/shadow";
import { applyCommand, moved, type Command } from "./commands";
import { newPiece, beneathOf, targetOf, tonesOf, type Area, type Piece, type PictureReading } from "./piece";

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
  it("take all three colours of a kept group at once, in place of those that were picked", () => {
    const readings = { light: reading(90), local: reading(70), shadow: reading(40) };
    const aimed = only(
      after(
        skin,
        { type: "place reading", id: "a", place: "local", reading: reading(55) },
        { type: "take colours", id: "a", readings },
      ),
    );
    expect(aimed.readings).toEqual(readings);
    expect(targetOf(aimed)!.local[0]).toBe(70);
  });
  it("keep tones and contrast within what can be planned", () => {
    expect(only(after(skin, { type: "set tones", id: "a", tones: 99 })).tones).toBe(6);
    expect(only(after(skin, { type: "set tones", id: "a", tones: Number.NaN })).tones).toBeNull();
    expect(only(after(skin, { type: "set tones", id: "a", tones: null })).tones).toBeNull();
    expect(only(after(skin, { type: "set contrast", id: "a", contrast: 1 })).contrast).toBe(4);
    expect(only(after(skin, { type: "set contrast", id: "a", contrast: null })).contrast).toBeNull();
  });
  it("keep, overrule and reorder a group", () => {
    const kept: Command = {
      type: "keep group",
      id: "a",
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay4m", coats: 2 },
      ],
    };
    const piece = after(
      skin,
      kept,
      { type: "overrule tone", id: "a", place: 1, tone: { code: "bark5m", coats: 1, overruled: true } },
      { type: "move tone", id: "a", from: 1, to: 0 },
    );
    expect(tonesOf(only(piece))).toEqual([
      { medium: "tone", code: "bark5m", coats: 1, overruled: true },
      { medium: "tone", code: "clay1c", coats: 1 },
    ]);
  });
  it("lock a tone and let it go, exclude an ink and allow it again", () => {
    const kept: Command = {
      type: "keep group",
      id: "a",
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay4m", coats: 2 },
      ],
    };
    const locked = after(skin, kept, { type: "lock tone", id: "a", place: 1, locked: true });
    expect(tonesOf(only(locked))[1]).toEqual({ medium: "tone", code: "clay4m", coats: 2, locked: true });
    expect(
      tonesOf(only(applyCommand(locked, { type: "lock tone", id: "a", place: 1, locked: false })))[1],
    ).toEqual({ medium: "tone", code: "clay4m", coats: 2 });
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
    const four: Command = { type: "set tones", id: "a", tones: 4 };
    expect(only(after(skin, { type: "set size", id: "a", size: 20 })).tones).toBeNull();
    expect(only(after(skin, four, { type: "set size", id: "a", size: 20 })).tones).toBe(2);
    expect(only(after(skin, four, { type: "set material", id: "a", material: "hair" })).tones).toBe(5);
    expect(
      only(after(skin, { type: "set tones", id: "a", tones: 6 }, { type: "set size", id: "a", size: 20 }))
        .tones,
    ).toBe(6);
    expect(only(after(skin, { type: "set size", id: "a", size: -3 })).size).toBe(1);
  });
  it("keep what a planned group brings: ink under its shadow end in place of what made it, and its school", () => {
    const under = (code: string): Command => ({
      type: "keep group",
      id: "a",
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay4m", coats: 1 },
      ],
      shade: [{ kind: "underlay", code, coats: 2 }],
      school: "dark second",
    });
    const area = only(after(skin, under("dusk5c"), under("plum7c")));
    expect(area.school).toBe("dark second");
    expect(area.layers.map((l) => l.medium)).toEqual(["shadow", "tone", "tone"]);
    expect(beneathOf(area)).toEqual(["plum7c", "plum7c"]);
    const again = only(
      after(skin, under("dusk5c"), {
        type: "keep group",
        id: "a",
        tones: [
          { code: "rust1c", coats: 1 },
          { code: "rust4m", coats: 1 },
        ],
      }),
    );
    expect(beneathOf(again)).toEqual(["dusk5c", "dusk5c"]);
    const deeper = { ...(under("x") as object), shade: [] } as unknown as Command;
    expect(beneathOf(only(after(skin, under("dusk5c"), deeper)))).toEqual([]);
  });
  it("keep school, drift and emphasis", () => {
    const piece = after(
      skin,
      { type: "choose school", id: "a", school: "layered" },
      { type: "set drift", id: "a", drift: { light: 1, shadow: -1 } },
      { type: "set emphasis", id: "a", emphasis: true },
    );
    expect(only(piece)).toMatchObject({ school: "layered", drift: { light: 1, shadow: -1 }, emphasis: true });
  });
  describe("on layers", () => {
    const shadow = (kind: ShadowKind, code: string): Command => ({
      type: "put layer",
      id: "a",
      layer: { medium: "shadow", kind, code, coats: 1, place: "shadow" },
    });
    const tones: Command = {
      type: "keep group",
      id: "a",
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay4m", coats: 2 },
      ],
    };
    const finish: Command = {
      type: "put layer",
      id: "a",
      layer: { medium: "finish", code: "gel white", place: "light" },
    };
    const codes = (p: Piece) => only(p).layers.map((l) => ("code" in l ? l.code : l.medium));
    const full = after(skin, finish, shadow("overlay", "grey"), shadow("underlay", "plum"), tones);

    it("lay any number in the order of laying, whatever comes first", () => {
      expect(codes(full)).toEqual(["plum", "clay1c", "clay4m", "grey", "gel white"]);
      expect(codes(applyCommand(full, shadow("cool hint", "ice")))).toEqual([
        "plum",
        "clay1c",
        "clay4m",
        "grey",
        "ice",
        "gel white",
      ]);
    });
    it("keep what lies beneath and over when the group is exchanged", () =>
      expect(
        codes(applyCommand(full, { type: "keep group", id: "a", tones: [{ code: "x", coats: 1 }] })),
      ).toEqual(["plum", "x", "grey", "gel white"]));
    it("change one in its place, and only into one of its kind", () => {
      const layer = { medium: "shadow", kind: "overlay", code: "slate", coats: 2, place: "edge" } as const;
      expect(codes(applyCommand(full, { type: "change layer", id: "a", at: 3, layer }))[3]).toBe("slate");
      for (const [at, other] of [
        [3, { ...layer, kind: "underlay" as const }],
        [1, layer],
        [9, layer],
      ] as const)
        expect(applyCommand(full, { type: "change layer", id: "a", at, layer: other })).toEqual(full);
    });
    it("take one away", () =>
      expect(codes(applyCommand(full, { type: "take layer away", id: "a", at: 0 }))).toEqual([
        "clay1c",
        "clay4m",
        "grey",
        "gel white",
      ]));
    it("take no more of a medium than an area may have", () => {
      const many = Array.from({ length: 20 }, () => shadow("overlay", "grey"));
      expect(only(after(skin, ...many)).layers).toHaveLength(MEDIA.shadow.most);
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
        { id: "b", tones: [{ code: "z", coats: 1 }] },
        { id: "gone", tones: [] },
      ],
    });
    expect(taken.areas.map((a) => tonesOf(a).length)).toEqual([0, 1]);
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
