import fc from "fast-check";
import { chroma, hue, hueTurn, labToXyz, xyzToLab, type Lab } from "./lab";
import { tristimulusWeights } from "./observer";

describe("Lab", () => {
  it("puts white at 100, black at 0 and half the light at L* 76.07", () => {
    const { white } = tristimulusWeights();
    expect(xyzToLab(white)).toEqual([100, 0, 0]);
    expect(xyzToLab([0, 0, 0])[0]).toBeCloseTo(0, 10);
    expect(xyzToLab([white[0] / 2, 0.5, white[2] / 2])[0]).toBeCloseTo(76.0693, 3);
  });

  it("comes back from XYZ", () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 0, max: 100, noNaN: true }),
          fc.double({ min: -80, max: 80, noNaN: true }),
          fc.double({ min: -80, max: 80, noNaN: true }),
        ),
        (lab) => {
          xyzToLab(labToXyz(lab)).forEach((v, i) => expect(v).toBeCloseTo(lab[i]!, 6));
        },
      ),
    );
  });

  it("knows chroma, hue and turns across 0°", () => {
    const colour: Lab = [50, 3, 4];
    expect(chroma(colour)).toBe(5);
    expect(hue([50, 0, 10])).toBeCloseTo(90, 10);
    expect(hue([50, 0, 0])).toBe(0);
    expect(hueTurn(350, 10)).toBe(20);
    expect(hueTurn(10, 350)).toBe(-20);
  });
});
