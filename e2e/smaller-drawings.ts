import { and, eq } from "drizzle-orm";
import sharp from "sharp";
import { closeDatabase, withStore } from "@/store/database";
import { drawings, pictures } from "@/store/piece-schema";
import { DEMO_STUDIO } from "@/store/studio";
import { studios } from "@/store/studio-schema";

/**
 * Makes the demo's drawings as small as the tests' server draws what is sent to it: a browser that looks at a quarter of the pixels does all the
 * same in a fraction of the time. That drawings of full size are looked at aright is for unit tests and benchmarks.
 */
export default async function smallerDrawings(): Promise<void> {
  const side = Number(process.env.BLENDT_DRAWN_SIDE);
  if (!side) return;
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
  await closeDatabase();
}
