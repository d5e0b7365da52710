import { paceOf } from "@/core/work/pace";
import { recordOf } from "@/core/work/record";
import { takePace, type Studio } from "@/store/studio";
import { workOfStudio } from "@/store/work-events";

/** Pieces with work from which on a hand's own pace is gone by. */
const FROM_PIECE = 3;
/** Within what a studio may say of its pace. */
const within = (value: number, least: number, most: number) =>
  Math.min(most, Math.max(least, Math.round(value)));

/** Takes the pace of the studio's hand from its work, once there is enough of it and unless somebody has said another. */
export async function learnPace(studio: Studio): Promise<void> {
  const records = (await workOfStudio(studio)).map(recordOf).filter((r) => r.done.size > 0);
  if (records.length < FROM_PIECE) return;
  const { speed, change } = paceOf(records);
  if (!speed) return;
  await takePace(studio, {
    speed: within(speed.value, 1, 500),
    ...(change && { change: within(change.value, 0, 120) }),
  });
}
