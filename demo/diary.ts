import { randomUUID } from "node:crypto";
import { readEntry } from "@/core/log/read-entry";
import type { WorkEvent } from "@/core/work/record";

/** What was tried away from the screen before the demo's pieces were planned, by piece. */
const ENTRIES: Readonly<Record<string, readonly (readonly [day: string, line: string])[]>> = {
  "The Kite Mender": [
    ["2026-04-21T18:40", "skin: rust1c, rust2c ×2, clay3m; too red beside the lamp; next time plum under it"],
    ["2026-04-23T19:10", "skin: plum2c, clay1c, clay2m, rust3m; better, the shadow holds"],
    ["2026-04-30T17:55", "wall: sand2m ×2; dried in stripes, wet the whole wall first"],
  ],
  "Moth Lantern": [
    ["2026-05-02T20:15", "lantern: corn3c, corn5c, corn7m; glows, keep"],
    ["2026-05-03T16:30", "hood: tide3m, tide5m, dusk6m; turned grey where three lay wet"],
  ],
};

/** Entries by hand of a demo piece. */
export const diaryOfDemo = (piece: string, codes: readonly string[]): WorkEvent[] =>
  (ENTRIES[piece] ?? []).map(([day, line]) => {
    const { subject, tones, note } = readEntry(line, codes);
    return { id: randomUUID(), kind: "entered", at: Date.parse(`${day}:00Z`), line, subject, tones, note };
  });
