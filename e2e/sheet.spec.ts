import { expect, test } from "./test";
import sharp from "sharp";
import type { WorkEvent } from "@/core/work/record";
import { hrefOf, open, openKiteMender } from "./studio";

test("a photo of the sheet is laid under the drawing and read against the plan; one of something else is refused", async ({
  page,
}) => {
  await openKiteMender(page);
  await page.getByRole("link", { name: "Check" }).click();
  const colouring = page.getByTestId("colouring");
  await expect(colouring).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Updating/)).toHaveCount(0, { timeout: 60_000 });
  // The sheet as it will look, scanned with its margin: what is read from it is what was planned.
  const scan = (darkened: boolean) =>
    colouring.evaluate((e, dark) => {
      const drawn = e instanceof HTMLCanvasElement ? e : e.querySelector("canvas")!;
      const margin = Math.round(0.08 * drawn.width);
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [drawn.width + 2 * margin, drawn.height + 2 * margin];
      const on = canvas.getContext("2d")!;
      on.fillStyle = "#f7f6f2";
      on.fillRect(0, 0, canvas.width, canvas.height);
      on.drawImage(drawn, margin, margin);
      if (dark) {
        on.globalCompositeOperation = "multiply";
        on.fillStyle = "#a08c78";
        on.fillRect(
          margin + 0.5 * drawn.width,
          margin + 0.55 * drawn.height,
          drawn.width / 4,
          drawn.height / 4,
        );
      }
      return canvas.toDataURL("image/jpeg", 0.9).split(",")[1]!;
    }, darkened);
  const part = page.getByRole("region", { name: "As it lies" });
  const file = part.locator("input[type=file]");
  const take = async (darkened: boolean) =>
    file.setInputFiles({
      name: darkened ? "dark.jpg" : "scan.jpg",
      mimeType: "image/jpeg",
      buffer: Buffer.from(await scan(darkened), "base64"),
    });
  await take(false);
  await expect(part.getByText(/^All \d+ places lie as planned/)).toBeVisible({ timeout: 60_000 });
  await part.getByText("Every place that was read").click();
  expect(await part.getByRole("row").count()).toBeGreaterThan(5);
  await part.getByRole("button", { name: "Compare in the picture" }).click();
  await expect(page.getByAltText("The sheet as it lies, from your photo")).toBeVisible();
  await expect(page.getByLabel("with")).toHaveValue("sheet");

  // It is kept with the piece, and read again from there.
  await part.getByRole("button", { name: "Keep this photo with the piece" }).click();
  const stages = part.getByRole("list", { name: "Photos of it at work" });
  await expect(stages.getByRole("listitem")).toHaveCount(1, { timeout: 30_000 });
  await expect(part.getByRole("button", { name: "Keep this photo with the piece" })).toHaveCount(0);

  // Part of it came out darker: that is told, with what mends it, and waits at the desk until it is laid.
  await page.getByLabel("Compare").selectOption("one");
  await take(true);
  const otherwise = part.getByRole("list", { name: "What came out otherwise" });
  await expect(otherwise.getByRole("listitem").first()).toContainText("Darker", { timeout: 60_000 });
  await otherwise.getByRole("button", { name: "Mend it so" }).first().click({ timeout: 60_000 });
  await expect(part.getByText(/^Waits at the desk/)).toBeVisible();
  const id = page.url().split("/")[4]!;
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/pieces/${id}/work`);
      return ((await answer.json()) as { events: WorkEvent[] }).events.some((e) => e.kind === "mend");
    })
    .toBe(true);
  const desk = await page.context().newPage();
  await open(desk, `/desk/${id}`);
  const toMend = desk.getByRole("region", { name: "To mend" });
  await expect(toMend.getByRole("listitem")).toHaveCount(1);
  await toMend.getByRole("button", { name: "Laid" }).click();
  await expect(toMend).toHaveCount(0);
  await desk.close();
  await part.getByRole("button", { name: "Keep this photo with the piece" }).click();
  await expect(stages.getByRole("listitem")).toHaveCount(2, { timeout: 30_000 });
  await stages.getByRole("button").first().click();
  await expect(part.getByText(/^All \d+ places lie as planned/)).toBeVisible({ timeout: 60_000 });
  await expect(stages.getByRole("button").first()).toHaveAttribute("aria-pressed", "true");
  await part.getByRole("button", { name: "Run them as a film" }).click();
  const film = page.getByAltText("Photos of the piece at work, one after the other");
  await expect.poll(() => film.evaluate((e: HTMLImageElement) => e.naturalWidth)).toBeGreaterThan(300);
  const sent = await page.request.get(`/api/pieces/${id}/time-lapse`);
  const { pages, delay } = await sharp(await sent.body(), { animated: true }).metadata();
  expect([pages, delay!.length, sent.headers()["content-type"]]).toEqual([2, 2, "image/webp"]);
  await page.keyboard.press("Escape");

  const grey = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [900, 700];
    const on = canvas.getContext("2d")!;
    on.fillStyle = "#999";
    on.fillRect(0, 0, 900, 700);
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
  await file.setInputFiles({ name: "wall.png", mimeType: "image/png", buffer: Buffer.from(grey, "base64") });
  await expect(part.getByRole("alert")).toContainText("No line is seen in the photo", { timeout: 60_000 });
  await part.getByRole("button", { name: "Put away" }).click();
  await expect(part.getByRole("row")).toHaveCount(0);
});

test("photos of a piece: at most fifty, without the place where they were taken, and corners that bound nothing are left", async ({
  page,
}) => {
  await openKiteMender(page);
  const whole = page.url().split("/")[4]!;
  const { id } = (await (await page.request.post(`/api/pieces/${whole}/copy`)).json()) as { id: string };
  expect((await page.request.get(`/api/pieces/${id}/time-lapse`)).status()).toBe(404);
  const taken = async (background: string) => {
    const buffer = await sharp({ create: { width: 64, height: 48, channels: 3, background } })
      .jpeg()
      .withExif({ IFD3: { GPSLatitude: "51/1 30/1 0/1" } })
      .toBuffer();
    const sent = await page.request.post("/api/pictures", {
      multipart: { picture: { name: "photo.jpg", mimeType: "image/jpeg", buffer } },
    });
    return (await sent.json()) as { id: string };
  };
  const [picture, later] = [await taken("#c84"), await taken("#48c")];
  // Where it was taken is nobody's business.
  const kept = await (await page.request.get(`/api/pictures/${picture.id}`)).body();
  expect((await sharp(kept).metadata()).exif).toBeUndefined();
  const photo = (corners?: unknown, pictureId = picture.id) => ({
    id: crypto.randomUUID(),
    kind: "photographed",
    at: Date.now(),
    pictureId,
    ...(corners !== undefined && { corners }),
  });
  const send = (events: readonly object[]) =>
    page.request.post(`/api/pieces/${id}/work`, { data: { events } });
  for (const corners of [null, [], [[0, 0]], Array(4).fill([1e308, 0]), Array(4).fill(["a", 0]), "\0"])
    expect((await send([photo(corners)])).status(), JSON.stringify(corners)).toBe(422);
  const compared = (places: unknown) => ({
    id: crypto.randomUUID(),
    kind: "compared",
    at: Date.now(),
    photo: crypto.randomUUID(),
    places,
  });
  const place = { area: "a", zone: 1, of: 3, planned: [50, 0, 0], lies: [55, 0, 0] };
  for (const places of [
    null,
    [],
    "\0",
    [{ ...place, zone: 1e308 }],
    [{ ...place, lies: [1e308, 0, 0] }],
    [{ ...place, planned: [] }],
    [{ ...place, area: "\0" }],
    Array(401).fill(place),
  ])
    expect((await send([compared(places)])).status()).toBe(422);
  expect([413, 422]).toContain((await send([compared(Array(100_000).fill(place))])).status());
  expect((await send([compared([place])])).status()).toBe(200);
  expect((await send(Array.from({ length: 50 }, () => compared([place])))).status()).toBe(422);
  const flat = photo(Array(4).fill([0.5, 0.5]));
  expect((await send([flat, photo(undefined, later.id)])).status()).toBe(200);
  const film = await page.request.get(`/api/pieces/${id}/time-lapse`);
  expect((await sharp(await film.body(), { animated: true }).metadata()).pages).toBe(2);
  expect((await send(Array.from({ length: 48 }, () => photo()))).status()).toBe(200);
  expect((await send([photo()])).status()).toBe(422);
  // What was there already may come again.
  expect((await send([flat])).status()).toBe(200);
});

test("what a half-done sheet teaches is kept as readings of its paper, and taken back in one step", async ({
  page,
}) => {
  await open(page, (await hrefOf(page, "Tin Ferry")).replace("colour", "check"));
  const part = page.getByRole("region", { name: "As it lies" });
  const stages = part.getByRole("list", { name: "Photos of it at work" });
  await stages.getByRole("button").last().click({ timeout: 60_000 });
  const learn = part.getByRole("region", { name: "What the model learns" });
  await learn.getByRole("button", { name: "What can be learnt from it" }).click({ timeout: 90_000 });
  // The camera is known from bare paper alone: nothing is ticked unasked.
  await expect(learn.getByRole("button", { name: "Keep 0 readings" })).toBeDisabled({ timeout: 60_000 });
  await learn.getByRole("checkbox").first().check();
  await learn.getByRole("button", { name: "Keep 1 reading" }).click();
  await expect(learn.getByRole("status")).toContainText("1 reading kept on Smooth white card", {
    timeout: 30_000,
  });
  // Plans go by it from now on: the sheet is compared anew, and it can still be taken back after that.
  await expect(part.getByText(/came out visibly otherwise/)).toBeVisible({ timeout: 90_000 });
  // What was read of a photo that is kept is kept with it, once.
  const { events } = (await (
    await page.request.get(`/api/pieces/${page.url().split("/")[4]!}/work`)
  ).json()) as {
    events: WorkEvent[];
  };
  const read = events.filter((e) => e.kind === "compared" && events.some((p) => p.id === e.photo));
  expect(read).toHaveLength(1);
  await learn.getByRole("button", { name: "Take them back" }).click();
  await expect(learn.getByRole("status")).toContainText("1 reading taken back.", { timeout: 30_000 });
});
