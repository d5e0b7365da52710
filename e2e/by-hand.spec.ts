import { expect, test } from "./test";
import {
  bands,
  newPiece,
  offeredGroups,
  open,
  openPart,
  allRead,
  pickAt,
  savedNotice,
  stored,
  upload,
} from "./studio";
import { heedPrinting, isPrinted, isSomewhere } from "./hands";
import { thingsOf } from "./views";

test("focus goes where the work goes on, never to the page", async ({ page }) => {
  const id = await newPiece(page, "By keys alone");
  await page
    .getByRole("button", { name: "Add the first area" })
    .or(page.getByRole("button", { name: /first area/ }))
    .first()
    .press("Enter");
  await isSomewhere(page, "the first area");
  await upload(page, "pot.png", "image/png", await bands());
  await expect(page.getByTestId("reference")).toBeVisible();
  await isSomewhere(page, "the picture");
  for (const y of [0.5, 0.15, 0.85]) await pickAt(page, 0.5, y);
  await allRead(page);
  await offeredGroups(page);
  await page.getByRole("button", { name: "Keep this group" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /^Kept group/ })).toBeVisible();
  await isSomewhere(page, "keeping");
  const layers = page.getByRole("region", { name: "Layers" });
  // Of one coat, so that more of it may come twice.
  const single = layers
    .getByRole("listitem")
    .filter({ has: page.getByRole("button", { name: /^One coat less of/, disabled: true }) });
  const more = single.getByRole("button", { name: /^One coat more of/ }).first();
  await more.focus();
  const name = await more.getAttribute("aria-label");
  await page.keyboard.press("Enter");
  await expect(savedNotice(page)).toBeVisible();
  await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute("aria-label"))).toBe(name);
  // While it is worked out anew, what was there stays there.
  await expect(layers).toBeVisible();
  const first = layers.getByRole("button", { name: /^More on/ }).first();
  const codes = async () =>
    (await stored(page.request, id)).document.areas[0]!.layers.filter((l) => l.medium === "tone").map(
      (l) => l.code,
    );
  const before = await codes();
  await first.focus();
  await page.keyboard.press("Enter");
  await page.getByRole("menuitem", { name: "Lay it earlier" }).press("Enter");
  await expect.poll(codes).not.toEqual(before);
  await isSomewhere(page, "laying a layer earlier");
  await openPart(page, "School");
  const use = page.getByRole("button", { name: /^Use/ }).first();
  await expect(use).toBeVisible({ timeout: 45_000 });
  await use.focus();
  await page.keyboard.press("Enter");
  await isSomewhere(page, "using a school");
  await page.keyboard.press("Control+z");
  await isSomewhere(page, "undo");
});

test("undo works while a list or a tick box has the focus; letters do nothing behind a dialog; Escape closes the finder at once", async ({
  page,
}) => {
  const { kite } = await thingsOf(page);
  await open(page, `/pieces/${kite}/colour`);
  const material = page.getByLabel("Material");
  const was = await material.inputValue();
  await material.selectOption(was === "hair" ? "fabric" : "hair");
  await expect(material).not.toHaveValue(was);
  await material.focus();
  await page.keyboard.press("Control+z");
  await expect(material).toHaveValue(was);
  await page.getByRole("button", { name: /^Find a marker/ }).click();
  const finder = page.getByRole("dialog", { name: "Find a marker" });
  await expect(finder.getByRole("heading")).toBeVisible();
  await page.keyboard.type("fern");
  await page.keyboard.press("Escape");
  await expect(finder).toHaveCount(0);
  const surround = () => page.evaluate(() => document.documentElement.dataset.surround);
  const bright = await surround();
  await page.getByRole("button", { name: "Shortcuts" }).click();
  await expect(page.getByRole("dialog", { name: "Shortcuts" }).getByRole("heading").first()).toBeVisible();
  await page.keyboard.press("d");
  expect(await surround()).toBe(bright);
  await page.keyboard.press("Escape");
});

test("a colour is picked by keys, seen and heard", async ({ page }) => {
  await newPiece(page, "Heard");
  await page
    .getByRole("button", { name: /first area/ })
    .first()
    .click();
  await upload(page, "pot.png", "image/png", await bands());
  const picture = page.getByTestId("reference");
  await picture.focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByTestId("crosshair")).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: /^lightness \d+, / })).toHaveText(
    /lightness 6\d, (orange|muted orange|red)/,
  );
  await page.keyboard.press("Enter");
  await expect(
    page
      .getByRole("button", { name: "Clear local colour" })
      .or(page.getByText("Local colour").nth(1))
      .first(),
  ).toBeVisible();
});

test("the rack's table is walked cell by cell, edited and left by keys, and says what it cannot take", async ({
  page,
}) => {
  await open(page, "/rack?view=table");
  const grid = page.getByRole("grid", { name: "Rack" });
  expect(await grid.locator('[tabindex="0"], input:not([tabindex="-1"])').count()).toBeLessThan(24);
  const first = grid.getByRole("gridcell").first();
  await first.focus();
  const place = () => page.evaluate(() => (document.activeElement as HTMLElement | null)?.dataset.cell);
  for (const [key, at] of [
    ["ArrowRight", "0 1"],
    ["ArrowDown", "1 1"],
    ["PageDown", "11 1"],
    ["Control+End", undefined],
  ] as const) {
    await page.keyboard.press(key);
    if (at) await expect.poll(place).toBe(at);
  }
  await expect.poll(place).toMatch(/^\d{3,} \d+$/);
  // In sight: neither under the heading nor beyond the edge.
  await expect(async () => {
    const [cell, frame] = await Promise.all([
      page.evaluate(() => document.activeElement!.getBoundingClientRect().toJSON() as DOMRect),
      grid.boundingBox(),
    ]);
    expect(cell.top).toBeGreaterThanOrEqual(frame!.y + 39);
    expect(cell.bottom).toBeLessThanOrEqual(frame!.y + frame!.height + 1);
  }).toPass({ timeout: 15_000 });
  await page.keyboard.press("Control+Home");
  await expect.poll(place).toBe("0 0");
  // Into a cell, something that is no number, and out again.
  const refills = grid.getByLabel(/^Refills of/).first();
  const at = (await refills.evaluate((e) => (e.closest("[data-cell]") as HTMLElement).dataset.cell))!;
  await grid.locator(`[data-cell="${at}"]`).focus();
  await page.keyboard.press("Enter");
  await expect(refills).toBeFocused();
  await page.keyboard.type("abc");
  await page.keyboard.press("Enter");
  await expect(grid.getByRole("alert")).toContainText("“abc” is no number: from 0 to 999");
  await page.keyboard.press("Escape");
  await expect.poll(place).toBe(at);
  await expect(grid.getByRole("alert")).toHaveCount(0);
});

test("from a new piece to the printed steps by keys alone", async ({ page }) => {
  test.setTimeout(150_000);
  await heedPrinting(page);
  /** Goes on by Tab until something of that name has the focus. */
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 90; i++) {
      await page.keyboard.press("Tab");
      const here = await page.evaluate(() => {
        const e = document.activeElement as HTMLElement | null;
        return e?.getAttribute("aria-label") ?? e?.textContent ?? "";
      });
      if (name.test(here.trim())) return;
    }
    throw new Error(`no Tab leads to ${String(name)}`);
  };
  const pot = await bands();
  // Heard from the start: what asks for a file before would get none.
  page.on("filechooser", (c) => void c.setFiles({ name: "pot.png", mimeType: "image/png", buffer: pot }));
  await open(page, "/");
  await tabTo(/^New piece/);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Name", { exact: true })).toBeFocused();
  await page.keyboard.type("By keys, whole");
  await page.keyboard.press("Enter");
  await page.waitForURL(/set-up/);
  await tabTo(/^Go on without a drawing/);
  await page.keyboard.press("Enter");
  await page.waitForURL(/colour/);
  await tabTo(/first area/);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Name of this area")).toBeVisible();
  await tabTo(/^(Choose|Bring|Reference)/);
  await page.keyboard.press("Enter");
  await expect(page.getByTestId("reference")).toBeVisible();
  await tabTo(/^Reference pot.png/);
  // The crosshair begins in the middle: the local colour is there, light above it, shadow below.
  for (const [key, moves] of [
    ["ArrowRight", 1],
    ["ArrowUp", 3],
    ["ArrowDown", 6],
  ] as const) {
    for (let i = 0; i < moves; i++) await page.keyboard.press(`Shift+${key}`);
    await page.keyboard.press("Enter");
    await expect(savedNotice(page)).toBeVisible();
    await page.waitForTimeout(300);
  }
  await offeredGroups(page);
  await page.keyboard.press("k");
  await expect(page.getByRole("heading", { name: /^Kept group/ })).toBeVisible();
  await expect(savedNotice(page)).toBeVisible();
  await page.keyboard.press("Shift+Tab");
  await tabTo(/^Steps$/);
  await page.keyboard.press("Enter");
  await page.waitForURL(/steps/);
  await expect(page.getByRole("heading", { name: /^Lay ready/ })).toBeVisible();
  await tabTo(/^Print/);
  await page.keyboard.press("Enter");
  await isPrinted(page);
});

test("what is dropped can be taken back, and is gone when it is not", async ({ page, request }) => {
  const name = `Dropped ${Date.now()}`;
  const made = await request.post("/api/groups", {
    data: {
      name,
      tags: [],
      tones: [
        { code: "clay2c", coats: 1 },
        { code: "clay5c", coats: 1 },
      ],
    },
  });
  expect(made.status()).toBeLessThan(300);
  await open(page, "/groups");
  const list = page.getByRole("list", { name: "Kept groups" });
  await list.getByRole("button", { name: new RegExp(name) }).click();
  await page.getByRole("button", { name: "Drop", exact: true }).click();
  await expect(list.getByText(name)).toHaveCount(0);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(list.getByText(name)).toBeVisible();
  await list.getByRole("button", { name: new RegExp(name) }).click();
  await page.getByRole("button", { name: "Drop", exact: true }).click();
  await expect(page.getByText(`${name}” was dropped`)).toBeVisible();
  // Whoever goes away has meant it.
  await page.goto("about:blank");
  const names = async () => JSON.stringify(await (await request.get("/api/groups")).json());
  await expect.poll(names).not.toContain(name);
});

test("paper shows every step with a box to tick, the whole rack, and nothing to press", async ({ page }) => {
  const { kite } = await thingsOf(page);
  await open(page, `/pieces/${kite}/steps`);
  await expect(page.getByRole("heading", { name: "Skin" })).toBeVisible();
  await page.emulateMedia({ media: "print" });
  const boxes = page.locator("section[aria-label='Skin'] li span.border.border-text");
  expect(await boxes.count()).toBeGreaterThan(3);
  await expect(boxes.first()).toBeVisible();
  expect(await page.locator("button:visible, nav a:visible, input:visible").count()).toBe(0);
  await open(page, "/rack?view=table");
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  expect(await page.locator("main table tbody tr").count()).toBeGreaterThan(250);
  expect(await page.locator("button:visible, nav a:visible, input:visible").count()).toBe(0);
});
