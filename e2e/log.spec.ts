import { readFile } from "node:fs/promises";
import { newPiece } from "@/core/piece/piece";
import { newDemo } from "@/store/copy-studio";
import { closeDatabase } from "@/store/database";
import { expect, test } from "./test";
import { faults } from "./faults";
import { hrefOf, open } from "./studio";

const LINE = "skin: rust2c, rust3m ×2, rust4m; came out too red; next time plum under it";

test("work away from the screen is written down in one line, found again by word, code and colour, and kept as a group", async ({
  page,
}) => {
  await open(page, "/log");
  const entry = page.getByRole("form", { name: "Write down" });
  await entry.getByLabel("What was done away from the screen").fill(`${LINE}; lake99z`);
  await expect(entry.getByText("Understood: skin, 3 inks")).toBeVisible();
  await expect(entry.getByText("“came out too red; next time plum under it”")).toBeVisible();
  await expect(entry.getByText("Not on the rack, kept as a note: lake99z")).toBeVisible();
  await entry.getByRole("button", { name: "Write it down" }).click();
  const written = page.getByRole("listitem").filter({ hasText: "came out too red" });
  await expect(written).toBeVisible();
  await expect(written).toContainText("(lake99z)");
  await expect(entry.getByLabel("What was done away from the screen")).toHaveValue("");

  const search = page.getByRole("search", { name: "Search the log" });
  const find = search.getByLabel("Find words, codes, pieces, areas");
  for (const [words, there] of [
    ["too red", true],
    ["RUST3", true],
    ["skin plum", true],
    ["'\\:* | & %_", true],
    ["nobodyhasthisword", false],
  ] as const) {
    await find.fill(words);
    await search.getByRole("button", { name: "Find" }).click();
    await expect(written).toHaveCount(there ? 1 : 0);
  }
  // Its own colour in one coat, as the rack has it.
  const paper = (await (await page.request.get("/api/rack?format=json")).text()).match(
    /"rust3m"[^}]*?(#[0-9a-f]{6})/,
  )!;
  await find.fill("skin");
  await search.getByLabel("Near a colour").fill(paper[1]!);
  await search.getByRole("button", { name: "Find" }).click();
  await expect(search.getByText("Inks near the colour:")).toContainText("rust3m");
  await expect(written).toHaveCount(1);
  await search.getByLabel("Near a colour").fill("");
  await find.fill("rust3m");
  await search.getByRole("button", { name: "Find" }).click();
  await expect(page.getByRole("region", { name: "Planned" })).toContainText("rust3m");
  await search.getByRole("button", { name: "Show all" }).click();
  await search.getByLabel("What").selectOption("notes");
  await expect(written).toHaveCount(0);
  await search.getByLabel("What").selectOption("written down");
  await expect(written).toHaveCount(1);

  await written.getByRole("button", { name: "Keep as a group" }).click();
  await written.getByRole("link", { name: "Kept in Groups" }).click();
  await expect(page.getByText("skin, rust2c rust3m rust4m").first()).toBeVisible();
});

test("what an address asks wrongly of the log is told, and the log is there", async ({ page }) => {
  for (const query of ["piece=nonsense", "from=1e308", "kind=all", `codes=${"x,".repeat(200)}`]) {
    await open(page, `/log?${query}`);
    await expect(page.locator("main").getByRole("alert")).toContainText("expected");
  }
  await open(page, `/log?words=${encodeURIComponent("<b>x</b> ".repeat(20))}`);
  await expect(page.getByText("Nothing that was done is like that.")).toBeVisible();
});

test("what happened is nobody else's, and refuses what is no entry", async ({ page, studio, baseURL }) => {
  const kite = (await hrefOf(page, "The Kite Mender"))!.split("/")[2]!;
  const event = {
    id: crypto.randomUUID(),
    kind: "entered",
    at: Date.now(),
    line: "x",
    subject: "",
    note: "mine alone",
  };
  const send = (events: object[]) => page.request.post(`/api/pieces/${kite}/work`, { data: { events } });
  expect((await send([{ ...event, tones: [{ code: "rust2c", coats: 99 }] }])).status()).toBe(422);
  expect(
    (await send([{ ...event, tones: Array.from({ length: 25 }, () => ({ code: "a", coats: 1 })) }])).status(),
  ).toBe(422);
  expect((await send([{ ...event, tones: [] }])).ok()).toBe(true);
  await open(page, "/log?words=mine");
  await expect(page.getByText("written down: “mine alone”")).toBeVisible();
  const other = (await newDemo({ kind: "local" }))!;
  await closeDatabase();
  expect(other.id).not.toBe(studio.id);
  const seen = await fetch(`${baseURL}/log?words=mine`, { headers: { cookie: `blendt-studio=${other.id}` } });
  const text = await seen.text();
  expect(text).toContain("Nothing that was done is like that.");
  expect(text).not.toContain("mine alone");
});

test("supplies say what to buy for the colours that were picked, and what it gains", async ({ page }) => {
  await open(page, "/supplies");
  const list = page.getByRole("region", { name: "What to buy next" });
  await expect(list.getByText(/of the colours you picked lie within 3 ΔE00/)).toBeVisible();
  await expect(list.getByRole("listitem").first()).toContainText("meets");
  const gains = page.getByRole("region", { name: "What money gains" });
  await gains.getByText("As a table").click();
  const shares = (await gains.getByRole("row").allInnerTexts())
    .slice(1)
    .map((t) => Number(/([\d.]+) %/.exec(t)![1]));
  expect(shares.length).toBeGreaterThan(1);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));

  const wish = list.getByRole("button", { name: /^Wish for/ }).first();
  const code = (await wish.getAttribute("aria-label"))!.split(" ").at(-1)!;
  await wish.click();
  await expect(wish).toHaveAttribute("aria-pressed", "true");
  const budget = page.getByLabel("Budget");
  await budget.fill("0");
  await budget.press("Enter");
  await expect(list.getByText(/Nothing on offer for this budget/)).toBeVisible();
  await page.reload();
  await expect(list.getByText(/Nothing on offer for this budget/)).toBeVisible();
  await open(page, "/supplies");
  await expect(list.getByRole("button", { name: `Wish for ${code}` })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  // What is wished for is a list to take along; what has come is on the rack.
  const wished = page.getByRole("region", { name: "Wished for" });
  const [table] = await Promise.all([
    page.waitForEvent("download"),
    wished.getByRole("button", { name: "Wishes as CSV" }).click(),
  ]);
  expect(await readFile(await table.path(), "utf8")).toContain(`\r\n${code},`);
  await wished.getByRole("button", { name: `${code} has come` }).click();
  await expect(wished.getByRole("status")).toContainText(`${code} on the rack now`);
  await open(page, "/have");
  await page.getByLabel("The code on its cap, or its family").fill(code);
  await expect(page.getByRole("list", { name: "What is known of it" })).toContainText(`${code}`);
  await expect(page.getByText("Yours", { exact: true }).first()).toBeVisible();
});

test("ink: what is in a marker, what a scale says of it, and what is written down by mistake", async ({
  page,
}) => {
  await open(page, "/supplies");
  const ink = page.getByRole("region", { name: "Ink" });
  const rows = ink.getByRole("listitem");
  await expect(rows.first()).toContainText(/enough for|may not last|empty about/);
  const known = (await (await page.request.get("/api/ink")).json()) as { scale: { code: string }[] };
  const { code } = known.scale[0]!;
  const weigh = ink.getByRole("button", { name: `Weigh or fill ${code}`, exact: true });
  const level = ink.getByRole("img", { name: `Level of ${code}:` });
  // Whatever was worked with at the desk since stands before it.
  const shown = async () => {
    const more = ink.getByRole("button", { name: /^Show \d+ more/ });
    await expect(rows.first()).toBeVisible();
    while (!(await level.isVisible())) await more.click();
  };
  await shown();
  const was = await level.getAttribute("aria-label");
  await weigh.click();
  const dialog = page.getByRole("dialog", { name: `Ink of ${code}` });
  const kept = dialog.getByRole("list", { name: "Written down" }).getByRole("listitem");
  // The demo has weighed its own twice.
  await expect(kept).toHaveCount(2);
  await dialog.getByLabel("It was filled and holds, ml").first().check();
  const amount = dialog.getByRole("textbox");
  await amount.fill("0.2");
  await amount.press("Enter");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(kept).toHaveCount(3);
  await expect(kept.first()).toContainText("filled: holds 0.2 ml");
  expect(await faults(page, undefined, "[role=dialog]")).toEqual([]);
  await page.keyboard.press("Escape");
  // It has come to the top of the list: there is hardly anything in it.
  await expect(level).toHaveAttribute("aria-label", /0\.2 ml/);
  await page.reload();
  await shown();
  await expect(level).toHaveAttribute("aria-label", /0\.2 ml/);
  await rows.filter({ hasText: code }).getByRole("button").click();
  await kept
    .first()
    .getByRole("button", { name: /^Take back/ })
    .click();
  await expect(kept).toHaveCount(2);
  await page.keyboard.press("Escape");
  // The word in the Rack that came with it is gone too: all is as it was. It may have gone far down the list again.
  await expect(async () => {
    await shown();
    expect(await level.getAttribute("aria-label", { timeout: 1000 })).toBe(was);
  }).toPass({ timeout: 30_000 });
});

test("a step that was begun and then finished took its ink once, and one that was taken back none", async ({
  request,
}) => {
  const ledger = async () =>
    (await (await request.get("/api/ink")).json()) as {
      markers: { code: string }[];
      laid: { code: string; mm2: number; piece: string }[];
    };
  const { code } = (await ledger()).markers[0]!;
  const made = await request.post("/api/pieces", { data: newPiece("Half and whole", null) });
  const { id: piece } = (await made.json()) as { id: string };
  const at = Date.now();
  const step = { area: "area-1", section: 0, of: 1, pass: 0, code, coats: 1, mm2: 400 };
  const [part, done] = [crypto.randomUUID(), crypto.randomUUID()];
  const happened = (event: object) =>
    request.post(`/api/pieces/${piece}/work`, { data: { events: [event] } });
  const laid = async () => (await ledger()).laid.filter((l) => l.piece === piece).map((l) => l.mm2);
  expect((await happened({ ...step, id: part, kind: "part", share: 0.5, at })).status()).toBe(200);
  expect(await laid()).toEqual([200]);
  expect((await happened({ ...step, id: done, kind: "done", at: at + 1000 })).status()).toBe(200);
  expect(await laid()).toEqual([400]);
  const undone = { id: crypto.randomUUID(), kind: "undone", undoes: done, at: at + 2000 };
  expect((await happened(undone)).status()).toBe(200);
  expect(await laid()).toEqual([200]);
  await request.delete(`/api/pieces/${piece}`);
});

test("weighings are refused by field, written down once, and nobody else's", async ({
  request,
  studio,
  baseURL,
}) => {
  const { markers } = (await (await request.get("/api/ink")).json()) as { markers: { code: string }[] };
  const { code } = markers.at(-1)!;
  const event = { id: crypto.randomUUID(), code, kind: "weighed", amount: 12.3, at: Date.now() };
  const wrong: readonly [object | null, readonly string[]][] = [
    [null, [""]],
    [{}, ["id", "code", "kind", "amount", "at"]],
    [{ ...event, id: "1" }, ["id"]],
    [{ ...event, code: "a\0b" }, ["code"]],
    [{ ...event, kind: "laid" }, ["kind"]],
    [{ ...event, amount: 1e308 }, ["amount"]],
    [{ ...event, amount: -1 }, ["amount"]],
    [{ ...event, amount: [] }, ["amount"]],
    [{ ...event, at: 1e308 }, ["at"]],
    [{ ...event, refill: null }, ["refill"]],
    [{ ...event, refill: "yes" }, ["refill"]],
  ];
  for (const [data, fields] of wrong) {
    const answer = await request.post("/api/ink", {
      data: JSON.stringify(data),
      headers: { "content-type": "application/json" },
    });
    expect(answer.status(), JSON.stringify(data)).toBe(422);
    const { problems } = (await answer.json()) as { problems: { path: string }[] };
    expect(problems.map((p) => p.path)).toEqual(fields);
  }
  expect((await request.post("/api/ink", { data: { ...event, code: "nobody9" } })).status()).toBe(404);
  const count = async () => {
    const { scale } = (await (await request.get("/api/ink")).json()) as { scale: { code: string }[] };
    return scale.filter((s) => s.code === code).length;
  };
  const before = await count();
  for (let i = 0; i < 2; i++) expect((await request.post("/api/ink", { data: event })).status()).toBe(204);
  expect(await count()).toBe(before + 1);
  const other = (await newDemo({ kind: "local" }))!;
  await closeDatabase();
  expect(other.id).not.toBe(studio.id);
  const asOther = (method: string, path: string) =>
    fetch(`${baseURL}${path}`, { method, headers: { cookie: `blendt-studio=${other.id}` } });
  expect(await (await asOther("GET", "/api/ink")).text()).not.toContain(event.id);
  expect((await asOther("DELETE", `/api/ink/${event.id}`)).status).toBe(404);
  expect((await request.delete(`/api/ink/${event.id}`)).status()).toBe(204);
  expect((await request.delete(`/api/ink/${event.id}`)).status()).toBe(404);
  expect(await count()).toBe(before);
});

test("a refill that a marker was filled from is one less in stock, and one more again when that was a mistake", async ({
  page,
  request,
}) => {
  const { markers } = (await (await request.get("/api/ink")).json()) as { markers: { code: string }[] };
  const { code } = markers.at(-2)!;
  const set = (refills: number) =>
    request.patch("/api/rack", { data: { changes: [{ code, set: { refills } }] } });
  expect((await set(1)).ok()).toBe(true);
  const stock = async () => {
    const csv = await (await request.get("/api/rack?format=csv")).text();
    const [head, ...rows] = csv.trim().split(/\r?\n/);
    const [name, at] = ["code", "refills"].map((column) => head!.split(",").indexOf(column)) as [
      number,
      number,
    ];
    return Number(rows.map((r) => r.split(",")).find((r) => r[name] === code)![at]);
  };
  expect(await stock()).toBe(1);
  const filled = () => ({
    id: crypto.randomUUID(),
    code,
    kind: "full",
    amount: 2.5,
    at: Date.now(),
    refill: true,
  });
  const first = filled();
  // Sent twice it is taken once.
  for (let i = 0; i < 2; i++) expect((await request.post("/api/ink", { data: first })).status()).toBe(204);
  expect(await stock()).toBe(0);
  // Of nothing nothing is taken, nor given back.
  const second = filled();
  expect((await request.post("/api/ink", { data: second })).status()).toBe(204);
  expect(await stock()).toBe(0);
  expect((await request.delete(`/api/ink/${second.id}`)).status()).toBe(204);
  expect(await stock()).toBe(0);
  expect((await request.delete(`/api/ink/${first.id}`)).status()).toBe(204);
  expect(await stock()).toBe(1);

  await open(page, "/supplies");
  const ink = page.getByRole("region", { name: "Ink" });
  const weigh = ink.getByRole("button", { name: `Weigh or fill ${code}`, exact: true });
  const more = ink.getByRole("button", { name: /^Show \d+ more/ });
  await expect(ink.getByRole("listitem").first()).toBeVisible();
  while (!(await weigh.isVisible())) await more.click();
  await weigh.click();
  const dialog = page.getByRole("dialog", { name: `Ink of ${code}` });
  await dialog.getByLabel("It was filled and holds, ml").first().check();
  await expect(dialog.getByLabel("from a refill in stock (1 now)")).toBeChecked();
  await dialog.getByRole("button", { name: "Write it down" }).click();
  const kept = dialog.getByRole("list", { name: "Written down" }).getByRole("listitem");
  await expect(kept.first()).toContainText("from a refill in stock");
  await expect(dialog.getByLabel(/^from a refill in stock/)).toHaveCount(0);
  expect(await stock()).toBe(0);
  await kept
    .first()
    .getByRole("button", { name: /^Take back/ })
    .click();
  await expect.poll(stock).toBe(1);
  expect((await set(0)).ok()).toBe(true);
});

test("the record of work is seen in figures, each chart with its table and as CSV", async ({ page }) => {
  await open(page, "/log/figures");
  const time = page.getByRole("region", { name: "Time at the desk" });
  await expect(time.getByRole("img", { name: /^Minutes at the desk by week/ })).toBeVisible();
  const weeks = await time.getByRole("row").count();
  // Its head, and the weeks of the demo at least.
  expect(weeks).toBeGreaterThan(1);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    time.getByRole("button", { name: "CSV" }).click(),
  ]);
  const lines = (await readFile(await file.path(), "utf8")).trim().split("\r\n");
  expect(lines[0]).toBe('week from,minutes,steps,"mm², coats counted",mm² a second');
  expect(lines).toHaveLength(weeks);
  const used = page.getByRole("region", { name: "Markers most used" });
  await expect(used.getByRole("row").nth(1)).toContainText(/cm²|mm²/);
  await page.getByRole("region", { name: "Time by piece" }).getByRole("link").first().click();
  await expect(page).toHaveURL(/log\?piece=/);
});
