import { expect, test } from "./test";
import { layersOf, newPiece, open, openKiteMender, openPart, savedNotice, stored } from "./studio";

test("a first area is named at once: letters go into its name and start nothing", async ({
  page,
  request,
}) => {
  const errors: string[] = [];
  page.on("pageerror", (e) => errors.push(e.message));
  const id = await newPiece(page, "Without a picture");
  await page.getByRole("button", { name: "Add the first area" }).click();
  await expect(page.getByLabel("Name of this area")).toBeFocused();
  await page.keyboard.type("Gas lamp kmshp");
  await page.keyboard.press("Enter");
  await expect
    .poll(async () => (await stored(request, id)).document.areas.map((a) => a.name))
    .toEqual(["Gas lamp kmshp"]);
  // With nothing planned every shortcut is harmless.
  for (const key of ["k", "m", "g", "s", "h", "p", "f", "a", "[", "]", "0", "1"])
    await page.keyboard.press(key);
  await expect(
    page.getByRole("heading", { name: "Gas lamp kmshp" }).or(page.getByLabel("Name of this area")),
  ).not.toHaveCount(0);
  await expect(page).toHaveURL(/colour/);
  expect(errors).toEqual([]);
});

test("shortcuts of a single key can be switched off, and do nothing behind a dialog", async ({ page }) => {
  await openKiteMender(page);
  const tab = (name: string) => page.getByRole("tab", { name, exact: false });
  await page.keyboard.press("?");
  const dialog = page.getByRole("dialog", { name: "Shortcuts" });
  await expect(dialog.getByRole("heading", { name: "Shortcuts" })).toBeVisible();
  await page.keyboard.press("s");
  await expect(tab("Group")).toHaveAttribute("aria-selected", "true");
  await dialog.getByLabel("Shortcuts of a single key are on").uncheck();
  await page.keyboard.press("Escape");
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press("s");
  await page.keyboard.press("]");
  await expect(page).not.toHaveURL(/tab=school|area=area-2/);
  await page.reload();
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
  await page.keyboard.press("s");
  await expect(page).not.toHaveURL(/tab=school/);
  await page.getByRole("button", { name: "Shortcuts" }).click();
  await dialog.getByLabel("Shortcuts of a single key are on").check();
  await page.keyboard.press("Escape");
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press("s");
  await expect(page).toHaveURL(/tab=school/);
});

test("a slider that is dragged is one change, and one step of undo", async ({ page, request }) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await open(page, page.url().replace(/colour.*/, "light"));
  const softness = async () =>
    ((await stored(request, id)).document as unknown as { light: { softness: number } }).light.softness;
  const before = await softness();
  const slider = page.getByLabel("Softness", { exact: true });
  const box = (await slider.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 4, box.y + box.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect.poll(softness).toBeGreaterThan(before + 0.2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(softness).toBe(before);
});

test("shadows beneath and over, pencil and finish are taken away again from the strata", async ({
  page,
  request,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  const skin = async () => (await stored(request, id)).document.areas[0]!;
  const before = (await skin()).layers;
  expect(layersOf(await skin(), "shadow").length).toBeGreaterThan(1);
  const strata = page.getByRole("region", { name: "Layers" });
  const first = layersOf(await skin(), "shadow")[0]!.code;
  await strata.getByRole("button", { name: `Take ${first} away` }).click();
  await expect.poll(async () => layersOf(await skin(), "shadow").map((l) => l.code)).not.toContain(first);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => (await skin()).layers).toEqual(before);
  await openPart(page, "Shadow");
  const laid = page.getByRole("region", { name: "Shadows in this area" });
  await expect(laid).toContainText("where all of them lie");
  await laid.getByLabel(`Place of ${first}`).selectOption("along the edge");
  await expect.poll(async () => layersOf(await skin(), "shadow")[0]!.place).toBe("edge");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(savedNotice(page)).toBeVisible();
});

test("a paper judged under a lamp shows other colours for the same group", async ({ page, request }) => {
  await openKiteMender(page);
  const paperId = (
    (await stored(request, page.url().split("/")[4]!)).document as unknown as { paperId: string }
  ).paperId;
  const ruler = page.getByRole("img", { name: /^Lightness of the layers/ });
  await expect(ruler).toBeVisible();
  const said = () => ruler.getAttribute("aria-label");
  const day = await said();
  await open(page, `/swatchbook/${paperId}`);
  await page.getByLabel("Judged under").selectOption("A");
  await expect(page.getByText("Readings stay those of daylight")).toBeVisible();
  await openKiteMender(page);
  await expect.poll(said).not.toBe(day);
  await open(page, `/swatchbook/${paperId}`);
  await page.getByLabel("Judged under").selectOption("D65");
  await expect(page.getByText("Readings stay those of daylight")).toHaveCount(0);
});

test("an area gives its plan on to another, by its menu or dropped onto it; each is one step of undo", async ({
  page,
  request,
}) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  const layers = async (name: string) => {
    const { document } = await stored(request, id);
    return JSON.stringify(document.areas.find((a) => a.name === name)!.layers);
  };
  const [shawl, sleeves] = [await layers("Shawl"), await layers("Sleeves")];
  await page.getByRole("button", { name: "Change Shawl" }).click();
  await page.getByRole("menuitem", { name: "Give it on to other areas" }).click();
  const dialog = page.getByRole("dialog", { name: "Give on what Shawl has" });
  await dialog.getByLabel("Sleeves").check();
  await dialog.getByRole("button", { name: "Use it in 1 area" }).click();
  await expect.poll(() => layers("Sleeves")).toBe(shawl);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => layers("Sleeves")).toBe(sleeves);
  const strip = page.getByRole("region", { name: "Areas" }).getByRole("listitem");
  await strip.filter({ hasText: "Shawl" }).dragTo(strip.filter({ hasText: "Sleeves" }));
  await expect.poll(() => layers("Sleeves")).toBe(shawl);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => layers("Sleeves")).toBe(sleeves);
});
