import { colourfulness } from "./colourfulness";

const picture = (channels: 1 | 3 | 4, ...pixels: readonly (readonly number[])[]) => ({
  width: pixels.length,
  height: 1,
  channels,
  data: Uint8Array.from(pixels.flat()),
});

test("a picture is as colourful as its channels differ, greys and what is not there are not", () => {
  expect(colourfulness(picture(1, [0], [200]))).toBe(0);
  expect(colourfulness(picture(3, [90, 90, 90], [255, 255, 255]))).toBe(0);
  expect(colourfulness(picture(3, [200, 100, 50], [255, 255, 255]))).toBe(75);
  expect(colourfulness(picture(4, [200, 100, 50, 0], [9, 9, 9, 255]))).toBe(0);
  expect(colourfulness(picture(3))).toBe(0);
  // Of a large one some pixels tell.
  const many = Array.from({ length: 50_000 }, () => [250, 240, 200]);
  expect(colourfulness(picture(3, ...many))).toBeCloseTo(50, 6);
});
