import { applyCommand } from "@/core/piece/commands";
import { newPiece } from "@/core/piece/piece";
import { MOST_COATS } from "@/border/fields";
import { blendPage, interleave, MOST_LAID, pencilLines, pieceLines, stackLines, stripLines } from "./compose";
import { fitOnLine, inkLine, layOutChart } from "./layout";

describe("what goes on a chart", () => {
  const piece = ["Skin", "Hat"].reduce(
    (p, name, i) => {
      const with_ = applyCommand(p, { type: "add area", id: `a${i}`, name });
      return applyCommand(with_, {
        type: "keep group",
        id: `a${i}`,
        tones: ["clay1c", "clay4m", i ? "bark6m" : "clay7m"].map((code) => ({ code, coats: 1 })),
      });
    },
    newPiece("Test", null),
  );
  it("is a piece's inks once each, and the overlay of each tone with its next once", () => {
    const lines = pieceLines(piece);
    expect(lines.slice(0, 4).map((l) => l.label)).toEqual(["clay1c", "clay4m", "clay7m", "bark6m"]);
    expect(lines.slice(4).map((l) => l.label.replace("\n", " "))).toEqual([
      "clay1c + clay4m",
      "clay4m + clay7m",
      "clay4m + bark6m",
    ]);
  });
  it("puts known inks in between, spread over all of them, none that is there anyway", () => {
    const lines = ["a", "b", "c", "d", "e", "f"].map(inkLine);
    const mixed = interleave(lines, ["k1", "k2", "a", "k3", "k4"], 3);
    expect(mixed.map((l) => l.label)).toEqual(["a", "b", "c", "k1", "d", "e", "f", "k3"]);
    expect(interleave(lines, [])).toEqual(lines);
  });
  it("is stacks four to a line, and each pencil over each marker", () => {
    expect(
      stackLines(
        "trials",
        Array.from({ length: 6 }, (_, i) => ({ stack: [`s${i}`] })),
      ).map((l) => [l.label, l.cells.length]),
    ).toEqual([
      ["trials", 4],
      ["trials 2", 2],
    ]);
    const lines = pencilLines(["p1", "p2"], ["m1", "m2", "m3", "m4", "m5"]);
    expect(lines).toHaveLength(4);
    expect(lines[1]!.cells).toEqual([{ stack: ["m5", "p1"] }]);
  });
});

describe("a sheet of trial strips", () => {
  const strips = [
    { stack: [], layers: [{ code: "p1", layers: 3, pressure: "light" as const }] },
    {
      stack: ["clay1c"],
      layers: [
        { code: "p1", layers: 2, pressure: "firm" as const },
        { code: "p2", layers: 1, pressure: "firm" as const },
      ],
    },
    {
      stack: ["clay1c"],
      layers: [1, 2, 3].map((n) => ({ code: `p${n}`, layers: 4, pressure: "medium" as const })),
    },
  ];
  it("has a line each, drawn twice, with its pressure; what no cell can hold is left out", () => {
    const lines = stripLines(strips, (c) => c.toUpperCase());
    expect(lines).toEqual([
      {
        label: "light\nP1 x3",
        cells: Array(2).fill({ stack: ["p1", "p1", "p1"], pressure: "light" }),
      },
      {
        label: "firm on clay1c\nP1 x2\nP2 x1",
        cells: Array(2).fill({ stack: ["clay1c", "p1", "p1", "p2"], pressure: "firm" }),
      },
    ]);
    expect(MOST_LAID).toBe(MOST_COATS);
    const [page] = layOutChart({ serial: 1, sheet: "A4", lines });
    expect(page!.cells.map((c) => c.pressure)).toEqual(["light", "light", "firm", "firm"]);
  });
});

const readInk = (code: string, lightness: number) => ({ code, family: code.slice(0, 4), lightness });

describe("a page of blends", () => {
  it("sets each family's lightest ink against one well darker", () => {
    const lines = blendPage([
      readInk("clay1", 92),
      readInk("clay4", 70),
      readInk("clay5", 58),
      readInk("clay9", 25),
    ]);
    expect(lines).toHaveLength(2);
    expect(lines[0]!.label).toBe("clay1\n| clay5");
    expect(lines.every((l) => fitOnLine(l.cells))).toBe(true);
  });
  it("leaves out families that hold no such pair", () => {
    expect(blendPage([readInk("clay1", 92), readInk("clay2", 85), readInk("fern4", 60)])).toEqual([]);
    expect(blendPage([])).toEqual([]);
  });
  it("takes no more pairs than fill a page, spread over the rack", () => {
    const many = Array.from({ length: 16 }, (_, i) => `f${String(i).padStart(2, "0")}x`).flatMap((f) => [
      readInk(`${f}1`, 90),
      readInk(`${f}5`, 55),
    ]);
    const lines = blendPage(many);
    expect(lines).toHaveLength(12);
    const families = [...new Set(lines.map((l) => l.label.slice(1, 3)))].map(Number);
    expect(families[0]).toBe(0);
    expect(families.at(-1)).toBeGreaterThan(11);
  });
});
