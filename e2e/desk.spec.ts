import type { Page } from "@playwright/test";
import sharp from "sharp";
import type { Piece } from "@/core/piece/piece";
import type { WorkEvent } from "@/core/work/record";
import { expect, test } from "./test";
import { listens, open, openKiteMender, upload } from "./studio";

const eventsOf = async (page: Page, id: string): Promise<WorkEvent[]> =>
  ((await (await page.request.get(`/api/pieces/${id}/work`)).json()) as { events: WorkEvent[] }).events;
const laidIn = async (page: Page, id: string) =>
  (await eventsOf(page, id)).filter((e) => e.kind === "done").length;
const progress = (page: Page) => page.getByTestId("desk-progress");
const code = (page: Page) => page.getByTestId("desk-code");

/** Opens the desk of a piece that nobody has worked on, and begins. */
async function atDesk(page: Page): Promise<string> {
  await openKiteMender(page);
  const whole = page.url().split("/")[4]!;
  const { id } = (await (await page.request.post(`/api/pieces/${whole}/copy`)).json()) as { id: string };
  await open(page, `/pieces/${id}/steps`);
  await page.getByRole("link", { name: "To the desk" }).click();
  await page.waitForURL(/\/desk\//);
  await listens(page);
  await expect(code(page)).toBeVisible({ timeout: 60_000 });
  // The order stands once it is kept.
  await page.waitForFunction((key) => localStorage.getItem(key) !== null, `blendt-order-${id}`, {
    timeout: 60_000,
  });
  await expect(page.getByText("Alcohol ink is a flammable solvent")).toBeVisible();
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByRole("button", { name: "Done" })).toBeVisible();
  return id;
}

/** Lays so many steps by the keyboard. */
async function lay(page: Page, steps: number): Promise<void> {
  for (let k = 0; k < steps; k++) {
    const before = await progress(page).innerText();
    await page.keyboard.press("Space");
    await expect(progress(page)).not.toHaveText(before);
  }
}

test("a piece is worked step by step, by keys, and is where it was after reloading, in another tab, and after a pause", async ({
  page,
  context,
}) => {
  const id = await atDesk(page);
  await lay(page, 4);
  await expect(progress(page)).toContainText(/^4 of \d+ laid/);
  await expect(page.getByRole("list", { name: "What is wet" })).toContainText("open for");
  const next = await code(page).innerText();
  await expect.poll(() => laidIn(page, id)).toBe(4);
  await page.reload();
  await listens(page);
  await expect(progress(page)).toContainText(/^4 of \d+ laid/);
  await expect(code(page)).toHaveText(next);
  // Another tab of the same studio knows, and what is done there is known here.
  const other = await context.newPage();
  await open(other, `/desk/${id}`);
  await expect(progress(other)).toContainText(/^4 of \d+ laid/);
  await expect(code(other)).toHaveText(next);
  await other.keyboard.press("Space");
  await expect(progress(page)).toContainText(/^5 of \d+ laid/);
  await other.close();
  // Back to what lies: it can be taken back, and is then the next again.
  await page.keyboard.press("ArrowLeft");
  await expect(code(page)).toHaveText(next);
  await page.getByRole("button", { name: "Take this step back" }).click();
  await expect(progress(page)).toContainText(/^4 of \d+ laid/);
  await expect(code(page)).toHaveText(next);
  await page.keyboard.press("p");
  await expect(page.getByRole("button", { name: "Go on" })).toBeVisible();
  await page.keyboard.press("Space");
  await expect(page.getByRole("button", { name: "Done" })).toBeVisible();
  await expect.poll(async () => (await eventsOf(page, id)).map((e) => e.kind)).toContain("paused");
});

test("the whole of a piece is laid; what was left out is asked about before it is finished", async ({
  page,
}) => {
  const id = await atDesk(page);
  await page.getByRole("button", { name: "In the end" }).click();
  await page.getByRole("button", { name: "Leave out" }).click();
  const [, total] = (await progress(page).innerText()).match(/of (\d+) laid/)!;
  await lay(page, Number(total));
  await expect(page.getByText("Every step is laid.")).toBeVisible();
  const asked = page.getByRole("region", { name: "This step" }).getByRole("listitem");
  await expect(asked.filter({ hasNotText: "may look weak" })).toHaveCount(1);
  // As if the darker areas had come last, whatever order was planned.
  const { document } = (await (await page.request.get(`/api/pieces/${id}`)).json()) as { document: Piece };
  const lightness = (area: string) =>
    document.areas.find((a) => a.id === area)?.readings.local?.lab[0] ?? 100;
  // At a usual pace: what is learnt of a hand's is learnt from all pieces of a studio.
  let at = Date.now();
  const anew = (await eventsOf(page, id))
    .flatMap((e) => (e.kind === "done" ? [e] : []))
    .sort((a, b) => lightness(a.area) - lightness(b.area))
    .map((e) => {
      const event = { ...e, id: crypto.randomUUID(), at: Math.round(at) };
      at -= 1000 * (6 + (e.mm2 * e.coats) / 40);
      return event;
    });
  expect(anew.length).toBeGreaterThan(0);
  await page.request.post(`/api/pieces/${id}/work`, { data: { events: anew } });
  await page.reload();
  await listens(page);
  await page.getByRole("button", { name: "In the end" }).click();
  // What was laid before its darker neighbours is to be judged again: left as it is, it is not asked about any more.
  const again = page.getByRole("region", { name: "Judge again" });
  const weak = await again.getByRole("listitem").first().locator("strong").innerText();
  await expect(again.getByRole("listitem").first()).toContainText(/One more coat of .+ darker/);
  await again.getByRole("button", { name: `Leave ${weak} as it is` }).click();
  await expect(again.getByText(`${weak} may look weak`)).toHaveCount(0);
  await page.getByRole("button", { name: "Finished all the same" }).click();
  await expect(page.getByText("Finished.")).toBeVisible();
  await expect.poll(() => laidIn(page, id)).toBe(Number(total) + anew.length);
});

test.describe("away from the server", () => {
  test.use({ serviceWorkers: "allow" });
  test("without the server the desk opens and goes on; what was done is sent once when it is back", async ({
    page,
    context,
  }) => {
    const id = await atDesk(page);
    await lay(page, 2);
    await expect.poll(() => laidIn(page, id)).toBe(2);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await listens(page);
    await expect(code(page)).toBeVisible();
    await context.setOffline(true);
    await lay(page, 2);
    await expect(page.getByText(/No studio in reach: 2 notes and photos wait/)).toBeVisible();
    await page.reload();
    await listens(page);
    await expect(progress(page)).toContainText(/^4 of \d+ laid/);
    await lay(page, 1);
    // What mends a place is worked out here as well.
    await page.getByRole("button", { name: "Repair" }).click();
    await page.getByRole("button", { name: "Weak beside its neighbours" }).click();
    await expect(page.getByText(/As it (was planned|should be by now)/)).toBeVisible({ timeout: 60_000 });
    await page.keyboard.press("Escape");
    // A photo is kept on this device, through a reload too.
    await page.getByRole("button", { name: /^Note/ }).click();
    const png = await sharp({ create: { width: 8, height: 6, channels: 3, background: "#8a5a44" } }).png();
    await upload(page, "so-far.png", "image/png", await png.toBuffer());
    await expect(page.getByText(/No studio in reach: 4 notes and photos wait/)).toBeVisible();
    await page.reload();
    await listens(page);
    await expect(page.getByText(/No studio in reach: 4 notes and photos wait/)).toBeVisible();

    await context.setOffline(false);
    await expect.poll(() => laidIn(page, id), { timeout: 60_000 }).toBe(5);
    await expect(page.getByText("No studio in reach")).toHaveCount(0);
    const photos = async () =>
      (await eventsOf(page, id)).flatMap((e) => (e.kind === "photographed" ? [e.pictureId] : []));
    await expect.poll(async () => (await photos()).length, { timeout: 30_000 }).toBe(1);
    const [photo] = await photos();
    expect((await page.request.get(`/api/pictures/${photo}`)).ok()).toBe(true);
    // From the steps it is gone to without being fetched as a page, and opens without the server all the same.
    await open(page, `/pieces/${id}/steps`);
    await page.evaluate((of) => caches.delete(of), "blendt-desk-pages");
    await page.getByRole("link", { name: "Go on at the desk: 5 steps laid" }).click();
    await expect(code(page)).toBeVisible();
    const [fetched] = await page.evaluate(() =>
      performance.getEntriesByType("navigation").map((e) => e.name),
    );
    expect(fetched).toContain("/steps");
    await expect
      .poll(() => page.evaluate(async (at) => (await caches.match(at)) !== undefined, `/desk/${id}`))
      .toBe(true);
    await context.setOffline(true);
    await page.reload();
    await listens(page);
    await expect(progress(page)).toContainText(/^5 of \d+ laid/);
    await expect(page.getByTestId("desk-picture")).toBeVisible({ timeout: 60_000 });
    await context.setOffline(false);
  });
});

test.describe("away from the server, beside the paper", () => {
  test.use({ serviceWorkers: "allow" });
  test("the words of the craft open without the server", async ({ page, context }) => {
    await open(page, "/glossary");
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.reload();
    await listens(page);
    const words = page.locator("main dt, main h2");
    const n = await words.count();
    expect(n).toBeGreaterThan(20);
    await context.setOffline(true);
    await page.reload();
    await listens(page);
    await expect(words).toHaveCount(n);
    await context.setOffline(false);
  });
});

test("clocks run by the time, through sleep and a clock that is set back", async ({ page }) => {
  const start = new Date("2026-06-01T10:00:00Z");
  await page.clock.install({ time: start });
  await atDesk(page);
  await lay(page, 1);
  const wet = page.getByRole("list", { name: "What is wet" });
  await expect(wet).toContainText("open for");
  await page.clock.fastForward("01:20");
  await expect(wet).not.toContainText("open for");
  await expect(wet).toContainText("dry in");
  // An hour of sleep: nothing is wet any more, and a step that wanted wet ink says what that means.
  await page.clock.fastForward("01:00:00");
  await expect(page.getByText("Nothing is wet.")).toBeVisible();
  await expect(page.getByText("You have worked with solvent for an hour")).toBeVisible();
  // Set back an hour: what is laid now still comes after what was laid before.
  await page.clock.setSystemTime(start);
  await lay(page, 1);
  await expect(progress(page)).toContainText(/^2 of \d+ laid/);
  await expect(wet).toContainText("open for");
});

test("a marker that is dry is exchanged for what comes nearest, an ink is held over a place, a note is kept", async ({
  page,
}) => {
  const id = await atDesk(page);
  const dry = await code(page).innerText();
  await page.getByRole("button", { name: "Marker is dry" }).click();
  const take = page.getByRole("button", { name: "Take it" }).first();
  await expect(take).toBeVisible({ timeout: 60_000 });
  const by = await page.getByRole("dialog").locator("li .code").first().innerText();
  await take.click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(code(page)).toHaveText(by);
  expect(by).not.toBe(dry);
  await expect
    .poll(async () => (await eventsOf(page, id)).find((e) => e.kind === "exchanged"))
    .toMatchObject({ code: dry, by });
  await lay(page, 1);
  await page.keyboard.press("t");
  await page.getByLabel("Family or code").fill("rust3m");
  await page.getByRole("list", { name: "Markers" }).getByRole("button").first().click();
  await expect(page.getByText(/One coat, on dry ink/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Laid" }).first().click();
  await expect
    .poll(async () => (await eventsOf(page, id)).find((e) => e.kind === "added"))
    .toMatchObject({
      codes: ["rust3m"],
    });
  await page.keyboard.press("n");
  await page.getByLabel("What is worth knowing later").fill("dragged a little");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await expect
    .poll(async () => (await eventsOf(page, id)).find((e) => e.kind === "noted"))
    .toMatchObject({
      note: "dragged a little",
    });
});

test("what is sent of work is checked, is there once, and is nobody else's", async ({ page, request }) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  const url = `/api/pieces/${id}/work`;
  const event = { id: crypto.randomUUID(), kind: "noted", at: Date.now(), note: "one" };
  const post = (events: unknown) => page.request.post(url, { data: { events } });
  expect((await post([event])).status()).toBe(200);
  // The same id again, with other words: what was written down stays.
  expect((await post([{ ...event, note: "two" }])).status()).toBe(200);
  expect((await eventsOf(page, id)).filter((e) => e.id === event.id)).toEqual([event]);
  for (const [wrong, path] of [
    [{ ...event, at: 1e308 }, "events[0].at"],
    [{ ...event, note: "a\u0000b" }, "events[0].note"],
    [{ ...event, kind: "danced" }, "events[0].kind"],
    [{ ...event, id: "x" }, "events[0].id"],
    [{ ...event, kind: "photographed", pictureId: crypto.randomUUID() }, "events[0].pictureId"],
    [
      { ...event, kind: "done", area: "a", section: 0, of: 1, pass: 0, code: "x", coats: null, mm2: 1 },
      "events[0].coats",
    ],
  ] as const) {
    const answer = await post([wrong]);
    expect(answer.status()).toBe(422);
    expect(JSON.stringify(await answer.json())).toContain(path);
  }
  expect((await post(Array(501).fill(event))).status()).toBe(422);
  expect((await post(null)).status()).toBe(422);
  expect((await request.get(`/api/pieces/${crypto.randomUUID()}/work`)).status()).toBe(404);
});
