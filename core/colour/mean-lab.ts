import type { Lab } from "./lab";

/** Mean of Labs, component by component; NaN for none. */
export function meanLab(labs: readonly Lab[]): Lab {
  let [L, a, b] = [0, 0, 0];
  for (const lab of labs) {
    L += lab[0];
    a += lab[1];
    b += lab[2];
  }
  return [L / labs.length, a / labs.length, b / labs.length];
}

/** The Lab a share `t` of the way from one to another. */
export const mixLab = (from: Lab, to: Lab, t: number): Lab => [
  from[0] + t * (to[0] - from[0]),
  from[1] + t * (to[1] - from[1]),
  from[2] + t * (to[2] - from[2]),
];
