import { randomUUID } from "node:crypto";
import { randomOf } from "@/core/algebra/random";
import type { Lab } from "@/core/colour/lab";
import { readEntry } from "@/core/log/read-entry";
import type { Piece } from "@/core/piece/piece";
import type { ComparedPlace, WorkEvent } from "@/core/work/record";

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

/** When sheets of the demo's pieces were read before they were planned anew, and how far (L*) the hand left their darkest tones paler. */
const READ: Readonly<Record<string, readonly [day: string, paler: number]>> = {
  "The Kite Mender": ["2026-04-28T20:05", 4.6],
  "Moth Lantern": ["2026-05-03T17:20", 3.4],
  "Tin Ferry": ["2026-05-06T19:40", 5.2],
};

/** What was read of an earlier sheet of a demo piece: what was picked against what a hand laid that leaves its shadows pale. */
export function comparedOfDemo({ name, areas }: Piece): WorkEvent[] {
  const read = READ[name];
  if (!read) return [];
  const random = randomOf(name.length);
  const places = areas.flatMap(({ id, readings }) => {
    const picked = (["light", "local", "shadow"] as const).flatMap((place) =>
      readings[place] ? [readings[place].lab] : [],
    );
    return picked.map((planned, i): ComparedPlace => ({
      area: id,
      zone: i + 1,
      of: picked.length,
      planned: toTenths(planned),
      lies: toTenths([
        planned[0] + (i === picked.length - 1 ? read[1] : 0) + 2.4 * (random() - 0.5),
        planned[1] + random() - 0.5,
        planned[2] + random() - 0.5,
      ]),
    }));
  });
  const at = Date.parse(`${read[0]}:00Z`);
  return places.length ? [{ id: randomUUID(), kind: "compared", at, photo: randomUUID(), places }] : [];
}

const toTenths = ([L, a, b]: Lab): Lab => [
  Math.round(10 * L) / 10,
  Math.round(10 * a) / 10,
  Math.round(10 * b) / 10,
];
