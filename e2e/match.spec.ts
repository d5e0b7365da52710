import { expect, test } from "./test";
import { listens, openKiteMender, savedNotice, stored, openSettings, giveColour } from "./studio";

test("the demo piece opens planned, with layers, ruler and reasons", async ({ page }) => {
  await openKiteMender(page);
  await expect(page.getByRole("heading", { name: "Kept group" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Last laid first" }).getByRole("listitem")).toHaveCount(3);
  const strip = page.getByRole("figure", { name: "Skin as it will lie on Smooth white card" });
  await expect(strip.getByRole("listitem")).toHaveText([/^Light: /, /^Local colour: /, /^Shadow: /]);
  await expect(page.getByText("underlay, 1 coat, in the shadow")).toBeVisible();
  await expect(page.getByRole("img", { name: /^Lightness of the layers/ })).toBeVisible();
  await expect(page.getByText(/local colour [a-z ]+, \d+\.\d ΔE00/).first()).toBeVisible();
});

test("an exact colour is matched with its recipes, and the search can be stopped", async ({ page }) => {
  await openKiteMender(page);
  await page.getByRole("button", { name: /^Shawl/ }).click();
  await expect(page).toHaveURL(/area=area-4/);
  // Among the whole range, so that there is time to stop it.
  await openSettings(page);
  await page.getByLabel("Owned only").uncheck();
  await expect(page.getByRole("button", { name: /any marker of the rack/ })).toBeVisible();
  await page.getByRole("button", { name: "Match exactly" }).click();
  const dialog = page.getByRole("dialog", { name: "Match the local colour of Shawl" });
  await dialog.getByRole("button", { name: "Cancel" }).click();
  await expect(dialog.getByText("Stopped.")).toBeVisible();
  await expect(dialog.getByRole("button", { name: "Matching again" })).toBeVisible();
  await dialog.getByRole("button", { name: "Close" }).click();
  await page.getByLabel("Owned only").check();
  await page.getByRole("button", { name: "Match exactly" }).click();
  const recipes = dialog.getByRole("listitem");
  await expect(recipes.first()).toContainText("ΔE00", { timeout: 80_000 });
  await expect(dialog.getByText(/None of .* comes closer/)).toBeVisible({ timeout: 80_000 });
  await expect(dialog.getByText("preferred", { exact: true })).toHaveCount(1);
  const differences = (await recipes.locator("[data-difference]").allTextContents()).map(Number);
  expect(differences).toEqual([...differences].sort((a, b) => a - b));
  await dialog.getByRole("button", { name: "Close" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Owned only")).not.toBeChecked();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Owned only")).toBeChecked();
  await expect(savedNotice(page)).toBeVisible();
});

test("deep links, history and keys lead through the areas", async ({ page }) => {
  await openKiteMender(page);
  await page.keyboard.press("]");
  await expect(page.getByRole("heading", { name: "Hair", exact: true })).toBeVisible();
  await page.keyboard.press("]");
  await expect(page.getByRole("heading", { name: "Kite paper" })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole("heading", { name: "Hair", exact: true })).toBeVisible();
  await page.reload();
  await listens(page);
  await expect(page.getByRole("heading", { name: "Hair", exact: true })).toBeVisible();
});

test("another paper shows other colours for the same markers", async ({ page }) => {
  await openKiteMender(page);
  const ramp = page.locator("[data-layer]").last().locator("span[aria-hidden]").first();
  const colour = () => ramp.evaluate((e) => getComputedStyle(e).backgroundColor);
  await expect(page.getByRole("heading", { name: "Kept group" })).toBeVisible();
  const white = await colour();
  await page.getByRole("combobox", { name: "Paper" }).selectOption({ label: "Warm toned paper" });
  await expect.poll(colour).not.toBe(white);
  await page.keyboard.press("Control+z");
  await expect.poll(colour).toBe(white);
});

test("the same operations answer over HTTP, with one validation", async ({ request }) => {
  const desk = {
    paper: { color: "#f4f5ec" },
    inks: [
      { code: "a", coats: ["#ecd0c0", "#e0bda8"] },
      { code: "b", coats: ["#b07058"] },
    ],
  };
  const good = await request.post("/api/compute/predict", { data: { ...desk, stacks: [["a", "b"]] } });
  expect(good.status()).toBe(200);
  expect((await good.json()).stacks[0].hex).toMatch(/^#[0-9a-f]{6}$/);
  const bad = await request.post("/api/compute/predict", { data: { ...desk, stacks: [["c"]] } });
  expect(bad.status()).toBe(422);
  expect((await bad.json()).problems).toEqual([
    { path: "stacks[0][0]", expected: expect.stringContaining('"c"') },
  ]);
  expect(
    (
      await request.post("/api/compute/predict", {
        data: "{",
        headers: { "content-type": "application/json" },
      })
    ).status(),
  ).toBe(422);
  expect(await stored(request, "00000000-0000-0000-0000-000000000000")).toMatchObject({
    message: "There is no such piece.",
  });
});

test("a colour that no recipe reaches is answered with how far it is and why", async ({ page }) => {
  await openKiteMender(page);
  // Out of reach, nothing ends the search early: on a paper on which few inks were read it has an end soon.
  await page.getByRole("combobox", { name: "Paper" }).selectOption({ label: "Thin marker paper" });
  await page.getByRole("button", { name: /^Bows/ }).click();
  await giveColour(page, "blue-ish");
  await expect(page.getByRole("alert").filter({ hasText: "is no colour here" })).toBeVisible();
  await giveColour(page, "99 50 -40");
  await expect(page.locator('[data-reading="local"]')).toContainText("lightness 99, typed");
  await page.getByRole("button", { name: "Match exactly" }).click();
  const dialog = page.getByRole("dialog", { name: "Match the local colour of Bows" });
  await expect(
    dialog.getByText(/^None of these markers reaches this colour\. .*lighter than the bare paper/),
  ).toBeVisible({ timeout: 90_000 });
  await dialog.getByRole("button", { name: "Close" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator('[data-reading="local"]')).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(savedNotice(page)).toBeVisible();
});
