import { route } from "@/door/route";
import { findDrawing } from "@/store/pictures";

/** Name and size of a picture, and what its file calls its shapes. */
export const GET = route(null, (studio, _, { id }) => findDrawing(studio, id!), "picture");
