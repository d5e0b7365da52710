import { colourSheet } from "@/sim/sheet";
import { demoRange, families, type SimulatedInk } from "@/sim/demo-range";
import { thinMarker, whiteCard, warmToned, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";

export interface DemoMarker {
  readonly code: string;
  readonly family: string;
  readonly owned: boolean;
  readonly state: "full" | "fine" | "low" | "dry";
  /** Where it is kept, its nibs, and refills in stock: of what is owned. */
  readonly place?: string;
  readonly nib?: string;
  readonly refills?: number;
}

export const demoFamilies = Object.keys(families);

/** What the studio wrote down about a paper. */
interface PaperFacts {
  readonly weight: number;
  readonly openTime: number;
  readonly bleed: number;
  readonly grain: number;
  readonly finish: string;
  readonly side: string;
  readonly notes: string;
}

/** Papers of the demo studio with how many coats they hold. */
export const demoPapers: readonly {
  readonly stock: PaperStock;
  readonly capacity: number;
  readonly facts: PaperFacts;
}[] = [
  {
    stock: whiteCard,
    capacity: 5,
    facts: {
      weight: 250,
      openTime: 45,
      bleed: 0.4,
      grain: 0.35,
      finish: "smooth",
      side: "either",
      notes: "Blends longest. Needs a scrap beneath after three coats.",
    },
  },
  {
    stock: warmToned,
    capacity: 4,
    facts: {
      weight: 180,
      openTime: 30,
      bleed: 0.7,
      grain: 0.6,
      finish: "fine tooth",
      side: "felt side",
      notes: "White pencil stands out. Everything comes out a step darker.",
    },
  },
  {
    stock: thinMarker,
    capacity: 3,
    facts: {
      weight: 70,
      openTime: 20,
      bleed: 0.9,
      grain: 0.2,
      finish: "coated",
      side: "the smoother one",
      notes: "Half of the range is read. Bleeds when overloaded: stop short of the line.",
    },
  },
];

/** Markers that the studio never bought: about a third, some whole stretches of a family. */
const ownedShare = 0.68;
const missingStretch: Record<string, readonly number[]> = {
  tarn: [5, 6],
  dusk: [4],
  fern: [2, 3],
  rose: [4, 5],
};

/** What the studio owns of the range, and how full each marker is. The kite's reds and the woman's greys are complete. */
export function demoMarkers(): DemoMarker[] {
  const random = seeded(41);
  return demoRange().map(({ code, family, depth }) => {
    const [own, level] = [random(), random()];
    const complete = family === "ruby" || family === "soot" || family === "bark" || family === "clay";
    const missing = missingStretch[family]?.includes(depth);
    const owned = !missing && own < (complete ? 0.86 : ownedShare);
    const state = level < 0.05 ? "dry" : level < 0.13 ? "low" : level < 0.55 ? "fine" : "full";
    if (!owned) return { code, family, owned, state: "full" };
    const place = `case ${1 + Math.floor(demoFamilies.indexOf(family) / 4)}`;
    return { code, family, owned, state, place, nib: "brush and chisel", refills: level > 0.93 ? 1 : 0 };
  });
}

/** Scanned readings of one, two and three coats of every ink, and of the bare sheet. */
export function demoReadings(
  stock: PaperStock,
  inks: readonly SimulatedInk[] = demoRange(),
): { bare: string; coats: Map<string, string[]> } {
  const random = seeded(stock.name.length * 101);
  const bare = scan(colourSheet(stock, []), random);
  const coats = new Map(
    inks.map((ink) => [
      ink.code,
      [1, 2, 3].map((n) => scan(colourSheet(stock, Array<typeof ink.recipe>(n).fill(ink.recipe)), random)),
    ]),
  );
  return { bare, coats };
}
