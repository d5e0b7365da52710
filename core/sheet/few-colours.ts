import { median } from "@/core/algebra/median";
import { solve } from "@/core/algebra/solve";
import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { applyMatrix, RGB_TO_XYZ, XYZ_TO_RGB } from "@/core/colour/rgb";
import { deviceColour, FEWEST_REFERENCES, type DeviceColour, type Reference } from "@/core/chart/device";

/** How strongly a camera that few colours tell of is held at sRGB, in shares of their number. */
const HOLD = 0.004;
const seenWeight = (v: number) => Math.max(0.01, v) ** (-2 / 3);

/** Linear RGB (may leave 0–1) of a colour. */
export const linearOfLab = (lab: Lab): Xyz => applyMatrix(XYZ_TO_RGB, labToXyz(lab));

/**
 * Colour of a camera from whatever is known in the picture. Many colours set a root-polynomial correction (see `deviceColour`); two to seven a
 * matrix that stays near sRGB's as far as they leave it open; one or none leave the camera as sRGB.
 * @param paper colour of the bare paper
 * @param references levels after the light was evened (bare paper = its own linear RGB) and colours
 */
export function cameraColour(paper: Lab, references: readonly Reference[]): DeviceColour {
  if (references.length >= FEWEST_REFERENCES) return deviceColour(paper, references);
  /** Bare paper is 1, 1, 1 to a device; here its own light. */
  const white = linearOfLab(paper);
  const scaled = (rgb: Xyz): Xyz => [rgb[0] * white[0], rgb[1] * white[1], rgb[2] * white[2]];
  const fitted = (set: readonly Reference[]) => {
    const rows = [0, 1, 2].map((c) => {
      const normal = new Float64Array(9);
      const right = new Float64Array(3);
      const white = { rgb: [1, 1, 1] as Xyz, lab: paper };
      for (const { rgb, lab } of [...set, white, white]) {
        const own = scaled(rgb);
        const wanted = labToXyz(lab)[c]!;
        const open = wanted - applyMatrix(RGB_TO_XYZ, own)[c]!;
        const w = seenWeight(wanted) ** 2;
        for (let a = 0; a < 3; a++) {
          right[a]! += w * own[a]! * open;
          for (let b = 0; b < 3; b++) normal[3 * a + b]! += w * own[a]! * own[b]!;
        }
      }
      for (let a = 0; a < 3; a++) normal[4 * a]! += HOLD * (set.length + 2);
      return solve(normal, right);
    });
    return (rgb: Xyz): Lab => {
      const own = scaled(rgb);
      return xyzToLab(
        applyMatrix(RGB_TO_XYZ, own).map((v, c) =>
          Math.max(0, v + own.reduce((sum, t, i) => sum + t * rows[c]![i]!, 0)),
        ) as unknown as Xyz,
      );
    };
  };
  const off = references.map((_, i) =>
    deltaE00(fitted(references.filter((__, j) => j !== i))(references[i]!.rgb), references[i]!.lab),
  );
  return {
    toLab: fitted(references),
    references: references.length,
    expectedError: references.length > 1 ? median(off) : undefined,
  };
}
