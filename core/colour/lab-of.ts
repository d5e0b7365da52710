import { xyzToLab, type Lab } from "./lab";
import { reflectanceToXyz, tristimulusWeights, type Illuminant, type Spectrum } from "./observer";

/** Lab of a reflectance (36 bands, 380–730 nm) under a light. */
export function labOf(reflectance: Spectrum, illuminant: Illuminant = "D65"): Lab {
  const w = tristimulusWeights(illuminant);
  return xyzToLab(reflectanceToXyz(reflectance, w), w.white);
}
