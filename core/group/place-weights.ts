import { covers, mostCoats } from "@/core/ink/span";
import { passWeights } from "@/core/ink/weights";
import type { Candidates } from "./candidates";
import { isShadow, layingPasses, placesOf } from "./lay";
import { layingOf, type SearchShape } from "./shape";

/** What lies at a place of a shape, whatever inks it is laid with. */
export interface PlaceWeights {
  /** How much each tone counts there, in doses of one coat; the last is the ink under or over the shadow end. */
  readonly of: readonly number[];
  /** Coats that lie there. */
  readonly coats: number;
}

/**
 * What lies in the middle of a tone's part, or at the shadow end, by the coats of the tones up to it; undefined when the paper cannot hold the
 * group. Kept for the candidates, since it depends on no ink.
 * @param zone the tone; the number of tones means the shadow end
 * @param coats of each tone so far, light to dark
 * @param shadow coats of the ink under or over the shadow end
 */
export function weightsAt(
  c: Candidates,
  shape: SearchShape,
  zone: number,
  coats: readonly number[],
  shadow = 1,
): PlaceWeights | undefined {
  const key = [
    shape.school,
    shape.tones,
    shape.local,
    shape.shadow,
    shape.capacity,
    zone,
    coats,
    shadow,
  ].join("|");
  if (!c.known.has(key)) c.known.set(key, lying(c, shape, zone, coats, shadow));
  return c.known.get(key);
}

function lying(
  { desk }: Candidates,
  shape: SearchShape,
  zone: number,
  coats: readonly number[],
  shadow: number,
): PlaceWeights | undefined {
  // What is darker than the place does not reach it, so any coats will do for it.
  const laying = layingOf(shape, [...coats, ...Array<number>(shape.tones - coats.length).fill(1)], shadow);
  const passes = layingPasses(laying);
  // A group that is too much for the paper with one coat of all that is still to come can only become more.
  if (mostCoats(passes) > shape.capacity + 1e-9) return undefined;
  const { t } = placesOf(laying, passes)[zone + 1]!;
  const there = passes.filter((p) => covers(p, t));
  const of = Array<number>(shape.tones + 1).fill(0);
  passWeights(there, desk.paper.fit).forEach((w, i) => {
    const p = there[i]!;
    of[isShadow(p) ? shape.tones : p.tone]! += w;
  });
  return { of, coats: there.reduce((sum, p) => sum + p.coats, 0) };
}
