import { readFile } from "node:fs/promises";
import { pdfPages } from "@/fixtures/pdf-pages";
import { expect, test } from "./test";
import { openKiteMender, open, listens, savedNotice } from "./studio";

test("the order of work: marker after marker, scrubbed through, by goal, and gone back from", async ({
  page,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await open(page, `/pieces/${id}/steps`);
  await page.getByRole("button", { name: "Fewest changes" }).click();
  await expect(page).toHaveURL(/order=changes/);
  const order = page.getByRole("list", { name: "Order of work" });
  await expect(order.getByRole("listitem").first()).toBeVisible({ timeout: 30_000 });
  const sum = page.getByRole("region", { name: "Steps" }).getByRole("status").first();
  await expect(sum).toHaveText(/^A marker is taken up \d+ times/);
  await expect(page.getByRole("progressbar")).toHaveCount(0, { timeout: 30_000 });
  await expect(sum).not.toContainText("Looking for a better one", { timeout: 30_000 });
  const [, fewest] = (await sum.innerText()).match(/taken up (\d+) times/)!;
  // Each row says where, how long, and until when it stays wet.
  await expect(order).toContainText("wet until");
  const slider = page.getByRole("slider", { name: "Steps laid" });
  const last = await slider.getAttribute("max");
  await slider.fill("3");
  await expect(page.getByText(`3 of ${last}`)).toBeVisible();
  await expect(order.locator("[aria-current=step]")).toHaveCount(1);
  // The piece as it looks at that moment.
  await expect(page.getByTestId("moment").last()).toBeVisible({ timeout: 60_000 });
  const row = order.getByRole("button", { name: /^Step \d+:/ }).nth(5);
  const [, step] = (await row.getAttribute("aria-label"))!.match(/^Step (\d+)/)!;
  await row.click();
  await expect(slider).toHaveValue(step!);
  const [table] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Order as CSV" }).click(),
  ]);
  const lines = (await readFile(await table.path(), "utf8")).trim().split("\r\n");
  expect(lines).toHaveLength(Number(last) + 1);
  expect(lines[0]).toBe("step,start,seconds,wet until,marker,area,part,how,mm²");
  const [list] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Order as Markdown" }).click(),
  ]);
  expect((await readFile(await list.path(), "utf8")).match(/^- \[ \] /gm)).toHaveLength(Number(last));
  await page.getByRole("button", { name: "marker", exact: true }).click();
  await expect(page.getByRole("img", { name: /^When each of \d+ markers is in the hand/ })).toBeVisible();
  await page.getByRole("button", { name: "area", exact: true }).click();
  const [booklet] = await Promise.all([
    page.waitForEvent("download", { timeout: 60_000 }),
    page.getByRole("button", { name: "Booklet as PDF" }).click(),
  ]);
  const { sizes, images } = pdfPages(await readFile(await booklet.path()));
  expect(sizes.length).toBeGreaterThan(1);
  expect(images).toBeGreaterThan(3);
  await page.getByRole("button", { name: "Soonest done" }).click();
  await expect(sum).toHaveText(/^A marker is taken up \d+ times/, { timeout: 30_000 });
  await expect(sum).not.toContainText("Looking for a better one", { timeout: 30_000 });
  const [, soonest] = (await sum.innerText()).match(/taken up (\d+) times/)!;
  expect(Number(soonest)).toBeGreaterThanOrEqual(Number(fewest));
  await page.reload();
  await listens(page);
  await expect(order.getByRole("listitem").first()).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "One area at a time" }).click();
  await expect(page.getByRole("region", { name: "Shawl" })).toBeVisible();
});

test("what is wished first is laid first, and last last, whatever order is found", async ({ page }) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await open(page, `/pieces/${id}/steps?order=changes`);
  const order = page.getByRole("list", { name: "Order of work" });
  await expect(order.getByRole("listitem").first()).toBeVisible({ timeout: 30_000 });
  await page.getByLabel("Begin with").selectOption({ label: "Sleeves" });
  await page.getByLabel("Leave for last").selectOption({ label: "Sky" });
  const rows = order.locator("ol li strong:first-child");
  await expect(rows.first()).toHaveText("Sleeves", { timeout: 60_000 });
  // Every other area has been begun before the last is.
  await expect(page.getByRole("progressbar")).toHaveCount(0, { timeout: 60_000 });
  // A first order is shown before the search for a better one ends, and the wish for the last goes into a new one.
  await expect(async () => {
    const names = (await rows.allInnerTexts()).filter((n) => !n.startsWith("when dry"));
    const others = new Set(names.filter((n) => n !== "Sky"));
    expect(others.size).toBeGreaterThan(10);
    expect(new Set(names.slice(0, names.indexOf("Sky")))).toEqual(others);
  }).toPass({ timeout: 60_000 });
  await page.getByLabel("Begin with").selectOption("");
  await page.getByLabel("Leave for last").selectOption("");
  // A series of the same card is one order, each card by itself.
  const cards = page.getByLabel("On so many cards of the same");
  await cards.fill("2");
  await cards.press("Enter");
  await expect(page).toHaveURL(/cards=2/);
  const name = (await rows.first().innerText()).replace(/, card \d$/, "");
  await expect(rows.filter({ hasText: `${name}, card 2` }).first()).toBeVisible({ timeout: 60_000 });
  await expect(rows.filter({ hasText: `${name}, card 1` }).first()).toBeVisible();
});

test("a step is put elsewhere by keys, tried, planned around, kept as it is, and let go again", async ({
  page,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await open(page, `/pieces/${id}/steps`);
  await page.getByRole("button", { name: "Fewest changes" }).click();
  const order = page.getByRole("list", { name: "Order of work" });
  const grips = order.getByRole("button", { name: /^Put .+ elsewhere$/ });
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });
  await expect(grips.nth(5)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });
  // The order that is found stays as it is.
  await expect(async () => {
    const before = await order.innerText();
    await page.waitForTimeout(2000);
    expect(await order.innerText()).toBe(before);
  }).toPass({ timeout: 90_000 });
  const notice = page.getByRole("region", { name: "What you put elsewhere" });
  const nameOf = async (n: number) => (await grips.nth(n).getAttribute("aria-label"))!;
  /** Moves a row down by keys until it may stand there. */
  const put = async (row: number): Promise<string> => {
    for (const by of [2, 3, 4, 5]) {
      const name = await nameOf(row);
      await grips.nth(row).focus();
      await page.keyboard.press("Space");
      await page.waitForTimeout(300);
      for (let k = 0; k < by; k++) {
        await page.keyboard.press("ArrowDown");
        await page.waitForTimeout(150);
      }
      await page.keyboard.press("Space");
      await expect(notice.getByText(/as before|more|fewer|longer|shorter|cannot/).first()).toBeVisible();
      if (await notice.getByRole("button", { name: "Keep this order" }).count()) return name;
      await notice.getByRole("button", { name: "Put it back" }).click();
      await expect(notice).toHaveCount(0);
    }
    throw new Error("no place was left for the row");
  };
  const first = await nameOf(0);
  const moved = await put(1);
  await notice.getByRole("button", { name: "Put it back" }).click();
  expect([await nameOf(0), await nameOf(1)]).toEqual([first, moved]);

  await put(1);
  await notice.getByRole("button", { name: "Plan the rest around it" }).click();
  await expect(page.getByText("Planned around what you put elsewhere.")).toBeVisible();
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });
  await page.getByRole("button", { name: "Let it go" }).click();
  await expect(page.getByText("Planned around what you put elsewhere.")).toHaveCount(0);
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });

  const again = await put(1);
  await notice.getByRole("button", { name: "Keep this order" }).click();
  await expect(page.getByText("This is the order as you put it.")).toBeVisible({ timeout: 30_000 });
  expect(await nameOf(1)).not.toBe(again);
  const kept = await nameOf(1);
  await savedNotice(page);
  await page.reload();
  await expect(page.getByText("This is the order as you put it.")).toBeVisible({ timeout: 60_000 });
  expect(await nameOf(1)).toBe(kept);
  await page.getByRole("button", { name: "Plan it anew" }).click();
  await expect(page.getByText("This is the order as you put it.")).toHaveCount(0);

  // A whole area goes along.
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });
  await page.getByRole("group", { name: "A grip takes along" }).getByText("all of its area").click();
  await grips.nth(1).focus();
  await page.keyboard.press("Space");
  await page.waitForTimeout(300);
  await page.keyboard.press("ArrowDown");
  await page.waitForTimeout(150);
  await page.keyboard.press("Space");
  await expect(notice.getByText(/^All of .+ after /)).toBeVisible();
  await expect(notice.getByText(/as before|more|fewer|longer|shorter|cannot/).first()).toBeVisible();
  await notice.getByRole("button", { name: "Put it back" }).click();
  await expect(notice).toHaveCount(0);

  // A series has an order of its own.
  await page.getByRole("group", { name: "A grip takes along" }).getByText("its row").click();
  await page.goto(`/pieces/${id}/steps?order=changes&cards=2`);
  await expect(grips.nth(5)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("Looking for a better one")).toHaveCount(0, { timeout: 60_000 });
  await put(1);
  await notice.getByRole("button", { name: "Keep this order" }).click();
  await expect(page.getByText("This is the order as you put it.")).toBeVisible({ timeout: 30_000 });
  await savedNotice(page);
  await page.goto(`/pieces/${id}/steps?order=changes`);
  await expect(grips.nth(5)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/order as you put it|was of an older plan/)).toHaveCount(0);
  await page.goto(`/pieces/${id}/steps?order=changes&cards=2`);
  await expect(page.getByText("This is the order as you put it.")).toBeVisible({ timeout: 60_000 });
  await listens(page);
});

test("from the third finished piece on a studio's pace follows from its work, unless somebody set it", async ({
  page,
}) => {
  await openKiteMender(page);
  const whole = page.url().split("/")[4]!;
  const paceNow = async () => {
    const studio = (await (await page.request.get("/api/studio")).json()) as {
      speed: number;
      change: number;
    };
    return [studio.speed, studio.change];
  };
  const begin = await paceNow();
  /** A piece of ten steps of 100 mm² each, every second one with another marker: 5 s of strokes, 10 s to change. */
  const work = async () => {
    const { id } = (await (await page.request.post(`/api/pieces/${whole}/copy`)).json()) as { id: string };
    let at = Date.now() - 3_600_000;
    const event = (more: object) => ({ id: crypto.randomUUID(), at, ...more });
    const events: object[] = [event({ kind: "begun" })];
    for (let k = 0; k < 20; k++) {
      at += k % 2 ? 5000 : 15_000;
      const place = { area: "a", section: 0, of: 1, pass: k, code: `m${k >> 1}`, coats: 1, mm2: 100 };
      events.push(event({ kind: "done", ...place }));
    }
    events.push(event({ kind: "finished" }));
    expect((await page.request.post(`/api/pieces/${id}/work`, { data: { events } })).status()).toBe(200);
    made.push(id);
  };
  const made: string[] = [];
  await work();
  await page.request.patch("/api/studio", { data: { speed: begin[0], change: begin[1] } });
  for (let k = 0; k < 3; k++) await work();
  const [speed, change] = await paceNow();
  expect(speed).toBeGreaterThan(15);
  // What other tests laid in this studio counts too.
  expect(speed).toBeLessThan(32);
  expect(change).toBeGreaterThan(6);
  expect(change).toBeLessThan(14);
  await page.request.patch("/api/studio", { data: { speed: 90 } });
  await work();
  expect((await paceNow())[0]).toBe(90);
  await page.request.patch("/api/studio", { data: { speed: begin[0], change: begin[1] } });
  for (const id of made) await page.request.delete(`/api/pieces/${id}`);
});

test("from the third piece on a paper says how long its ink stays wet, by where edges came, unless somebody has said", async ({
  page,
}) => {
  await openKiteMender(page);
  const whole = page.url().split("/")[4]!;
  const data = { name: `Card of ${Date.now()}`, color: "#f5f5f0", capacity: 4 };
  const paper = (await (await page.request.post("/api/papers", { data })).json()) as { id: string };
  const openTime = async () => {
    const rack = (await (await page.request.get(`/api/papers/${paper.id}`)).json()) as {
      paper: { openTime: number | null };
    };
    return rack.paper.openTime;
  };
  /** Areas of two passes: the second begins so many seconds after the first, and after more than 50 an edge is mended. */
  const work = async () => {
    const { id } = (await (await page.request.post(`/api/pieces/${whole}/copy`)).json()) as { id: string };
    const { revision, document } = (await (await page.request.get(`/api/pieces/${id}`)).json()) as {
      revision: number;
      document: object;
    };
    const moved = { revision, document: { ...document, paperId: paper.id } };
    expect((await page.request.put(`/api/pieces/${id}`, { data: moved })).ok()).toBe(true);
    let at = Date.now() - 3_600_000;
    const event = (more: object) => ({ id: crypto.randomUUID(), at: Math.round(at), ...more });
    const events: object[] = [event({ kind: "begun" })];
    for (const [n, gap] of [12, 20, 28, 36, 44, 56, 66, 80].entries()) {
      const area = `a${n}`;
      for (const pass of [0, 1]) {
        at += 1000 * (pass ? gap : 400);
        events.push(event({ kind: "done", area, section: 0, of: 1, pass, code: "m1", coats: 1, mm2: 40 }));
      }
      at += 1000;
      if (gap > 50)
        events.push(
          event({ kind: "added", area, codes: ["m1"], from: 0, to: 1, wet: false, symptom: "edge" }),
        );
    }
    events.push(event({ kind: "finished" }));
    expect((await page.request.post(`/api/pieces/${id}/work`, { data: { events } })).status()).toBe(200);
    return id;
  };
  const made = [await work(), await work()];
  expect(await openTime()).toBeNull();
  made.push(await work());
  const learnt = await openTime();
  expect(learnt).toBeGreaterThan(44);
  expect(learnt).toBeLessThan(56);
  await open(page, `/swatchbook/${paper.id}`);
  await expect(page.getByText(/By 24 passes at the desk .+, as it says here\./)).toBeVisible();
  await page.request.patch(`/api/papers/${paper.id}`, { data: { openTime: 30 } });
  made.push(await work());
  expect(await openTime()).toBe(30);
  await page.reload();
  await page.getByRole("button", { name: /^Use \d+ s$/ }).click();
  await expect.poll(openTime).toBe(learnt);
  for (const id of made) await page.request.delete(`/api/pieces/${id}`);
  await page.request.delete(`/api/papers/${paper.id}`);
});

test("a studio's pace is kept, and an order goes by it", async ({ page }) => {
  await open(page, "/studio");
  await page.getByLabel("Speed, mm² of one coat a second").fill("80");
  await page.getByLabel("Seconds to change markers").fill("4");
  await page.getByLabel("Seconds to change markers").press("Tab");
  await page.getByRole("button", { name: "Keep", exact: true }).first().click();
  await expect
    .poll(async () => {
      const studio = (await (await page.request.get("/api/studio")).json()) as {
        speed: number;
        change: number;
      };
      return [studio.speed, studio.change];
    })
    .toEqual([80, 4]);
  const refused = await page.request.patch("/api/studio", { data: { speed: 0 } });
  expect(refused.status()).toBe(422);
  expect(await refused.text()).toContain("speed");
});
