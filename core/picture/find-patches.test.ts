import { swatchPhoto, type SwatchSheet } from "@/fixtures/swatch-photo";
import { finish } from "@/core/progress";
import { findPatches, snapToPatches } from "./find-patches";
import type { At } from "./patch-grid";

const PLAIN: SwatchSheet = { rows: 6, columns: 8, pitch: [22, 18], size: [17, 11] };
const TOUCHING: SwatchSheet = { ...PLAIN, size: [21.5, 17.5], outlined: true, ragged: 0.1, seed: 8 };
const SHEETS: readonly (readonly [string, SwatchSheet])[] = [
  ["lies straight", PLAIN],
  ["is turned by 12 degrees", { ...PLAIN, turn: 12, seed: 2 }],
  ["is turned by -31 degrees", { ...PLAIN, turn: -31, seed: 3 }],
  ["is seen aslant", { ...PLAIN, slant: 0.35, seed: 4 }],
  ["is turned and seen aslant", { ...PLAIN, turn: 9, slant: -0.3, seed: 5 }],
  ["has its codes written under the patches", { ...PLAIN, lettered: true, seed: 6 }],
  ["has lines around its patches", { ...PLAIN, outlined: true, seed: 7 }],
  ["has patches that touch", TOUCHING],
  ["was laid by a dry nib", { ...PLAIN, streaks: 9, ragged: 1, seed: 9 }],
  ["is half in shade", { ...PLAIN, uneven: 0.55, seed: 10 }],
  ["has gaps", { ...PLAIN, missing: [3, 11, 12, 20, 30, 45, 46, 47], seed: 11 }],
  [
    "has 180 small patches",
    { rows: 12, columns: 15, pitch: [12, 10], size: [9, 6], lettered: true, turn: 4, seed: 12 },
  ],
  ["is one row", { rows: 1, columns: 7, pitch: [22, 18], size: [16, 12], seed: 13 }],
  ["is one column", { rows: 6, columns: 1, pitch: [30, 18], size: [24, 12], seed: 14 }],
  ["is 2 by 2", { rows: 2, columns: 2, pitch: [30, 26], size: [22, 18], seed: 15 }],
];

const photos = new Map<SwatchSheet, ReturnType<typeof swatchPhoto>>();
/** Each sheet is photographed once. */
function photoOf(sheet: SwatchSheet) {
  const photo = photos.get(sheet) ?? swatchPhoto(sheet);
  photos.set(sheet, photo);
  return photo;
}

/** The largest distance of a place from the truth, in steps of the grid. */
function worstOff(found: readonly At[], photo: ReturnType<typeof swatchPhoto>): number {
  const { width, height } = photo.raster;
  return Math.max(
    ...found.map(
      ([x, y], i) =>
        Math.hypot((x - photo.middles[i]![0]) * width, (y - photo.middles[i]![1]) * height) / photo.step,
    ),
  );
}

describe("patches of a photographed sheet", () => {
  it.each(SHEETS)("are found where it %s", (_, sheet) => {
    const photo = photoOf(sheet);
    const found = finish(findPatches(photo.raster))!;
    expect([found.rows, found.columns]).toEqual([sheet.rows, sheet.columns]);
    expect(worstOff(found.grid.middles, photo)).toBeLessThan(0.15);
    // The window lies within the patch; what is told to be bare paper is, and there is enough of it to see the light by.
    expect(found.grid.side).toBeLessThan(photo.step);
    expect(found.bare.length).toBeGreaterThan(sheet === TOUCHING || sheet.rows * sheet.columns < 8 ? 3 : 20);
    for (const [x, y] of found.bare) expect(photo.isBare(x, y)).toBe(true);
  });
  it("are not seen in a photo without any", () => {
    const [width, height] = [400, 300];
    const rgb = new Uint8Array(3 * width * height);
    for (let p = 0; p < width * height; p++)
      rgb.fill(120 + 80 * Math.sin((p % width) / 60) * Math.cos(p / width / 45), 3 * p, 3 * p + 3);
    expect(finish(findPatches({ width, height, rgb }))).toBeUndefined();
    expect(finish(findPatches({ width, height, rgb: rgb.slice().fill(200) }))).toBeUndefined();
  });
});

describe("a grid that was pointed at", () => {
  const pointed = (photo: ReturnType<typeof swatchPhoto>, sheet: SwatchSheet, off: number) => {
    const { rows, columns } = sheet;
    const { width, height } = photo.raster;
    const move = ([x, y]: At, k: number): At => [
      x + (off * photo.step * Math.cos(2 * k)) / width,
      y + (off * photo.step * Math.sin(2 * k)) / height,
    ];
    const m = photo.middles;
    return {
      first: move(m[0]!, 1),
      rowEnd: move(m[columns - 1]!, 2),
      last: move(m[rows * columns - 1]!, 3),
      rows,
      columns,
    };
  };
  it.each(SHEETS)("is moved onto the patches where the sheet %s", (_, sheet) => {
    const photo = photoOf(sheet);
    const found = finish(snapToPatches(photo.raster, pointed(photo, sheet, 0.3)))!;
    expect([found.rows, found.columns]).toEqual([sheet.rows, sheet.columns]);
    expect(worstOff(found.grid.middles, photo)).toBeLessThan(0.15);
  });
  it("stays where no patches are", () => {
    const photo = swatchPhoto({ ...PLAIN, missing: Array.from({ length: 48 }, (_, i) => i), lettered: true });
    expect(finish(snapToPatches(photo.raster, pointed(photo, PLAIN, 0)))).toBeUndefined();
  });
});
