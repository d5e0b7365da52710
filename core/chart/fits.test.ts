import fc from "fast-check";
import { homographyBetween, project } from "@/core/algebra/homography";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { labToXyz } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { applyMatrix, XYZ_TO_RGB } from "@/core/colour/rgb";
import { averageReadings } from "./average";
import { deviceColour, type Reference } from "./device";
import { stretchAt } from "@/core/algebra/homography";
import { fitLight, type WhiteSample } from "./light";

describe("a projective map", () => {
  const square = [
    [0, 0],
    [100, 0],
    [100, 150],
    [0, 150],
  ] as const;
  it("carries its four points exactly, and back", () => {
    const corner = (x: number, y: number) =>
      fc.tuple(fc.integer({ min: x, max: x + 120 }), fc.integer({ min: y, max: y + 120 }));
    fc.assert(
      fc.property(corner(0, 0), corner(400, 20), corner(420, 600), corner(10, 590), (a, b, c, d) => {
        const quad = [a, b, c, d];
        const [there, back] = [homographyBetween(square, quad), homographyBetween(quad, square)];
        square.forEach(([x, y], i) => {
          const [u, v] = project(there, x, y);
          expect(Math.hypot(u - quad[i]![0], v - quad[i]![1])).toBeLessThan(1e-6);
          const [p, q] = project(back, u, v);
          expect(Math.hypot(p - x, q - y)).toBeLessThan(1e-6);
        });
      }),
    );
  });
  it("knows how far it stretches", () => {
    const { most, least } = stretchAt(
      homographyBetween(
        square,
        square.map(([x, y]) => [3 * x, 2 * y] as const),
      ),
      40,
      40,
    );
    expect(most).toBeCloseTo(3);
    expect(least).toBeCloseTo(2);
  });
});

describe("light over a page", () => {
  const places = Array.from({ length: 100 }, (_, i) => ({
    x: -0.9 + 0.45 * (i % 5),
    y: -0.95 + 0.1 * Math.floor(i / 5),
  }));
  const level = (x: number, y: number): Xyz => [
    0.6 * Math.exp(0.2 * x - 0.1 * y * y),
    0.5 * Math.exp(0.25 * x),
    0.3 * Math.exp(0.1 * x * y),
  ];
  const even: WhiteSample[] = places.map((p) => ({ ...p, rgb: level(p.x, p.y) }));
  it("is found where it falls off smoothly", () => {
    const field = fitLight(even);
    expect(field.residual).toBeLessThan(0.004);
    expect(field.strays).toEqual([]);
    field.at(0.2, -0.3).forEach((v, c) => expect(v / level(0.2, -0.3)[c]!).toBeCloseTo(1, 2));
  });
  it("is not bent by white cells that were coloured or that glare; it names them", () => {
    const field = fitLight(
      even.map((s, i) =>
        i === 12 ? { ...s, rgb: [0.2, 0.3, 0.2] } : i === 40 ? { ...s, rgb: [0.9, 0.9, 0.9] } : s,
      ),
    );
    expect(field.strays.map((s) => [s.cell, Math.sign(s.by)])).toEqual([
      [12, -1],
      [40, 1],
    ]);
    expect(field.residual).toBeLessThan(0.004);
  });
});

describe("a device's own colour", () => {
  const paper: Lab = [95, -1, 4];
  const white = applyMatrix(XYZ_TO_RGB, labToXyz(paper));
  const true_ = (lab: Lab): Xyz =>
    applyMatrix(XYZ_TO_RGB, labToXyz(lab)).map((v, c) => v / white[c]!) as unknown as Xyz;
  /** A camera whose channels leak into each other. */
  const leaky = (lab: Lab): Xyz => {
    const [r, g, b] = true_(lab);
    return [0.86 * r + 0.14 * g, 0.06 * r + 0.9 * g + 0.04 * b, 0.12 * g + 0.88 * b];
  };
  const labs: Lab[] = Array.from({ length: 40 }, (_, i) => [
    35 + ((i * 17) % 55),
    30 * Math.sin(i),
    30 * Math.cos(1.7 * i),
  ]);
  const refs: Reference[] = labs.map((lab) => ({ rgb: leaky(lab), lab }));
  const unseen: Lab[] = [
    [60, 18, -10],
    [72, -15, 20],
    [48, 5, 25],
  ];
  it("is taken at its word with white alone, and says so", () => {
    const plain = deviceColour(paper, refs.slice(0, 5));
    expect(plain.references).toBe(0);
    expect(plain.expectedError).toBeUndefined();
    expect(deltaE00(plain.toLab([1, 1, 1]), paper)).toBeLessThan(0.05);
    for (const lab of unseen) expect(deltaE00(plain.toLab(true_(lab)), lab)).toBeLessThan(0.05);
  });
  it("comes right by colours that are known, and says how right", () => {
    const fitted = deviceColour(paper, refs);
    for (const lab of unseen) {
      expect(deltaE00(deviceColour(paper, []).toLab(leaky(lab)), lab)).toBeGreaterThan(1);
      expect(deltaE00(fitted.toLab(leaky(lab)), lab)).toBeLessThan(0.5);
    }
    expect(fitted.expectedError).toBeLessThan(1);
  });
  it("does not believe one that was misread", () => {
    const fitted = deviceColour(paper, [...refs, { rgb: leaky([50, 40, 40]), lab: [80, -40, 0] }]);
    expect(fitted.references).toBeLessThanOrEqual(refs.length);
    expect(fitted.references).toBeGreaterThan(0.85 * refs.length);
    for (const lab of unseen) expect(deltaE00(fitted.toLab(leaky(lab)), lab)).toBeLessThan(0.5);
  });
});

describe("repeated readings", () => {
  const near: Lab[] = [
    [70, 10, 20],
    [70.1, 10, 20.1],
    [69.9, 10.1, 19.9],
    [70, 9.9, 20],
  ];
  it("are averaged, with their spread", () => {
    const mean = averageReadings(near);
    expect(deltaE00(mean.lab, [70, 10, 20])).toBeLessThan(0.1);
    expect(mean.spread).toBeLessThan(0.2);
    expect(mean.rejected).toEqual([]);
  });
  it("lose the misread, named by its place", () => {
    const mean = averageReadings([near[0]!, [88, 2, 5], ...near.slice(1)]);
    expect(mean.rejected).toEqual([1]);
    expect(mean.used).toBe(4);
    expect(deltaE00(mean.lab, [70, 10, 20])).toBeLessThan(0.1);
  });
  it("keep two that disagree, and show it", () => {
    expect(
      averageReadings([
        [70, 0, 0],
        [60, 0, 0],
      ]),
    ).toMatchObject({ used: 2, rejected: [] });
    expect(
      averageReadings([
        [70, 0, 0],
        [60, 0, 0],
      ]).spread,
    ).toBeGreaterThan(3);
    expect(() => averageReadings([])).toThrow(RangeError);
  });
});
