import { scannedDesk } from "@/fixtures/scanned-desk";
import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk, seenLab } from "./desk";
import { layField, type FieldPass } from "./wet-field";

const desk = layDesk(...scannedDesk(5, 4));
const size = { cells: 40, lanes: 4, mmPerCell: 0.5 };
const whole = new Float64Array(160).fill(1);
const half = Float64Array.from({ length: 160 }, (_, at) => (at % 40 >= 20 ? 1 : 0));
const pass = (ink: number, amounts: Float64Array, wet: boolean): FieldPass => ({ ink, amounts, wet });
const sum = (v: Float64Array) => v.reduce((a, b) => a + b, 0);

describe("a field of ink", () => {
  it("evenly covered on dry ink is a stack, everywhere", () => {
    const { labs, coats } = layField(desk, size, [pass(0, whole, false), pass(1, whole, false)], {
      wet: 1,
      dry: 0.3,
    });
    for (const lab of labs) expect(deltaE00(lab, labs[0]!)).toBeLessThan(1e-9);
    expect(deltaE00(labs[0]!, seenLab(desk, [0, 1]))).toBeLessThan(0.8);
    expect(Math.max(...coats)).toBeCloseTo(2, 9);
  });
  it("keeps its ink where a wet pass carries it about", () => {
    const still = layField(desk, size, [pass(0, whole, false), pass(1, half, true)], { wet: 0, dry: 0 });
    const moved = layField(desk, size, [pass(0, whole, false), pass(1, half, true)], { wet: 1.5, dry: 0 });
    // Only at the ends of the field, where nothing lies beyond, a little is weighed otherwise.
    expect(Math.abs(sum(moved.coats) - sum(still.coats)) / sum(still.coats)).toBeLessThan(0.01);
    expect(moved.coats[19]!).toBeGreaterThan(still.coats[19]! + 0.2);
  });
  it("is not moved by a pass on dry ink, but for what the pass brings", () => {
    const { coats } = layField(desk, size, [pass(0, half, false), pass(1, whole, false)], { wet: 3, dry: 0 });
    expect(coats[19]).toBeCloseTo(1, 9);
    expect(coats[20]).toBeCloseTo(2, 9);
    const creeping = layField(desk, size, [pass(0, half, false)], { wet: 0, dry: 0.8 }).coats;
    expect(creeping[19]!).toBeGreaterThan(0.2);
    expect(creeping[10]!).toBeLessThan(0.01);
  });
  it("does not run onto paper that nobody wetted", () => {
    const { labs } = layField(desk, size, [pass(0, half, true)], { wet: 3, dry: 0 });
    expect(deltaE00(labs[10]!, desk.paper.lab)).toBeLessThan(1e-6);
  });
});
