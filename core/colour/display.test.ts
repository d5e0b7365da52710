import { deltaE00 } from "./delta-e00";
import { displayLab, hexToLab, labToHex, rgb8ToLab, shownOf } from "./display";

describe("display", () => {
  it("reads sRGB red, white and black as the published Lab", () => {
    hexToLab("#ff0000")!.forEach((v, i) => expect(v).toBeCloseTo([53.24, 80.09, 67.2][i]!, 1));
    hexToLab("#ffffff")!.forEach((v, i) => expect(v).toBeCloseTo([100, 0, 0][i]!, 2));
    expect(hexToLab("#000000")![0]).toBeCloseTo(0, 6);
  });

  it.each(["#c8a27a", "#10f0a3", "#7f7f80"])("gives %s back", (hex) => {
    expect(labToHex(hexToLab(hex)!)).toBe(hex);
    expect(displayLab(hexToLab(hex)!).inGamut).toBe(true);
  });

  it.each(["c8a27a", "#c8a27", "#c8a27g", "red", ""])("does not take %p for a colour", (text) =>
    expect(hexToLab(text)).toBeUndefined(),
  );

  it("gives every colour back that a screen can show, edges and corners of the cube included", () => {
    const levels = [0, 1, 17, 43, 75, 102, 128, 161, 191, 217, 238, 254, 255];
    for (const r of levels)
      for (const g of levels)
        for (const b of levels) {
          const { rgb, inGamut } = shownOf(rgb8ToLab(r, g, b));
          expect(inGamut).toBe(true);
          expect(Math.max(...[r, g, b].map((v, c) => Math.abs(v - rgb[c]!)))).toBeLessThanOrEqual(0.5);
        }
  });

  it("does not jump where the gamut ends: a little beyond it is shown as a little within", () => {
    for (const hex of ["#ffff4b", "#00ffff", "#ff00ff", "#ff3300", "#fff9c2"]) {
      const [L, a, b] = hexToLab(hex)!;
      for (const by of [1, 1.005, 1.01]) {
        const lab = [L, a * by, b * by] as const;
        expect(deltaE00(hexToLab(displayLab(lab).hex)!, lab)).toBeLessThan(1.5);
      }
    }
  });

  it("marks what a screen cannot show, and shows it with less chroma at about the same lightness and hue", () => {
    const { hex, inGamut } = displayLab([60, -80, -20]);
    expect(inGamut).toBe(false);
    const [L, a, b] = hexToLab(hex)!;
    expect(Math.abs(L - 60)).toBeLessThan(1.5);
    expect(Math.abs(Math.atan2(b, a) - Math.atan2(-20, -80))).toBeLessThan(0.06);
  });

  it("reads bytes as hex does", () => expect(rgb8ToLab(200, 162, 122)).toEqual(hexToLab("#c8a27a")));
});
