import { pictureUrl, sendForFile } from "@/ui/send";

/** The bytes of the studio's working copy of a picture; the browser keeps them, since a picture never changes under its id. */
export const pictureBlob = (id: string): Promise<Blob> =>
  sendForFile("GET", pictureUrl(id)).catch(() => {
    throw new Error("The picture cannot be fetched just now.");
  });
