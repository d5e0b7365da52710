import { displayLab, hexToLab, labToHex, rgb8ToLab } from "./display";

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

  it("marks what a screen cannot show, and shows it with less chroma at the same lightness and hue", () => {
    const { hex, inGamut } = displayLab([60, -80, -20]);
    expect(inGamut).toBe(false);
    const [L, a, b] = hexToLab(hex)!;
    expect(L).toBeCloseTo(60, 0);
    expect(Math.atan2(b, a)).toBeCloseTo(Math.atan2(-20, -80), 1);
  });

  it("reads bytes as hex does", () => expect(rgb8ToLab(200, 162, 122)).toEqual(hexToLab("#c8a27a")));
});
