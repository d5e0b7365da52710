import type { Spot, Touch } from "@/core/colouring/tone-map";

/** Where the tones of an area go, beyond what light and plan say. */
export interface AreaTones {
  /** Where each tone but the last ends, shares of the area from its lightest end; null goes by the plan. */
  readonly shares: readonly number[] | null;
  readonly touches: readonly Touch[];
  /** Spots that stay bare paper. */
  readonly whites: readonly Spot[];
}

export const DEFAULT_AREA_TONES: AreaTones = { shares: null, touches: [], whites: [] };

/** Most soft spots of an area, of each kind. */
export const MOST_SPOTS = 60;
