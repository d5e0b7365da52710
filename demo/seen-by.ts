import { xyzToLab, type Lab } from "@/core/colour/lab";
import { look } from "@/sim/observer";

/** Lab (D65, 2°) of a simulated reflectance (every 5 nm): how the core is told what the desk shows. */
export const seenBy = (reflectance: Float64Array): Lab => xyzToLab(look(reflectance));
