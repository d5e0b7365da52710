import { hexToLab } from "@/core/colour/display";
import { demoRange, families, strangeInks } from "./demo-range";
import { absorption } from "./dyes";
import { look } from "./observer";
import { warmToned, whiteCard } from "./paper-stock";
import { seeded } from "./random";
import { scan } from "./scanner";
import { colourSheet } from "./sheet";

const range = demoRange();
const by = (code: string) => range.find((i) => i.code === code)!.recipe;
const Y = (...codes: string[]) => look(colourSheet(whiteCard, codes.map(by)))[1];

describe("the simulated desk", () => {
  it("has 180 or more inks of sixteen families in its own code", () => {
    expect(range.length).toBeGreaterThanOrEqual(180);
    expect(new Set(range.map((i) => i.family)).size).toBe(16);
    expect(new Set(range.map((i) => i.code)).size).toBe(range.length);
    range.forEach((i) =>
      expect(i.code).toMatch(
        /^(rose|ruby|rust|clay|corn|sand|bark|reed|fern|tarn|lake|dusk|plum|flax|tide|soot)[1-9][cmd]$/,
      ),
    );
    expect(Object.keys(families)).toHaveLength(16);
  });
  it("darkens with every coat, less each time", () => {
    const coats = [0, 1, 2, 3].map((n) => Y(...Array<string>(n).fill("clay5m")));
    expect(coats[0]! - coats[1]!).toBeGreaterThan(coats[1]! - coats[2]!);
    expect(coats[1]! - coats[2]!).toBeGreaterThan(coats[2]! - coats[3]!);
  });
  it("is deeper and duller as the code says", () => {
    expect(Y("fern2c")).toBeGreaterThan(Y("fern6c"));
    const chroma = (code: string) =>
      Math.hypot(...hexToLab(scan(colourSheet(whiteCard, [by(code)]), seeded(1)))!.slice(1));
    expect(chroma("dusk6m")).toBeLessThan(chroma("dusk6c"));
  });
  it("minds the order of coats a little, as real paper does", () => {
    const gap = Math.abs(Y("corn5c", "dusk5c") - Y("dusk5c", "corn5c"));
    expect(gap).toBeGreaterThan(1e-5);
    expect(gap).toBeLessThan(0.05);
  });
  it("has a toned paper that tints every ink", () => {
    const [, , bWhite] = hexToLab(scan(colourSheet(whiteCard, []), seeded(1)))!;
    const [L, , bToned] = hexToLab(scan(colourSheet(warmToned, []), seeded(1)))!;
    expect(bToned).toBeGreaterThan(bWhite + 8);
    expect(L).toBeLessThan(80);
  });
  it("loses no light and makes none", () => {
    for (const ink of strangeInks(20, 3))
      for (const r of colourSheet(whiteCard, [ink.recipe, ink.recipe])) expect(r > 0 && r < 1).toBe(true);
    expect(Math.max(...absorption({}))).toBe(0);
  });
  it("scans the same sheet twice the same with the same noise, and clips at the ends", () => {
    const sheet = colourSheet(whiteCard, [by("rust5c")]);
    expect(scan(sheet, seeded(4))).toBe(scan(sheet, seeded(4)));
    expect(scan(new Float64Array(71).fill(2), seeded(1))).toBe("#ffffff");
    expect(scan(new Float64Array(71), seeded(1))).toMatch(/^#0[0-3]0[0-3]0[0-3]$/);
  });
});
