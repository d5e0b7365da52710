import { execFileSync } from "node:child_process";
import { expect, test } from "./test";
import { addArea, newPiece, savedNotice, stored } from "./studio";

const cluster = (what: "start" | "stop") =>
  execFileSync(
    "bash",
    ["scripts/cluster.sh", what, process.env.BLENDT_TEST_CLUSTER!, ...(what === "stop" ? ["immediate"] : [])],
    { stdio: ["ignore", "ignore", "inherit"] },
  );

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
