import { readdirSync } from "node:fs";
import path from "node:path";
import { expect, test, type Browser, type BrowserContext, type Page } from "@playwright/test";
import { routesOnDisk } from "@/fixtures/malformed";
import { faults } from "./faults";
import { bands, listens } from "./studio";
import { closeBrowsers, fill, newBrowser, PASSWORD, sessionOf, startServer, type Server } from "./server";

/** A server that others reach: nobody is let in without an account. */
let server: Server;
const SETUP = "abcd-efgh-ijkl-mnop";
const NOBODYS = "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10";

test.describe.configure({ mode: "serial" });
test.beforeAll(async () => {
  server = await startServer("blendt_people", { BLENDT_HOSTS: "studio.test", BLENDT_SETUP_CODE: SETUP });
});
test.afterAll(() => server.stop());

/** A browser of somebody's. */
const browserOf = (browser: Browser) => newBrowser(browser, server.url);
test.afterAll(closeBrowsers);

let owner: { context: BrowserContext; page: Page };
let guest: { context: BrowserContext; page: Page };
let codes: string[] = [];
let studioId = "";
let pieceId = "";

test("a stranger gets into no route and no page", async ({ request }) => {
  const open = new Set([
    "GET /api/health",
    "POST /api/people",
    "POST /api/recovery",
    "POST /api/session",
    "GET /api/shared/[code]/card",
    "GET /api/shared/[code]/colouring",
    "GET /api/shared/[code]/file",
    "GET /api/shared/[code]/pictures/[id]",
    "GET /api/shared/[code]/pictures/[id]/facts",
  ]);
  for (const [method, route] of routesOnDisk()) {
    const url =
      server.url + route.replace("[id]", NOBODYS).replace("[name]", "predict").replace("[code]", "x");
    const form = /guide|booklet|tracing|colouring|drawing|pictures(\/pages)?$/.test(route);
    const type = /import$/.test(route)
      ? "application/zip"
      : form
        ? "multipart/form-data; boundary=x"
        : "application/json";
    const answer = await request.fetch(url, { method, headers: { "content-type": type }, data: "{}" });
    const what = `${method} ${route}`;
    if (!open.has(what)) expect(answer.status(), what).toBe(401);
    else expect([200, 404, 422], what).toContain(answer.status());
  }
  const pages = readdirSync("app", { recursive: true, encoding: "utf8" })
    .filter((f) => path.basename(f) === "page.tsx")
    .map((f) => `/${path.dirname(f).replace("(studio)", "")}`.replace("//", "/").replace(/\/\.$/, "/"));
  expect(pages.length).toBeGreaterThan(15);
  for (const page of pages) {
    const url = server.url + page.replace("[id]", NOBODYS).replace("[code]", "x");
    const answer = await request.get(url, { maxRedirects: 0 });
    const says = await answer.text();
    expect(says, page).not.toMatch(/Saltmarsh|<nav aria-label="Places"/);
    if (/join|recover|shared|sign-in/.test(page)) expect([200, 404], page).toContain(answer.status());
    // A page that began to be sent is led elsewhere by what it says.
    else expect(`${answer.headers().location ?? ""} ${says}`, page).toContain("/sign-in");
  }
});

test("the first account needs the set-up code, shows its recovery codes, and begins a studio", async ({
  browser,
}) => {
  owner = await browserOf(browser);
  const { page, context } = owner;
  await page.goto("/");
  await expect(page).toHaveURL(/sign-in/);
  await listens(page);
  await page.getByLabel("Set-up code or invitation").fill("not-the-code");
  await fill(page, "Wren");
  await page.getByRole("button", { name: "Make the account" }).click();
  await expect(page.locator("p[role=alert]")).toContainText("expected an invitation or set-up code");
  expect(await faults(page)).toEqual([]);
  await page.getByLabel("Set-up code or invitation").fill(SETUP.toUpperCase());
  await page.getByRole("button", { name: "Make the account" }).click();
  const list = page.getByRole("region", { name: "Recovery codes" }).getByRole("listitem");
  await expect(list).toHaveCount(8);
  expect(await faults(page)).toEqual([]);
  codes = await list.allTextContents();
  expect(new Set(codes).size).toBe(8);
  await page.getByRole("button", { name: "I have kept them" }).click();
  await expect(page).toHaveURL(/start/);
  await listens(page);
  await page.getByLabel("What it is called").fill("Wren's table");
  await page.getByLabel("Printer paper").selectOption("Letter");
  await page.getByRole("button", { name: "Start your studio" }).click();
  await expect(page).toHaveURL(/begin/);
  const studio = (await (await context.request.get("/api/studio")).json()) as { id: string };
  studioId = studio.id;
  expect(studio).toMatchObject({ name: "Wren's table", sheet: "Letter", role: "owner", demo: false });
  const session = await sessionOf(context);
  expect(session).toMatchObject({ httpOnly: true, sameSite: "Lax" });
  // Nobody else gets in by the code.
  const again = await context.request.post("/api/people", {
    data: { name: "Crow", password: PASSWORD, code: SETUP },
  });
  expect(again.status()).toBe(422);
});

test("signing out ends the session, signing in begins another", async ({ request }) => {
  const { context, page } = owner;
  const before = await sessionOf(context);
  const made = await context.request.post("/api/papers", {
    data: { name: "Card", color: "#f6f5f0", capacity: 4 },
  });
  expect(made.status()).toBe(201);
  await page.goto("/rack");
  await listens(page);
  await page.getByRole("button", { name: "Wren's table" }).click();
  await page.getByRole("menuitem", { name: "Sign out Wren" }).click();
  await expect(page).toHaveURL(/sign-in/);
  const replayed = await request.get(`${server.url}/api/studio`, {
    headers: { cookie: `blendt.session_token=${before.value}` },
  });
  expect(replayed.status()).toBe(401);
  await listens(page);
  await fill(page, "wren", "not the password");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.locator("p[role=alert]")).toContainText("do not belong together");
  expect(await faults(page)).toEqual([]);
  await fill(page, "WREN");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(/\/$/);
  expect((await sessionOf(context)).value).not.toBe(before.value);
});

test("an invitation lets one person in as a viewer, who looks and changes nothing", async ({ browser }) => {
  const made = await owner.context.request.post("/api/pieces", {
    data: { version: 1, name: "Kept from strangers", paperId: null, pictureId: null, areas: [] },
  });
  pieceId = ((await made.json()) as { id: string }).id;
  const { page } = owner;
  await page.goto("/studio");
  await listens(page);
  await page.getByLabel("Let in as").selectOption("viewer");
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = await page.getByLabel("Link", { exact: true }).inputValue();
  expect(link).toContain(`${server.url}/join/`);
  guest = await browserOf(browser);
  await guest.page.goto(link);
  await listens(guest.page);
  await expect(guest.page.getByRole("heading", { name: "Come into Wren's table" })).toBeVisible();
  await fill(guest.page, "Dunlin");
  await guest.page.getByRole("button", { name: "Make the account and come in" }).click();
  await guest.page.getByRole("button", { name: "I have kept them" }).click();
  await expect(guest.page).toHaveURL(/\/$/);
  await listens(guest.page);
  await guest.page.getByRole("link", { name: "Open Kept from strangers" }).click();
  await expect(guest.page.getByText("Looking only: nothing is kept")).toBeVisible();
  const { request } = guest.context;
  expect((await request.get(`/api/pieces/${pieceId}`)).status()).toBe(200);
  for (const [method, url] of [
    ["DELETE", `/api/pieces/${pieceId}`],
    ["POST", "/api/pieces"],
    ["PATCH", "/api/rack"],
    ["PATCH", "/api/studio"],
    ["POST", "/api/invitations"],
    ["POST", `/api/pieces/${pieceId}/shares`],
  ] as const) {
    const answer = await request.fetch(url, { method, data: {} });
    expect(answer.status(), url).toBe(403);
  }
  // The link was for one.
  const third = await browserOf(browser);
  await third.page.goto(link);
  await expect(
    third.page.getByRole("heading", { name: "This invitation does not work any more" }),
  ).toBeVisible();
});

test("a member works, an owner alone lets in and takes out", async () => {
  const { page } = owner;
  await page.goto("/studio");
  await listens(page);
  await page.getByLabel("What Dunlin may do").selectOption("member");
  const { request } = guest.context;
  const document = { version: 1, name: "By the member", paperId: null, pictureId: null, areas: [] };
  await expect
    .poll(async () =>
      (await request.put(`/api/pieces/${pieceId}`, { data: { revision: 1, document } })).status(),
    )
    .toBe(200);
  expect((await request.post("/api/invitations", { data: { role: "member" } })).status()).toBe(403);
  // The last owner cannot go.
  await page.getByLabel("What Wren may do").selectOption("viewer");
  await expect(page.locator("p[role=alert]")).toContainText("expected another owner first");
  await page.reload();
  await listens(page);
  const row = page.getByRole("listitem").filter({ hasText: "Dunlin" });
  await row.getByRole("button", { name: "Take out" }).click();
  await expect(row).toHaveCount(0);
  expect((await request.get(`/api/pieces/${pieceId}`)).status()).toBe(404);
});

test("somebody of another studio sees and changes nothing, whatever they name", async () => {
  const { request } = guest.context;
  const own = owner.context.request;
  const mine = (await (await request.post("/api/studios", { data: { name: "Dunlin's" } })).json()) as {
    id: string;
  };
  const picture = await own.post("/api/pictures", {
    multipart: { picture: { name: "theirs.png", mimeType: "image/png", buffer: await bands() } },
  });
  const pictureId = ((await picture.json()) as { id: string }).id;
  const [paper] = ((await own.get("/api/rack?format=json").then((a) => a.json())) as { paper: string }).paper
    ? (await server.ask((db) => db.query<{ id: string }>("select id from papers"))).rows
    : [];
  const group = {
    name: "Theirs",
    tones: [
      { code: "a", coats: 1 },
      { code: "b", coats: 1 },
    ],
  };
  await own.post("/api/groups", { data: group });
  const before = await contents(studioId);
  for (const url of [
    `/api/pieces/${pieceId}`,
    `/api/pieces/${pieceId}/supplies`,
    `/api/pieces/${pieceId}/shares`,
    `/api/pictures/${pictureId}`,
    `/api/pictures/${pictureId}/facts`,
    `/api/papers/${paper!.id}`,
    `/api/papers/${paper!.id}/readings`,
  ])
    expect((await request.get(url)).status(), url).toBe(404);
  // Not by naming the studio either.
  const named: Record<string, string>[] = [
    { "x-blendt-studio": studioId },
    { cookie: `blendt-studio=${studioId}` },
  ];
  for (const headers of named) {
    const answer = await request.get(`/api/pieces/${pieceId}`, { headers });
    expect([401, 404]).toContain(answer.status());
  }
  // Nor by what a document of one's own names.
  const piece = { version: 1, name: "Borrowing", paperId: paper!.id, pictureId, areas: [] };
  const borrowed = await request.post("/api/pieces", { data: piece });
  expect(borrowed.status()).toBe(422);
  expect(((await borrowed.json()) as { problems: { path: string }[] }).problems.map((p) => p.path)).toEqual([
    "paperId",
    "pictureId",
    "references[0].pictureId",
  ]);
  const results = [{ paperId: paper!.id, verdict: "works", note: "" }];
  const kept = await request.post("/api/groups", { data: { ...group, results } });
  expect(((await kept.json()) as { problems: { path: string }[] }).problems[0]!.path).toBe(
    "results[0].paperId",
  );
  for (const [method, url] of [
    ["PUT", `/api/pieces/${pieceId}`],
    ["DELETE", `/api/pieces/${pieceId}`],
    ["PATCH", `/api/papers/${paper!.id}`],
    ["POST", `/api/papers/${paper!.id}/readings`],
  ] as const) {
    const data =
      method === "PUT"
        ? { revision: 2, document: { version: 1, name: "x", paperId: null, pictureId: null, areas: [] } }
        : { name: "Mine now", readings: [{ stack: ["a"], color: "#808080", source: "hand" }] };
    const answer = await request.fetch(url, { method, data });
    expect([404, 422], url).toContain(answer.status());
  }
  expect(await contents(studioId)).toBe(before);
  expect(mine.id).not.toBe(studioId);
});

/** Everything of a studio as text. */
const contents = (studio: string): Promise<string> =>
  server.ask(async (db) => {
    let all = "";
    for (const table of ["papers", "pieces", "kept_groups", "pictures", "readings"]) {
      const { rows } = await db.query(`select * from ${table} where studio_id = $1 order by id`, [studio]);
      all += JSON.stringify(rows);
    }
    return all;
  });

test("a link shows one piece to whoever has it, until it is ended", async ({ browser, request }) => {
  const { page, context } = owner;
  await page.goto(`/pieces/${pieceId}/steps`);
  await listens(page);
  await page.getByRole("button", { name: "Show to others" }).click();
  await page.getByRole("button", { name: "Make a link" }).click();
  const link = await page.getByLabel("Link", { exact: true }).inputValue();
  const stranger = await browserOf(browser);
  await stranger.page.goto(link);
  await expect(stranger.page.getByText("By the member", { exact: true })).toBeVisible();
  await expect(stranger.page.getByText("shown by Wren's table")).toBeVisible();
  await expect(stranger.page.getByRole("link")).toHaveText(["As one picture", "PDF", "Markdown"]);
  // Who only looks computes nothing.
  expect(stranger.page.workers()).toHaveLength(0);
  expect((await request.get(`${server.url}/api/pieces/${pieceId}`)).status()).toBe(401);
  // A picture of the studio that the piece does not show stays where it is.
  const { rows } = await server.ask((db) => db.query<{ id: string }>("select id from pictures"));
  const code = link.split("/").at(-1)!;
  expect((await request.get(`${server.url}/api/shared/${code}/pictures/${rows[0]!.id}`)).status()).toBe(404);
  await page.getByRole("button", { name: "End it" }).click();
  await expect(page.getByRole("button", { name: "End it" })).toHaveCount(0);
  await stranger.page.reload();
  await expect(stranger.page.getByRole("heading", { name: "This link has ended" })).toBeVisible();
  expect((await context.request.get(`/api/pieces/${pieceId}`)).status()).toBe(200);
});

test("a forgotten password is chosen anew by a recovery code, once; all sessions end", async ({
  browser,
}) => {
  const { page } = await browserOf(browser);
  await page.goto("/recover");
  await listens(page);
  expect(await faults(page)).toEqual([]);
  await page.getByLabel("Name").fill("Wren");
  await page.getByLabel("One of your recovery codes").fill(codes[0]!.replaceAll("-", " ").toUpperCase());
  await page.getByLabel("New password").fill("another four words");
  await page.getByRole("button", { name: "Choose it and sign in" }).click();
  await expect(page).toHaveURL(/\/$/);
  expect((await owner.context.request.get("/api/studio")).status()).toBe(401);
  const used = await page.request.post("/api/recovery", {
    data: { name: "Wren", code: codes[0], password: "yet another password" },
  });
  expect(used.status()).toBe(403);
  const old = await page.request.post("/api/session", { data: { name: "Wren", password: PASSWORD } });
  expect(old.status()).toBe(403);
  await page.goto("/studio");
  await listens(page);
  await expect(page.getByText("Recovery codes: 7 are left")).toBeVisible();
  await page.getByText("Sign out everywhere").first().click();
  await page.getByRole("button", { name: "Sign out everywhere" }).click();
  await expect(page).toHaveURL(/sign-in/);
  expect((await page.request.get("/api/studio")).status()).toBe(401);
});
