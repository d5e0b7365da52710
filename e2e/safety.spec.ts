import { expect, test } from "./test";
import { faults } from "./faults";
import { addArea, listens, newPiece, open, savedNotice, stored } from "./studio";

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
