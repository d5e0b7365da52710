import { and, desc, eq, isNull, or, type SQL } from "drizzle-orm";
import type { SheetResult } from "@/core/practice/sheet-result";
import type { EyeAnswer } from "@/core/practice/schedule";
import { inPieces, withStore } from "./database";
import { inRoom } from "./room";
import { eyeAnswers, sheetScores } from "./practice-schema";
import type { Studio } from "./studio";

/** Answers that are looked at, the newest. */
const MOST = 20_000;

/** Rows of one person and of nobody in particular; of nobody alone for null, of all where nothing is said. */
function whose(
  table: typeof eyeAnswers | typeof sheetScores,
  studio: Studio,
  personId: string | null | undefined,
): SQL | undefined {
  const nobody = isNull(table.personId);
  const own = personId ? or(nobody, eq(table.personId, personId)) : nobody;
  return and(eq(table.studioId, studio.id), personId === undefined ? undefined : own);
}

/**
 * What eyes were asked, first things first: of one person and of nobody in particular, or of all.
 * @param personId whose answers; null for those of nobody alone, undefined for all
 */
export async function eyeAnswersOf(studio: Studio, personId?: string | null): Promise<EyeAnswer[]> {
  const { id, at, kind, family, right, seconds, level } = eyeAnswers;
  const rows = await withStore((db) =>
    db
      .select({ id, at, kind, family, right, seconds, level })
      .from(eyeAnswers)
      .where(whose(eyeAnswers, studio, personId))
      .orderBy(desc(at), desc(id))
      .limit(MOST),
  );
  return rows.reverse().map((r) => ({ ...r, at: r.at.getTime() }));
}

/**
 * Writes answers down, each once however often it is sent.
 * @throws StudioFull
 */
export const addEyeAnswers = (
  studio: Studio,
  personId: string | null,
  answers: readonly EyeAnswer[],
): Promise<true> =>
  inRoom(
    studio,
    eyeAnswers,
    "answers",
    async (tx) => {
      for (const some of inPieces(answers))
        await tx
          .insert(eyeAnswers)
          .values(some.map((a) => ({ ...a, at: new Date(a.at), studioId: studio.id, personId })))
          .onConflictDoNothing();
      return true as const;
    },
    answers.length,
  );

/** Sheets that were practised on, first things first. @param personId as for {@link eyeAnswersOf} */
export async function sheetScoresOf(studio: Studio, personId?: string | null): Promise<SheetResult[]> {
  const { id, at, exercise, score, codes } = sheetScores;
  const rows = await withStore((db) =>
    db
      .select({ id, at, exercise, score, codes })
      .from(sheetScores)
      .where(whose(sheetScores, studio, personId))
      .orderBy(desc(at), desc(id))
      .limit(MOST),
  );
  return rows.reverse().map((r) => ({ ...r, at: r.at.getTime() }));
}

/**
 * Writes down how a sheet came out, once however often it is sent.
 * @throws StudioFull
 */
export const addSheetScore = (studio: Studio, personId: string | null, sheet: SheetResult): Promise<true> =>
  inRoom(studio, sheetScores, "practised", async (tx) => {
    await tx
      .insert(sheetScores)
      .values({ ...sheet, codes: [...sheet.codes], at: new Date(sheet.at), studioId: studio.id, personId })
      .onConflictDoNothing();
    return true as const;
  });
