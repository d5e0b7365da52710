import { and, desc, eq, isNull } from "drizzle-orm";
import { wantedColours, type PickedColour, type WantedColour } from "@/core/stock/wanted-colours";
import { withStore } from "./database";
import { pieces } from "./piece-schema";
import type { Studio } from "./studio";
import { listUses } from "./uses";

/** Pieces that are looked at, those changed last, their colours, and colours that are told. */
const MOST_PIECES = 2000;
const MOST_PICKED = 18_000;
const MOST_COLOURS = 1200;

/** Every colour that was picked for an area of a piece that is not put away; no document is read. */
export async function pickedColours(studio: Studio): Promise<WantedColour[]> {
  await listUses(studio);
  const rows = await withStore((db) =>
    db
      .select({ piece: pieces.name, picked: pieces.picked })
      .from(pieces)
      .where(and(eq(pieces.studioId, studio.id), isNull(pieces.archivedAt)))
      .orderBy(desc(pieces.changedAt))
      .limit(MOST_PIECES),
  );
  const picked = rows.flatMap(({ piece, picked }) =>
    picked.flatMap(({ area, labs }) => labs.map((lab): PickedColour => ({ lab, piece: piece ?? "", area }))),
  );
  return wantedColours(picked.slice(0, MOST_PICKED), MOST_COLOURS);
}
