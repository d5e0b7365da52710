import { sql } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import { wantedColours, type PickedColour, type WantedColour } from "@/core/stock/wanted-colours";
import { withStore } from "./database";
import type { Studio } from "./studio";

/** Areas that are looked at, those of pieces that were changed last, and colours that are told. */
const MOST_AREAS = 6000;
const MOST_COLOURS = 1200;

/** Every colour that was picked for an area of a piece that is not put away. */
export async function pickedColours(studio: Studio): Promise<WantedColour[]> {
  const { rows } = await withStore((db) =>
    db.execute<{ piece: string; area: string; readings: Readonly<Record<string, { lab?: Lab }>> | null }>(sql`
      select p.document ->> 'name' as piece, a ->> 'name' as area, a -> 'readings' as readings
      from pieces p, jsonb_array_elements(p.document -> 'areas') a
      where p.studio_id = ${studio.id} and p.archived_at is null
      order by p.changed_at desc
      limit ${MOST_AREAS}`),
  );
  const picked = rows.flatMap(({ piece, area, readings }): PickedColour[] =>
    Object.values(readings ?? {}).flatMap((r) =>
      Array.isArray(r?.lab) ? [{ lab: r.lab, piece, area }] : [],
    ),
  );
  return wantedColours(picked, MOST_COLOURS);
}
