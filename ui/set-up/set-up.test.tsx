import { drawingQuestion } from "@/compute/piece-questions";
import { renderToStaticMarkup } from "react-dom/server";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { newArea, newPiece, type Piece } from "@/core/piece/piece";
import { lengthIn, squareIn, typedLength } from "@/ui/kit/length-field";
import { bleedInWords, edgesInWords, lineTroubleInWords, orderInWords, sizeInWords } from "@/words/place";
import { stackedAreas } from "./order-tab";
import { LightFilter } from "@/ui/piece/light-filter";
import { layingOf } from "./reference-layer";
import { RegionOverlay } from "./region-overlay";
import { toolInWords, TOOLS } from "./tool";
import { asReadings } from "./use-reference";

describe("a length as it is typed", () => {
  it.each([
    ["120", "mm", 120],
    ["12 cm", "mm", 120],
    ["4,5", "in", 114.3],
    ["4 1/2 in", "mm", 114.3],
    ['1/4"', "mm", 6.35],
    ["25.4 mm", "in", 25.4],
  ] as const)("%j with %s shown is %d mm", (text, unit, mm) =>
    expect(typedLength(text, unit)).toBeCloseTo(mm, 3),
  );
  it.each(["", "wide", "1/0 in", "1e999", "--3"])("%j is none", (text) =>
    expect(typedLength(text, "mm") ?? NaN).toBeNaN(),
  );
  it("is written in the unit, and so is an area", () => {
    expect([lengthIn("mm", 120), lengthIn("mm", 7.25), lengthIn("in", 114.3)]).toEqual(["120", "7.3", "4.5"]);
    expect([squareIn("mm", 7.25), squareIn("mm", 812.4), squareIn("in", 645.16)]).toEqual([
      "7.3 mm²",
      "812 mm²",
      "1.00 in²",
    ]);
  });
});

describe("what is said of places", () => {
  it("sizes, bleed, order and lines have their words", () => {
    expect([8, 60, 400, 4000].map(sizeInWords)).toEqual(["tiny", "small", "medium", "large"]);
    expect(bleedInWords(0.8, 0.5)).toContain("right across");
    expect(bleedInWords(2, 0.5)).toContain("stop short");
    expect(bleedInWords(20, 0.5)).toBeUndefined();
    expect(bleedInWords(0.8, null)).toBeUndefined();
    expect([0.9, 0.7, 0.5].map(orderInWords)).toEqual(["clear", "likely", "a guess"]);
    expect(lineTroubleInWords(0, 1)).toContain("No line");
    expect(lineTroubleInWords(0.8, 3)).toContain("dark");
    expect(lineTroubleInWords(0.05, 1)).toContain("encloses nothing");
    expect(lineTroubleInWords(0.05, 9)).toBeUndefined();
  });
  it("what to mind at an area's edges goes with its steps", () => {
    const area = { ...newArea("a", "A"), past: true, joints: "white" as const };
    expect(edgesInWords(area, 0.5)).toEqual([
      expect.stringContaining("cut off"),
      expect.stringContaining("joints"),
    ]);
    const narrow = { ...newArea("a", "A"), place: { at: [], mm2: 9, part: 9, width: 0.7 } };
    expect(edgesInWords(narrow, 0.5)).toHaveLength(1);
    expect(edgesInWords(newArea("a", "A"), 0.5)).toEqual([]);
  });
  it("every tool says what to do next", () => {
    for (const tool of TOOLS) expect(toolInWords[tool](0).length).toBeGreaterThan(10);
    expect(toolInWords.align(1)).toContain("reference");
  });
});

const output = {
  width: 100,
  height: 50,
  mmPerPixel: 0.5,
  regions: [
    { id: 1, path: "M0 0L50 0L50 50L0 50Z", mm2: 600, width: 20, middle: [0.25, 0.5], edge: 0 },
    { id: 2, path: "M50 0L100 0L100 50L50 50Z", mm2: 600, width: 20, middle: [0.75, 0.5], edge: 0 },
  ],
  areas: [
    {
      id: "sky",
      regions: [1],
      points: [1],
      mm2: 600,
      part: 600,
      width: 20,
      middle: [0.25, 0.5],
      box: [0, 0, 0.5, 1],
    },
  ],
  stacking: { order: ["a", "b", "c", "d"], pairs: [] },
} as unknown as SetUpOutput;

it("areas are told by outlines, numbers and patterns; what is no area has a broken outline", () => {
  const drawn = renderToStaticMarkup(
    <RegionOverlay
      output={output}
      chosen={new Set(["sky"])}
      names={new Map([["sky", { number: 7, name: "Sky", white: false }]])}
      scale={4}
      showRest
    />,
  );
  expect(drawn).toContain('data-owner="sky"');
  expect(drawn).toContain('data-owner="region 2"');
  expect(drawn).toContain("url(#chosen)");
  expect(drawn).toContain('stroke-dasharray="4 3"');
  expect(drawn).toContain(">7</text>");
  // Nothing in it has a hue.
  for (const [, hex] of drawn.matchAll(/#([0-9a-f]{3,6})\b/g))
    if (/^[0-9a-f]+$/.test(hex!)) expect(new Set(hex!.length === 3 ? hex! : hex!.match(/../g)!).size).toBe(1);
});

it("what somebody said of the order holds, the rest keeps its place behind what it was proposed behind", () => {
  const piece: Piece = newPiece("x", null);
  expect(stackedAreas(piece, output)).toEqual(["a", "b", "c", "d"]);
  const said = { ...piece, setUp: { ...piece.setUp, order: ["d", "b"] } };
  expect(stackedAreas(said, output)).toEqual(["a", "d", "b", "c"]);
  expect(stackedAreas({ ...piece, setUp: { ...piece.setUp, order: ["gone"] } }, output)).toEqual([
    "a",
    "b",
    "c",
    "d",
  ]);
});

it("a reference edge on edge fills the drawing, whatever its own size", () => {
  const m = /matrix3d\((.*)\)/
    .exec(layingOf([], { width: 200, height: 100 }, { width: 1000, height: 400 }))![1]!
    .split(",")
    .map(Number);
  expect(m[0]).toBeCloseTo(0.2, 6);
  expect(m[5]).toBeCloseTo(0.25, 6);
  expect([m[3], m[7], m[12], m[13]].every((v) => Math.abs(v!) < 1e-9)).toBe(true);
  const filter = renderToStaticMarkup(<LightFilter id="f" gains={[1.1, 1, 0.8]} view="3 steps" />);
  expect(filter).toContain("1.1 0 0 0 0");
  expect(filter).toContain('tableValues="0 0.5 1"');
});

it("what is asked of a drawing: as wide as its sheet when its corners were found, names of the file as hints", () => {
  const line = { pictureId: "p", kind: "stamped", proof: null, corners: null, width: null } as const;
  const piece: Piece = { ...newPiece("x", null), areas: [newArea("a", "A")] };
  const picture = {
    id: "p",
    name: "p.jpg",
    width: 1400,
    height: 1000,
    names: [{ name: "Sky", at: [[0.1, 0.1]] as const }],
  };
  const plain = drawingQuestion({ ...piece, setUp: { ...piece.setUp, line } }, picture);
  expect(plain).toMatchObject({
    kind: "stamped",
    corners: null,
    aspect: null,
    width: 190,
    hints: picture.names,
  });
  const corners = [
    [0.1, 0.1],
    [0.6, 0.1],
    [0.6, 0.9],
    [0.1, 0.9],
  ] as const;
  const found = drawingQuestion({ ...piece, setUp: { ...piece.setUp, line: { ...line, corners } } }, picture);
  expect(found.width).toBe(210);
});

it("proposed readings become picked colours with their places", () => {
  const local = { lab: [50, 1, 2] as const, spread: 0.4, at: [0.999, 0.001] as const, share: 0.5 };
  const { local: kept, light } = asReadings({ local });
  expect(light).toBeUndefined();
  expect(kept!.lab).toEqual([50, 1, 2]);
  expect(kept!.at!.x + kept!.at!.width).toBeLessThanOrEqual(1);
  expect(kept!.at!.y).toBe(0);
});
