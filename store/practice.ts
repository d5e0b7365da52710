import { and, desc, eq, isNull, or } from "drizzle-orm";
import type { EyeAnswer } from "@/core/practice/schedule";
import { inPieces, withStore } from "./database";
import { inRoom } from "./room";
import { eyeAnswers } from "./schema";
import type { Studio } from "./studio";

/** Answers that are looked at, the newest. */
const MOST = 20_000;

/**
 * What eyes were asked, first things first: of one person and of nobody in particular, or of all.
 * @param personId whose answers; null for those of nobody alone, undefined for all
 */
export async function eyeAnswersOf(studio: Studio, personId?: string | null): Promise<EyeAnswer[]> {
  const { id, at, kind, family, right, seconds, level } = eyeAnswers;
  const nobody = isNull(eyeAnswers.personId);
  const whose = personId ? or(nobody, eq(eyeAnswers.personId, personId)) : nobody;
  const rows = await withStore((db) =>
    db
      .select({ id, at, kind, family, right, seconds, level })
      .from(eyeAnswers)
      .where(and(eq(eyeAnswers.studioId, studio.id), personId === undefined ? undefined : whose))
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
