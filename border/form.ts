import { bytesOf } from "./body";

/** Room for the form around a file. */
const FORM_SLACK = 64 * 1024;

/** The fields of a form, read only as far as its file may go; undefined when it is none. */
export async function formOf(request: Request, mostBytes: number): Promise<FormData | undefined> {
  const body = new Uint8Array(await bytesOf(request, mostBytes + FORM_SLACK));
  return new Response(body, { headers: { "content-type": request.headers.get("content-type") ?? "" } })
    .formData()
    .catch(() => undefined);
}
