/** The bytes of the studio's working copy of a picture; the browser keeps them, since a picture never changes under its id. */
export async function pictureBlob(id: string): Promise<Blob> {
  const answer = await fetch(`/api/pictures/${id}`).catch(() => undefined);
  if (!answer?.ok) throw new Error("The picture cannot be fetched just now.");
  return answer.blob();
}
