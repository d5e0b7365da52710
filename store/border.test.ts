import sharp from "sharp";
import { BadInput } from "@/compute/problem";
import { applyCommand } from "@/core/piece/commands";
import { newPiece } from "@/core/piece/piece";
import { decodePicture, MOST_BYTES, PictureRefused } from "./decode-picture";
import { readPiece, readSave } from "./piece-input";
import { readGroups } from "./groups-input";
import { isReadPage } from "./read-page-input";
import { ImportRackInput, RangeInput } from "./rack-input";
import { AddReadingsInput, NewPaperInput } from "./swatchbook-input";
import { validate } from "@/compute/validate";

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#c8a27a" } });
const refusal = (name: string, bytes: Buffer) =>
  decodePicture(name, bytes).then(
    () => "",
    (e: unknown) => (e instanceof PictureRefused ? e.message : `not a refusal: ${String(e)}`),
  );

describe("a picture that comes in", () => {
  it("keeps its colours exactly when it is PNG", async () => {
    const picture = await decodePicture("a.png", await plain(60, 40).png().toBuffer());
    const { data } = await sharp(picture.working).raw().toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([0xc8, 0xa2, 0x7a]);
    expect(picture).toMatchObject({
      type: "image/png",
      width: 60,
      height: 40,
      workingWidth: 60,
      workingHeight: 40,
    });
  });
  it("is turned upright by its EXIF, and made smaller for work", async () => {
    const turned = await decodePicture(
      "a.jpg",
      await plain(3000, 1500).jpeg().withMetadata({ orientation: 6 }).toBuffer(),
    );
    expect(turned).toMatchObject({
      width: 1500,
      height: 3000,
      workingWidth: 1200,
      workingHeight: 2400,
      workingType: "image/jpeg",
    });
  });
  it("may be WebP", async () =>
    expect((await decodePicture("a.webp", await plain(20, 20).webp().toBuffer())).type).toBe("image/webp"));
  it("is refused in words when it is no picture, broken, empty, too long or too large", async () => {
    expect(await refusal("a.png", Buffer.from("<html>not a picture</html>"))).toMatch(
      /not a PNG, JPEG or WebP/,
    );
    expect(
      await refusal("a.png", Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
    ).toMatch(/not a PNG, JPEG or WebP/);
    const whole = await plain(300, 300).png({ compressionLevel: 0 }).toBuffer();
    expect(await refusal("b.png", whole.subarray(0, whole.length / 2))).toMatch(/damaged/);
    expect(await refusal("c.png", Buffer.alloc(0))).toMatch(/empty/);
    expect(await refusal("d.png", Buffer.alloc(MOST_BYTES + 1))).toMatch(/at most 30 MB/);
    expect(await refusal("e.png", await plain(9000, 7000).png().toBuffer())).toMatch(
      /63 megapixels; at most 60/,
    );
  });
});

describe("a piece that comes in", () => {
  const piece = applyCommand(
    applyCommand(newPiece("Test", null), { type: "add area", id: "a", name: "Skin" }),
    {
      type: "place reading",
      id: "a",
      place: "local",
      reading: { lab: [60, 10, 20], spread: 0.5, at: { x: 0.1, y: 0.2, width: 0, height: 0 } },
    },
  );
  const kept = applyCommand(piece, {
    type: "keep group",
    id: "a",
    group: {
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay4m", coats: 2, overruled: true },
      ],
    },
  });
  const paths = (value: unknown) => {
    try {
      readPiece(value);
    } catch (e) {
      if (e instanceof BadInput) return e.problems.map((p) => p.path);
      throw e;
    }
    return [];
  };

  it("comes through unchanged", () => {
    expect(readPiece(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
    expect(readSave({ revision: 3, document: kept })).toEqual({ revision: 3, document: kept });
  });
  it("is refused with the path of what is wrong", () => {
    expect(paths({ ...kept, name: "" })).toEqual(["name"]);
    expect(paths({ ...kept, version: 3 })).toEqual(["version"]);
    expect(
      paths({
        ...kept,
        areas: [
          { ...kept.areas[0], material: "spoon", school: "school", size: -1, drift: { light: 2, shadow: 0 } },
        ],
      }),
    ).toEqual(["areas[0].material", "areas[0].school", "areas[0].size", "areas[0].drift.light"]);
    expect(
      paths({
        ...kept,
        areas: [
          {
            ...kept.areas[0],
            shadow: { kind: "underlay", code: "", coats: 9 },
            pencil: { base: null, steps: [] },
          },
        ],
      }),
    ).toEqual(["areas[0].shadow.code", "areas[0].shadow.coats", "areas[0].pencil.steps"]);
    expect(
      paths({ ...kept, whole: { ...kept.whole, scene: "hot", neighbours: [["a"]], underlay: [1] } }),
    ).toEqual(["whole.scene", "whole.neighbours", "whole.underlay"]);
    expect(paths({ ...kept, extra: 1 })).toEqual(["extra"]);
    expect(paths({ ...kept, paperId: "x" })).toEqual(["paperId"]);
    expect(paths({ ...kept, areas: [{ ...kept.areas[0], tones: 9 }] })).toEqual(["areas[0].tones"]);
    expect(
      paths({ ...kept, areas: [{ ...kept.areas[0], group: { tones: [{ code: "a", coats: 1 }] } }] }),
    ).toEqual(["areas[0].group.tones"]);
    expect(paths({ ...kept, areas: [kept.areas[0], kept.areas[0]] })).toEqual(["areas[1].id"]);
    expect(() => readSave({ revision: 0, document: kept })).toThrow(/revision/);
    expect(paths(null)).toEqual([""]);
  });
});

describe("what comes in for rack and swatchbook", () => {
  const paths = (type: Parameters<typeof validate>[0], value: unknown) => {
    try {
      validate(type, value);
    } catch (e) {
      if (e instanceof BadInput) return e.problems.map((p) => p.path);
      throw e;
    }
    return [];
  };
  const id = "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10";
  it("is refused with the path of what is wrong", () => {
    const row = { code: "clay3m", family: "clay", owned: true, state: "low", colour: "#c8a27a" };
    expect(paths(ImportRackInput, { rangeId: id, rows: [row] })).toEqual([]);
    expect(
      paths(ImportRackInput, {
        rangeId: "x",
        rows: [row, { ...row, state: "wet" }, { family: "clay" }, { ...row, spoon: 1 }],
      }),
    ).toEqual(["rangeId", "rows[1].state", "rows[2].code", "rows[3].spoon"]);
    expect(paths(RangeInput, { name: "A range", families: [], key: null, homes: { clay: 40 } })).toEqual([]);
    expect(paths(RangeInput, { name: "", families: "clay", key: {}, homes: { clay: -1 } })).toEqual([
      "name",
      "families",
      "key",
      "homes",
    ]);
    expect(
      paths(NewPaperInput, { name: "Card", color: { lab: [95, 0, 2] }, capacity: 4, weight: null }),
    ).toEqual([]);
    expect(paths(NewPaperInput, { name: "Card", color: "white", capacity: 0, grain: 3 })).toEqual(
      expect.arrayContaining(["color", "capacity", "grain"]),
    );
    expect(
      paths(AddReadingsInput, {
        readings: [{ stack: ["a"], color: "#fff", source: "guess", backing: "glass" }],
      }),
    ).toEqual(["readings[0].color", "readings[0].source", "readings[0].backing"]);
  });
  it("are groups of a file, each of its own name", () => {
    const group = {
      name: "Skin",
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay5m", coats: 2 },
      ],
    };
    expect(readGroups(group)).toEqual([
      { ...group, tags: [], material: "other", school: null, underlay: null, results: [], notes: "" },
    ]);
    expect(
      readGroups({
        format: "blendt-groups",
        version: 1,
        groups: [group, { ...group, name: "Hair", material: "hair", school: "dark first" }],
      }),
    ).toHaveLength(2);
    const refused = (value: unknown) => {
      try {
        readGroups(value);
      } catch (e) {
        return (e as BadInput).problems.map((p) => p.path);
      }
      return [];
    };
    expect(refused({ format: "blendt-groups", version: 1, groups: [group, group] })).toEqual([
      "groups[1].name",
    ]);
    expect(
      refused({ format: "other", version: 2, groups: [{ ...group, tones: [], school: "spoon" }] }),
    ).toEqual(expect.arrayContaining(["format", "version", "groups[0].tones", "groups[0].school"]));
    expect(refused({ name: "", tones: group.tones })).toEqual(["name"]);
  });
  it("is a page only with every cell whole", () => {
    const cell = {
      line: 0,
      place: 0,
      stack: ["a"],
      lab: [50, 0, 0],
      spread: 0,
      streakiness: 0,
      confidence: 1,
      doubts: [],
      corners: [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ],
    };
    const page = {
      serial: 1,
      page: 0,
      pages: 1,
      width: 10,
      height: 10,
      cells: [cell],
      references: 0,
      marks: cell.corners,
      pixelsPerMm: 4,
      lightResidual: 0,
    };
    expect(isReadPage(page)).toBe(true);
    for (const broken of [
      null,
      { ...page, marks: [] },
      { ...page, cells: [{ ...cell, lab: [50, 0] }] },
      { ...page, cells: [{ ...cell, doubts: [{ kind: 1 }] }] },
      { ...page, width: NaN },
    ])
      expect(isReadPage(broken)).toBe(false);
  });
});
