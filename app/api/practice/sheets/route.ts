import { SheetScoreInput } from "@/border/practice";
import { visitorOf } from "@/door/guard";
import { route } from "@/door/route";
import { addSheetScore, sheetScoresOf } from "@/store/practice";
import { personOf } from "../person";

/** Sheets that whoever asks has practised on. */
export const GET = route(null, async (studio, _, __, { headers }) => ({
  sheets: await sheetScoresOf(studio, personOf(await visitorOf(headers))),
}));

/** Writes down how a sheet came out, once however often it is sent. */
export const POST = route(SheetScoreInput, async (studio, sheet, _, { headers }) =>
  addSheetScore(studio, personOf(await visitorOf(headers)), sheet),
);
