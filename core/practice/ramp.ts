import { deltaE00 } from "@/core/colour/delta-e00";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";

/** A marker that may be practised with: one coat as it is seen, light inks first or not. */
export interface RampInk {
  readonly code: string;
  readonly family: string;
  readonly lab: Lab;
}

/** How far a gain in contrast makes up for uneven steps: L* of unevenness for each L* of span. */
const CONTRAST = 0.15;
/** Contrast beyond which more is no gain, L*. */
const ENOUGH = 55;

/**
 * Markers of one family for a ramp of so many tones, lightest first: as even in lightness as they come, over as much of it as there is. None where
 * no family has so many.
 * Complexity: pairs of inks of each family, times the tones.
 */
export function rampOf(inks: readonly RampInk[], tones: number): readonly RampInk[] | undefined {
  const families = new Map<string, RampInk[]>();
  for (const ink of inks) {
    const own = families.get(ink.family) ?? [];
    own.push(ink);
    families.set(ink.family, own);
  }
  let best: { readonly ramp: readonly RampInk[]; readonly cost: number } | undefined;
  for (const own of families.values()) {
    if (own.length < tones) continue;
    const sorted = [...own].sort((a, b) => b.lab[0] - a.lab[0]);
    for (let i = 0; i < sorted.length; i++)
      for (let j = i + tones - 1; j < sorted.length; j++) {
        const [from, to] = [sorted[i]!.lab[0], sorted[j]!.lab[0]];
        const gain = CONTRAST * Math.min(ENOUGH, from - to);
        if (best && -gain >= best.cost) continue;
        const ramp = [sorted[i]!];
        let [off, at] = [0, i];
        for (let k = 1; k < tones - 1; k++) {
          const ideal = from + ((to - from) * k) / (tones - 1);
          // Each after the one before it, with enough left for those after it.
          let pick = at + 1;
          for (let n = at + 1; n <= j - (tones - 1 - k); n++)
            if (Math.abs(sorted[n]!.lab[0] - ideal) < Math.abs(sorted[pick]!.lab[0] - ideal)) pick = n;
          off = Math.max(off, Math.abs(sorted[pick]!.lab[0] - ideal));
          ramp.push(sorted[pick]!);
          at = pick;
        }
        if (tones > 1) ramp.push(sorted[j]!);
        const cost = off - gain;
        if (!best || cost < best.cost) best = { ramp, cost };
      }
  }
  return best?.ramp;
}

/** One marker for a flat or an edge: of middle lightness and some strength, which shows streaks and what runs over. */
export function flatOf(inks: readonly RampInk[]): RampInk | undefined {
  const cost = ({ lab: [L, a, b] }: RampInk) => Math.abs(L - 62) - 0.2 * Math.min(50, Math.hypot(a, b));
  return inks.reduce<RampInk | undefined>(
    (best, ink) => (!best || cost(ink) < cost(best) ? ink : best),
    undefined,
  );
}

/** Lightness of the colours that are to be met, and how near (ΔE00) two other inks must come to one by a rough guess. */
const [TO_MEET, MEETS] = [[76, 62, 48], 7] as const;
/** Inks near a colour that are tried in pairs. */
const TRIED = 12;

/** Roughly the colour of one ink over another: what each leaves of the paper's light. */
function over(a: Lab, b: Lab, paper: Lab): Lab {
  const [x, y, white] = [labToXyz(a), labToXyz(b), labToXyz(paper)];
  return xyzToLab(x.map((v, c) => (v * y[c]!) / white[c]!) as unknown as Xyz);
}

/**
 * Three markers whose colours can be met with two others each, light to dark and of different families where there are such; none where there
 * are not three.
 * Complexity: inks times the pairs of the dozen that are nearest to each.
 */
export function toMeet(inks: readonly RampInk[], paper: Lab): readonly RampInk[] | undefined {
  const met = inks.flatMap((ink) => {
    const near = inks
      .filter((o) => o !== ink && o.lab[0] > ink.lab[0])
      .map((o) => ({ o, off: deltaE00(o.lab, ink.lab) }))
      .sort((a, b) => a.off - b.off)
      .slice(0, TRIED);
    let left = Infinity;
    for (const [i, a] of near.entries())
      for (const b of near.slice(i)) left = Math.min(left, deltaE00(over(a.o.lab, b.o.lab, paper), ink.lab));
    return left <= MEETS ? [ink] : [];
  });
  const chosen: RampInk[] = [];
  for (const L of TO_MEET) {
    const cost = (i: RampInk) =>
      Math.abs(i.lab[0] - L) + (chosen.some((c) => c.family === i.family) ? 100 : 0);
    const [best] = met.filter((i) => !chosen.includes(i)).sort((a, b) => cost(a) - cost(b));
    if (!best) return undefined;
    chosen.push(best);
  }
  return chosen.sort((a, b) => b.lab[0] - a.lab[0]);
}
