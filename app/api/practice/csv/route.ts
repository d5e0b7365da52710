import { visitorOf } from "@/door/guard";
import { route } from "@/door/route";
import { eyeAnswersOf } from "@/store/practice";
import { eyeInWords } from "@/words/eye";
import { csvOf, download } from "../../download";
import { personOf } from "../person";

const FIELDS = ["when", "question", "family", "right", "seconds", "level"];

/** Everything that the eye of whoever asks has answered. */
export const GET = route(null, async (studio, _, __, { headers }) => {
  const answers = await eyeAnswersOf(studio, personOf(await visitorOf(headers)));
  const rows = answers.map(({ at, kind, family, right, seconds, level }) => ({
    when: new Date(at).toISOString(),
    question: eyeInWords[kind].name,
    family,
    right: right ? "yes" : "no",
    seconds: seconds.toFixed(1),
    level: level.toFixed(2),
  }));
  return download(csvOf(FIELDS, rows), "text/csv", "practice.csv");
});
