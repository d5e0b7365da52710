import type { APIResponse } from "@playwright/test";
import { pdfPages } from "@/fixtures/pdf-pages";
import { expect, test } from "./test";
import sharp from "sharp";
import { newPiece as blank } from "@/core/piece/piece";
import { deskFit } from "@/fixtures/desk-fit";
import { faults } from "./faults";
import { open } from "./studio";
import { thingsOf } from "./views";

/** Pieces that this test brings, so many that they have pages. */
const MANY = 30;

test("a long bench is found, sorted and leafed through", async ({ page, request }) => {
  const brought: string[] = [];
  for (let n = 1; n <= MANY; n++) {
    const made = await request.post("/api/pieces", {
      data: blank(`Reef ${String(n).padStart(2, "0")}`, null),
    });
    expect(made.status()).toBe(201);
    brought.push(((await made.json()) as { id: string }).id);
  }
  await open(page, "/?find=reef&sort=name");
  const names = page.locator("article h2");
  await expect(names).toHaveCount(12);
  await expect(names.first()).toHaveText("Open Reef 01");
  await expect(page.getByRole("status").filter({ hasText: `${MANY} pieces` })).toBeVisible();
  await page.getByRole("link", { name: "After" }).click();
  await expect(page.getByText("Page 2 of 3")).toBeVisible();
  await expect(names.first()).toHaveText("Open Reef 13");
  await page.getByRole("searchbox").fill("reef 27");
  await expect(names).toHaveCount(1);
  await expect(page).toHaveURL(/find=reef\+27/);
  await page.getByRole("searchbox").fill("reef %");
  await expect(page.getByText("is like this")).toBeVisible();
  // What the address cannot mean leads to the whole bench.
  for (const odd of ["/?page=0", "/?page=1e9", "/?sort=price", `/?find=${"x".repeat(200)}`, "/?show=%00"]) {
    await page.goto(odd);
    expect(new URL(page.url()).search).toBe("");
  }
  for (const id of brought) expect((await request.delete(`/api/pieces/${id}`)).ok()).toBe(true);
});

test("a piece is renamed, duplicated, done, put away, and removed with a way back", async ({
  page,
  request,
}) => {
  const { id } = (await (await request.post("/api/pieces", { data: blank("Skiff", null) })).json()) as {
    id: string;
  };
  await open(page, "/?find=skiff");
  const card = page.getByRole("article", { name: "Skiff", exact: true });
  const act = async (name: string, what: string) => {
    await page.getByRole("button", { name: `What to do with ${name}`, exact: true }).click();
    await page.getByRole("menuitem", { name: what }).click();
  };
  await act("Skiff", "Rename");
  await page.getByLabel("Name", { exact: true }).fill("Skiff at low tide");
  await page.getByRole("button", { name: "Rename it" }).click();
  await expect(page.getByRole("article", { name: "Skiff at low tide" })).toBeVisible();
  await expect(card).toHaveCount(0);
  await act("Skiff at low tide", "Duplicate");
  await expect(page.getByRole("article", { name: "Skiff at low tide, copy" })).toBeVisible();
  await act("Skiff at low tide, copy", "Mark as done");
  await expect(page.getByRole("article", { name: "Skiff at low tide, copy" })).toContainText("done");
  await act("Skiff at low tide, copy", "Archive");
  await expect(page.getByRole("article")).toHaveCount(1);
  await page.getByRole("button", { name: "Archived" }).click();
  await expect(page.getByRole("article", { name: "Skiff at low tide, copy" })).toBeVisible();
  await page.getByRole("button", { name: "All", exact: true }).click();
  await act("Skiff at low tide", "Remove");
  await page
    .getByRole("button", { name: /Take back|Undo/ })
    .first()
    .click();
  expect((await request.get(`/api/pieces/${id}`)).status()).toBe(200);
  expect(
    ((await (await request.get(`/api/pieces/${id}`)).json()) as { document: { name: string } }).document.name,
  ).toBe("Skiff at low tide");
});

test("the picture of a piece comes in as a picture and as nothing else", async ({ request }) => {
  const { id } = (await (await request.post("/api/pieces", { data: blank("Still", null) })).json()) as {
    id: string;
  };
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#c98a6c" } })
    .png()
    .toBuffer();
  const file = { name: "a.png", mimeType: "image/png", buffer: png };
  const { id: line } = (await (
    await request.post("/api/pictures", { multipart: { picture: file } })
  ).json()) as {
    id: string;
  };
  const put = (parts: Record<string, string | typeof file>) =>
    request.put(`/api/pieces/${id}/colouring`, { multipart: parts });
  const refused = async (parts: Record<string, string | typeof file>, field: string) => {
    const answer = await put(parts);
    expect(answer.status()).toBe(422);
    expect(((await answer.json()) as { problems: { path: string }[] }).problems[0]!.path).toBe(field);
  };
  expect((await request.get(`/api/pieces/${id}/colouring`)).status()).toBe(404);
  await refused({ name: "../etc", line, picture: file }, "name");
  await refused({ name: "a-b-c", line: "no id", picture: file }, "line");
  await refused({ name: "a-b-c", line: "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10", picture: file }, "line");
  await refused({ name: "a-b-c", line }, "picture");
  await refused(
    { name: "a-b-c", line, picture: { ...file, buffer: Buffer.from("<svg onload='x'/>") } },
    "picture",
  );
  expect((await put({ name: "a-b-c", line, picture: file })).status()).toBe(204);
  const back = await request.get(`/api/pieces/${id}/colouring?width=160&v=x`);
  expect(back.headers()["content-type"]).toBe("image/webp");
  expect((await sharp(await back.body()).metadata()).width).toBe(40);
  // A smaller one of the same takes the place of none.
  const small = await sharp(png).resize(10).png().toBuffer();
  expect((await put({ name: "a-b-c", line, picture: { ...file, buffer: small } })).status()).toBe(204);
  expect(
    (await sharp(await (await request.get(`/api/pieces/${id}/colouring`)).body()).metadata()).width,
  ).toBe(40);
  const elsewhere = await request.put("/api/pieces/0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10/colouring", {
    multipart: { name: "a-b-c", line, picture: file },
  });
  expect(elsewhere.status()).toBe(404);
});

test("drawings that were looked at come in by name, the newest stay, and are nobody else's", async ({
  request,
}) => {
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#fff" } })
    .png()
    .toBuffer();
  const picture = { name: "a.png", mimeType: "image/png", buffer: png };
  const made = await request.post("/api/pictures", { multipart: { picture } });
  const { id } = (await made.json()) as { id: string };
  const file = (buffer: Buffer) => ({ name: "drawing", mimeType: "application/octet-stream", buffer });
  const put = (parts: Record<string, string | ReturnType<typeof file>>, of = id) =>
    request.put(`/api/pictures/${of}/drawing`, { multipart: parts });
  const refused = async (answer: APIResponse, field: string) => {
    expect(answer.status()).toBe(422);
    expect(((await answer.json()) as { problems: { path: string }[] }).problems[0]!.path).toBe(field);
  };
  const some = file(Buffer.from("as it was packed"));
  for (const name of ["", "../etc", "a\0b", "<b>", "a".repeat(61)])
    await refused(await put({ name, drawing: some }), "name");
  await refused(await put({ drawing: some }), "name");
  await refused(await put({ name: "a-b-c" }), "drawing");
  await refused(await put({ name: "a-b-c", drawing: file(Buffer.alloc(0)) }), "drawing");
  expect((await put({ name: "a-b-c", drawing: file(Buffer.alloc(5_000_000)) })).status()).toBe(413);
  expect((await put({ name: "a-b-c", drawing: some }, "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10")).status()).toBe(
    404,
  );
  for (const name of ["one", "two", "three", "four", "five"])
    expect((await put({ name, drawing: some })).status()).toBe(204);
  const facts = (await (await request.get(`/api/pictures/${id}/facts`)).json()) as { drawings: string[] };
  expect(facts.drawings).toEqual(["five", "four", "three", "two"]);
  // What a page of an older build found is not this one's.
  const older = await request.put(`/api/pictures/${id}/drawing`, {
    headers: { "x-blendt-build": "0123456789abcdef" },
    multipart: { name: "six", drawing: some },
  });
  expect(older.status()).toBe(409);
  const back = await request.get(`/api/pictures/${id}/drawing?name=five`);
  expect(back.headers()["content-type"]).toBe("application/octet-stream");
  expect((await back.body()).toString()).toBe("as it was packed");
  expect((await request.get(`/api/pictures/${id}/drawing?name=one`)).status()).toBe(404);
  await refused(await request.get(`/api/pictures/${id}/drawing?name=`), "name");
  await refused(await request.get(`/api/pictures/${id}/drawing`), "name");
});

test("what was fitted to a paper's readings comes with the pages, is kept by whoever fits it anew, and is nobody else's", async ({
  page,
  request,
}) => {
  const { kite, paper } = await thingsOf(page);
  const path = `/pieces/${kite}/colour`;
  const fitted = async () => {
    const html = await (await request.get(path)).text();
    const key = /\\"fitted\\":\{\\"key\\":\\"([0-9a-z-]+)/.exec(html)?.[1];
    return { key, pencils: /\\"pencils\\":\[-?[0-9.]/.test(html) };
  };
  const seeded = await fitted();
  expect(seeded.key).toMatch(/^[0-9]+-/);
  expect(seeded.pencils).toBe(true);
  // Another tooth: nothing is fitted to that yet, until a page has done so.
  const was = (await (await request.get(`/api/papers/${paper}`)).json()) as { paper: { grain: number } };
  const grainOf = (grain: number) => request.patch(`/api/papers/${paper}`, { data: { grain } });
  expect((await grainOf(0.37)).ok()).toBe(true);
  expect((await fitted()).key).toBeUndefined();
  const kept = page.waitForResponse((r) => r.request().method() === "PUT" && r.url().endsWith("/fit"));
  await open(page, path);
  expect((await kept).status()).toBe(204);
  const anew = await fitted();
  expect(anew.key).toMatch(/^[0-9]+-/);
  expect(anew.key).not.toBe(seeded.key);

  const put = (data: unknown, of = paper) => request.put(`/api/papers/${of}/fit`, { data });
  const sound = { name: anew.key, fit: { ...deskFit, pencils: [] } };
  const problemOf = async (answer: APIResponse) => {
    expect(answer.status()).toBe(422);
    return ((await answer.json()) as { problems: { path: string }[] }).problems[0]!.path;
  };
  expect(await problemOf(await put({ ...sound, name: "a\0b" }))).toBe("name");
  expect(await problemOf(await put({ ...sound, name: null }))).toBe("name");
  expect(await problemOf(await put({ ...sound, fit: null }))).toBe("fit");
  expect(await problemOf(await put({ ...sound, fit: { ...deskFit, overlays: [] } }))).toMatch(
    /^fit.overlays/,
  );
  expect(await problemOf(await put({ ...sound, fit: { ...deskFit, pencils: [1e308] } }))).toBe("fit.pencils");
  expect((await put({ ...sound, name: seeded.key })).status()).toBe(409);
  expect((await put(sound, "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10")).status()).toBe(404);
  const older = { "x-blendt-build": "0123456789abcdef" };
  const late = await request.put(`/api/papers/${paper}/fit`, { headers: older, data: sound });
  expect(late.status()).toBe(409);
  await grainOf(was.paper.grain);
});

test("the picture that was drawn last is there with the page, on every stage and for who has the link", async ({
  browser,
  page,
  request,
}) => {
  await open(page, "/?find=ferry");
  const ferry = page.getByRole("article", { name: "Tin Ferry" });
  const picture = ferry.locator("img");
  await expect(picture).toHaveAttribute("src", /\/colouring\?v=/);
  const path = (await ferry.getByRole("link").getAttribute("href"))!.replace(/\/colour$/, "");
  // Without scripts nobody draws anything.
  const still = await browser.newContext({ javaScriptEnabled: false });
  const reader = await still.newPage();
  for (const stage of ["check", "steps"]) {
    await reader.goto(`${path}/${stage}`);
    // What is only for print is not seen.
    const shown = reader.locator('img[src*="/colouring"]').filter({ visible: true }).first();
    await expect(shown).toBeVisible();
    await expect.poll(() => shown.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
  }
  const { code } = (await (
    await request.post(`/api${path}/shares`, { data: { shows: ["picture"] } })
  ).json()) as { code: string };
  await reader.goto(`/shared/${code}`);
  const seen = reader.locator('img[src*="/colouring"]').filter({ visible: true }).first();
  await expect.poll(() => seen.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(100);
  await still.close();
});

test("a link shows what is ticked and nothing else, as a page and as one picture, until it ends", async ({
  browser,
  page,
  request,
  studio,
}) => {
  const { kite } = await thingsOf(page);
  const piece = (await (await request.get(`/api/pieces/${kite}`)).json()) as {
    document: { pictureId: string; setUp: { line: { pictureId: string } }; areas: { note: string }[] };
  };
  const { pictureId: reference, setUp, areas } = piece.document;
  const note = areas.find((a) => a.note)?.note;
  for (const shows of [
    [],
    null,
    ["picture", "picture"],
    ["all"],
    "picture",
    Array(1e5).fill("picture"),
    ["\0"],
  ]) {
    const refused = await request.post(`/api/pieces/${kite}/shares`, { data: { shows } });
    expect(refused.status()).toBe(422);
    expect(((await refused.json()) as { problems: { path: string }[] }).problems[0]!.path).toMatch(/^shows/);
  }
  await open(page, `/pieces/${kite}/steps`);
  await page.getByRole("button", { name: "Show to others" }).click();
  const ticks = page.getByRole("group", { name: "The link shows" });
  for (const name of [/^Picture/, /^Combinations/, /^Steps/, /^Supplies/]) {
    await expect(ticks.getByRole("checkbox", { name })).toBeChecked();
    await ticks.getByRole("checkbox", { name }).uncheck();
  }
  await expect(page.getByRole("button", { name: "Make a link" })).toBeDisabled();
  await ticks.getByRole("checkbox", { name: /^Combinations/ }).check();
  await ticks.getByRole("checkbox", { name: /^Supplies/ }).check();
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = await page.getByLabel("Link", { exact: true }).inputValue();
  await expect(page.getByText("Combinations, Supplies")).toBeVisible();
  const code = link.split("/").at(-1)!;

  // Without scripts, and without a studio of one's own by a cookie.
  const racks = (await (await request.get("/api/studios")).json()) as { id: string; demo: boolean }[];
  const theirs = racks.find((s) => s.demo && s.id !== studio.id)!.id;
  const { hostname } = new URL(link);
  const still = await browser.newContext({ javaScriptEnabled: false });
  await still.clearCookies();
  await still.addCookies([{ name: "blendt-studio", value: theirs, domain: hostname, path: "/" }]);
  const reader = await still.newPage();
  await reader.goto(link);
  await expect(reader.getByRole("heading", { name: "Combinations" })).toBeVisible();
  await expect(
    reader.getByRole("region", { name: "Supply list" }).getByRole("listitem").first(),
  ).toContainText(/in your|nearest of yours/);
  await expect(reader.getByRole("region", { name: "Steps" })).toHaveCount(0);
  const html = await reader.content();
  expect(html).toContain(`/api/shared/${code}/card`);
  expect(html).toMatch(/<meta property="og:image" content="http/);
  if (note) expect(html).not.toContain(note);
  const from = (path: string) => request.get(`/api/shared/${code}${path}`);
  for (const path of ["/colouring", `/pictures/${reference}`, `/pictures/${setUp.line.pictureId}`])
    expect((await from(path)).status(), path).toBe(404);
  const card = await from("/card");
  expect(card.headers()["content-type"]).toBe("image/png");
  const bare = await sharp(await card.body()).metadata();
  expect([bare.format, bare.width, bare.height]).toEqual(["png", 1200, 630]);

  const list = await (await from("/file?format=markdown")).text();
  expect(list).toMatch(/^# The Kite Mender\n\nShown by /);
  expect(list).toContain("## Lay ready");
  expect(list).not.toMatch(/small circles|## Notes/);
  const { images } = pdfPages(await (await from("/file?format=pdf")).body());
  expect(images).toBe(0);
  expect((await from("/file?format=exe")).status()).toBe(422);

  // Another link of the same piece shows all of it.
  const shows = ["picture", "combinations", "steps", "supplies", "notes", "photos"];
  const other = (await (await request.post(`/api/pieces/${kite}/shares`, { data: { shows } })).json()) as {
    code: string;
  };
  for (const path of ["/colouring", `/pictures/${reference}`, `/pictures/${setUp.line.pictureId}`])
    expect((await request.get(`/api/shared/${other.code}${path}`)).status(), path).toBe(200);
  const whole = await request.get(`/api/shared/${other.code}/file?format=pdf`);
  expect(whole.headers()["content-type"]).toBe("application/pdf");
  expect(pdfPages(await whole.body()).images).toBe(1);
  expect(await (await request.get(`/api/shared/${other.code}/file?format=markdown`)).text()).toContain(
    "small circles",
  );
  const seen = await page.context().newPage();
  await open(seen, `/shared/${other.code}`);
  expect(await faults(seen)).toEqual([]);
  await seen.setViewportSize({ width: 320, height: 640 });
  expect(await seen.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await seen.close();
  await reader.goto(`/shared/${other.code}`);
  await expect(reader.getByRole("region", { name: "Steps" })).toBeVisible();
  if (note) expect(await reader.content()).toContain(note);

  await page.getByRole("button", { name: "End it" }).first().click();
  await expect(page.getByText("Combinations, Supplies", { exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "End it" }).click();
  await expect(page.getByRole("button", { name: "End it" })).toHaveCount(0);
  await reader.goto(link);
  await expect(reader.getByRole("heading", { name: "This link has ended" })).toBeVisible();
  expect((await from("/card")).status()).toBe(404);
  await still.close();
});
