import type { Ground } from "@/core/light/ground";

/** How far a section may be larger or smaller than its share, and what a whole share of that costs beside the cut, in lengths of a middling cut. */
const UNEVEN = 0.35;
const UNEVEN_COST = 1.5;
/** Lines along an area at which it may be cut. */
const MOST_LEVELS = 1024;
/** Places t (of 254) up to which ink is a highlight, and how much dearer a cut is there. */
const HIGHLIGHT = 64;
const HIGHLIGHT_COST = 8;

const SIDES = [1, 0, -1, 0, 0, 1, 0, -1] as const;
const CORNERS = [...SIDES, 1, 1, 1, -1, -1, 1, -1, -1] as const;

/**
 * Steps from a pixel to every other of its area without leaving it, −1 where no way leads; sides and corners by turns, so that what is equally
 * far lies on an octagon. Source: A. Rosenfeld & J. L. Pfaltz, Pattern Recognition 1 (1968), 33–61.
 * @param far told per pixel, −1 where not yet reached
 * @returns the pixels that were reached, the nearest first
 */
function walk(ground: Ground, from: number, base: number, far: Int32Array): number[] {
  const { width, height, own } = ground;
  const reached = [from];
  far[from] = base;
  for (let at = 0, d = base + 1; at < reached.length; d++) {
    const steps = d % 2 ? SIDES : CORNERS;
    for (const end = reached.length; at < end; at++) {
      const p = reached[at]!;
      const [x, y] = [p % width, (p / width) | 0];
      for (let k = 0; k < steps.length; k += 2) {
        const [u, v] = [x + steps[k]!, y + steps[k + 1]!];
        const q = v * width + u;
        if (u < 0 || v < 0 || u >= width || v >= height) continue;
        if (far[q] !== -1 || own[q] !== own[from]) continue;
        far[q] = d;
        reached.push(q);
      }
    }
  }
  return reached;
}

/** Levels (exclusive ends) at which a row of levels is cut into so many parts: near even ground, where cutting costs least. */
export function cutLevels(ground: Float64Array, cost: Float64Array, parts: number): number[] {
  const levels = ground.length;
  const upTo = new Float64Array(levels + 1);
  for (let d = 0; d < levels; d++) upTo[d + 1] = upTo[d]! + ground[d]!;
  const share = upTo[levels]! / parts;
  const middling = cost.reduce((a, b) => a + b, 0) / Math.max(1, levels);
  // best[d]: least cost of cutting before level d for the nth time.
  let best = new Float64Array(levels + 1).fill(Infinity);
  best[0] = 0;
  const from: Int32Array[] = [];
  for (let n = 1; n <= parts; n++) {
    const next = new Float64Array(levels + 1).fill(Infinity);
    const by = new Int32Array(levels + 1).fill(-1);
    const [first, last] = n === parts ? [levels, levels] : [n, levels - (parts - n)];
    let start = 0;
    for (let d = first; d <= last; d++) {
      const cut = d < levels ? cost[d]! : 0;
      while (start < d && upTo[d]! - upTo[start]! > (1 + UNEVEN) * share) start++;
      // Where levels are wider than a share, the last one before is all there is.
      for (let e = Math.min(start, d - 1); e < d; e++) {
        const off = (upTo[d]! - upTo[e]!) / share - 1;
        if (off < -UNEVEN && e > start) break;
        const c = best[e]! + cut + UNEVEN_COST * middling * (off / UNEVEN) ** 2;
        if (c < next[d]!) [next[d], by[d]] = [c, e];
      }
    }
    best = next;
    from.push(by);
  }
  if (!Number.isFinite(best[levels]!)) {
    const even: number[] = [];
    for (let n = 1, d = 0; n <= parts; n++) {
      while (d < levels && upTo[d]! < n * share - 1e-9) d++;
      even.push(n === parts ? levels : d);
    }
    return even;
  }
  const ends: number[] = [];
  for (let n = parts - 1, d = levels; n >= 0; n--) {
    ends.unshift(d);
    d = from[n]![d]!;
  }
  return ends;
}

/**
 * Where the sections of areas lie: each area is cut across its length, by lines of equal way from one end of it, where such a line is short (a
 * neck) and crosses no highlight, into parts of about the same ground. They are numbered from the left or top, from the right for a left hand.
 * @param sections of each area of the ground, by its place; one is not cut
 * @param places 0 where no ink goes, else 1 + 254 t for the place t from the lightest end to the darkest; as the tone map gives them
 * @returns section of each pixel from 1; 0 where no area is
 * Complexity: linear in pixels; for each area no more than the square of {@link MOST_LEVELS}.
 */
export function sectionPlane(
  ground: Ground,
  sections: readonly number[],
  places: Uint8Array,
  hand: "right" | "left" = "right",
): Uint16Array {
  const { own, width } = ground;
  const out = new Uint16Array(own.length);
  for (let p = 0; p < own.length; p++) if (own[p]! >= 0) out[p] = 1;
  const pixels = sections.map((): number[] => []);
  for (let p = 0; p < own.length; p++) {
    const a = own[p]!;
    if (a >= 0 && (sections[a] ?? 1) > 1) pixels[a]!.push(p);
  }
  const far = new Int32Array(own.length).fill(-1);
  pixels.forEach((all, area) => {
    const parts = sections[area] ?? 1;
    if (parts < 2 || !all.length) return;
    let base = 0;
    for (const p of all) {
      if (far[p] !== -1) continue;
      // What lies farthest from any pixel is one end of this part of the area.
      const once = walk(ground, p, 0, far);
      for (const q of once) far[q] = -1;
      base = far[walk(ground, once.at(-1)!, base, far).at(-1)!]! + 1;
    }
    const most = all.reduce((m, p) => Math.max(m, far[p]!), 0) + 1;
    // An area that winds on and on is cut by lines that are so far apart.
    const step = Math.ceil(most / MOST_LEVELS);
    if (step > 1) for (const p of all) far[p] = Math.floor(far[p]! / step);
    const levels = Math.ceil(most / step);
    const [mm, cost] = [new Float64Array(levels), new Float64Array(levels)];
    for (const p of all) {
      mm[far[p]!]!++;
      cost[far[p]!]! += places[p]! <= HIGHLIGHT ? HIGHLIGHT_COST : 1;
    }
    const ends = cutLevels(mm, cost, parts);
    const sectionOf = new Uint16Array(levels);
    for (let d = 0, s = 0; d < levels; d++) {
      while (s < parts - 1 && d >= ends[s]!) s++;
      sectionOf[d] = s + 1;
    }
    const middle = (s: number): [x: number, y: number] => {
      let [x, y, n] = [0, 0, 0];
      for (const p of all)
        if (sectionOf[far[p]!] === s) {
          x += p % width;
          y += (p / width) | 0;
          n++;
        }
      return n ? [x / n, y / n] : [0, 0];
    };
    const [[x0, y0], [x1, y1]] = [middle(1), middle(parts)];
    const across = Math.abs(x1 - x0) >= Math.abs(y1 - y0);
    const backwards = across ? (hand === "left" ? x0 < x1 : x0 > x1) : y0 > y1;
    for (const p of all) {
      const s = sectionOf[far[p]!]!;
      out[p] = backwards ? parts + 1 - s : s;
    }
  });
  return out;
}
