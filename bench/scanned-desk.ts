import type { MeasuredInk } from "@/core/ink/desk";
import { hexToLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { hexReading } from "@/core/ink/reading";
import { strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";
import { colourSheet } from "@/sim/sheet";

/** Inks laid in one, two and three coats on the simulated desk and scanned: what `layDesk` takes. */
export function scanInks(
  stock: PaperStock,
  inks: readonly SimulatedInk[],
  seed: number,
): [paper: Lab, inks: MeasuredInk[]] {
  const random = seeded(seed);
  const read = (coats: readonly SimulatedInk[]) =>
    scan(
      colourSheet(
        stock,
        coats.map((c) => c.recipe),
      ),
      random,
    );
  const measured = inks.map((ink) => ({
    code: ink.code,
    coats: [1, 2, 3].map((n) => hexReading(read(Array<SimulatedInk>(n).fill(ink)))!),
  }));
  return [hexToLab(read([]))!, measured];
}

/** A desk of inks of no range on white card. */
export const scannedDesk = (count: number, seed: number): [paper: Lab, inks: MeasuredInk[]] =>
  scanInks(whiteCard, strangeInks(count, seed), seed);

/** Runs work to its end, whatever its progress. */
export function drive<O>(work: Generator<number, O>): O {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
