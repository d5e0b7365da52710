import type { Form } from "./form";
import { cellsAlong, flowOf, type Flow } from "./growth";
import { lightHair } from "./hair";
import { coarser, extentsOf, type Extent, type Ground } from "./ground";
import { squaredHeights, type Relief } from "./heights";
import { lampDirection, litBy, type LightPlan } from "./light";
import { normalsOf, type Normals } from "./normals";
import { shadeOf } from "./shade";

/** Light and dark of every area. */
export interface ValueField {
  readonly width: number;
  readonly height: number;
  /** 0 light to 65535 dark, one a pixel. */
  readonly values: Uint16Array;
}

export const DARKEST = 65535;

/** Direction of an area's longest extent, radians anticlockwise from across, from its second moments. */
export function longestAxis(
  { width, own }: Pick<Ground, "width" | "own">,
  area: number,
  { box }: Pick<Extent, "box">,
): number {
  const [left, top, right, bottom] = box;
  let [n, sx, sy, xx, yy, xy] = [0, 0, 0, 0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      if (own[y * width + x] !== area) continue;
      const [u, v] = [x - left, y - top];
      n++;
      sx += u;
      sy += v;
      xx += u * u;
      yy += v * v;
      xy += u * v;
    }
  if (!n) return 0;
  return -0.5 * Math.atan2(2 * (xy - (sx * sy) / n), xx - (sx * sx) / n - (yy - (sy * sy) / n));
}

/** Pixels that a crease runs through. */
function creasesOf({ width, height, own }: Ground, forms: readonly Form[]): Uint8Array | undefined {
  if (forms.every((f) => f.kind !== "folded" || !f.creases.length)) return undefined;
  const out = new Uint8Array(own.length);
  forms.forEach((form, area) => {
    if (form.kind !== "folded") return;
    const mark = (x: number, y: number) => {
      const inside = x >= 0 && y >= 0 && x < width && y < height;
      if (inside && own[y * width + x] === area) out[y * width + x] = 1;
    };
    for (const crease of form.creases) {
      let before: number | undefined;
      for (const [u, v] of cellsAlong(crease, ([u, v]) => [u * width, v * height])) {
        const [x, y] = [Math.floor(u), Math.floor(v)];
        mark(x, y);
        // Nothing slips by at a corner.
        if (before !== undefined && before !== x) mark(before, y);
        before = x;
      }
    }
  });
  return out;
}

/** Bands of light and dark along the form: as many turns from its middle to its rim. */
const BANDS = 1.5;
const MIRRORED = (cos: number) => 0.5 - 0.5 * Math.cos(2 * Math.PI * BANDS * (0.5 + 0.5 * cos));

/** How each area's height is found: those that are like a neighbour go on with what that is like in the end. */
export function reliefsOf(
  ground: Ground,
  forms: readonly Form[],
  placeOf: (id: string) => number,
  extents: readonly Extent[],
): Relief[] {
  const rootOf = (area: number): number => {
    let now = area;
    for (let hops = 0; hops <= forms.length; hops++) {
      const { kind, like } = forms[now]!;
      const next = kind === "like" && like !== null ? placeOf(like) : -1;
      if (next < 0 || next === now) return now;
      if (next === area) return area;
      now = next;
    }
    return area;
  };
  return forms.map((form, area): Relief => {
    const axis =
      form.kind !== "tube"
        ? 0
        : form.axis === null
          ? longestAxis(ground, area, extents[area]!)
          : (form.axis * Math.PI) / 180;
    return { kind: form.kind === "like" ? "ball" : form.kind, axis, root: rootOf(area) };
  });
}

/** What is known of a ground's forms whatever the light: it stays while a light is dragged. */
export interface Relieved {
  readonly ground: Ground;
  readonly forms: readonly Form[];
  readonly extents: readonly Extent[];
  readonly normals: Normals;
  readonly crease: Uint8Array | undefined;
  /** Growth of the areas that have some. */
  readonly flows: ReadonlyMap<number, Flow>;
}

/** Growth of the areas that have some. */
export function flowsOf(
  ground: Ground,
  forms: readonly Form[],
  extents: readonly Extent[],
): Map<number, Flow> {
  const flows = new Map<number, Flow>();
  forms.forEach(({ growth }, a) => {
    const flow = growth && extents[a]!.pixels ? flowOf(ground, a, extents[a]!, growth) : undefined;
    if (flow) flows.set(a, flow);
  });
  return flows;
}

/**
 * Normals of every area by its form.
 * @param forms of every area; `placeOf` leads from an area's id to its place
 * @param by makes it coarser by this whole factor: a quick look
 */
export function relieve(
  whole: Ground,
  forms: readonly Form[],
  placeOf: (id: string) => number,
  by = 1,
): Relieved {
  const ground = coarser(whole, by);
  const extents = extentsOf(ground);
  const reliefs = reliefsOf(ground, forms, placeOf, extents);
  const crease = creasesOf(ground, forms);
  const squared = squaredHeights(ground, reliefs, crease);
  const bulge = forms.map((f, a) => (forms[reliefs[a]!.root] ?? f).height);
  const flows = flowsOf(ground, forms, extents);
  return { ground, forms, extents, crease, normals: normalsOf(ground, reliefs, squared, bulge), flows };
}

/** Light and dark of every area under a light. Values of what belongs to nobody are 0. */
export function valueField(relieved: Relieved, plan: LightPlan): ValueField {
  const { ground, forms, extents, normals, crease } = relieved;
  const { width, height, own } = ground;
  const lamps = [plan.main, ...(plan.second ? [plan.second] : [])].map((l) => ({
    ...l,
    to: lampDirection(l),
  }));
  const whole = lamps.reduce((sum, l) => sum + l.strength, 0) || 1;
  const shines = Float32Array.from(forms, (f) => f.shine);
  const light = new Float32Array(own.length);
  const n: [number, number, number] = [0, 0, 1];
  for (let p = 0; p < own.length; p++) {
    const a = own[p]!;
    if (a < 0) continue;
    const x = normals.x[p]!;
    const y = normals.y[p]!;
    n[0] = x;
    n[1] = y;
    n[2] = Math.sqrt(Math.max(0, 1 - x * x - y * y));
    let sum = 0;
    for (let l = 0; l < lamps.length; l++) {
      const lamp = lamps[l]!;
      sum += lamp.strength * litBy(n, lamp.to, lamp.behind, plan.softness);
    }
    const shine = shines[a]!;
    if (shine > 0) {
      const to = lamps[0]!.to;
      sum =
        (1 - shine) * sum + shine * whole * MIRRORED(n[0] * to[0] + n[1] * to[1] + n[2] * Math.abs(to[2]));
    }
    light[p] = sum / whole;
  }
  if (crease) inCreases(light, relieved, crease);
  for (const [a, flow] of relieved.flows)
    lightHair(ground, a, extents[a]!, forms[a]!.growth!, flow, normals, lamps[0]!.to, light);
  const shade = shadeOf(
    ground,
    plan,
    forms.map((f) => f.stands),
  );
  const values = new Uint16Array(own.length);
  const { strength } = plan.shade;
  const takes = forms.map((f) => f.takes);
  for (let p = 0; p < own.length; p++)
    if (own[p]! >= 0)
      values[p] = Math.round(DARKEST * (1 - light[p]! * (1 - strength * takes[own[p]!]! * shade[p]!)));
  return { width, height, values };
}

/** A crease is as dark as the darker of its banks. */
function inCreases(light: Float32Array, { ground: { width, own } }: Relieved, crease: Uint8Array): void {
  for (let p = 0; p < own.length; p++) {
    if (!crease[p]) continue;
    let least = Infinity;
    for (const q of [p - 1, p + 1, p - width, p + width, p - 2, p + 2, p - 2 * width, p + 2 * width])
      if (own[q] === own[p] && !crease[q]) least = Math.min(least, light[q]!);
    if (least < Infinity) light[p] = least;
  }
}

/** Values of the light and of a reference, mixed: `share` of the reference's. */
export const mixedValues = (
  light: Uint16Array,
  reference: Uint16Array,
  share: number,
  { own }: Pick<Ground, "own">,
): Uint16Array =>
  light.map((v, p) => (own[p]! < 0 ? 0 : Math.round((1 - share) * v + share * reference[p]!)));
