import sharp from "sharp";
import { BadInput, within, wrong } from "@/border/problem";
import { readAs } from "@/border/read-as";
import type { Document } from "@/border/fields";

const MOST_PIXELS = 16_000_000;

/** A picture of a form as PNG without opacity, whatever it claims to be. */
export async function pictureOf(form: FormData | undefined, field: string): Promise<Buffer> {
  const file = form?.get(field);
  const refused = () => wrong(field, `expected a PNG picture of at most ${MOST_PIXELS / 1e6} megapixels`);
  if (!(file instanceof File) || !file.size) throw refused();
  return sharp(Buffer.from(await file.arrayBuffer()), { limitInputPixels: MOST_PIXELS })
    .flatten({ background: "#ffffff" })
    .png()
    .toBuffer()
    .catch(() => {
      throw refused();
    });
}

/**
 * A document that lies in a field of a form as JSON; undefined where the field is not there.
 * @throws BadInput naming the field, and what within it
 */
export function documentOf<T extends object>(
  form: FormData | undefined,
  field: string,
  type: Document<T>,
  expected: string,
  mostText: number,
): T | undefined {
  const said = form?.get(field) ?? null;
  if (said === null) return undefined;
  let read: unknown;
  try {
    read = typeof said === "string" && said.length <= mostText ? JSON.parse(said) : undefined;
  } catch {
    read = undefined;
  }
  if (read === undefined) throw wrong(field, `expected ${expected} as JSON of at most ${mostText} letters`);
  try {
    return readAs(type, read) as T;
  } catch (e) {
    throw e instanceof BadInput ? within(e, field) : e;
  }
}
