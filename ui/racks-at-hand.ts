import { memory, type Memory } from "@/core/memory";
import type { Rack } from "@/store/rack";
import type { Fitted } from "@/ui/jobs/desk-fits";

/** Names a rack: the paper it was read on, and the version of the studio's readings. */
export interface RackAt {
  readonly paperId: string;
  readonly version: string;
  /** What was fitted to it before, and the rack's own name as it was then. */
  readonly fitted?: Fitted;
}

export const rackName = ({ paperId, version }: RackAt): string => `${paperId} ${version}`;

/** Those of the pages that are being made, and some more. */
const MOST = 60;

const shared = globalThis as typeof globalThis & { blendtRacks?: Memory<Rack> };

/**
 * Racks by their names for what the server draws: it has them, and the page need not carry them. What asks for data and what draws are two
 * bundles with a copy of each module, so that this stands on the process. None in a browser.
 */
export const racksAtHand = (): Memory<Rack> => (shared.blendtRacks ??= memory(MOST));
