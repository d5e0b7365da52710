import sharp from "sharp";
import { BadInput } from "@/border/problem";
import { pageOf, pagesOf } from "./picture-pages";

const COLOURS = ["#c8a27a", "#2a6f97", "#80b918"];
/** A file of three pages, each of one colour. */
async function paged(format: "tiff" | "gif", density?: number): Promise<Buffer> {
  const pages = await Promise.all(
    COLOURS.map((background) =>
      sharp({ create: { width: 300, height: 200, channels: 3, background } })
        .png()
        .toBuffer(),
    ),
  );
  const joined = sharp(pages, { join: { animated: true } });
  return format === "gif"
    ? joined.gif().toBuffer()
    : joined
        .tiff({ compression: "deflate", ...(density && { xres: density / 25.4, yres: density / 25.4 }) })
        .toBuffer();
}
const colourOf = async (picture: Buffer) => {
  const { data } = await sharp(picture).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return `#${data.subarray(0, 3).toString("hex")}`;
};
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => "",
    (e: unknown) => (e instanceof BadInput ? e.message : `not a refusal: ${String(e)}`),
  );

describe("a picture of several pages", () => {
  it.each(["tiff", "gif"] as const)(
    "as %s is seen page by page, and any of them can be taken",
    async (format) => {
      const file = await paged(format);
      const pages = await pagesOf(file);
      expect(pages).toHaveLength(3);
      for (const [i, colour] of COLOURS.entries()) {
        const small = await sharp(Buffer.from(pages[i]!.small!, "base64")).metadata();
        expect([small.format, small.width, small.height]).toEqual(["webp", 220, 147]);
        const page = await pageOf(file, i + 1);
        expect(await sharp(page).metadata()).toMatchObject({ format: "png", width: 300, height: 200 });
        expect(await colourOf(page)).toBe(colour);
      }
    },
  );
  it("says how wide a page is on paper only where the file means it", async () => {
    expect((await pagesOf(await paged("tiff", 300)))[0]!.mm).toBeCloseTo(25.4, 1);
    expect((await pagesOf(await paged("tiff", 72)))[0]!.mm).toBeNull();
  });
  it("is refused by field, or in words", async () => {
    const file = await paged("tiff");
    expect(await refusal(pageOf(file, 4))).toMatch(/page.*from 1 to 3/);
    expect(await refusal(pagesOf(file.subarray(0, 60)))).toMatch(/no TIFF, GIF or WebP/);
    expect(await refusal(pagesOf(Buffer.from("<svg/>")))).toMatch(/no TIFF, GIF or WebP/);
    expect(await refusal(pagesOf(Buffer.alloc(31 * 1024 * 1024)))).toMatch(/more than 30 MB/);
    // What is cut off has fewer pages, or pages that cannot be read: told, not thrown.
    const cut = file.subarray(0, Math.floor(file.length * 0.6));
    expect(await refusal(pagesOf(cut))).not.toMatch(/not a refusal/);
    expect(await refusal(pageOf(cut, 3))).not.toMatch(/not a refusal/);
  });
});
