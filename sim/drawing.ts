/** What lies under the camera: a printed sheet in mm with coloured patches. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** Reflectance of the bare sheet, every 5 nm. */
  readonly paper: Float64Array;
  readonly discs: readonly {
    readonly x: number;
    readonly y: number;
    readonly radius: number;
    readonly black: boolean;
  }[];
  readonly bars: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
  readonly patches: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly reflectance: Float64Array;
    /** Reflectance of its columns, left to right, where it is not the same all along. */
    readonly along?: readonly Float64Array[];
    readonly streaks?: number;
  }[];
  /** Line art printed on it, its top left corner at `x`, `y`. */
  readonly art?: {
    readonly x: number;
    readonly y: number;
    readonly pxPerMm: number;
    readonly width: number;
    readonly height: number;
    /** How far each of its pixels is covered by line, 0–1. */
    readonly line: Float32Array;
    /** Reflectance of the ink of the line. */
    readonly ink: Float64Array;
    /** What colours it: the number of each pixel's area, from 1, and reflectances by number − 1; undefined stays bare. */
    readonly coloured?: {
      readonly areas: Uint16Array;
      readonly reflectances: readonly (Float64Array | undefined)[];
      /** How uneven the strokes are, as a share of the light. */
      readonly streaks?: number;
    };
  };
}

/** Pixels a millimetre of a sheet seen from straight above. */
export const PX_PER_MM = 6;
const PRINT = 0.035;

/** Coverage between four pixels of line art. */
function coverAt({ width, height, line }: NonNullable<Drawing["art"]>, u: number, v: number): number {
  const [x, y] = [Math.min(width - 1.001, Math.max(0, u)), Math.min(height - 1.001, Math.max(0, v))];
  const p = Math.floor(y) * width + Math.floor(x);
  const [fx, fy] = [x - Math.floor(x), y - Math.floor(y)];
  const below = p + width < line.length ? p + width : p;
  return (
    (line[p]! * (1 - fx) + line[p + 1]! * fx) * (1 - fy) +
    (line[below]! * (1 - fx) + line[below + 1]! * fx) * fy
  );
}

/** The sheet as the sensor would see it from straight above in even light, `PX_PER_MM` a millimetre. */
export function flatSheet(
  drawing: Drawing,
  see: (reflectance: ArrayLike<number>) => readonly number[],
  random: () => number,
): { width: number; height: number; light: Float32Array } {
  const [width, height] = [Math.round(drawing.width * PX_PER_MM), Math.round(drawing.height * PX_PER_MM)];
  const light = new Float32Array(width * height * 3);
  const white = see(drawing.paper);
  for (let p = 0; p < width * height; p++) for (let c = 0; c < 3; c++) light[3 * p + c] = white[c]!;
  const fill = (
    x0: number,
    y0: number,
    x1: number,
    y1: number,
    colour: (x: number, y: number) => readonly number[] | undefined,
  ) => {
    for (
      let y = Math.max(0, Math.round(y0 * PX_PER_MM));
      y < Math.min(height, Math.round(y1 * PX_PER_MM));
      y++
    )
      for (
        let x = Math.max(0, Math.round(x0 * PX_PER_MM));
        x < Math.min(width, Math.round(x1 * PX_PER_MM));
        x++
      ) {
        const v = colour((x + 0.5) / PX_PER_MM, (y + 0.5) / PX_PER_MM);
        if (v) for (let c = 0; c < 3; c++) light[3 * (y * width + x) + c] = v[c]!;
      }
  };
  for (const p of drawing.patches) {
    const along = p.along?.map(see);
    const even = see(p.reflectance);
    const streak = p.streaks ?? 0.012;
    const phase = random() * 6;
    const edge = () => 0.7 * (random() - 0.5);
    // Strokes lie side by side across the cell: each a little deeper or thinner, and the hand does not stop exactly at the ticks.
    fill(p.x + edge(), p.y + edge(), p.x + p.width + edge(), p.y + p.height + edge(), (x, y) =>
      (along?.[Math.floor(((x - p.x) / p.width) * along.length)] ?? even).map(
        (v) => v * (1 + streak * Math.sin(2.1 * y + phase) + 0.3 * streak * Math.sin(7 * y)),
      ),
    );
  }
  const black = white.map((v) => v * PRINT);
  for (const d of drawing.discs)
    fill(d.x - d.radius, d.y - d.radius, d.x + d.radius, d.y + d.radius, (x, y) =>
      Math.hypot(x - d.x, y - d.y) <= d.radius ? (d.black ? black : white) : undefined,
    );
  for (const b of drawing.bars) fill(b.x, b.y, b.x + b.width, b.y + b.height, () => black);
  if (drawing.art) {
    const { art } = drawing;
    const ink = see(art.ink);
    const areas = art.coloured?.reflectances.map((r) => r && see(r));
    const streaks = art.coloured?.streaks ?? 0;
    if (art.coloured && areas)
      fill(art.x, art.y, art.x + art.width / art.pxPerMm, art.y + art.height / art.pxPerMm, (x, y) => {
        const u = Math.min(art.width - 1, Math.floor((x - art.x) * art.pxPerMm));
        const v = Math.min(art.height - 1, Math.floor((y - art.y) * art.pxPerMm));
        const own = areas[art.coloured!.areas[v * art.width + u]! - 1];
        return own?.map((level) => level * (1 + streaks * Math.sin(1.9 * x + 0.6 * y) * Math.cos(0.31 * y)));
      });
    fill(art.x, art.y, art.x + art.width / art.pxPerMm, art.y + art.height / art.pxPerMm, (x, y) => {
      const cover = coverAt(art, (x - art.x) * art.pxPerMm - 0.5, (y - art.y) * art.pxPerMm - 0.5);
      if (!(cover > 0)) return undefined;
      const at =
        3 *
        (Math.min(height - 1, Math.round(y * PX_PER_MM - 0.5)) * width +
          Math.min(width - 1, Math.round(x * PX_PER_MM - 0.5)));
      return white.map((_, c) => light[at + c]! * (1 - cover) + ink[c]! * cover);
    });
  }
  return { width, height, light };
}
