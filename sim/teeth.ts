import { SAMPLES, wavelength } from "./observer";
import { seeded } from "./random";

/**
 * Pencil on three teeth that differ by law, not by numbers, with pigments of their own: what is learnt on one of them cannot be what the others do.
 * Nothing here is shared with the computation, nor with the wax of `wax.ts`.
 */
export interface Pigment {
  readonly code: string;
  /** Absorption and scattering per µm, every 5 nm. */
  readonly absorb: Float64Array;
  readonly scatter: Float64Array;
}

/** Layers of one pencil over a spot; pressure 0–1 of what would press it into every valley. */
export interface ToothPass {
  readonly pigment: Pigment;
  readonly layers: number;
  readonly pressure: number;
}

/** A tooth: what is seen of a sheet (reflectance every 5 nm) after passes of pencil. */
export interface ToothLaw {
  readonly name: string;
  readonly over: (sheet: ArrayLike<number>, passes: readonly ToothPass[]) => Float64Array;
}

/** Wax on one spot, lowest first. */
type Pile = { pigment: Pigment; micron: number }[];
const thickness = (pile: Pile): number => pile.reduce((sum, w) => sum + w.micron, 0);
const add = (pile: Pile, pigment: Pigment, micron: number): void => {
  const top = pile.at(-1);
  if (top?.pigment === pigment) top.micron += micron;
  else if (micron > 1e-5) pile.push({ pigment, micron });
};

/**
 * Light through a pile by two fluxes in small steps: what goes down and what comes up are followed layer by layer from the sheet (Schuster's pair of
 * equations by Euler's steps, not their closed solution).
 */
function seenOver(below: number, pile: Pile, band: number): number {
  let r = below;
  for (const { pigment, micron } of pile) {
    const [k, s] = [pigment.absorb[band]!, pigment.scatter[band]!];
    const steps = Math.max(2, Math.ceil(micron * (k + s) * 12));
    const h = micron / steps;
    for (let n = 0; n < steps; n++) r += h * (s * (1 - r) ** 2 - 2 * k * r);
    r = Math.min(0.999, Math.max(0.0005, r));
  }
  return r;
}

const mean = (sheet: ArrayLike<number>, piles: readonly Pile[], dot = 1): Float64Array =>
  Float64Array.from({ length: SAMPLES }, (_, i) => {
    // Light that enters beside a grain and leaves beneath it darkens the gap: `dot` 1 takes none of that into account.
    const under = sheet[i]!;
    const all = piles.map((p) => seenOver(under, p, i));
    const plain = all.reduce((a, b) => a + b, 0) / all.length;
    const rooted = (all.reduce((a, b) => a + Math.sqrt(b), 0) / all.length) ** 2;
    return dot * plain + (1 - dot) * rooted;
  });

/** Contact by share: a stroke finds the highest part of the surface as it is now, wax and all, and fills what it finds. */
export const byShare: ToothLaw = {
  name: "share of the surface",
  over: (sheet, passes) => {
    const SITES = 96;
    const random = seeded(101);
    const height = Array.from({ length: SITES }, () => 9 * Math.sqrt(random()));
    const piles: Pile[] = height.map(() => []);
    for (const { pigment, layers, pressure } of passes)
      for (let n = 0; n < layers; n++) {
        const level = height.map((h, i) => h + 0.8 * thickness(piles[i]!));
        const order = level.map((_, i) => i).sort((a, b) => level[b]! - level[a]!);
        const touched = Math.ceil(SITES * Math.min(0.97, 0.12 + 0.85 * pressure ** 0.8));
        for (const i of order.slice(0, touched))
          add(piles[i]!, pigment, (1.1 * Math.sqrt(pressure)) / (1 + thickness(piles[i]!) / 6));
      }
    return mean(sheet, piles);
  },
};

/** Pressure against height: the point sinks until the peaks carry it; soft wax on them gives way into the valleys. */
export const givingWay: ToothLaw = {
  name: "wax that gives way",
  over: (sheet, passes) => {
    const SITES = 64;
    const height = Array.from(
      { length: SITES },
      (_, i) =>
        11 * (0.5 - 0.5 * Math.cos((2 * Math.PI * 7 * i) / SITES)) * (0.6 + (0.4 * ((i * 29) % 17)) / 17),
    );
    const piles: Pile[] = height.map(() => []);
    for (const { pigment, layers, pressure } of passes)
      for (let n = 0; n < layers; n++) {
        const level = height.map((h, i) => h + thickness(piles[i]!));
        // How far down the point comes: the peaks it rests on carry what it is pressed with.
        let [low, high] = [-4, Math.max(...level)];
        const carried = (z: number) => level.reduce((sum, l) => sum + Math.max(0, l - z) ** 1.5, 0) / SITES;
        for (let k = 0; k < 40; k++) {
          const z = (low + high) / 2;
          if (carried(z) > 16 * pressure) low = z;
          else high = z;
        }
        const push = level.map((l) => Math.max(0, l - high));
        push.forEach((p, i) => p > 0 && add(piles[i]!, pigment, (0.75 * p) / (p + 2.5)));
        // What stands under the point is pushed to the lower side of it.
        push.forEach((p, i) => {
          const pile = piles[i]!;
          const top = pile.at(-1);
          if (p < 2.5 || !top) return;
          const moved = Math.min(top.micron, 0.06 * p * top.micron);
          top.micron -= moved;
          const [left, right] = [(i + SITES - 1) % SITES, (i + 1) % SITES];
          add(piles[level[left]! < level[right]! ? left : right]!, top.pigment, moved);
        });
      }
    return mean(sheet, piles, 0.75);
  },
};

/** Grains: each stroke leaves grains where they catch; a firm hand burnishes, which lets the film scatter less and lie more even. */
export const grains: ToothLaw = {
  name: "grains and burnish",
  over: (sheet, passes) => {
    const SITES = 1024;
    const random = seeded(77);
    const catches = Array.from({ length: SITES }, () => random() ** 1.4);
    const counts = catches.map(() => [] as { pigment: Pigment; micron: number }[]);
    let burnish = 0;
    for (const { pigment, layers, pressure } of passes)
      for (let n = 0; n < layers; n++) {
        catches.forEach((c, i) => {
          const full = thickness(counts[i]!);
          const chance = (1 - Math.exp(-3.2 * pressure * (0.15 + c))) * Math.exp(-full / 7);
          // As many grains as fall there, of one size.
          for (let g = 0; g < 3; g++) if (random() < chance) add(counts[i]!, pigment, 0.42);
        });
        burnish += Math.max(0, pressure - 0.5) * 0.35;
      }
    const b = 1 - Math.exp(-burnish);
    const even = passes.length ? counts.reduce((s, p) => s + thickness(p), 0) / SITES : 0;
    const piles: Pile[] = counts.map((pile) => {
      const own = thickness(pile);
      const wanted = own + b * (even - own);
      const scale = own > 0 ? wanted / own : 0;
      return pile.map(({ pigment, micron }) => ({
        // A burnished film holds less air between its grains.
        pigment: { ...pigment, scatter: pigment.scatter.map((s) => s * (1 - 0.45 * b)) },
        micron: micron * scale,
      }));
    });
    return mean(sheet, piles, 0.85);
  },
};

export const TEETH: readonly ToothLaw[] = [byShare, givingWay, grains];

/** How hard the hand of these teeth presses for each word. */
export const PRESSES = { light: 0.18, medium: 0.45, firm: 0.8 } as const;

const band = (nm: number, centre: number, width: number) => Math.exp(-(((nm - centre) / width) ** 2));
const pigment = (
  code: string,
  bands: readonly (readonly [centre: number, width: number, strength: number])[],
  scatter: number,
  dirt = 0,
): Pigment => ({
  code,
  absorb: Float64Array.from({ length: SAMPLES }, (_, i) =>
    bands.reduce((sum, [c, w, h]) => sum + h * band(wavelength(i), c, w), dirt + 0.002),
  ),
  scatter: Float64Array.from({ length: SAMPLES }, (_, i) => scatter * (550 / wavelength(i)) ** 0.6),
});

/** Eighteen pigments: strong and weak in scattering, clean and dirty, a white, a black. */
export const PIGMENTS: readonly Pigment[] = [
  pigment("t white", [], 0.62),
  pigment("t cream", [[410, 50, 0.05]], 0.5, 0.004),
  pigment("t lemon", [[430, 48, 0.5]], 0.3),
  pigment(
    "t ochre",
    [
      [440, 70, 0.38],
      [560, 140, 0.05],
    ],
    0.2,
    0.02,
  ),
  pigment("t orange", [[470, 66, 0.6]], 0.22),
  pigment(
    "t red",
    [
      [500, 64, 0.7],
      [400, 60, 0.3],
    ],
    0.14,
  ),
  pigment("t rose", [[530, 46, 0.34]], 0.32),
  pigment(
    "t wine",
    [
      [530, 70, 0.6],
      [420, 60, 0.25],
    ],
    0.07,
    0.05,
  ),
  pigment(
    "t violet",
    [
      [570, 52, 0.42],
      [480, 60, 0.1],
    ],
    0.16,
  ),
  pigment(
    "t blue",
    [
      [610, 80, 0.7],
      [520, 60, 0.12],
    ],
    0.1,
  ),
  pigment("t sky", [[630, 70, 0.16]], 0.36),
  pigment(
    "t teal",
    [
      [650, 80, 0.5],
      [420, 50, 0.2],
    ],
    0.12,
  ),
  pigment(
    "t leaf",
    [
      [440, 55, 0.4],
      [660, 55, 0.32],
    ],
    0.15,
  ),
  pigment(
    "t moss",
    [
      [440, 60, 0.32],
      [640, 90, 0.2],
    ],
    0.1,
    0.06,
  ),
  pigment(
    "t brown",
    [
      [460, 100, 0.45],
      [580, 110, 0.2],
    ],
    0.09,
    0.04,
  ),
  pigment(
    "t umber",
    [
      [470, 120, 0.5],
      [600, 140, 0.34],
    ],
    0.06,
    0.1,
  ),
  pigment("t grey", [], 0.2, 0.1),
  pigment("t black", [], 0.04, 0.9),
];
