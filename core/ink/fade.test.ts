import { scannedDesk } from "@/fixtures/scanned-desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk } from "./desk";
import { fadeOf, type InkPass } from "./fade";
import { laidLab } from "./laid";

const desk = layDesk(...scannedDesk(5, 4));
const pass = (ink: number, from: number, to: number, wet: boolean, coats = 1): InkPass => ({
  ink,
  from,
  to,
  wet,
  coats,
});
const REACH = { wet: 1.3, dry: 0.2 };
/** 32 mm. */
const STEEP = 1 / 32;

describe("a fade of ink", () => {
  const group = [pass(0, 0, 1, false), pass(1, 0.5, 1, true)];
  it("away from every edge is the stack there, as it was read or as the model has it", () => {
    const { at } = fadeOf(desk, group, REACH);
    expect(deltaE00(at(0.02, STEEP), laidLab(desk, [group[0]!]))).toBeLessThan(0.05);
    expect(deltaE00(at(0.98, STEEP), laidLab(desk, group))).toBeLessThan(0.05);
    // At no steepness nothing has crept.
    for (const t of [0, 0.3, 0.49]) expect(deltaE00(at(t, 0), laidLab(desk, [group[0]!]))).toBeLessThan(1e-6);
    for (const t of [0.5, 0.8, 1]) expect(deltaE00(at(t, 0), laidLab(desk, group))).toBeLessThan(1e-6);
  });
  it("goes from the one to the other without a turn", () => {
    const { at } = fadeOf(desk, group, REACH);
    const L = Array.from({ length: 41 }, (_, i) => at(0.35 + (0.3 * i) / 40, STEEP)[0]);
    const down = L[0]! > L.at(-1)!;
    L.slice(1).forEach((v, i) => expect(down ? v : L[i]!).toBeLessThanOrEqual((down ? L[i]! : v) + 0.02));
  });
  it("is wider where the sheet was wet, and wider still with every wet pass that follows", () => {
    const width = (passes: readonly InkPass[]) => {
      const { at } = fadeOf(desk, passes, REACH);
      const [from, to] = [at(0.3, STEEP), at(0.7, STEEP)];
      const gone = (t: number) => (at(t, STEEP)[0] - from[0]) / (to[0] - from[0]);
      const places = Array.from({ length: 401 }, (_, i) => 0.3 + i / 1000);
      return places.find((t) => gone(t) > 0.9)! - places.find((t) => gone(t) > 0.1)!;
    };
    const dry = width([pass(0, 0, 1, false), pass(1, 0.5, 1, false)]);
    const wet = width(group);
    const twice = width([...group, pass(0, 0, 1, true, 0.5)]);
    expect(wet).toBeGreaterThan(3 * dry);
    expect(twice).toBeGreaterThan(1.2 * wet);
  });
  it("thins out where strokes do", () => {
    const half = [{ ...pass(1, 0.5, 1, false), taper: 5 }];
    const crisp = fadeOf(desk, [pass(1, 0.5, 1, false)], REACH).at(0.47, STEEP);
    expect(deltaE00(crisp, fadeOf(desk, half, REACH).at(0.47, STEEP))).toBeGreaterThan(1);
  });
  it("of nothing is the paper", () => expect(fadeOf(desk, [], REACH).at(0.5, STEEP)).toEqual(desk.paper.lab));
});
