import type { Lab } from "@/core/colour/lab";

/** A marker on its family's track. */
export interface TrackMarker {
  readonly code: string;
  readonly family: string;
  readonly owned: boolean;
  /** One coat on the paper at hand. */
  readonly lab: Lab;
}

/** A stretch of lightness that nothing owned of a family reaches. */
export interface Gap {
  readonly family: string;
  /** Owned markers on either side; the paler one is undefined above the palest. */
  readonly pale: string | undefined;
  readonly deep: string;
  /** Width in L*. */
  readonly width: number;
  /** The marker of the family, not owned, that would part the gap most evenly. */
  readonly closing: string | undefined;
}

/** Steps of a blend wider than this show. */
const WIDE = 16;

/** Gaps between the owned markers of each family, widest first. */
export function gapsOf(markers: readonly TrackMarker[]): Gap[] {
  const families = [...new Set(markers.map((m) => m.family))];
  return families
    .flatMap((family) => {
      const track = markers.filter((m) => m.family === family).sort((a, b) => b.lab[0] - a.lab[0]);
      const owned = track.filter((m) => m.owned);
      return owned.slice(1).flatMap((deep, i): Gap[] => {
        const pale = owned[i]!;
        const width = pale.lab[0] - deep.lab[0];
        if (width < WIDE) return [];
        const middle = (pale.lab[0] + deep.lab[0]) / 2;
        const between = track.filter((m) => !m.owned && m.lab[0] < pale.lab[0] && m.lab[0] > deep.lab[0]);
        const closing = between.sort((a, b) => Math.abs(a.lab[0] - middle) - Math.abs(b.lab[0] - middle))[0];
        return [{ family, pale: pale.code, deep: deep.code, width, closing: closing?.code }];
      });
    })
    .sort((a, b) => b.width - a.width);
}
