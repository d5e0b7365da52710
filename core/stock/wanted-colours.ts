import type { Lab } from "@/core/colour/lab";

/** A colour that was picked for an area. */
export interface PickedColour {
  readonly lab: Lab;
  readonly piece: string;
  readonly area: string;
}

/** A colour that is wanted, how often, and where. */
export interface WantedColour {
  readonly lab: Lab;
  readonly weight: number;
  /** "Area of piece", each once. */
  readonly places: readonly string[];
}

/** Side of the cells in which colours count as the same, in Lab: half of what the eye tells apart beside each other. */
const CELL = 1.2;
/** Places that are named of a colour at most. */
const MOST_PLACES = 12;

/**
 * Colours that were picked again and again are one, wanted as often: those in the same cell of Lab, by their mean. The most wanted first.
 * @param most colours at most
 */
export function wantedColours(picked: readonly PickedColour[], most: number): WantedColour[] {
  const cells = new Map<string, { sum: [number, number, number]; n: number; places: Set<string> }>();
  for (const { lab, piece, area } of picked) {
    if (lab.length !== 3 || !lab.every(Number.isFinite)) continue;
    const key = lab.map((v) => Math.round(v / CELL)).join();
    const cell = cells.get(key) ?? { sum: [0, 0, 0], n: 0, places: new Set() };
    lab.forEach((v, i) => (cell.sum[i]! += v));
    cell.n++;
    if (cell.places.size < MOST_PLACES) cell.places.add(`${area} of ${piece}`);
    cells.set(key, cell);
  }
  return [...cells.values()]
    .map(({ sum: [L, a, b], n, places }) => ({
      lab: [L / n, a / n, b / n] as Lab,
      weight: n,
      places: [...places],
    }))
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most);
}

/** The first number in a price as people write it, such as "3,20 each"; undefined where there is none. */
export function priceOf(text: string): number | undefined {
  const found = /\d+(?:[.,]\d+)?/.exec(text)?.[0];
  const price = found === undefined ? NaN : Number(found.replace(",", "."));
  return Number.isFinite(price) && price <= 1e6 ? price : undefined;
}
