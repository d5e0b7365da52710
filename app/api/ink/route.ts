import { InkEventInput } from "@/border/ink-event";
import { route } from "@/door/route";
import { addScaleEvent, inkLedger } from "@/store/ink";

/** What is known of the ink in the markers of the studio. */
export const GET = route(null, (studio) => inkLedger(studio));

/** Writes down that a marker was weighed or filled, once however often it is sent. */
export const POST = route(InkEventInput, (studio, event) => addScaleEvent(studio, event), "marker");
