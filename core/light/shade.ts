import { smoothStep } from "@/core/algebra/smooth-step";
import { coarser, finer, type Ground } from "./ground";
import { lampDirection, type LightPlan } from "./light";
import { runMeans } from "./run-means";

/** Share of the shade's length that is the shade of mere contact, wherever the light stands. */
const CONTACT = 0.45;
/** Steps of a look towards the light, and the angles at which it is looked beside it, radians at full softness. */
const STEPS = 12;
const BESIDE = [-0.45, 0, 0.45] as const;
/** Cells over the length of a shade. */
const FINE = 14;
const DIAGONAL = Math.SQRT2;

/** Distance (pixels, up to `most`) to what lies before, through the pixel's own area: two passes over the plane (G. Borgefors 1986). */
function nearestBefore(
  { width, height, own, before, count }: Ground,
  stands: readonly number[],
  most: number,
): Float32Array {
  const d = new Float32Array(own.length).fill(most);
  const step = (p: number, q: number, far: number) => {
    const b = own[q]!;
    const a = own[p]!;
    if (a < 0 || b < 0) return;
    if (a === b) d[p] = Math.min(d[p]!, d[q]! + far);
    else if (before[a * count + b] && stands[b]! > 0) d[p] = Math.min(d[p]!, far / 2);
  };
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      if (own[p]! < 0) continue;
      if (x) step(p, p - 1, 1);
      if (!y) continue;
      step(p, p - width, 1);
      if (x) step(p, p - width - 1, DIAGONAL);
      if (x + 1 < width) step(p, p - width + 1, DIAGONAL);
    }
  for (let y = height - 1, p = own.length - 1; y >= 0; y--)
    for (let x = width - 1; x >= 0; x--, p--) {
      if (own[p]! < 0) continue;
      if (x + 1 < width) step(p, p + 1, 1);
      if (y + 1 === height) continue;
      step(p, p + width, 1);
      if (x + 1 < width) step(p, p + width + 1, DIAGONAL);
      if (x) step(p, p + width - 1, DIAGONAL);
    }
  return d;
}

/**
 * Shade (0–1) on each pixel from what passes before it: where they meet, and as far towards the side away from the light as what lies before
 * stands out. A lamp behind the picture casts its shade towards the eye, so only contact is left.
 * @param stands how far each area stands before what is behind it, as a multiple of the plan's length
 */
export function shadeOf(ground: Ground, plan: LightPlan, stands: readonly number[]): Float32Array {
  const { strength, length } = plan.shade;
  if (strength <= 0 || length <= 0) return new Float32Array(ground.own.length);
  // Shade is soft: cells of a fraction of its length say it all.
  const by = Math.max(1, Math.round(length / ground.mmPerPixel / FINE));
  const small = coarser(ground, by);
  const shade = shadeOn(small, plan, stands);
  return by > 1 ? finer(shade, small, ground, by) : shade;
}

function shadeOn(ground: Ground, { main, shade }: LightPlan, stands: readonly number[]): Float32Array {
  const { width, height, own, before, count, mmPerPixel } = ground;
  const out = new Float32Array(own.length);
  const unit = shade.length / mmPerPixel;
  const tallest = Math.min(8, Math.max(1, ...stands));
  const [lx, ly, lz] = lampDirection(main);
  // How far a shadow falls is the cotangent of the light's height, within reason.
  const falls = main.behind ? 0 : Math.min(1.6, Math.hypot(lx, ly) / Math.max(0.35, lz));
  const reach = unit * Math.max(CONTACT, falls * tallest);
  const near = nearestBefore(ground, stands, reach + 1);
  const side = Math.hypot(lx, ly) || 1;
  const looks = BESIDE.map((turn) => {
    const [c, s] = [Math.cos(turn * shade.softness), Math.sin(turn * shade.softness)];
    return [(lx * c - ly * s) / side, (lx * s + ly * c) / side] as const;
  });
  const edge = 1 - 0.9 * shade.softness;
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const a = own[p]!;
      if (a < 0 || near[p]! >= reach) continue;
      const contact = near[p]! / (unit * CONTACT);
      let dark = contact < 1 ? 0.7 * (1 - smoothStep(contact)) : 0;
      if (falls > 0) {
        let cast = 0;
        for (const [dx, dy] of looks) {
          for (let s = 1; s <= STEPS; s++) {
            const far = (s / STEPS) * falls * tallest * unit;
            if (far + 1 < near[p]!) continue;
            const [qx, qy] = [Math.round(x + dx * far), Math.round(y + dy * far)];
            if (qx < 0 || qy < 0 || qx >= width || qy >= height) break;
            const b = own[qy * width + qx]!;
            if (b < 0 || b === a || !before[a * count + b] || !stands[b]) continue;
            const share = far / (falls * unit * stands[b]!);
            if (share < 1) cast += 1 - smoothStep((share - edge) / Math.max(0.05, 1 - edge));
            break;
          }
        }
        dark = Math.max(dark, cast / looks.length);
      }
      out[p] = Math.min(1, dark);
    }
  const radius = new Uint16Array(count).fill(Math.max(1, Math.round(unit * 0.12)));
  return runMeans(out, ground, radius, [0, 0, width, height]);
}
