import { bytesOf } from "./body";
import { BadInput } from "./problem";

/** Room for the form around a file. */
const FORM_SLACK = 64 * 1024;
/** Parts that a form may have: none of ours has more than a handful. */
const MOST_PARTS = 32;

/** The boundary between the parts of a form; undefined when it is no form. RFC 2046, 5.1.1. */
const boundaryOf = (type: string): string | undefined => {
  const found = /^multipart\/form-data\s*;.*?boundary=(?:"([^"]{1,70})"|([^\s;"]{1,70}))/i.exec(type);
  return found?.[1] ?? found?.[2];
};

/**
 * The fields of a form, read only as far as its file may go; undefined when it is none. How many parts it has is counted before any of them is
 * taken apart: each costs far more memory than it has bytes.
 * @throws BadInput for a form of more parts than any of ours has
 */
export async function formOf(request: Request, mostBytes: number): Promise<FormData | undefined> {
  const type = request.headers.get("content-type") ?? "";
  const body = Buffer.from(await bytesOf(request, mostBytes + FORM_SLACK));
  const boundary = boundaryOf(type);
  if (!boundary) return undefined;
  const mark = Buffer.from(`--${boundary}`);
  let parts = 0;
  for (let at = body.indexOf(mark); at >= 0; at = body.indexOf(mark, at + mark.length))
    if (++parts > MOST_PARTS + 1)
      throw new BadInput([{ path: "", expected: `expected a form of at most ${MOST_PARTS} parts` }]);
  return new Response(new Uint8Array(body), { headers: { "content-type": type } })
    .formData()
    .catch(() => undefined);
}
