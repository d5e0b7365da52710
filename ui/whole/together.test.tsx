import { renderToStaticMarkup } from "react-dom/server";
import type { CoverageOutput } from "@/compute/operations/shadow";
import { asLayers, newArea, newPiece, type Area, type Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { CoverageTable } from "./coverage-table";
import { togetherKey, togetherQuestion } from "./use-together";

const reading = { lab: [60, 10, 10] as const, spread: 0.1, at: { x: 0, y: 0, width: 0, height: 0 } };
const picked = (id: string, change: Partial<Area> = {}): Area => ({
  ...newArea(id, id),
  readings: { local: reading },
  ...change,
});
const marker = (code: string, owned = true) => ({
  code,
  owned,
  state: "full",
  swatches: [{ lab: [50, 0, 0] }],
});
const rack = {
  paper: { id: "p", name: "Card", lab: [96, 0, 2], grain: null, light: "D65" },
  markers: [marker("a"), marker("b", false), marker("c")],
  others: [],
  overlays: [],
  strips: [],
  blends: [],
} as unknown as Rack;

const kept = asLayers([
  { code: "a", coats: 1, locked: true },
  { code: "b", coats: 1, locked: true },
  { code: "c", coats: 2 },
]);
const blank = newPiece("Test", "p");
const piece: Piece = {
  ...blank,
  areas: [
    picked("skin", { layers: kept, excluded: ["c"], emphasis: true }),
    picked("hat", { contrast: 30, tones: 3 }),
    newArea("sky", "sky"),
  ],
  whole: {
    ...blank.whole,
    scene: "cool",
    neighbours: [
      ["skin", "hat"],
      ["hat", "sky"],
    ],
    markerLimit: 9,
  },
};

describe("what a joint plan is asked", () => {
  const wish = togetherQuestion(piece, rack).asked;

  it("takes the areas whose colour is known, and the neighbours among them", () => {
    expect(wish.areas.map((a) => a.id)).toEqual(["skin", "hat"]);
    expect(wish.neighbours).toEqual([["skin", "hat"]]);
  });

  it("passes on locks of markers at hand, exclusions, emphasis, contrast, the limit and the scene", () => {
    expect(wish.ownedOnly).toBe(true);
    expect(wish.areas[0]).toMatchObject({
      fixed: [{ code: "a", coats: 1 }],
      exclude: ["c"],
      emphasis: true,
      drift: { light: 0, shadow: -1 },
    });
    expect(wish.areas[1]).toMatchObject({ contrast: 30, tones: 3 });
    expect(wish.areas[0]!.contrast).toBeNull();
    expect(wish.limit).toBe(9);
  });

  it("lets unowned markers in as soon as one area does", () => {
    const open = togetherQuestion(
      { ...piece, areas: piece.areas.map((a, i) => ({ ...a, ownedOnly: i > 0 })) },
      rack,
    ).asked;
    expect(open.ownedOnly).toBe(false);
    expect(open.areas[0]!.fixed.map((t) => t.code)).toEqual(["a", "b"]);
  });

  it("changes its key with what matters to the plan, and not with what does not", () => {
    const key = togetherKey(piece, rack);
    expect(togetherKey({ ...piece, name: "Another name" }, rack)).toBe(key);
    expect(togetherKey({ ...piece, areas: piece.areas.map((a) => ({ ...a, note: "x" })) }, rack)).toBe(key);
    expect(togetherKey({ ...piece, whole: { ...piece.whole, apart: 3 } }, rack)).not.toBe(key);
    expect(togetherKey({ ...piece, areas: piece.areas.slice(1) }, rack)).not.toBe(key);
  });
});

describe("the coverage of a whole-piece underlay", () => {
  const colour = (lab: readonly [number, number, number]) => ({ lab, hex: "#808080", inGamut: true });
  const row = (
    name: string,
    alone: readonly [number, number, number],
    covers: boolean,
    deeper?: CoverageOutput["deeper"],
  ) => ({
    name,
    cover: ["a"],
    alone: colour(alone),
    strengths: [{ under: "plum5c", covered: colour([40, 12, -20]), deepening: 12, hueTurn: -64, covers }],
    ...(deeper && { deeper }),
  });

  it("says where the local colour covers, where its hue turns, and what covers instead", () => {
    const markup = renderToStaticMarkup(
      <CoverageTable
        under={["plum5c"]}
        rows={[
          row("Kite", [40, 40, 20], true),
          row("Skin", [75, 16, 20], false, {
            code: "rust9m",
            coats: 2,
            covered: colour([45, 20, 20]),
            deltaE00: 3,
          }),
        ]}
      />,
    );
    expect(markup).toMatch(/Kite.*yes/);
    expect(markup).toContain("not over plum5c");
    expect(markup).toContain("hue turns 64°");
    expect(markup).toContain("rust9m ×2");
  });

  it("speaks of a tint where the local colour is a grey, and admits when nothing covers", () => {
    const markup = renderToStaticMarkup(
      <CoverageTable under={["plum5c"]} rows={[row("Braid", [65, 1, -2], false)]} />,
    );
    expect(markup).toContain("a grey takes its tint, colour strength 23");
    expect(markup).toContain("nothing at hand covers it");
  });
});
