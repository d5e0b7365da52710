import { and, eq } from "drizzle-orm";
import sharp from "sharp";
import { closeDatabase, withStore } from "@/store/database";
import { seedLooks } from "@/demo/seed-colouring";
import { upgradePiece } from "@/core/piece/upgrade";
import type { Piece } from "@/core/piece/piece";
import { drawingNames } from "@/store/drawings";
import { drawings, pictures, pieces } from "@/store/piece-schema";
import { DEMO_STUDIO } from "@/store/studio";
import { studios } from "@/store/studio-schema";

/**
 * Makes the demo's drawings as small as the tests' server draws what is sent to it: a browser that looks at a quarter of the pixels does all the
 * same in a fraction of the time. That drawings of full size are looked at aright is for unit tests and benchmarks.
 */
async function smallerDrawings(side: number): Promise<void> {
  await withStore(async (db) => {
    const ofDemo = await db
      .select({ id: pictures.id, working: pictures.working })
      .from(pictures)
      .innerJoin(studios, eq(studios.id, pictures.studioId))
      .where(and(eq(studios.slug, DEMO_STUDIO), eq(pictures.type, "image/svg+xml")));
    for (const { id, working } of ofDemo) {
      const { data, info } = await sharp(working)
        .resize({ width: side, height: side, fit: "inside", withoutEnlargement: true })
        .png()
        .toBuffer({ resolveWithObject: true });
      await db
        .update(pictures)
        .set({ working: data, workingWidth: info.width, workingHeight: info.height })
        .where(eq(pictures.id, id));
      // What was looked at before is of the larger one.
      await db.delete(drawings).where(eq(drawings.pictureId, id));
    }
  });
  // Each test has a demo of its own, and none should have to look at the same drawings again.
  const plans = await withStore((db) =>
    db
      .select({ studio: studios, document: pieces.document })
      .from(pieces)
      .innerJoin(studios, eq(studios.id, pieces.studioId))
      .where(eq(studios.slug, DEMO_STUDIO)),
  );
  for (const { studio, document } of plans) {
    const piece = upgradePiece(document) as Piece;
    const lineId = piece.setUp.line?.pictureId;
    if (lineId && !(await drawingNames(studio, lineId)).length) await seedLooks(studio, piece);
  }
  await closeDatabase();
}

const side = Number(process.env.BLENDT_DRAWN_SIDE);
if (side) await smallerDrawings(side);
