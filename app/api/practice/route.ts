import { EyeAnswersInput } from "@/border/practice";
import { visitorOf } from "@/door/guard";
import { route } from "@/door/route";
import { addEyeAnswers, eyeAnswersOf } from "@/store/practice";
import { personOf } from "./person";

/** What the eye of whoever asks was asked, and how it answered. */
export const GET = route(null, async (studio, _, __, { headers }) => ({
  answers: await eyeAnswersOf(studio, personOf(await visitorOf(headers))),
}));

/** Writes down answers, each once however often it is sent. */
export const POST = route(EyeAnswersInput, async (studio, { answers }, _, { headers }) =>
  addEyeAnswers(studio, personOf(await visitorOf(headers)), answers),
);
