/** What a click on the drawing does. */
export const TOOLS = [
  "pick",
  "parts",
  "around",
  "across",
  "cut",
  "shape",
  "before",
  "length",
  "align",
  "neutral",
  "corners",
  "growth",
  "parting",
  "gathered",
  "crease",
  "lighter",
  "darker",
  "white",
  "spark",
  "stroke",
] as const;
export type Tool = (typeof TOOLS)[number];

/** Tools that choose many shapes in one stroke. */
export const STROKE_TOOLS: readonly Tool[] = ["around", "across"];

/** Tools that draw a line over the chosen area: dragged in one go, or point by point. */
export const LINE_TOOLS: readonly Tool[] = ["growth", "parting", "crease", "stroke"];

const drawn = (what: string) => (n: number) =>
  n === 0
    ? `${what}: drag along it, or click point by point.`
    : "Click on; Enter ends it, Backspace takes a point back.";

/** What to do next, by tool; `n` points are set already. */
export const toolInWords: Readonly<Record<Tool, (n: number) => string>> = {
  pick: () => "Click an area to choose it; with Shift, more than one.",
  parts: () => "Click what belongs to the chosen area; click it again to take it out.",
  around: () => "Draw round the shapes that belong together; Enter makes them one area.",
  across: () => "Wipe across the shapes that belong together; Enter makes them one area.",
  cut: (n) =>
    n === 0
      ? "Click where the cut begins: on a line, or a little past it."
      : "Click on; Enter or a click on the last point ends it, Backspace takes a point back.",
  shape: (n) =>
    n < 3
      ? "Click round the shape: a few points, the curve runs through them."
      : "Click on; Enter or a click on the first point closes it, Backspace takes a point back.",
  before: (n) => (n === 0 ? "Click what lies in front." : "Click what lies behind it."),
  length: (n) =>
    n === 0 ? "Click one end of a length that you know." : n === 1 ? "Click its other end." : "",
  align: (n) => (n % 2 === 0 ? "Click a point of the drawing." : "Click the same point in the reference."),
  neutral: () => "Click something in the reference that is grey or white in truth.",
  growth: drawn("From root to tip, as the hair grows"),
  parting: drawn("Along the parting"),
  crease: drawn("Along the valley of the fold"),
  gathered: () => "Click where the hair is gathered or tied.",
  lighter: () => "Click where it should be lighter.",
  darker: () => "Click where it should be darker.",
  white: () => "Click where paper should stay white.",
  spark: () => "Click where it is set.",
  stroke: drawn("Along the stroke"),
  corners: () => "Drag the corners to those of the sheet; with keys: Tab to a corner, then the arrows.",
};
