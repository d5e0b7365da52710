import { route } from "@/door/route";
import { SizedInput } from "@/border/sized";
import { pictureAnswer, sizedPicture } from "@/app/sized-picture";
import { pictureBytes } from "@/store/pictures";

/** The working copy of a picture, or a smaller one to look at; a picture never changes under its id. */
export const GET = route(
  { query: SizedInput },
  async (studio, { width }, { id }) => {
    const whole = () => pictureBytes(studio, id!);
    const found = await (width ? sizedPicture(studio, id!, Number(width)) : whole());
    return found && pictureAnswer(found);
  },
  "picture",
);
