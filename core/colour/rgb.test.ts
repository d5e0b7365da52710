import fc from "fast-check";
import { deltaE00 } from "./delta-e00";
import { rgb8ToLab } from "./display";
import { xyzToLab } from "./lab";
import { applyMatrix, linearOf, LINEAR, RGB_TO_XYZ, XYZ_TO_RGB } from "./rgb";

const level = fc.integer({ min: 0, max: 255 });

describe("the screen's matrix", () => {
  it("is near the published one", () => {
    const published = [
      [0.4124, 0.3576, 0.1805],
      [0.2126, 0.7152, 0.0722],
      [0.0193, 0.1192, 0.9505],
    ];
    RGB_TO_XYZ.forEach((row, r) => row.forEach((v, c) => expect(v).toBeCloseTo(published[r]![c]!, 2)));
  });
  it("has the observer's white: full red, green and blue are L* 100 without any hue", () => {
    const [L, a, b] = xyzToLab(applyMatrix(RGB_TO_XYZ, [1, 1, 1]));
    expect(L).toBeCloseTo(100, 9);
    expect(Math.hypot(a, b)).toBeLessThan(1e-9);
  });
  it("goes there and back", () =>
    fc.assert(
      fc.property(level, level, level, (...rgb) => {
        const light = rgb.map(linearOf) as unknown as [number, number, number];
        applyMatrix(XYZ_TO_RGB, applyMatrix(RGB_TO_XYZ, light)).forEach((v, c) =>
          expect(v).toBeCloseTo(light[c]!, 12),
        );
      }),
    ));
  it("agrees with the display's conversion of every colour to a tenth", () =>
    fc.assert(
      fc.property(level, level, level, (...rgb) => {
        const lab = xyzToLab(
          applyMatrix(RGB_TO_XYZ, rgb.map((v) => LINEAR[v]!) as unknown as [number, number, number]),
        );
        expect(deltaE00(lab, rgb8ToLab(...rgb))).toBeLessThan(0.1);
      }),
    ));
});
