import { krige } from "@/core/algebra/kriging";
import { median } from "@/core/algebra/median";
import { solve } from "@/core/algebra/solve";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { applyMatrix, RGB_TO_XYZ, XYZ_TO_RGB } from "@/core/colour/rgb";

/** What turns a device's levels (linear, bare paper = 1) into colour. */
export interface DeviceColour {
  readonly toLab: (rgb: Xyz) => Lab;
  /** Known colours it rests on; 0 when only white was set and the device is taken for sRGB. */
  readonly references: number;
  /** Median ΔE00 of references that were left out of the fit in turn; undefined without references. */
  readonly expectedError: number | undefined;
}

/** A cell whose colour is known otherwise: its levels (linear, bare paper = 1) and its colour. */
export interface Reference {
  readonly rgb: Xyz;
  readonly lab: Lab;
}

const cube = (x: number, y: number, z: number) => Math.cbrt(Math.max(0, x) * Math.max(0, y) * Math.max(0, z));
const root = (x: number, y: number) => Math.sqrt(Math.max(0, x) * Math.max(0, y));

/**
 * Terms that keep their proportions when the light grows.
 * Source: G. D. Finlayson, M. Mackiewicz & A. Hurlbert, IEEE Trans. Image Process. 24 (2015) 1460–1470, degrees 2 and 3.
 */
function terms([r, g, b]: Xyz): number[] {
  return [
    r,
    g,
    b,
    root(r, g),
    root(g, b),
    root(r, b),
    cube(r, g, g),
    cube(g, b, b),
    cube(r, b, b),
    cube(g, r, r),
    cube(b, g, g),
    cube(b, r, r),
    cube(r, g, b),
  ];
}

/** Strength with which a correction is held at none, by degree of its terms: a few references bend little, many bend freely. */
const HOLD = [2e-4, 2e-4, 2e-4, 6e-4, 6e-4, 6e-4, ...Array<number>(7).fill(2.5e-3)];
/** Fewer known colours than this do not change the device's own. */
export const FEWEST_REFERENCES = 8;
/** A reference further off than this many times the others' middle loses its say. */
const OUTLYING = 4;

/** Slope of the Lab compression, so that least squares in XYZ weigh like differences seen. */
const seenWeight = (v: number) => Math.max(0.01, v) ** (-2 / 3);

function fit(references: readonly Reference[], plain: (rgb: Xyz) => Xyz): Float64Array[] {
  return [0, 1, 2].map((c) => {
    const n = HOLD.length;
    const normal = new Float64Array(n * n);
    const right = new Float64Array(n);
    for (const { rgb, lab } of references) {
      const wanted = labToXyz(lab)[c]!;
      const open = wanted - plain(rgb)[c]!;
      const row = terms(rgb);
      const w = seenWeight(wanted) ** 2;
      for (let a = 0; a < n; a++) {
        right[a]! += w * row[a]! * open;
        for (let b = 0; b < n; b++) normal[a * n + b]! += w * row[a]! * row[b]!;
      }
    }
    HOLD.forEach((h, a) => (normal[a * n + a]! += h));
    return solve(normal, right);
  });
}

/** Reach (Lab), expected size and noise (ΔE) of what the polynomial leaves over: inks of like colour err alike, having like dyes. */
const REACH = 25;
const LEFT_OVER = 1.5;
const NOISE = 0.5;

/** Adds to a device's colour what it leaves over at the references near by. */
function withLeftOver(toLab: (rgb: Xyz) => Lab, references: readonly Reference[]): (rgb: Xyz) => Lab {
  const places = references.map((r) => toLab(r.rgb));
  const covariance = (a: Lab, b: Lab) =>
    LEFT_OVER ** 2 *
    Math.exp(-((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2) / (2 * REACH ** 2));
  const left = references.map((r, j) => r.lab.map((v, c) => v - places[j]![c]!));
  const field = krige(places, left, covariance, NOISE ** 2);
  return (rgb) => {
    const at = toLab(rgb);
    return field.at(at).map((d, c) => at[c]! + d) as unknown as Lab;
  };
}

/** References are left out of the fit in turn, a fifth at a time, to see how far strange colours would come out. */
const FOLDS = 5;

/**
 * Colour of a device from bare paper and cells of known colour: the device is taken for sRGB with the paper's white, a root-polynomial
 * correction is added as far as the references carry it, and what that leaves over is carried from reference to reference.
 * @param paper colour of the bare paper (D65)
 */
export function deviceColour(paper: Lab, references: readonly Reference[]): DeviceColour {
  const white = applyMatrix(XYZ_TO_RGB, labToXyz(paper));
  const plain = (rgb: Xyz): Xyz =>
    applyMatrix(RGB_TO_XYZ, [rgb[0] * white[0], rgb[1] * white[1], rgb[2] * white[2]]);
  if (references.length < FEWEST_REFERENCES)
    return { toLab: (rgb) => xyzToLab(plain(rgb)), references: 0, expectedError: undefined };
  const fitted = (set: readonly Reference[]) => {
    // Bare paper is known as well as anything, and counts like a fifth of the set.
    const weights = fit(
      [...set, ...Array<Reference>(Math.ceil(set.length / 5)).fill({ rgb: [1, 1, 1], lab: paper })],
      plain,
    );
    return (rgb: Xyz): Lab => {
      const row = terms(rgb);
      return xyzToLab(
        plain(rgb).map((v, c) =>
          Math.max(0, v + row.reduce((sum, t, i) => sum + t * weights[c]![i]!, 0)),
        ) as unknown as Xyz,
      );
    };
  };
  const first = fitted(references);
  const off = references.map((r) => deltaE00(first(r.rgb), r.lab));
  const limit = Math.max(3, OUTLYING * median(off));
  const kept = references.filter((_, i) => off[i]! <= limit);
  const used = kept.length >= FEWEST_REFERENCES ? kept : references;
  const whole = (set: readonly Reference[]) => withLeftOver(fitted(set), set);
  const held = Array.from({ length: FOLDS }, (_, k) => {
    const blind = whole(used.filter((_, i) => i % FOLDS !== k));
    return used.filter((_, i) => i % FOLDS === k).map((r) => deltaE00(blind(r.rgb), r.lab));
  }).flat();
  return {
    toLab: whole(used),
    references: used.length,
    expectedError: median(held),
  };
}
