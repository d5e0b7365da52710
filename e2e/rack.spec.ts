import { expect, test } from "./test";
import { hrefOf, listens, open } from "./studio";

test("the rack shows measured markers; the finder and the arrows walk it", async ({ page }) => {
  await open(page, "/rack");
  await expect(page.getByRole("group", { name: /^Family / })).toHaveCount(22);
  await page.keyboard.press("/");
  await page.getByRole("combobox", { name: "Family or code" }).fill("fern5");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/marker=fern5/);
  const chosen = page.locator('[data-marker][aria-pressed="true"]');
  const first = await chosen.getAttribute("data-marker");
  expect(first).toMatch(/^fern5/);
  await chosen.focus();
  await page.keyboard.press("ArrowRight");
  await expect(chosen).not.toHaveAttribute("data-marker", first!);
  await expect(chosen).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(chosen).toHaveAttribute("data-marker", /^tarn/);
  await page.reload();
  await listens(page);
  await expect(page.getByRole("complementary", { name: "Marker" }).getByRole("heading").first()).toHaveText(
    /^tarn/,
  );
});

test("a table says the same, is edited in place and in bulk, and undone", async ({ page }) => {
  await open(page, "/rack?view=table&standing=owned");
  const table = page.getByRole("grid", { name: "Rack" });
  expect(Number(await table.getAttribute("aria-rowcount"))).toBeGreaterThan(140);
  await page.getByLabel("Filter by code").fill("fern 4-6");
  const rows = table.locator("[data-row]");
  await expect(rows.first()).toHaveAttribute("data-row", /^fern[4-6]/);
  const code = (await rows.first().getAttribute("data-row"))!;
  await page.getByLabel(`Where ${code} is kept`).fill("window sill");
  await page.getByLabel(`Where ${code} is kept`).press("Enter");
  await page.getByLabel("Choose all rows").check();
  await page.getByRole("group", { name: "Chosen markers" }).getByRole("button", { name: "low" }).click();
  await expect(page.getByLabel(`State of ${code}`)).toHaveValue("low");
  await expect
    .poll(async () => {
      const file = (await (await page.request.get("/api/rack?format=json")).json()) as {
        items: { code: string; state: string }[];
      };
      return file.items.find((i) => i.code === code)?.state;
    })
    .toBe("low");
  await page.reload();
  await listens(page);
  await page.getByLabel("Filter by code").fill(code);
  await expect(page.getByLabel(`State of ${code}`)).toHaveValue("low");
  await expect(page.getByLabel(`Where ${code} is kept`)).toHaveValue("window sill");
  await page.getByLabel(`State of ${code}`).selectOption("full");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel(`State of ${code}`)).toHaveValue("low");
  await page.getByRole("tab", { name: "Tracks" }).click();
  const labels = await page
    .getByRole("group", { name: /^Family soot/ })
    .getByRole("button")
    .locator(".sr-only")
    .evaluateAll((all) => all.map((b) => b.textContent ?? ""));
  const lightness = labels.map((l) => Number(/lightness (\d+)/.exec(l)![1]));
  expect(lightness).toEqual([...lightness].sort((a, b) => b - a));
});

test("thousands of rows come in from a file, bad ones are named, and coming again doubles none", async ({
  page,
  request,
}) => {
  await open(page, "/rack?view=ranges");
  const name = `Import ${Date.now()}`;
  await page.getByPlaceholder("name of another range").fill(name);
  await page.getByRole("button", { name: "Add range" }).click();
  await expect(page.getByText(name, { exact: true })).toBeVisible();
  const rows = Array.from(
    { length: 5000 },
    (_, i) => `shell ${i % 40};shell${i};yes;#${(0x808080 + 97 * i).toString(16)}`,
  );
  const csv = [
    "family;code;owned;colour",
    ...rows.slice(0, 2000),
    "shell 1;;yes;#808080",
    ...rows.slice(2000),
  ].join("\r\n");
  const bring = async () => {
    await open(page, "/rack?view=import");
    await page
      .getByLabel("Rack file")
      .setInputFiles({ name: "shells.csv", mimeType: "text/csv", buffer: Buffer.from(csv, "latin1") });
    await page.getByLabel("into range").selectOption(name);
    await expect(page.getByRole("region", { name: "Bad rows" })).toContainText("line 2002");
    await page.getByRole("button", { name: "Bring in 5000 rows" }).click();
  };
  await bring();
  await expect(page.getByRole("status").filter({ hasText: "5000 added, 0 updated" })).toBeVisible({
    timeout: 60_000,
  });
  await bring();
  await expect(page.getByRole("status").filter({ hasText: "0 added, 5000 updated" })).toBeVisible({
    timeout: 60_000,
  });
  await open(page, "/rack?view=table");
  await page.getByRole("grid", { name: "Rack" }).evaluate((t) => t.scrollTo(0, 100_000));
  await expect(page.locator('[data-row^="shell"]').first()).toBeVisible();
  // Leave the studio as it was for the tests that follow.
  const removed = await request.delete("/api/rack", {
    data: { codes: Array.from({ length: 5000 }, (_, i) => `shell${i}`) },
  });
  expect(removed.status()).toBe(204);
});

test("the rack goes out as a spreadsheet and as palettes, and each of them is read again", async ({
  page,
  request,
}) => {
  await open(page, "/rack?view=import");
  for (const format of ["xlsx", "ods", "ase", "aco", "soc", "sbz", "css", "gpl"]) {
    const file = await request.get(`/api/rack?format=${format}`);
    expect(file.status()).toBe(200);
    await page.getByLabel("Rack file").setInputFiles({
      name: `rack.${format}`,
      mimeType: "application/octet-stream",
      buffer: await file.body(),
    });
    await expect(page.getByText(new RegExp(`^rack\\.${format}: \\d{3} rows`))).toBeVisible();
    await expect(page.getByRole("button", { name: /^Bring in \d{3} rows$/ })).toBeEnabled();
    await expect(page.getByRole("checkbox", { name: /^take its colours as one coat/ })).toBeVisible();
  }
});

test("both surrounds are neutral, at L* 92 and 45, and remembered", async ({ page }) => {
  await open(page, "/");
  const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  expect(await ground()).toBe("rgb(232, 232, 232)");
  await page.keyboard.press("d");
  expect(await ground()).toBe("rgb(106, 106, 106)");
  await page.reload();
  await listens(page);
  expect(await ground()).toBe("rgb(106, 106, 106)");
});

test("shortcuts are listed, and every place works at 360 px without sideways scrolling", async ({ page }) => {
  await open(page, "/");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toContainText("keep the group shown");
  await page.keyboard.press("Escape");
  await page.setViewportSize({ width: 360, height: 740 });
  const href = await hrefOf(page, "The Kite Mender");
  const parts = ["school", "shadow", "pencil"].map((tab) => `${href}?tab=${tab}`);
  for (const path of [
    "/",
    "/rack",
    "/rack?view=table",
    "/swatchbook",
    "/groups",
    href,
    ...parts,
    href.replace("colour", "whole"),
    href.replace("colour", "steps"),
  ]) {
    await open(page, path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(360);
  }
});
