import { expect, test } from "@playwright/test";
import { open } from "./studio";

test("the rack shows measured markers; the finder and the arrows walk it", async ({ page }) => {
  await open(page, "/rack");
  await expect(page.getByRole("group", { name: /^Family / })).toHaveCount(16);
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
  await expect(page.getByRole("complementary", { name: "Marker" }).getByRole("heading").first()).toHaveText(/^tarn/);
});

test("a table says the same, and lightness falls along each track", async ({ page }) => {
  await open(page, "/rack?view=table");
  const rows = page.getByRole("row");
  expect(await rows.count()).toBeGreaterThan(180);
  await expect(rows.filter({ hasText: "low" }).first()).toBeVisible();
  await page.getByRole("button", { name: "Tracks" }).click();
  const labels = await page.getByRole("group", { name: /^Family soot/ }).getByRole("button").evaluateAll((all) => all.map((b) => b.getAttribute("aria-label")!));
  const lightness = labels.map((l) => Number(/L\* (\d+)/.exec(l)![1]));
  expect(lightness).toEqual([...lightness].sort((a, b) => b - a));
});

test("both surrounds are neutral, at L* 92 and 45, and remembered", async ({ page }) => {
  await open(page, "/");
  const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  expect(await ground()).toBe("rgb(232, 232, 232)");
  await page.keyboard.press("d");
  expect(await ground()).toBe("rgb(106, 106, 106)");
  await page.reload();
  expect(await ground()).toBe("rgb(106, 106, 106)");
});

test("shortcuts are listed, and every place works at 360 px without sideways scrolling", async ({ page }) => {
  await open(page, "/");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toContainText("keep the group shown");
  await page.keyboard.press("Escape");
  await page.setViewportSize({ width: 360, height: 740 });
  const href = await page.getByRole("link", { name: "Open The Kite Mender" }).getAttribute("href");
  for (const path of ["/", "/rack", href!, href!.replace("colour", "steps")]) {
    await open(page, path);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(360);
  }
});
