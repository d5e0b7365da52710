import { DeskInput } from "@/border/desk";
import { openDesk } from "../desks";
import { operation } from "../operation";

/** Opens a desk and gives the handle by which later questions name it, instead of bringing all of it along. */
export const open = operation(DeskInput, function* (input): Generator<number, { readonly desk: string }> {
  return { desk: yield* openDesk(input) };
});
