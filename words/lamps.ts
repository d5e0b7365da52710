import type { Illuminant } from "@/core/colour/observer";

/** Lights by name, as a colourist would call them. */
export const LAMPS: Readonly<Record<Illuminant, string>> = {
  D65: "Daylight",
  D50: "Warm daylight",
  A: "Lamp light",
};
