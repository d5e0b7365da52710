import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import { faults } from "./faults";
import { listens, newPiece, open, savedNotice, stored } from "./studio";

const cluster = (what: "start" | "stop") =>
  execFileSync(
    "bash",
    ["scripts/cluster.sh", what, process.env.BLENDT_TEST_CLUSTER!, ...(what === "stop" ? ["immediate"] : [])],
    { stdio: ["ignore", "ignore", "inherit"] },
  );

const addArea = async (page: Page, name: string) => {
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill(name);
  await page.keyboard.press("Enter");
};

test("two tabs do not overwrite each other: the later is told, and keeps its own as a copy", async ({
  page,
  context,
  request,
}) => {
  const id = await newPiece(page, "Shared piece");
  const other = await context.newPage();
  await open(other, page.url());
  await addArea(page, "First tab");
  await expect(savedNotice(page)).toBeVisible();
  await addArea(other, "Second tab");
  const told = other.getByRole("dialog", { name: "This piece was changed elsewhere" });
  await expect(told.getByRole("heading")).toBeVisible();
  expect(await faults(other)).toEqual([]);
  expect((await stored(request, id)).document.areas.map((a) => a.name)).toEqual(["First tab"]);
  await told.getByRole("button", { name: "Keep mine as a copy" }).click();
  await expect(other.getByLabel("Name of the piece")).toHaveValue("Shared piece (copy)");
  await expect(other.getByRole("heading", { name: "Second tab" })).toBeVisible();
  expect((await stored(request, id)).document.areas.map((a) => a.name)).toEqual(["First tab"]);
});

test("the later tab can take what is stored, and goes on from there", async ({ page, context, request }) => {
  const id = await newPiece(page, "Reloaded piece");
  const other = await context.newPage();
  await open(other, page.url());
  await addArea(page, "Stored");
  await expect(savedNotice(page)).toBeVisible();
  await addArea(other, "Dropped");
  await other.getByRole("button", { name: "Reload theirs" }).click();
  await expect(other.getByRole("heading", { name: "Stored" })).toBeVisible();
  await addArea(other, "Added after");
  await expect
    .poll(async () => (await stored(request, id)).document.areas.map((a) => a.name))
    .toEqual(["Stored", "Added after"]);
});

test("a killed database that comes back: the page says what happens and nothing is lost", async ({
  page,
  request,
}) => {
  const id = await newPiece(page, "Power cut");
  await addArea(page, "Before");
  await expect(savedNotice(page)).toBeVisible();
  cluster("stop");
  try {
    await addArea(page, "During");
    await expect(page.getByRole("alert").filter({ hasText: "Not saved yet" })).toContainText(
      "kept in this browser",
    );
    // Even a closed tab keeps it: the page cannot be made without its store, and says so.
    await page.reload();
    await expect(page.getByRole("heading", { name: "The studio cannot be reached just now" })).toBeVisible();
  } finally {
    cluster("start");
  }
  await expect(page.getByRole("button", { name: /^During/ })).toBeVisible({ timeout: 45_000 });
  await expect
    .poll(async () => (await stored(request, id)).document.areas.map((a) => a.name), { timeout: 30_000 })
    .toEqual(["Before", "During"]);
});

test("what a tab that is gone did not save is offered, and another tab's saving deletes none of it", async ({
  page,
  context,
  request,
}) => {
  const id = await newPiece(page, "Two tabs");
  const other = await context.newPage();
  await open(other, page.url());
  // The server cannot be reached by this tab alone.
  await page.route("**/api/pieces/*", (route) =>
    route.request().method() === "PUT" ? route.abort() : route.continue(),
  );
  await addArea(page, "Of the tab that goes");
  await expect(page.getByRole("alert").filter({ hasText: "Not saved yet" })).toBeVisible();
  await addArea(other, "Of the tab that stays");
  await expect(savedNotice(other)).toBeVisible();
  await page.close();
  const third = await context.newPage();
  await open(third, other.url());
  const offer = third.getByRole("alert").filter({ hasText: "did not reach the studio" });
  await expect(offer).toBeVisible();
  expect((await stored(request, id)).document.areas.map((a) => a.name)).toEqual(["Of the tab that stays"]);
  await offer.getByRole("button", { name: "Take them up" }).click();
  await expect(savedNotice(third)).toBeVisible();
  await expect
    .poll(async () => (await stored(request, id)).document.areas.map((a) => a.name))
    .toEqual(["Of the tab that goes"]);
  // It can be taken back like any other change, and is offered no more.
  await third.keyboard.press("Control+z");
  await expect
    .poll(async () => (await stored(request, id)).document.areas.map((a) => a.name))
    .toEqual(["Of the tab that stays"]);
  await third.reload();
  await listens(third);
  await expect(third.getByRole("alert").filter({ hasText: "did not reach" })).toHaveCount(0);
});

test("an answer that is lost on the way is no conflict with oneself", async ({ page, request }) => {
  const id = await newPiece(page, "Lost answers");
  let lost = 0;
  await page.route("**/api/pieces/*", async (route) => {
    if (route.request().method() !== "PUT" || lost >= 2) return route.continue();
    lost++;
    // The server has saved it; the answer does not arrive.
    await route.fetch();
    await route.abort();
  });
  await addArea(page, "First");
  await expect.poll(() => lost).toBeGreaterThan(0);
  await addArea(page, "Second");
  await expect(savedNotice(page)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("dialog")).toHaveCount(0);
  expect((await stored(request, id)).document.areas.map((a) => a.name)).toEqual(["First", "Second"]);
});
