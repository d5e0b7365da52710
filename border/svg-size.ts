/** Units of a length in CSS pixels of 1/96 inch: CSS Values and Units 4, 6.2. */
const PIXELS: Readonly<Record<string, number>> = {
  "": 1,
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
  em: 16,
  ex: 8,
};
/** Units by which somebody means a size on paper; pixels mean none. */
const ON_PAPER = new Set(["in", "cm", "mm", "q", "pt", "pc"]);

const MM_A_PIXEL = 25.4 / 96;
const LONGEST = 1e6;

interface Length {
  readonly pixels: number;
  readonly onPaper: boolean;
}

/** A length as SVG writes it; undefined for none, a share of what nobody knows, or one that no drawing has. */
function lengthOf(text: string | undefined): Length | undefined {
  const found = /^\s*([+]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d{1,3})?)\s*([a-z]*)\s*$/i.exec(text ?? "");
  const unit = found?.[2]!.toLowerCase() ?? "";
  const pixels = found ? Number(found[1]) * (PIXELS[unit] ?? NaN) : NaN;
  return pixels > 0 && pixels < LONGEST ? { pixels, onPaper: ON_PAPER.has(unit) } : undefined;
}

/** The canvas of a drawing. */
export interface SvgSize {
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
  /** What of its own units the canvas shows: left, top, width, height. */
  readonly viewBox: readonly [number, number, number, number];
  /** Width on paper, mm, where the file means one. */
  readonly mm: number | undefined;
}

/** Width and height of a drawing that says nothing of either: CSS 2.2, 10.3.2, made square as most such drawings are. */
const USUAL = 300;

/**
 * The canvas that a renderer gives a drawing: its width and height in whatever unit, what the view box says where one is missing, and all of its
 * own units where there is no view box: SVG 2, 8.2.
 */
export function sizeOf(attributes: ReadonlyMap<string, string>): SvgSize {
  const box = attributes
    .get("viewBox")
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  const boxed =
    box?.length === 4 && box.every(Number.isFinite) && box[2]! > 0 && box[3]! > 0
      ? (box as [number, number, number, number])
      : undefined;
  const [w, h] = [lengthOf(attributes.get("width")), lengthOf(attributes.get("height"))];
  const shape = boxed ? boxed[2] / boxed[3] : undefined;
  const width = w?.pixels ?? (h && shape ? h.pixels * shape : (boxed?.[2] ?? USUAL));
  const height = h?.pixels ?? (w && shape ? w.pixels / shape : (boxed?.[3] ?? USUAL));
  return {
    width,
    height,
    viewBox: boxed ?? [0, 0, width, height],
    mm: w?.onPaper || (!w && h?.onPaper) ? width * MM_A_PIXEL : undefined,
  };
}
