import { contrastCard } from "./wax";
import { look } from "./observer";
import { PIGMENTS, PRESSES, TEETH } from "./teeth";

const lightness = (r: Float64Array) => look(r)[1];
const grey = Float64Array.from({ length: 71 }, () => 0.4);
const of = (code: string) => PIGMENTS.find((p) => p.code === `t ${code}`)!;

describe.each(TEETH)("the tooth of $name", ({ over }) => {
  const drawn = (code: string, layers: number, pressure: number, sheet: ArrayLike<number> = grey) =>
    lightness(over(sheet, [{ pigment: of(code), layers, pressure }]));

  it("leaves the sheet as it is where nothing is drawn", () => {
    over(grey, []).forEach((r) => expect(r).toBeCloseTo(0.4, 6));
  });
  it("gets lighter with white and darker with black, the more the more layers and the firmer the hand", () => {
    const bare = lightness(over(grey, []));
    const white = [1, 3, 8].map((n) => drawn("white", n, PRESSES.medium));
    const black = [1, 3, 8].map((n) => drawn("black", n, PRESSES.medium));
    expect([bare, ...white]).toEqual([bare, ...white].sort((a, b) => a - b));
    expect([bare, ...black]).toEqual([bare, ...black].sort((a, b) => b - a));
    expect(drawn("black", 3, PRESSES.firm)).toBeLessThan(drawn("black", 3, PRESSES.light));
  });
  it("hides what lies beneath more, the more strongly a pale pigment scatters", () => {
    const white = of("white");
    const weak = { ...white, scatter: white.scatter.map((v) => 0.3 * v) };
    const gap = (pigment: typeof white) => {
      const on = (field: "white" | "black") =>
        lightness(over(contrastCard[field], [{ pigment, layers: 6, pressure: 0.95 }]));
      return on("white") - on("black");
    };
    expect(gap(white)).toBeLessThan(0.8 * gap(weak));
  });
  it("draws the same twice", () => {
    expect(drawn("leaf", 3, 0.4)).toBe(drawn("leaf", 3, 0.4));
  });
});
