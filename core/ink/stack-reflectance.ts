import { BANDS, type Spectrum } from "@/core/colour/observer";
import { stackAbsorbance } from "./stack";
import { inkedReflectance } from "./sheet";
import { readSpectrum, seenLab, type Desk, type Stack } from "./desk";
import { reconstructReflectance } from "./reconstruct";
import { labOf } from "@/core/colour/lab-of";

/**
 * Reflectance (36 bands) of a stack, as pencil and other lights meet it: as it was read, or the model's spectrum, bent to the measured colour where there is one. No coats
 * give the paper.
 */
export function stackReflectance(desk: Desk, stack: Stack): Spectrum {
  if (!stack.length) return desk.paper.reflectance;
  const read = readSpectrum(desk, stack);
  if (read) return read;
  const model = inkedReflectance(
    desk.paper,
    stackAbsorbance(
      stack.map((i) => desk.inks[i]!.spectrum),
      desk.paper.fit,
    ),
  );
  const [seen, own] = [seenLab(desk, stack), labOf(model, desk.paper.illuminant)];
  if (Math.hypot(...seen.map((v, c) => v - own[c]!)) < 0.05) return model;
  // The smoothest factors that carry the model's colour into the measured one.
  const full = new Float64Array(BANDS).fill(1);
  const [to, from] = [seen, own].map(
    (lab) => reconstructReflectance(lab, full, desk.paper.illuminant).reflectance,
  );
  return model.map((r, i) => Math.min(0.99, (r * to![i]!) / from![i]!));
}
