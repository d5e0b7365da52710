import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import { newPiece, open, savedNotice, stored } from "./studio";

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
