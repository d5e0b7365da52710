import { applyCommand } from "@/core/piece/commands";
import { newPiece } from "@/core/piece/piece";
import type { Document } from "./fields";
import { readGroups } from "./group";
import { NewPaperInput, PaperFactsInput } from "./paper";
import { pieceOfSave, readPiece, SaveInput } from "./piece";
import { BadInput } from "./problem";
import { ImportRackInput, RangeInput } from "./rack";
import { readAs } from "./read-as";
import { AddReadingsInput, NewChartInput, NewScanInput } from "./swatchbook";

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
    tones: [
      { code: "clay1c", coats: 1 },
      { code: "clay4m", coats: 2, overruled: true },
    ],
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
    expect(pieceOfSave(readAs(SaveInput, { revision: 3, document: kept }))).toEqual(kept);
  });
  it("of an earlier version is brought up to the present one, its layers in order", () => {
    const { layers: _none, ...area } = kept.areas[0]!;
    const older = {
      ...kept,
      version: 2,
      areas: [
        {
          ...area,
          group: {
            tones: [
              { code: "a", coats: 1 },
              { code: "b", coats: 1 },
            ],
          },
          shadow: { kind: "underlay", code: "v", coats: 2 },
          pencil: null,
        },
      ],
    };
    expect(readPiece(older).areas[0]!.layers.map((l) => l.medium)).toEqual(["shadow", "tone", "tone"]);
  });
  it("is refused with the path of what is wrong", () => {
    expect(paths({ ...kept, name: "" })).toEqual(["name"]);
    expect(paths({ ...kept, version: 6 })).toEqual(["version"]);
    expect(
      paths({
        ...kept,
        areas: [
          { ...kept.areas[0], material: "spoon", school: "school", size: -1, drift: { light: 2, shadow: 0 } },
        ],
      }),
    ).toEqual(["areas[0].material", "areas[0].school", "areas[0].size", "areas[0].drift.light"]);
    const layers = (...own: object[]) => paths({ ...kept, areas: [{ ...kept.areas[0], layers: own }] });
    expect(layers({ medium: "shadow", kind: "underlay", code: "", coats: 9, place: "nose" })).toEqual([
      "areas[0].layers[0].code",
      "areas[0].layers[0].coats",
      "areas[0].layers[0].place",
    ]);
    expect(layers({ medium: "pencil", base: null, steps: [], place: "all" })).toEqual([
      "areas[0].layers[0].steps",
    ]);
    expect(layers({ medium: "spoon" }, { medium: "__proto__" })).toEqual([
      "areas[0].layers[0].medium",
      "areas[0].layers[1].medium",
    ]);
    expect(layers({ medium: "tone", code: "a", coats: 1, kind: "underlay" })).toEqual([
      "areas[0].layers[0].kind",
    ]);
    expect(
      paths({ ...kept, whole: { ...kept.whole, scene: "hot", neighbours: [["a"]], underlay: [1] } }),
    ).toEqual(["whole.scene", "whole.neighbours", "whole.underlay"]);
    expect(paths({ ...kept, extra: 1 })).toEqual(["extra"]);
    expect(paths({ ...kept, paperId: "x" })).toEqual(["paperId"]);
    expect(paths({ ...kept, areas: [{ ...kept.areas[0], tones: 9 }] })).toEqual(["areas[0].tones"]);
    expect(layers({ medium: "tone", code: "a", coats: 1 })).toEqual(["areas[0].layers"]);
    const gel = { medium: "finish", code: "gel", place: "light" };
    expect(layers(...Array.from({ length: 9 }, () => gel))).toEqual(["areas[0].layers"]);
    expect(paths({ ...kept, areas: [kept.areas[0], kept.areas[0]] })).toEqual(["areas[1].id"]);
    expect(() => readAs(SaveInput, { revision: 0, document: kept })).toThrow(/revision/);
    expect(() => pieceOfSave(readAs(SaveInput, { revision: 1, document: { ...kept, name: "" } }))).toThrow(
      /^document\.name: /,
    );
    expect(paths(null)).toEqual([""]);
  });
});

describe("what comes in for rack and swatchbook", () => {
  const paths = (type: Document<object>, value: unknown) => {
    try {
      readAs(type, value);
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
    const corners = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ];
    const cell = {
      line: 0,
      place: 0,
      stack: ["a"],
      lab: [50, 0, 0],
      spread: 0,
      streakiness: 0,
      confidence: 1,
      doubts: [{ kind: "uneven", figure: 2 }],
      corners,
    };
    const result = {
      serial: 1,
      page: 0,
      pages: 1,
      width: 10,
      height: 10,
      cells: [cell],
      references: 0,
      marks: corners,
      pixelsPerMm: 4,
      lightResidual: 0,
    };
    const scan = (page: object | null) => paths(NewScanInput, { chartId: id, pictureId: id, result: page });
    expect(scan(result)).toEqual([]);
    expect(scan(null)).toEqual(["result"]);
    expect(scan({ ...result, marks: [] })).toEqual(["result.marks"]);
    expect(scan({ ...result, width: 1e9 })).toEqual(["result.width"]);
    expect(scan({ ...result, cells: [{ ...cell, lab: [50, 0] }] })).toEqual(["result.cells[0].lab"]);
    const labs = Array.from({ length: 12 }, () => [50, 0, 0]);
    const meets = { how: "lifted", over: [] };
    const long = (change: object) => scan({ ...result, cells: [{ ...cell, ...change }] });
    expect(long({ meets, profile: { step: 0.5, labs } })).toEqual([]);
    expect(long({ meets: { how: "wet", over: null } })).toEqual([
      "result.cells[0].meets.how",
      "result.cells[0].meets.over",
    ]);
    expect(long({ meets, profile: { step: 1e308, labs: labs.slice(6) } })).toEqual([
      "result.cells[0].profile.step",
      "result.cells[0].profile.labs",
    ]);
    expect(long({ profile: [] })).toEqual(["result.cells[0].profile"]);
    expect(long({ profile: { step: 0.5, labs: Array.from({ length: 100_000 }, () => [50, 0, 0]) } })).toEqual(
      ["result.cells[0].profile.labs"],
    );
    expect(scan({ ...result, cells: [{ ...cell, doubts: [{ kind: 1 }] }] })).toEqual([
      "result.cells[0].doubts[0].kind",
      "result.cells[0].doubts[0].figure",
    ]);
  });
});

it("the cells of a chart's line fit on it: a long one takes two places", () => {
  const chart = (cells: unknown) => ({
    paperId: "1b671a64-40d5-491e-99b0-da01ff1f3341",
    title: "Blends",
    sheet: "A4",
    lines: [{ label: "a", cells }],
  });
  const refused = (cells: unknown) => {
    try {
      readAs(NewChartInput, chart(cells));
    } catch (e) {
      return (e as BadInput).problems;
    }
    return [];
  };
  const short = { stack: ["a"] };
  const long = { stack: ["a"], meets: { how: "dark over dry light", over: ["b"] } };
  expect(refused([long, long])).toEqual([]);
  expect(refused([short, short, long])).toEqual([]);
  expect(refused([short, long, long])).toEqual([
    { path: "lines[0].cells", expected: expect.stringContaining("a long one takes two") },
  ]);
  expect(refused([long, null]).map((p) => p.path)).toContain("lines[0].cells[1]");
  expect(refused([]).map((p) => p.path)).toEqual(["lines[0].cells"]);
});

it("a new paper must say its name, colour and coats; a changed one need not", () => {
  const said = (value: object) => {
    try {
      readAs(NewPaperInput, value);
    } catch (e) {
      return (e as BadInput).problems.map((p) => p.path).sort();
    }
    return [];
  };
  expect(said({})).toEqual(["capacity", "color", "name"]);
  expect(said({ name: "Card", color: "#ffffff" })).toEqual(["capacity"]);
  expect(readAs(PaperFactsInput, {})).toEqual({});
});
