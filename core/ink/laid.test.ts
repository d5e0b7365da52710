import { DEFAULT_FIT } from "./paper";
import fc from "fast-check";
import { passWeights, uptakeAt, coatWeights } from "./weights";
import { deltaE00 } from "@/core/colour/delta-e00";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { layDesk, seenLab, withOverlays } from "./desk";
import { laidLab } from "./laid";

const desk = layDesk(...scannedDesk(6, 4));
const { fit } = desk.paper;
const dry = (ink: number, coats = 1) => ({ ink, coats, wet: false });
const wet = (ink: number, coats = 1) => ({ ink, coats, wet: true });

describe("passes over each other", () => {
  it("of whole coats on dry ink are a stack", () => {
    expect(passWeights([dry(0), dry(1), dry(2)], fit)).toEqual(
      coatWeights(3, fit).map((w) => expect.closeTo(w, 12) as number),
    );
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5 }), { maxLength: 4 }), (stack) => {
        expect(
          deltaE00(
            laidLab(
              desk,
              stack.map((i) => dry(i)),
            ),
            seenLab(desk, stack),
          ),
        ).toBeLessThan(1e-9);
      }),
    );
  });
  it("show the paper where nothing lies, and one ink as it was read", () => {
    expect(laidLab(desk, [])).toEqual(desk.paper.lab);
    expect(laidLab(desk, [dry(2, 0)])).toEqual(desk.paper.lab);
    expect(laidLab(desk, [dry(2), wet(2)])).toEqual(seenLab(desk, [2, 2]));
    const [one, half, two] = [1, 1.5, 2].map((n) => laidLab(desk, [dry(3, n)])[0]);
    expect(half).toBeCloseTo((one! + two!) / 2, 9);
  });
  it("count by their part: half a coat lies between none and one", () => {
    const L = [0, 0.5, 1].map((n) => laidLab(desk, [dry(0), dry(1, n)])[0]);
    expect(L[0]).toBeGreaterThan(L[1]!);
    expect(L[1]).toBeGreaterThan(L[2]!);
    expect(uptakeAt(fit, 0)).toBe(0);
    expect(uptakeAt(fit, 2)).toBeCloseTo(fit.uptake[1]!, 12);
    expect(uptakeAt(fit, 1.5)).toBeCloseTo((fit.uptake[0]! + fit.uptake[1]!) / 2, 12);
  });
  it("carry away more of what lies beneath where the sheet is wet, and never add to it", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ coats: fc.double({ min: 0.1, max: 2, noNaN: true }), wet: fc.boolean() }), {
          minLength: 2,
          maxLength: 6,
        }),
        (passes) => {
          const asDry = passWeights(
            passes.map((p) => ({ ...p, wet: false })),
            fit,
          );
          passWeights(passes, fit).forEach((w, i) => {
            expect(w).toBeLessThanOrEqual(asDry[i]! + 1e-12);
            expect(w).toBeGreaterThanOrEqual(0);
          });
        },
      ),
    );
    expect(laidLab(desk, [dry(0), wet(1)])[0]).toBeGreaterThan(laidLab(desk, [dry(0), dry(1)])[0]);
  });
  it("lean on stacks that were read", () => {
    const [L, a, b] = seenLab(desk, [0, 1]);
    const read = withOverlays(desk, [{ stack: [0, 1], lab: [L - 5, a, b] }]);
    expect(laidLab(read, [dry(0), dry(1)])[0]).toBeLessThan(L - 3);
  });
  it("lose to a wet pass what it loosens beyond a dry one, and nothing twice", () => {
    const paper = { ...DEFAULT_FIT, lifting: 0.1, wetLifting: 0.3 };
    const first = (wet: boolean) =>
      passWeights(
        [
          { coats: 1, wet: false },
          { coats: 1, wet },
        ],
        paper,
      )[0]!;
    expect(first(true) / first(false)).toBeCloseTo(1 - (0.3 - 0.1), 9);
  });
});
