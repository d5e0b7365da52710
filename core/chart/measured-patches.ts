import { averageReadings } from "./average";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Illuminant, Spectrum } from "@/core/colour/observer";
import { readingOf, type MeasuredFile, type MeasuredSample } from "@/core/formats/measured";
import { labReading, spectralReading, type Reading } from "@/core/ink/reading";

/** What about a patch wants a look before it is kept. */
export type PatchDoubt =
  | { readonly kind: "far"; readonly deltaE00: number }
  | { readonly kind: "uneven"; readonly spread: number }
  | { readonly kind: "no bare paper"; readonly deltaE00: number };

/** A patch of an instrument's file: its readings as one, and what it is taken for. */
export interface MeasuredPatch {
  readonly name: string;
  /** Codes bottom to top; none for the bare paper; undefined where nobody knows. */
  readonly stack: readonly string[] | undefined;
  readonly reading: Reading;
  /** Mean ΔE00 of its readings from their middle, how many count, and how many were left out as misreads. */
  readonly spread: number;
  readonly used: number;
  readonly misreads: number;
  readonly doubts: readonly PatchDoubt[];
}

/** ΔE00 from what is known of a stack, between repeats, and from the bare paper, from which on a patch is in doubt. */
const [FAR, UNEVEN, OTHER_PAPER] = [6, 1.5, 3] as const;

function meanSpectrum(spectra: readonly Spectrum[]): Spectrum {
  return spectra[0]!.map((_, i) => spectra.reduce((sum, s) => sum + s[i]!, 0) / spectra.length);
}

/** Repeated readings of one patch as one: spectra, or colours under the light they were told in. */
function asOne(
  samples: readonly MeasuredSample[],
  readings: readonly Reading[],
): Pick<MeasuredPatch, "reading" | "spread" | "used" | "misreads"> {
  const { lab, spread, used, rejected } = averageReadings(readings.map((r) => r.lab));
  const kept = readings.filter((_, i) => !rejected.includes(i));
  const spectra = kept.flatMap((r) => (r.reflectance ? [r.reflectance] : []));
  const told = kept.flatMap((r) => (r.told ? [r.told] : []));
  const mean = (labs: readonly Lab[]) =>
    [0, 1, 2].map((c) => labs.reduce((sum, l) => sum + l[c]!, 0) / labs.length) as unknown as Lab;
  const reading =
    spectra.length === kept.length
      ? spectralReading(meanSpectrum(spectra))
      : told.length === kept.length
        ? labReading(mean(told.map((t) => t.lab)), told[0]!.light)
        : { lab };
  return { reading, spread, used, misreads: samples.length - used };
}

/**
 * The patches of an instrument's file in their order, each with what it is taken for: by its name, or as they come by a list.
 * @param light that its colours are meant under, where the file does not say
 * @param stackOf what a patch is: by its name and its place among the patches
 * @param knownOf what is known of a stack already; the bare paper for an empty one
 * @throws FormatError for colours that nothing can carry over
 */
export function measuredPatches(
  { samples, how }: MeasuredFile,
  light: Illuminant,
  stackOf: (name: string, place: number) => readonly string[] | undefined,
  knownOf: (stack: readonly string[]) => Lab | undefined,
): MeasuredPatch[] {
  const byName = new Map<string, MeasuredSample[]>();
  for (const sample of samples) {
    const own = byName.get(sample.name);
    if (own) own.push(sample);
    else byName.set(sample.name, [sample]);
  }
  return [...byName].map(([name, own], place) => {
    const stack = stackOf(name, place);
    const one = asOne(
      own,
      own.map((s) => readingOf(s, how, light)),
    );
    const known = stack && knownOf(stack);
    const off = known && deltaE00(known, one.reading.lab);
    const doubts: PatchDoubt[] = [];
    if (off !== undefined && stack!.length === 0 && off > OTHER_PAPER)
      doubts.push({ kind: "no bare paper", deltaE00: off });
    else if (off !== undefined && off > FAR) doubts.push({ kind: "far", deltaE00: off });
    if (one.spread > UNEVEN) doubts.push({ kind: "uneven", spread: one.spread });
    return { name, stack, ...one, doubts };
  });
}
