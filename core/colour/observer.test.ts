import { BANDS, reflectanceToXyz, tristimulusWeights, type Illuminant } from "./observer";

const flat = (r: number) => new Float64Array(BANDS).fill(r);

describe("the observer", () => {
  // CIE 15:2018, table T.3: chromaticities of the illuminants for the 2° observer.
  const published: [Illuminant, number, number][] = [
    ["D65", 0.3127, 0.329],
    ["D50", 0.3457, 0.3585],
    ["A", 0.4476, 0.4074],
  ];
  it.each(published)("sees the white of %s at its published chromaticity", (name, x, y) => {
    const [X, Y, Z] = tristimulusWeights(name).white;
    expect(Y).toBeCloseTo(1, 12);
    expect(X / (X + Y + Z)).toBeCloseTo(x, 3);
    expect(Y / (X + Y + Z)).toBeCloseTo(y, 3);
  });

  it("sees a grey diffuser as that share of white", () => {
    const { white } = tristimulusWeights("D65");
    reflectanceToXyz(flat(0.2)).forEach((v, i) => expect(v).toBeCloseTo(0.2 * white[i]!, 12));
  });
});
