import { readFile } from "node:fs/promises";
import type { Download, Page } from "@playwright/test";
import { expect, test } from "./test";
import sharp from "sharp";
import { hrefOf, listens, open, openKiteMender, savedNotice, stored } from "./studio";

/** The part of a stored piece that Light decides. */
interface LitDocument {
  readonly light: {
    readonly main: { readonly from: number; readonly height: number; readonly behind: boolean };
    readonly second: { readonly behind: boolean } | null;
  };
  readonly setUp: { readonly cuts: readonly unknown[] };
  readonly areas: readonly {
    readonly name: string;
    readonly form: {
      readonly kind: string;
      readonly growth: { readonly strokes: readonly (readonly unknown[])[] } | null;
    } | null;
    readonly zones: {
      readonly shares: readonly number[] | null;
      readonly touches: readonly unknown[];
      readonly whites: readonly unknown[];
    } | null;
    readonly place: { readonly mm2: number } | null;
  }[];
}
const documentOf = async (page: Page, id: string) =>
  (await stored(page.request, id)).document as unknown as LitDocument;

/** A word for what a canvas shows: its pixels, thinned. */
const seen = (page: Page, testId: string) =>
  page.getByTestId(testId).evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
    let hash = 0;
    for (let p = 0; p < data.length; p += 404) hash = (Math.imul(hash, 31) + data[p]!) | 0;
    return hash;
  });

/** The colour of a pixel of a canvas, at shares of its size. */
const colourAt = (page: Page, testId: string, x: number, y: number) =>
  page
    .getByTestId(testId)
    .evaluate(
      (canvas: HTMLCanvasElement, [u, v]) => [
        ...canvas
          .getContext("2d")!
          .getImageData(Math.floor(u! * canvas.width), Math.floor(v! * canvas.height), 1, 1).data,
      ],
      [x, y],
    );

const bytesOf = async (download: Download) => readFile(await download.path());

/** A vase before a wall. */
const SVG = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300">
  <rect id="wall" x="10" y="10" width="380" height="280" fill="#fff" stroke="#000" stroke-width="4"/>
  <ellipse id="vase" cx="200" cy="150" rx="90" ry="110" fill="#fff" stroke="#000" stroke-width="4"/></svg>`;

test("from a fresh drawing to a guide to take along", async ({ page, browser }) => {
  test.slow();
  await open(page, "/");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Vase");
  await page.getByRole("button", { name: "Open it" }).click();
  await page.waitForURL(/set-up/);
  const id = page.url().split("/")[4]!;
  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: "vase.svg", mimeType: "image/svg+xml", buffer: Buffer.from(SVG) });
  await expect(page.getByTestId("drawing")).toBeVisible({ timeout: 30_000 });
  await page.getByRole("tab", { name: /^Areas/ }).click();
  await page.getByRole("button", { name: /^Make areas of all/ }).click();
  await expect(savedNotice(page)).toBeVisible();

  // Light: the wall is flat, the vase is round already; the light comes from the right.
  await page.getByRole("link", { name: "Light", exact: true }).click();
  // How the drawing was looked at is kept, for whoever comes next.
  const looked = page.waitForResponse((r) => r.request().method() === "PUT" && r.url().endsWith("/drawing"));
  await page.waitForURL(/light/);
  await expect(page.getByTestId("light-picture")).toBeVisible({ timeout: 30_000 });
  expect((await looked).status()).toBe(204);
  const dial = page.getByRole("slider", { name: "Main light" });
  await dial.focus();
  for (let i = 0; i < 18; i++) await page.keyboard.press("ArrowRight");
  await expect(dial).toHaveAttribute("aria-valuetext", /from the upper right/);
  await page.getByRole("tab", { name: "Form" }).click();
  // A wall is proposed to be flat by its name; taken, nothing is left to propose.
  await page.getByRole("button", { name: "Propose forms" }).click();
  const proposed = page.getByRole("region", { name: "Proposed forms" });
  await expect(proposed).toContainText("Wall: flat");
  await proposed.getByRole("button", { name: "Take the form of Wall" }).click();
  await expect
    .poll(async () => (await documentOf(page, id)).areas.find((a) => a.name === "Wall")!.form?.kind)
    .toBe("flat");
  expect((await documentOf(page, id)).light.main.from).toBe(45);

  // Colour: the vase gets a group for a colour that is given.
  await page.getByRole("link", { name: "Colour", exact: true }).click();
  await page.waitForURL(/colour/);
  await page.getByRole("button", { name: /^Vase/ }).click();
  await page.getByLabel("Colour or marker").fill("#5f86a8");
  await page.getByRole("button", { name: "Use this colour" }).click();
  await page.getByRole("button", { name: "Keep this group" }).click({ timeout: 60_000 });
  await expect(
    page.getByTestId("piece-picture").or(page.getByRole("button", { name: "Colouring", exact: true })),
  ).toBeVisible();

  // Check: as it will look, and what can be taken along.
  await page.getByRole("link", { name: "Check", exact: true }).click();
  await page.waitForURL(/check/);
  await expect(page.getByTestId("colouring")).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId("noticed")).toBeVisible({ timeout: 60_000 });
  // Lit from the upper right, the vase is paler there than at its lower left.
  const luma = ([r, g, b]: readonly number[]) => 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  const [lit, dark] = [
    await colourAt(page, "colouring", 0.6, 0.32),
    await colourAt(page, "colouring", 0.38, 0.72),
  ];
  expect(luma(lit)).toBeGreaterThan(luma(dark) + 15);

  const saved = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent("download", { timeout: 60_000 }),
      page.getByRole("button", { name, exact: true }).click(),
    ]);
    return { name: download.suggestedFilename(), bytes: await bytesOf(download) };
  };
  const png = await saved("Colouring");
  expect(png.name).toBe("Vase.png");
  const info = await sharp(png.bytes).metadata();
  expect(info.format).toBe("png");
  expect(info.width! / info.height!).toBeCloseTo(4 / 3, 1);
  const svg = await saved("Tone map");
  expect(svg.name).toBe("Vase tone map.svg");
  expect(svg.bytes.toString()).toContain("Vase</text>");
  // Another program can draw it.
  expect((await sharp(svg.bytes).metadata()).width).toBeGreaterThan(300);
  const layered = await saved("Layered picture");
  expect(layered.name).toBe("Vase.ora");
  expect(layered.bytes.subarray(0, 2).toString()).toBe("PK");
  expect(layered.bytes.subarray(30, 54).toString()).toBe("mimetypeimage/openraster");
  const guide = await saved("Guide");
  expect(guide.name).toBe("Vase guide.pdf");
  expect(guide.bytes.subarray(0, 5).toString()).toBe("%PDF-");
  expect(guide.bytes.length).toBeGreaterThan(20_000);

  // Somebody who comes next sees the same without its picture being looked at.
  const before = await seen(page, "colouring");
  const next = await (
    await browser.newContext({ storageState: await page.context().storageState() })
  ).newPage();
  const fetched: string[] = [];
  next.on("request", (r) => fetched.push(new URL(r.url()).pathname + new URL(r.url()).search));
  await open(next, page.url());
  await expect(next.getByTestId("colouring")).toBeVisible({ timeout: 60_000 });
  await expect(next.getByTestId("noticed")).toBeVisible({ timeout: 60_000 });
  expect(await seen(next, "colouring")).toBe(before);
  // Its line and areas come as they were kept, and its light.
  const came = fetched.filter((f) => f.includes("/drawing?name="));
  expect(came.filter((f) => f.includes("=light-"))).toHaveLength(1);
  expect(came).toHaveLength(2);
  expect(fetched.filter((f) => /^.api.pictures.[0-9a-f-]+$/.test(f))).toEqual([]);
  await next.context().close();
  await page.request.delete(`/api/pieces/${id}`);
});

test("a tone is exchanged and seen at once, in its own area alone", async ({ page }) => {
  await openKiteMender(page);
  await page.getByRole("button", { name: /^Shawl/ }).click();
  await page.getByRole("button", { name: "Colouring", exact: true }).click();
  // What is kept of the present plan is seen at once; it is drawn anew once something is changed.
  await expect(page.getByRole("img", { name: "The Kite Mender as it will look" })).toBeVisible();
  const more = (tone: number) =>
    page
      .getByRole("button", { name: /^One coat more of/ })
      .nth(tone)
      .click();
  await more(1);
  await expect(page.getByTestId("piece-picture")).toBeVisible({ timeout: 60_000 });
  await expect(savedNotice(page)).toBeVisible();
  // The shawl's middle, and the wall that nobody changes.
  const shawl = () => colourAt(page, "piece-picture", 0.68, 0.72);
  const [before, wall] = [await shawl(), await colourAt(page, "piece-picture", 0.75, 0.08)];
  await more(0);
  await expect.poll(shawl, { timeout: 30_000 }).not.toEqual(before);
  expect(await colourAt(page, "piece-picture", 0.75, 0.08)).toEqual(wall);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(shawl, { timeout: 30_000 }).toEqual(before);
  // Back at the plan of which a picture is kept: that one, or the same drawn again where another was kept meanwhile.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(savedNotice(page)).toBeVisible();
  await expect(
    page
      .getByTestId("piece-picture")
      .or(page.getByRole("img", { name: "The Kite Mender as it will look" }))
      .first(),
  ).toBeVisible();
});

test("light is dragged, hair is drawn, tones are moved and touched, a shadow is cast; undo takes each back", async ({
  page,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  const original = await documentOf(page, id);
  await open(page, `/pieces/${id}/light`);
  await expect(page.getByTestId("light-picture")).toBeVisible({ timeout: 60_000 });
  const first = await seen(page, "light-picture");
  const dial = page.getByRole("slider", { name: "Main light" });
  const box = (await dial.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.6, { steps: 4 });
  // It is live while it is dragged, and nothing is kept yet.
  await expect.poll(() => seen(page, "light-picture")).not.toBe(first);
  expect((await documentOf(page, id)).light.main).toEqual(original.light.main);
  await page.mouse.up();
  await expect
    .poll(async () => (await documentOf(page, id)).light.main.from)
    .not.toBe(original.light.main.from);
  await page.getByRole("button", { name: "The moon behind" }).click();
  await expect.poll(async () => (await documentOf(page, id)).light.second?.behind).toBe(true);

  await page.getByRole("tab", { name: "Hair and fur" }).click();
  await page.getByLabel("Area", { exact: true }).selectOption({ label: "Shawl" });
  await page.getByRole("button", { name: "Draw a stroke", exact: true }).click();
  const drawing = page.getByTestId("drawing");
  const frame = (await drawing.boundingBox())!;
  const at = (x: number, y: number) => [frame.x + frame.width * x, frame.y + frame.height * y] as const;
  await page.mouse.move(...at(0.62, 0.55));
  await page.mouse.down();
  await page.mouse.move(...at(0.64, 0.7), { steps: 6 });
  await page.mouse.move(...at(0.7, 0.82), { steps: 6 });
  await page.mouse.up();
  const shawl = async () => (await documentOf(page, id)).areas.find((a) => a.name === "Shawl")!;
  await expect.poll(async () => (await shawl()).form!.growth?.strokes[0]?.length ?? 0).toBeGreaterThan(5);

  await page.getByRole("tab", { name: "Tones" }).click();
  await expect(page.getByTestId("tone-map")).toBeVisible({ timeout: 30_000 });
  const map = await seen(page, "tone-map");
  const border = page.getByLabel("Tone 1 ends at, share of Shawl");
  await border.focus();
  for (let i = 0; i < 4; i++) await border.press("ArrowRight");
  await expect.poll(async () => (await shawl()).zones?.shares?.length ?? 0).toBeGreaterThan(0);
  await expect.poll(() => seen(page, "tone-map"), { timeout: 30_000 }).not.toBe(map);
  await page.getByRole("button", { name: "Keep white" }).click();
  await drawing.click({ position: { x: frame.width * 0.7, y: frame.height * 0.75 } });
  await expect.poll(async () => (await shawl()).zones!.whites.length).toBe(1);

  // A ground shadow under the lamp is an area of its own, and is measured where the drawing is.
  await page.getByRole("tab", { name: "Form" }).click();
  await page.getByLabel("Area", { exact: true }).selectOption({ label: "Brass lamp" });
  await page.getByRole("tab", { name: "Light", exact: true }).click();
  await page.getByRole("button", { name: "Add a ground shadow" }).click();
  await page.getByRole("link", { name: "Set up", exact: true }).click();
  await page.waitForURL(/set-up/);
  const shadow = async () => (await documentOf(page, id)).areas.find((a) => a.name === "Ground shadow");
  await expect.poll(async () => (await shadow())?.place?.mm2 ?? 0, { timeout: 60_000 }).toBeGreaterThan(20);

  const undo = page.getByRole("button", { name: "Undo" });
  while (await undo.isEnabled()) await undo.click();
  await expect.poll(async () => documentOf(page, id), { timeout: 30_000 }).toEqual(original);
});

test("the colouring follows the light while it is dragged, and is exact once it is let go", async ({
  page,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await open(page, `/pieces/${id}/light`);
  await page.getByRole("button", { name: "Colouring", exact: true }).click();
  const colouring = page.getByTestId("colouring");
  await expect(colouring).toBeVisible({ timeout: 60_000 });
  const wide = () => colouring.evaluate((c: HTMLCanvasElement) => c.width);
  // A quick look comes first.
  await expect.poll(wide, { timeout: 60_000 }).toBeGreaterThan(800);
  const whole = await wide();
  const shown = new Set<number>();
  const box = (await page.getByRole("slider", { name: "Main light" }).boundingBox())!;
  const at = (i: number) =>
    page.mouse.move(
      box.x + box.width * (0.5 + 0.3 * Math.cos(i / 6)),
      box.y + box.height * (0.5 + 0.3 * Math.sin(i / 6)),
    );
  await at(0);
  await page.mouse.down();
  // It never rests, as a hand does not.
  for (let i = 1; i < 150 && shown.size < 4; i++) {
    await at(i);
    await page.waitForTimeout(40);
    shown.add(await seen(page, "colouring"));
  }
  expect(shown.size).toBeGreaterThan(3);
  await page.mouse.up();
  await expect.poll(wide, { timeout: 30_000 }).toBe(whole);
});

test("passes are scrubbed through from bare paper to the finish, views compared, an area shown alone", async ({
  page,
}) => {
  const href = await hrefOf(page, "Tin Ferry");
  await open(page, href.replace("colour", "check"));
  await expect(page.getByTestId("colouring")).toBeVisible({ timeout: 60_000 });
  const finished = await seen(page, "colouring");
  const passes = page.getByRole("slider", { name: "Passes laid" });
  await expect(page.getByTestId("pass")).toHaveText("Finished");
  await page.keyboard.press(",");
  await expect(page.getByTestId("pass")).toContainText(/^\d+ of \d+/);
  await passes.focus();
  await page.keyboard.press("Home");
  await expect(page.getByTestId("pass")).toHaveText("Bare paper");
  await expect.poll(() => seen(page, "colouring"), { timeout: 30_000 }).not.toBe(finished);
  const hull = () => colourAt(page, "colouring", 0.5, 0.62);
  const bare = await hull();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByTestId("pass")).toContainText("Hull");
  // Its first passes may lie in the shadow alone.
  for (let pass = 0; pass < 3; pass++) await page.keyboard.press("ArrowRight");
  await expect.poll(hull, { timeout: 30_000 }).not.toEqual(bare);
  await page.keyboard.press("End");
  await expect.poll(() => seen(page, "colouring"), { timeout: 30_000 }).toBe(finished);

  await page.getByLabel("Under").selectOption("A");
  await expect.poll(() => seen(page, "colouring"), { timeout: 60_000 }).not.toBe(finished);
  await page.getByLabel("Under").selectOption("D65");
  await page.getByRole("button", { name: "Hull", exact: true }).click();
  // The sky is bare paper then, but for its grain.
  await expect
    .poll(async () => Math.min(...(await colourAt(page, "colouring", 0.62, 0.25))), { timeout: 30_000 })
    .toBeGreaterThan(228);
  await page.getByRole("button", { name: "Show all areas" }).click();
  await page.getByLabel("Compare").selectOption("split");
  await page.getByLabel("with", { exact: true }).selectOption("light");
  await expect(page.getByRole("img", { name: "Light and dark" })).toBeVisible();
  await page.getByRole("slider", { name: "Wipe" }).focus();
  await page.keyboard.press("ArrowLeft");
  await page.getByLabel("Compare").selectOption("beside");
  await expect(page.getByRole("img", { name: "Light and dark" })).toBeVisible();
  await listens(page);
});

test("hostile guides are refused by field", async ({ page, request }) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  const post = (multipart: Record<string, string | { name: string; mimeType: string; buffer: Buffer }>) =>
    request.post(`/api/pieces/${id}/guide`, { multipart });
  const odd = { name: "a.png", mimeType: "image/png", buffer: Buffer.from("no picture") };
  const png = {
    name: "a.png",
    mimeType: "image/png",
    buffer: await sharp({ create: { width: 8, height: 8, channels: 3, background: "#fff" } })
      .png()
      .toBuffer(),
  };
  const refused = async (form: Parameters<typeof post>[0], field: string) => {
    const answer = await post(form);
    expect(answer.status()).toBe(422);
    expect(((await answer.json()) as { problems: { path: string }[] }).problems[0]!.path).toBe(field);
  };
  await refused({ colouring: odd, tones: png }, "colouring");
  await refused({ colouring: png }, "tones");
  await refused({ colouring: png, tones: png, boxes: "no json" }, "boxes");
  const box = (areas: unknown) => ({ colouring: png, tones: png, boxes: JSON.stringify({ areas }) });
  await refused(box([{ id: "a", box: [0, 0, 1, 1e308] }]), "boxes.areas[0].box");
  await refused(box(Array.from({ length: 1000 }, () => ({ id: "a" }))), "boxes.areas");
  expect((await post({ colouring: png, tones: png })).status()).toBe(200);
  expect((await post(box([{ id: "nobody", box: [0, 0, 1, 1] }]))).status()).toBe(200);
  const nobody = await request.post("/api/pieces/00000000-0000-4000-8000-000000000000/guide", {
    multipart: { colouring: png, tones: png },
  });
  expect(nobody.status()).toBe(404);
});
