import { EventsInput } from "@/border/work-events";
import { learnPace } from "@/app/learn-pace";
import { route } from "@/door/route";
import { checkPhotos } from "@/door/own-things";
import { addWorkEvents, workEventsOf } from "@/store/work-events";
import { findPiece } from "@/store/pieces";

/** What was done at the desk. */
export const GET = route(
  null,
  async (studio, _, { id }) => {
    const events = await workEventsOf(studio, id!);
    return events.length || (await findPiece(studio, id!)) ? { events } : undefined;
  },
  "piece",
);

/** Takes down what was done, each thing once however often it is sent, and gives all that is known. */
export const POST = route(
  EventsInput,
  async (studio, { events }, { id }) => {
    await checkPhotos(studio, events);
    const all = await addWorkEvents(studio, id!, events);
    // What was worked tells how fast the hand is.
    if (all && events.some((e) => e.kind === "finished")) await learnPace(studio);
    return all && { events: all };
  },
  "piece",
);
