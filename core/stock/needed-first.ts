import { isRead, parseCode, type CodeKey } from "../codes/key";
import { deltaE00 } from "../colour/delta-e00";
import { chroma, hue, type Lab } from "../colour/lab";

/** A marker of one range, with its colour of one coat where it has been read. */
export interface KnownMarker {
  readonly code: string;
  readonly lab?: Lab;
}

/** What the code of a marker that was never read lets one expect of it. */
export interface Expected {
  readonly code: string;
  readonly lab: Lab;
}

interface Placed {
  readonly lab: Lab;
  readonly depth: number;
  readonly greyness: number;
}

/** Slope of a line through points by least squares; 0 when they all stand on one spot. */
function slope(points: readonly (readonly [x: number, y: number])[]): number {
  const mean = (at: 0 | 1) => points.reduce((s, p) => s + p[at], 0) / Math.max(1, points.length);
  const [mx, my] = [mean(0), mean(1)];
  const xx = points.reduce((s, [x]) => s + (x - mx) ** 2, 0);
  return xx > 1e-9 ? points.reduce((s, [x, y]) => s + (x - mx) * (y - my), 0) / xx : 0;
}

/** Chroma of a family of which nothing is known but its hue. */
const USUAL_CHROMA = 40;
/** Lightness in the middle of depths, where nothing has been read. */
const USUAL_LIGHTNESS = 65;
/** And how much lighter a step less deep is then. */
const USUAL_STEP = -6;

/**
 * Colours to expect of markers that have not been read, by their codes: from what was read of the same family at other depths, else from
 * the hue home of the family and how lightness goes with depth in the whole range. A guess to choose by, never a reading. Markers of whose
 * family nothing is known are left out.
 * @param homes hue homes of families, degrees
 */
export function expectedColours(
  key: CodeKey,
  markers: readonly KnownMarker[],
  homes: Readonly<Record<string, number>> = {},
): Expected[] {
  const families = new Map<string, Placed[]>();
  const wanted: { code: string; family: string; depth: number; greyness: number }[] = [];
  for (const { code, lab } of markers) {
    const parsed = parseCode(key, code);
    if (!isRead(parsed) || parsed.family === undefined) continue;
    const [depth, greyness] = [parsed.depth ?? 0, parsed.greyness ?? 0];
    if (!lab) wanted.push({ code, family: parsed.family, depth, greyness });
    else {
      const own = families.get(parsed.family);
      if (own) own.push({ lab, depth, greyness });
      else families.set(parsed.family, [{ lab, depth, greyness }]);
    }
  }
  const all = [...families.values()].flat();
  // How lightness and chroma go with depth and greyness within families, over the whole range.
  const within = (of: (p: Placed) => number, by: (p: Placed) => number) =>
    slope(
      [...families.values()].flatMap((own) => {
        const [x, y] = [
          own.reduce((s, p) => s + by(p), 0) / own.length,
          own.reduce((s, p) => s + of(p), 0) / own.length,
        ];
        return own.map((p) => [by(p) - x, of(p) - y] as const);
      }),
    );
  const byDepth =
    all.length > 2
      ? within(
          (p) => p.lab[0],
          (p) => p.depth,
        )
      : USUAL_STEP;
  const greyer = within(
    (p) => chroma(p.lab),
    (p) => p.greyness,
  );
  const depths = [...all.map((p) => p.depth), ...wanted.map((w) => w.depth)];
  const middle = depths.length ? (Math.min(...depths) + Math.max(...depths)) / 2 : 0;
  const lightness = all.length
    ? all.reduce((s, p) => s + p.lab[0] - byDepth * (p.depth - middle), 0) / all.length
    : USUAL_LIGHTNESS;
  return wanted.flatMap(({ code, family, depth, greyness }) => {
    const own = families.get(family) ?? [];
    const home = homes[family];
    if (!own.length && home === undefined) return [];
    if (!own.length) {
      const turn = (home! * Math.PI) / 180;
      const c = USUAL_CHROMA;
      const L = clamp(lightness + byDepth * (depth - middle));
      return [{ code, lab: [L, c * Math.cos(turn), c * Math.sin(turn)] as Lab }];
    }
    // The nearest of the family, moved along the slopes of the range.
    const near = own.reduce((best, p) =>
      farFrom(p, depth, greyness) < farFrom(best, depth, greyness) ? p : best,
    );
    const L = clamp(near.lab[0] + byDepth * (depth - near.depth));
    const was = chroma(near.lab);
    const c = Math.max(0, was + greyer * (greyness - near.greyness));
    const turn = (hue(near.lab) * Math.PI) / 180;
    return [{ code, lab: [L, c * Math.cos(turn), c * Math.sin(turn)] as Lab }];
  });
}

const clamp = (L: number): number => Math.min(99, Math.max(3, L));
/** A step of greyness counts as two of depth. */
const farFrom = (p: Placed, depth: number, greyness: number): number =>
  Math.abs(p.depth - depth) + 2 * Math.abs(p.greyness - greyness);

/** Candidates for each colour: with so many read, the best of them is among them nearly always. */
const EACH = 4;

/**
 * Markers worth measuring first for some colours: for each colour the few that are expected nearest, those that serve several colours first.
 * @param most of them
 */
export function neededFirst(expected: readonly Expected[], colours: readonly Lab[], most: number): string[] {
  const score = new Map<string, number>();
  for (const colour of colours)
    expected
      .map(({ code, lab }) => ({ code, off: deltaE00(lab, colour) }))
      .sort((a, b) => a.off - b.off || a.code.localeCompare(b.code))
      .slice(0, EACH)
      .forEach(({ code, off }, i) => score.set(code, (score.get(code) ?? 0) + 1 / (1 + i) + 1 / (1 + off)));
  return [...score]
    .sort(([a, x], [b, y]) => y - x || a.localeCompare(b))
    .slice(0, most)
    .map(([code]) => code);
}
