import { practicePdf } from "@/app/print/practice-pdf";
import { PrintSheetInput } from "@/border/practice";
import { exerciseOf } from "@/core/practice/exercise";
import { flatOf, rampOf, toMeet } from "@/core/practice/ramp";
import { route } from "@/door/route";
import { listPapers } from "@/store/papers";
import { rackOn } from "@/store/rack";
import { exerciseInWords } from "@/words/practice";
import { download } from "../../../download";

/** A sheet to practise on, in true size on the studio's paper, with markers of its rack by which it can be done. */
export const GET = route({ query: PrintSheetInput }, async (studio, { exercise }) => {
  const [paper] = await listPapers(studio);
  const rack = paper && (await rackOn(studio, paper.id));
  const inks = (rack?.markers ?? []).flatMap(({ code, family, owned, state, swatches: [first] }) =>
    owned && state !== "dry" && first ? [{ code, family, lab: first.lab }] : [],
  );
  const { tones } = exerciseOf(exercise);
  const chosen =
    exercise === "match" && paper
      ? toMeet(inks, paper.lab)
      : tones === 1
        ? [flatOf(inks)].flatMap((i) => i ?? [])
        : rampOf(inks, tones);
  const codes = (chosen ?? []).map((i) => i.code);
  const pdf = await practicePdf(exercise, studio.sheet, codes);
  return download(new Uint8Array(pdf), "application/pdf", `${exerciseInWords[exercise].name}.pdf`);
});
