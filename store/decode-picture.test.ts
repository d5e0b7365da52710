import sharp from "sharp";
import { decodePicture, MOST_BYTES, PictureRefused } from "./decode-picture";

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#c8a27a" } });
const refusal = (name: string, bytes: Buffer) =>
  decodePicture(name, bytes).then(
    () => "",
    (e: unknown) => (e instanceof PictureRefused ? e.message : `not a refusal: ${String(e)}`),
  );

describe("a picture that comes in", () => {
  it("keeps its colours exactly when it is PNG", async () => {
    const picture = await decodePicture("a.png", await plain(60, 40).png().toBuffer());
    const { data } = await sharp(picture.working).raw().toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([0xc8, 0xa2, 0x7a]);
    expect(picture).toMatchObject({
      type: "image/png",
      width: 60,
      height: 40,
      workingWidth: 60,
      workingHeight: 40,
    });
  });
  it("is turned upright by its EXIF, and made smaller for work", async () => {
    const turned = await decodePicture(
      "a.jpg",
      await plain(3000, 1500).jpeg().withMetadata({ orientation: 6 }).toBuffer(),
    );
    expect(turned).toMatchObject({
      width: 1500,
      height: 3000,
      workingWidth: 1200,
      workingHeight: 2400,
      workingType: "image/jpeg",
    });
  });
  it("may be WebP", async () =>
    expect((await decodePicture("a.webp", await plain(20, 20).webp().toBuffer())).type).toBe("image/webp"));
  it.each([
    ["gif", "image/gif"],
    ["tiff", "image/tiff"],
    ["avif", "image/avif"],
  ] as const)("may be %s", async (format, type) => {
    const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#4080c0" } })
      .toFormat(format)
      .toBuffer();
    const picture = await decodePicture(`a.${format}`, bytes);
    expect(picture).toMatchObject({ type, width: 60, height: 40, workingWidth: 60 });
    expect(["image/png", "image/jpeg"]).toContain(picture.workingType);
    const { data } = await sharp(picture.working).raw().toBuffer({ resolveWithObject: true });
    [64, 128, 192].forEach((v, c) => expect(Math.abs(data[c]! - v)).toBeLessThan(6));
  });
  it("shows the first of several pages, and says so", async () => {
    const page = (background: string) =>
      sharp({ create: { width: 30, height: 20, channels: 3, background } })
        .png()
        .toBuffer();
    const pages = await Promise.all([page("#f00"), page("#00f")]);
    const bytes = await sharp(pages, { join: { animated: true } })
      .tiff()
      .toBuffer();
    expect((await decodePicture("two.tiff", bytes)).leftOut).toEqual(["its pages 2 to 2"]);
  });
  it("of a phone's own kind is refused with the way out", async () => {
    const heic = Buffer.concat([
      Buffer.from([0, 0, 0, 24]),
      Buffer.from("ftypheic\0\0\0\0mif1heic"),
      Buffer.alloc(40),
    ]);
    expect(await refusal("IMG_1.HEIC", heic)).toMatch(/HEIC photo.*JPEG/);
  });
  it("is refused in words when it is no picture, broken, empty, too long or too large", async () => {
    expect(await refusal("a.png", Buffer.from("<html>not a picture</html>"))).toMatch(
      /not a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG/,
    );
    expect(
      await refusal("a.png", Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
    ).toMatch(/no drawing in it\. Save/);
    const elsewhere =
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="tux.png" width="9" height="9"/></svg>';
    expect(await refusal("a.svg", Buffer.from(elsewhere))).toMatch(
      /no drawing in it, and this cannot come with it: a picture that lies elsewhere/,
    );
    const whole = await plain(300, 300).png({ compressionLevel: 0 }).toBuffer();
    expect(await refusal("b.png", whole.subarray(0, whole.length / 2))).toMatch(/damaged/);
    expect(await refusal("c.png", Buffer.alloc(0))).toMatch(/empty/);
    expect(await refusal("d.png", Buffer.alloc(MOST_BYTES + 1))).toMatch(/at most 30 MB/);
    expect(await refusal("e.png", await plain(9000, 7000).png().toBuffer())).toMatch(
      /63 megapixels; at most 60/,
    );
  });

  it("has its colours turned to those of the screen when it says that they are others", async () => {
    const wide = await sharp({ create: { width: 8, height: 8, channels: 3, background: "#00ff00" } })
      .withIccProfile("p3")
      .png()
      .toBuffer();
    const { data } = await sharp((await decodePicture("p3.png", wide)).working)
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Display P3 written from sRGB green and read back is sRGB green again, not the raw P3 numbers.
    expect(data[1]! - data[0]!).toBeGreaterThan(225);
  });
});

describe("a drawing in SVG", () => {
  const svg = (inside: string, head = 'viewBox="0 0 100 50"') =>
    Buffer.from(`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`);
  it("is drawn large on white, with its named shapes and where they lie", async () => {
    const picture = await decodePicture(
      "petals.svg",
      svg(
        '<g id="left-petal"><circle cx="20" cy="25" r="15" fill="none" stroke="#000"/></g><rect id="stem" x="60" y="10" width="30" height="30"/>',
      ),
    );
    expect(picture).toMatchObject({ workingWidth: 2000, workingHeight: 1000, workingType: "image/png" });
    expect(picture.names.map((n) => n.name)).toEqual(["Left petal", "Stem"]);
    const [[x, y]] = picture.names[0]!.at as [readonly [number, number]];
    expect(x).toBeCloseTo(0.2, 1);
    expect(y).toBeCloseTo(0.5, 1);
    const { data } = await sharp(picture.working).raw().toBuffer({ resolveWithObject: true });
    expect(data[0]).toBe(255);
  });
  it("is as large on paper as its file means, and shows all of its sheet", async () => {
    const picture = await decodePicture(
      "mm.svg",
      svg(
        '<rect x="700" y="1000" width="80" height="100" style="stroke:#000;stroke-width:10pt"/>',
        'width="210mm" height="297mm"',
      ),
    );
    expect(picture.mm).toBeCloseTo(210, 5);
    expect(picture).toMatchObject({ workingWidth: 1414, workingHeight: 2000 });
    const { data } = await sharp(picture.working).greyscale().raw().toBuffer({ resolveWithObject: true });
    // In the lower right corner, where a sheet of 210 of its own units would have ended; its edge is 10 pt, 13.3 px, wide.
    const at = (x: number, y: number) =>
      data[Math.round((y * 2000) / 1122.5) * 1414 + Math.round((x * 1414) / 793.7)]!;
    expect(at(740, 1050)).toBeLessThan(30);
    expect(at(694.5, 1050)).toBeLessThan(60);
    expect(at(692, 1050)).toBeGreaterThan(200);
  });
  it("shows pictures that are in it, each looked at as any other", async () => {
    const red = await sharp({ create: { width: 40, height: 40, channels: 3, background: "#f00" } })
      .png()
      .toBuffer();
    const image = (data: string) =>
      `<image x="10" y="10" width="30" height="30" href="data:image/png;base64,${data}"/>`;
    const picture = await decodePicture("with.svg", svg(image(red.toString("base64"))));
    const { data, info } = await sharp(picture.working).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [
      ...data.subarray((y * info.width + x) * info.channels, (y * info.width + x) * info.channels + 3),
    ];
    expect(at(500, 500)).toEqual([255, 0, 0]);
    expect(picture.leftOut).toEqual([]);
    const broken = await decodePicture("with.svg", svg(`<rect width="9" height="9"/>${image("AAAA")}`));
    expect(broken.leftOut).toEqual(["a picture that lies elsewhere"]);
  });
  it("may be written in another encoding", async () => {
    const text =
      '<?xml version="1.0" encoding="ISO-8859-1"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><rect id="Kän guru" width="9" height="9"/></svg>';
    expect((await decodePicture("a.svg", Buffer.from(text, "latin1"))).names.map((n) => n.name)).toEqual([
      "Kän guru",
    ]);
    const wide = Buffer.concat([
      Buffer.from([0xff, 0xfe]),
      Buffer.from(text.replace(/<\?.*\?>/, ""), "utf16le"),
    ]);
    expect((await decodePicture("a.svg", wide)).names.map((n) => n.name)).toEqual(["Kän guru"]);
  });
  it("that cannot be read is refused in words", async () => {
    expect(await refusal("a.svg", svg("<rect"))).toMatch(/SVG cannot be read/);
    expect(await refusal("a.svg", svg(`${"<g>".repeat(100)}${"</g>".repeat(100)}`))).toMatch(
      /inside each other/,
    );
  });
  it("is refused as a drawing whose masks within masks take more time than it may", async () => {
    const n = 16;
    const masks = Array.from(
      { length: n },
      (_, i) =>
        `<mask id="m${i}"${i + 1 < n ? ` mask="url(#m${i + 1})"` : ""}><rect width="2000" height="2000" fill="#fff"/></mask>`,
    );
    const inside = `${'<g mask="url(#m0)">'.repeat(n)}<rect width="2000" height="2000"/>${"</g>".repeat(n)}`;
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2000 2000"><defs>${masks.join("")}</defs>${inside}</svg>`;
    expect(await refusal("m.svg", Buffer.from(svg))).toContain("not in reasonable time");
  });
});
