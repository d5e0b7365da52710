import { decodePicture, MOST_BYTES, PictureRefused } from "@/store/decode-picture";
import { addPicture } from "@/store/pictures";
import { currentStudio } from "@/store/studio";
import { answer } from "../answer";

/** Room for the form around the file. */
const FORM_SLACK = 64 * 1024;

export const POST = (request: Request) =>
  answer(async () => {
    if (Number(request.headers.get("content-length") ?? 0) > MOST_BYTES + FORM_SLACK)
      throw new PictureRefused("The picture has more than 30 MB. Save it smaller and try again.");
    const file = (await request.formData().catch(() => undefined))?.get("picture");
    if (!(file instanceof File))
      throw new PictureRefused("No picture came along. Choose a PNG, JPEG or WebP picture.");
    const decoded = await decodePicture(file.name.slice(0, 200), Buffer.from(await file.arrayBuffer()));
    return Response.json(await addPicture(await currentStudio(), decoded), { status: 201 });
  });
