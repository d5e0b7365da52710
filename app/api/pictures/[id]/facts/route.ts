import { ofThisBuild } from "@/app/kept-colouring";
import { route } from "@/door/route";
import { drawingNames } from "@/store/drawings";
import { findDrawing } from "@/store/pictures";

/** Name and size of a picture, what its file calls its shapes, and which drawings of it are kept. */
export const GET = route(
  null,
  async (studio, _, { id }) => {
    const found = await findDrawing(studio, id!);
    return found && { ...found, drawings: await ofThisBuild(await drawingNames(studio, id!)) };
  },
  "picture",
);
