import { and, desc, eq } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import { withStore } from "./database";
import { asLab } from "./papers";
import type { Verdict } from "@/core/stock/verdicts";
import { trials } from "./schema";
import { inRoom } from "./room";
import type { Studio } from "./studio";

/** A stack that is or was tried on a paper. What it gave is the current reading of the stack there. */
export interface Trial {
  readonly id: string;
  readonly paperId: string;
  readonly stack: readonly string[];
  /** What the model said before. */
  readonly predicted: Lab;
  readonly verdict: Verdict;
  readonly note: string;
  readonly createdAt: Date;
}

const asTrial = ({
  id,
  paperId,
  stack,
  predicted,
  verdict,
  note,
  createdAt,
}: typeof trials.$inferSelect): Trial => ({
  id,
  paperId,
  stack,
  predicted: asLab(predicted),
  verdict,
  note,
  createdAt,
});

export async function trialsOn(studio: Studio, paperId: string): Promise<Trial[]> {
  const rows = await withStore((db) =>
    db
      .select()
      .from(trials)
      .where(and(eq(trials.studioId, studio.id), eq(trials.paperId, paperId)))
      .orderBy(desc(trials.createdAt)),
  );
  return rows.map(asTrial);
}

export async function addTrial(
  studio: Studio,
  trial: Pick<Trial, "paperId" | "stack" | "predicted">,
): Promise<Trial> {
  const [added] = await inRoom(studio, trials, "trials", (tx) =>
    tx
      .insert(trials)
      .values({ studioId: studio.id, ...trial, stack: [...trial.stack], predicted: [...trial.predicted] })
      .returning(),
  );
  return asTrial(added!);
}

/** Changes verdict or note; undefined when the trial is not this studio's. */
export async function changeTrial(
  studio: Studio,
  id: string,
  change: Partial<Pick<Trial, "verdict" | "note">>,
): Promise<Trial | undefined> {
  const [changed] = await withStore((db) =>
    db
      .update(trials)
      .set(change)
      .where(and(eq(trials.studioId, studio.id), eq(trials.id, id)))
      .returning(),
  );
  return changed && asTrial(changed);
}

export const deleteTrial = (studio: Studio, id: string): Promise<boolean> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(trials)
          .where(and(eq(trials.studioId, studio.id), eq(trials.id, id)))
          .returning({ id: trials.id })
      ).length > 0,
  );
