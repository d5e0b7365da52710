import { layDesk, seenLab } from "@/core/ink/desk";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { shortfallInWords } from "@/words/match";
import { shortfallOf } from "./shortfall";

const desk = layDesk(...scannedDesk(6, 8));
const all = () => true;

describe("a colour that cannot be reached", () => {
  it("is none where the best recipe comes close", () =>
    expect(shortfallOf(desk, [60, 10, 10], [61, 10, 10], all)).toBeUndefined());
  it("lies above the paper where no ink lightens it", () => {
    const paper = desk.paper.lab;
    const found = shortfallOf(desk, [Math.min(100, paper[0] + 3), 40, 0], paper, all)!;
    expect(found.abovePaper).toBe(true);
    expect(shortfallInWords(found)).toMatch(/lighter than the bare paper.*white/);
  });
  it("says in which direction the best misses it", () => {
    const found = shortfallOf(desk, [40, 60, 40], [52, 30, 20], all)!;
    expect(found).toMatchObject({ abovePaper: false });
    expect(found.deltaL).toBeCloseTo(12, 9);
    expect(found.deltaC).toBeLessThan(0);
    expect(shortfallInWords(found)).toMatch(/too light by 12 and .*too grey/);
  });
  it("names a marker that would come nearer, of those that may not be used, and none of the others", () => {
    const target = seenLab(desk, [2]);
    const far = [target[0] - 20, target[1], target[2]] as const;
    expect(shortfallOf(desk, target, far, (i) => i !== 2)!.marker).toMatchObject({
      code: desk.inks[2]!.code,
      coats: 1,
    });
    expect(shortfallOf(desk, target, far, all)!.marker).toBeUndefined();
  });
});
