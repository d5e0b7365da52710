import { followedPasses, openTimeOf } from "@/core/work/open-time";
import { paceOf, type Learnt } from "@/core/work/pace";
import { recordOf, type WorkRecord } from "@/core/work/record";
import { listPapers, takeOpenTime, type PaperSheet } from "@/store/papers";
import { speedOf, takePace, type Studio } from "@/store/studio";
import { workOfStudio, type WorkOnPaper } from "@/store/work-events";

/** Pieces with work from which on a hand's own pace, or what ink does on a paper, is gone by. */
const FROM_PIECE = 3;
/** Within what a studio may say of its pace, and of a paper. */
const within = (value: number, least: number, most: number) =>
  Math.min(most, Math.max(least, Math.round(value)));
/** Where a studio has not said: mm² a second; and where a paper does not say: s until it is dry. */
const [SPEED, DRY] = [40, 300];

interface Recorded {
  readonly paperId: string | null;
  readonly record: WorkRecord;
}
const recorded = (work: readonly WorkOnPaper[]): Recorded[] =>
  work
    .map(({ paperId, events }) => ({ paperId, record: recordOf(events) }))
    .filter((w) => w.record.done.size > 0);

/** How long ink stays open on a paper by the work on it. */
const openTimeBy = (
  work: readonly Recorded[],
  paper: Pick<PaperSheet, "id" | "dryTime">,
  speed: number | null,
): Learnt | undefined =>
  openTimeOf(
    work
      .filter((w) => w.paperId === paper.id)
      .flatMap((w) => followedPasses(w.record, speed ?? SPEED, paper.dryTime ?? DRY)),
  );

/** How long ink stays open on a paper by the work of a studio on it. */
export async function openTimeOn(
  studio: Studio,
  paper: Pick<PaperSheet, "id" | "dryTime">,
): Promise<Learnt | undefined> {
  const [work, speed] = await Promise.all([workOfStudio(studio), speedOf(studio)]);
  return openTimeBy(recorded(work), paper, speed);
}

/**
 * Takes the pace of the studio's hand from its work, and how long ink stays open on the papers that were worked on, once there is enough of it and
 * unless somebody has said another.
 */
export async function learnPace(studio: Studio): Promise<void> {
  const work = recorded(await workOfStudio(studio));
  if (work.length < FROM_PIECE) return;
  const { speed, change } = paceOf(work.map((w) => w.record));
  if (speed)
    await takePace(studio, {
      speed: within(speed.value, 1, 500),
      ...(change && { change: within(change.value, 0, 120) }),
    });
  const pace = await speedOf(studio);
  for (const paper of await listPapers(studio)) {
    if (work.filter((w) => w.paperId === paper.id).length < FROM_PIECE) continue;
    const open = openTimeBy(work, paper, pace);
    if (open) await takeOpenTime(studio, paper.id, within(open.value, 1, 3600));
  }
}
