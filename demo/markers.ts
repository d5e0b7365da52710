import { colourSheet } from "@/sim/sheet";
import { demoRange, families, type SimulatedInk } from "@/sim/demo-range";
import { whiteCard, warmToned, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";

export interface DemoMarker {
  readonly code: string;
  readonly family: string;
  readonly owned: boolean;
  readonly state: "full" | "fine" | "low" | "dry";
}

export const demoFamilies = Object.keys(families);

/** Papers of the demo studio with how many coats they hold. */
export const demoPapers: readonly { readonly stock: PaperStock; readonly capacity: number }[] = [
  { stock: whiteCard, capacity: 5 },
  { stock: warmToned, capacity: 4 },
];

/** Markers that the studio never bought: about a third, some whole stretches of a family. */
const ownedShare = 0.68;
const missingStretch: Record<string, readonly number[]> = { tarn: [5, 6], dusk: [4], fern: [2, 3], rose: [4, 5] };

/** What the studio owns of the range, and how full each marker is. The kite's reds and the woman's greys are complete. */
export function demoMarkers(): DemoMarker[] {
  const random = seeded(41);
  return demoRange().map(({ code, family, depth }) => {
    const [own, level] = [random(), random()];
    const complete = family === "ruby" || family === "soot" || family === "bark" || family === "clay";
    const missing = missingStretch[family]?.includes(depth);
    const owned = !missing && own < (complete ? 0.86 : ownedShare);
    const state = level < 0.05 ? "dry" : level < 0.13 ? "low" : level < 0.55 ? "fine" : "full";
    return { code, family, owned, state: owned ? state : "full" };
  });
}

/** Scanned readings of one, two and three coats of every ink, and of the bare sheet. */
export function demoReadings(stock: PaperStock, inks: readonly SimulatedInk[] = demoRange()): { bare: string; coats: Map<string, string[]> } {
  const random = seeded(stock.name.length * 101);
  const bare = scan(colourSheet(stock, []), random);
  const coats = new Map(inks.map((ink) => [ink.code, [1, 2, 3].map((n) => scan(colourSheet(stock, Array<typeof ink.recipe>(n).fill(ink.recipe)), random))]));
  return { bare, coats };
}
