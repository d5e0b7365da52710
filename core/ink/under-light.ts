import { labOf } from "@/core/colour/lab-of";
import type { Lab } from "@/core/colour/lab";
import { BANDS, type Illuminant } from "@/core/colour/observer";
import { readSpectrum, withOverlays, type Desk, type Stack } from "./desk";
import { reconstructReflectance } from "./reconstruct";
import { stackReflectance } from "./stack-reflectance";

/** What a colour read under daylight (D65) looks like under another light, taken for the smoothest reflectance that has it. */
export function labUnder(lab: Lab, light: Illuminant): Lab {
  if (light === "D65") return lab;
  return labOf(reconstructReflectance(lab, new Float64Array(BANDS).fill(1)).reflectance, light);
}

/**
 * A desk, fitted from readings under daylight, as it is seen under another light: paper, coats and overlays are the colours that their
 * spectra have there. Inks that match by day may part by lamp.
 */
export function underLight(desk: Desk, light: Illuminant): Desk {
  if (light === desk.paper.illuminant) return desk;
  const seen = (stack: Stack) => labOf(stackReflectance(desk, stack), light);
  const { overlays, ...model } = desk;
  const paper = { ...desk.paper, lab: labOf(desk.paper.reflectance, light), illuminant: light };
  const inks = desk.inks.map((ink, i) => ({
    ...ink,
    coats: ink.coats.map((reading, n) => {
      const lab = seen(Array<number>(n + 1).fill(i));
      const { clipping, reflectance } = reading;
      return { lab, ...(clipping && { clipping }), ...(reflectance && { reflectance }) };
    }),
  }));
  const read = (overlays?.stacks ?? []).map((stack) => {
    const reflectance = readSpectrum(desk, stack);
    return { stack, lab: seen(stack), ...(reflectance && { reflectance }) };
  });
  return withOverlays({ ...model, paper, inks }, read);
}
