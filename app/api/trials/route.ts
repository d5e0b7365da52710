import { created, route } from "@/door/route";
import { colourOf } from "@/border/colour";
import { noSuch } from "@/border/problem";
import { NewTrialInput } from "@/border/swatchbook";
import { findPaper } from "@/store/papers";
import { addTrial } from "@/store/trials";

export const POST = route(NewTrialInput, async (studio, { paperId, stack, predicted }) => {
  if (!(await findPaper(studio, paperId))) throw noSuch("paperId", "paper");
  return created(await addTrial(studio, { paperId, stack, predicted: colourOf(predicted).lab }));
});
