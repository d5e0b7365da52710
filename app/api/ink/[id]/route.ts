import { route } from "@/door/route";
import { removeScaleEvent } from "@/store/ink";

/** Takes back a weighing or filling that was written down by mistake. */
export const DELETE = route(null, (studio, _, { id }) => removeScaleEvent(studio, id!), "weighing");
