import { DeskInput } from "@/border/desk";
import type { DeskFit } from "@/core/ink/desk-fit";
import type { Work } from "@/core/progress";
import { openDesk, openDeskOf } from "../desks";
import { operation } from "../operation";
import { fitOf } from "../pencil-desk";

export interface OpenOutput {
  /** The handle of the desk. */
  readonly desk: string;
  /** What was fitted to its readings: brought along with the same desk, it spares the fitting. */
  readonly fit: DeskFit;
}

/** Opens a desk and gives the handle by which later questions name it, instead of bringing all of it along. */
export const open = operation(DeskInput, function* (input): Work<OpenOutput> {
  const desk = yield* openDesk(input);
  return { desk, fit: fitOf(openDeskOf(desk)!) };
});
