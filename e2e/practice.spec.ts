import sharp from "sharp";
import { CODE, exerciseOf, exercisePlanes } from "@/core/practice/exercise";
import { type ExerciseId } from "@/core/practice/shapes";
import type { SheetResult } from "@/core/practice/sheet-result";
import type { EyeAnswer } from "@/core/practice/schedule";
import { expect, test } from "./test";
import { open } from "./studio";

test("the eye is asked of one's own markers, by keys and by hand; answers are kept, once, and offline too", async ({
  page,
}) => {
  const answers = async () =>
    ((await (await page.request.get("/api/practice")).json()) as { answers: EyeAnswer[] }).answers;
  await open(page, "/practice");
  const before = (await answers()).length;
  const eye = page.getByRole("region", { name: "The eye" });
  await eye.getByRole("button", { name: "Find the twin" }).click();
  await eye.getByRole("button", { name: "Begin" }).click();
  await expect(eye.getByText("Which of these comes nearest to the one above?")).toBeVisible({
    timeout: 60_000,
  });
  await expect(eye.getByText("Which of these comes nearest to the one above?")).toBeFocused();
  await page.keyboard.press("2");
  await expect(eye.getByRole("status")).toContainText(
    /^(Right|Not this time)\. .+ is nearer than the next by/,
  );
  // What was chosen once stays chosen.
  await expect(eye.getByRole("button", { name: "Choice 2" })).toHaveAttribute("aria-pressed", "true");
  await expect.poll(async () => (await answers()).length).toBe(before + 1);

  // Without a studio in reach it is kept here, and sent when the page comes back.
  await page.route("**/api/practice", (r) => r.abort());
  await eye.getByRole("button", { name: "Order by lightness" }).click();
  await expect(eye.getByText("Darkest first: choose them one after the other.")).toBeVisible();
  const choices = eye.getByRole("button", { name: /^Choice/ });
  await choices.first().click();
  // The same again takes it back.
  await choices.first().click();
  await expect(choices.first()).toHaveAttribute("aria-pressed", "false");
  for (let i = 0; i < (await choices.count()); i++) await choices.nth(i).click();
  await expect(eye.getByText("It stays on this device.")).toBeVisible();
  expect((await answers()).length).toBe(before + 1);
  await page.unroute("**/api/practice");
  await page.reload();
  await expect.poll(async () => (await answers()).length).toBe(before + 2);
  const csv = await page.request.get("/api/practice/csv");
  expect((await csv.text()).trim().split("\r\n")).toHaveLength(before + 3);
});

test("answers are read strictly: by field, and each once", async ({ page }) => {
  await open(page, "/practice");
  const sound = {
    id: crypto.randomUUID(),
    at: Date.now(),
    kind: "twin",
    family: "rust",
    right: true,
    seconds: 3,
    level: 0.2,
  };
  const send = async (answers: unknown) => {
    const reply = await page.request.post("/api/practice", { data: { answers } });
    return [
      reply.status(),
      reply.status() === 204 ? "" : ((await reply.json()) as { message: string }).message,
    ];
  };
  expect(await send([sound, sound])).toEqual([204, ""]);
  expect(await send([sound])).toEqual([204, ""]);
  for (const [field, value] of Object.entries({
    id: "x",
    at: 1e308,
    kind: "smell",
    family: "\0",
    right: 1,
    seconds: -1,
    level: 1e308,
  })) {
    const [status, message] = await send([{ ...sound, [field]: value }]);
    expect([field, status]).toEqual([field, 422]);
    expect(message).toContain(`answers[0].${field}`);
  }
  expect((await send([]))[0]).toBe(422);
  expect((await send(Array.from({ length: 501 }, () => sound)))[0]).toBe(422);
  expect((await send(null))[0]).toBe(422);
});

/** A sheet as somebody coloured it, scanned with its margin: how light each zone of its exercise is, 0–255. */
async function scanOf(id: ExerciseId, level: (zone: number) => number): Promise<Buffer> {
  const exercise = exerciseOf(id);
  const { line, labels, zones } = exercisePlanes(exercise, 5);
  const { width, height } = line;
  const black = new Set<number>(CODE.filter((_, i) => exercise.code[i]!.black));
  const grey = Buffer.from(
    line.data.map((cover, p) => {
      const area = labels.data[p]!;
      const under = area === 1 ? level(zones.data[p]!) : black.has(area) ? 30 : 243;
      return Math.round((under * (255 - cover) + 30 * cover) / 255);
    }),
  );
  return sharp(grey, { raw: { width, height, channels: 1 } })
    .extend({ top: 60, bottom: 60, left: 60, right: 60, background: { r: 243, g: 243, b: 243 } })
    .jpeg({ quality: 92 })
    .toBuffer();
}

test("a sheet is printed in true size, its photo is judged, and the result is kept", async ({ page }) => {
  await open(page, "/practice?tab=sheets");
  const pdf = await page.request.get("/api/practice/sheets/print?exercise=ramp4");
  expect([pdf.status(), pdf.headers()["content-type"]]).toEqual([200, "application/pdf"]);
  expect((await pdf.body()).toString("latin1")).toMatch(/^%PDF-1\.\d[\s\S]*MediaBox \[0 0 595\./);
  expect((await page.request.get("/api/practice/sheets/print?exercise=nose")).status()).toBe(422);

  const item = page.getByRole("listitem").filter({ hasText: "A ramp of three tones" });
  const take = async (id: ExerciseId, level: (zone: number) => number) =>
    item.locator("input[type=file]").setInputFiles({
      name: `${id}.jpg`,
      mimeType: "image/jpeg",
      buffer: await scanOf(id, level),
    });
  // Another sheet is known as such.
  await take("ball", (z) => 240 - 15 * z);
  await expect(item.getByRole("alert")).toContainText("This is another sheet: “A ball in the light”", {
    timeout: 60_000,
  });
  await take("ramp3", (z) => 235 - 8 * z);
  await expect(item.getByRole("status")).toContainText(/^(8|9|100)\d* of 100/, { timeout: 60_000 });
  await expect(item.getByText("It goes one way all along.")).toBeVisible();
  await item.getByLabel("Laid with").fill("rust2c, rust4m");
  await item.getByRole("button", { name: "Keep this result" }).click();
  await expect(item.getByText(/Done 1 time: \d+ of 100/)).toBeVisible();
  await page.reload();
  await expect(item.getByText(/Done 1 time: \d+ of 100/)).toBeVisible();
  const { sheets } = (await (await page.request.get("/api/practice/sheets")).json()) as {
    sheets: SheetResult[];
  };
  const sheet = sheets.at(-1);
  expect(sheet).toMatchObject({ exercise: "ramp3", codes: ["rust2c", "rust4m"] });
  const send = async (over: object) =>
    (await page.request.post("/api/practice/sheets", { data: { ...sheet, ...over } })).status();
  expect(await send({})).toBe(204);
  for (const over of [
    { score: 101 },
    { score: 1e308 },
    { exercise: null },
    { codes: null },
    { codes: ["\0"] },
  ])
    expect([over, await send(over)]).toEqual([over, 422]);
  expect(await send({ codes: Array(100_000).fill("rust2c") })).toBeGreaterThanOrEqual(400);
});

test("what a hand does over several pieces is said in one sentence, with its figures and the sheet that fits", async ({
  page,
}) => {
  await open(page, "/practice?tab=sheets");
  const part = page.getByRole("region", { name: "What your hand does" });
  await expect(part).toContainText("Your shadows stay paler than planned");
  await expect(part.getByRole("row")).toHaveCount(3);
  const print = part.getByRole("link", { name: "Print: A ball in the light" });
  expect((await page.request.get((await print.getAttribute("href"))!)).headers()["content-type"]).toBe(
    "application/pdf",
  );
});
