import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import type { Illuminant, Spectrum } from "@/core/colour/observer";
import type { Pencil } from "./choose";
import { drawnLab, type ToothFit } from "./tooth";

/** One pencil, lightly and in layers, that moves a tone. */
export interface Adjustment {
  readonly code: string;
  readonly layers: number;
  readonly lab: Lab;
  /** Change in L*. */
  readonly deltaL: number;
}

const MOST_LAYERS = 8;
/** Cost, in L*, of each unit by which chroma or hue (as a distance in a*b*) leaves the tone. */
const OFF_COLOUR = 0.5;

/** Pencils that soften (positive) or deepen (negative) a tone by so many L*, best first: nearest in lightness, keeping its colour, in few layers. */
export function adjustTone(
  under: Spectrum,
  tone: Lab,
  deltaL: number,
  pencils: readonly Pencil[],
  fit: ToothFit,
  top = 3,
  illuminant?: Illuminant,
): Adjustment[] {
  return pencils
    .filter((p) => (deltaL > 0 ? p.own[0] > tone[0] + 4 : p.own[0] < tone[0] - 4))
    .map((p) => {
      let best: { a: Adjustment; cost: number } | undefined;
      for (let layers = 1; layers <= MOST_LAYERS; layers++) {
        const lab = drawnLab(under, [{ film: p.film, layers, pressure: "light" }], fit, illuminant);
        const cost =
          Math.abs(lab[0] - tone[0] - deltaL) +
          OFF_COLOUR * Math.hypot(lab[1] - tone[1], lab[2] - tone[2]) +
          0.15 * layers;
        if (!best || cost < best.cost)
          best = { a: { code: p.film.code, layers, lab, deltaL: lab[0] - tone[0] }, cost };
      }
      return best!;
    })
    .sort((a, b) => a.cost - b.cost)
    .slice(0, top)
    .map(({ a }) => a);
}

/** Two opposite pencils that make a grey over a base. */
export interface PencilGrey {
  readonly codes: readonly [string, string];
  readonly layers: readonly [number, number];
  readonly lab: Lab;
  readonly chroma: number;
}

const OPPOSED = 110;
const COLOURFUL = 12;

/** The pairs of opposite pencils that come out greyest over a base, best first. */
export function pencilGreys(
  under: Spectrum,
  pencils: readonly Pencil[],
  fit: ToothFit,
  top = 4,
  illuminant?: Illuminant,
): PencilGrey[] {
  const able = pencils.filter((p) => chroma(p.own) > COLOURFUL);
  const out: PencilGrey[] = [];
  able.forEach((first, i) =>
    able.slice(i + 1).forEach((second) => {
      if (Math.abs(hueTurn(hue(first.own), hue(second.own))) < OPPOSED) return;
      const [a, b] = first.own[0] >= second.own[0] ? [first, second] : [second, first];
      let best: PencilGrey | undefined;
      for (const m of [2, 3, 4, 6])
        for (const n of [2, 3, 4, 6]) {
          const lab = drawnLab(
            under,
            [
              { film: a.film, layers: m, pressure: "light" },
              { film: b.film, layers: n, pressure: "light" },
            ],
            fit,
            illuminant,
          );
          if (!best || chroma(lab) < best.chroma)
            best = { codes: [a.film.code, b.film.code], layers: [m, n], lab, chroma: chroma(lab) };
        }
      out.push(best!);
    }),
  );
  return out.sort((a, b) => a.chroma - b.chroma).slice(0, top);
}
