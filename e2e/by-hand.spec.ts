import type { CDPSession, Page } from "@playwright/test";
import { expect, test } from "./test";
import {
  bands,
  newPiece,
  offeredGroups,
  open,
  openPart,
  pickAt,
  savedNotice,
  stored,
  upload,
} from "./studio";
import { thingsOf } from "./views";

/** Where the focus is: never the page. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const e = document.activeElement;
    return e && e !== document.body ? e.tagName : "the page";
  });
const isSomewhere = async (page: Page, after: string) => {
  // Given back a moment after what was there is gone.
  await expect
    .poll(() => focused(page), { message: `focus after ${after}`, timeout: 5000 })
    .not.toBe("the page");
};

interface Finger {
  readonly x: number;
  readonly y: number;
}
const touch = (cdp: CDPSession, type: "touchStart" | "touchMove" | "touchEnd", fingers: readonly Finger[]) =>
  cdp.send("Input.dispatchTouchEvent", { type, touchPoints: fingers.map((f, id) => ({ ...f, id })) });

/** Prints nothing; says that it was asked. */
const heedPrinting = (page: Page) =>
  page.addInitScript(() => {
    window.print = () => (document.documentElement.dataset.printed = "yes");
  });
const isPrinted = (page: Page) => expect(page.locator("html[data-printed]")).toBeAttached();

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
  for (const y of [0.15, 0.5, 0.85]) await pickAt(page, 0.5, y);
  await offeredGroups(page);
  await page.getByRole("button", { name: "Keep this group" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /^Kept group/ })).toBeVisible();
  await isSomewhere(page, "keeping");
  const layers = page.getByRole("region", { name: "Layers" });
  const more = layers.getByRole("button", { name: /^One coat more of/ }).first();
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
  await page.keyboard.type("fern");
  await page.keyboard.press("Escape");
  await expect(finder).toHaveCount(0);
  const surround = () => page.evaluate(() => document.documentElement.dataset.surround);
  const bright = await surround();
  await page.getByRole("button", { name: "Shortcuts" }).click();
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
  await expect.poll(place).toMatch(/^\d{2,} \d+$/);
  // In sight: neither under the heading nor beyond the edge.
  const [cell, frame] = await Promise.all([
    page.evaluate(() => document.activeElement!.getBoundingClientRect().toJSON() as DOMRect),
    grid.boundingBox(),
  ]);
  expect(cell.top).toBeGreaterThanOrEqual(frame!.y + 39);
  expect(cell.bottom).toBeLessThanOrEqual(frame!.y + frame!.height + 1);
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

test.describe("by touch", () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test("a swipe over the picture scrolls and picks nothing, a tap picks, a long press takes a patch, two fingers zoom", async ({
    page,
  }) => {
    const id = await newPiece(page, "By touch");
    await page
      .getByRole("button", { name: /first area/ })
      .first()
      .tap();
    await upload(page, "pot.png", "image/png", await bands());
    const picture = page.getByTestId("reference");
    await expect(picture).toBeVisible();
    const box = (await picture.boundingBox())!;
    const at = (x: number, y: number): Finger => ({ x: box.x + x * box.width, y: box.y + y * box.height });
    const readings = async () => Object.keys((await stored(page.request, id)).document.areas[0]!.readings);
    const cdp = await page.context().newCDPSession(page);
    // Swipe.
    await touch(cdp, "touchStart", [at(0.5, 0.9)]);
    for (let i = 1; i <= 8; i++) await touch(cdp, "touchMove", [at(0.5, 0.9 - i * 0.1)]);
    await touch(cdp, "touchEnd", []);
    await expect.poll(() => page.evaluate(() => window.scrollY)).toBeGreaterThan(40);
    // A tap while the page still glides only stops it.
    await page.waitForTimeout(900);
    await page.evaluate(() => window.scrollTo(0, 0));
    await page.waitForTimeout(200);
    expect(await readings()).toEqual([]);
    // Tap.
    const again = (await picture.boundingBox())!;
    await page.touchscreen.tap(again.x + again.width / 2, again.y + again.height / 2);
    await expect.poll(readings).toEqual(["local"]);
    // Long press, then a patch.
    await touch(cdp, "touchStart", [at(0.3, 0.1)]);
    await page.waitForTimeout(600);
    for (let i = 1; i <= 5; i++) await touch(cdp, "touchMove", [at(0.3 + i * 0.05, 0.1 + i * 0.02)]);
    await touch(cdp, "touchEnd", []);
    await expect.poll(async () => (await readings()).length).toBe(2);
    const { areas } = (await stored(page.request, id)).document;
    const patches = Object.values(areas[0]!.readings) as { at: { width: number } }[];
    expect(Math.max(...patches.map((r) => r.at.width))).toBeGreaterThan(0.2);
    // Two fingers.
    const wide = async () => (await picture.boundingBox())!.width;
    const before = await wide();
    await touch(cdp, "touchStart", [at(0.45, 0.5), at(0.55, 0.5)]);
    for (let i = 1; i <= 6; i++)
      await touch(cdp, "touchMove", [at(0.45 - i * 0.05, 0.5), at(0.55 + i * 0.05, 0.5)]);
    await touch(cdp, "touchEnd", []);
    await expect.poll(wide).toBeGreaterThan(before * 1.4);
    expect((await readings()).length).toBe(2);
  });

  test("from a new piece to the printed steps", async ({ page }) => {
    test.setTimeout(150_000);
    await heedPrinting(page);
    await open(page, "/");
    await page.getByRole("button", { name: "New piece" }).tap();
    await page.getByLabel("Name", { exact: true }).fill("By touch, whole");
    await page.getByRole("button", { name: "Open it" }).tap();
    await page.waitForURL(/set-up/);
    await page.getByRole("link", { name: "Go on without a drawing" }).tap();
    await page.waitForURL(/colour/);
    await page
      .getByRole("button", { name: /first area/ })
      .first()
      .tap();
    await upload(page, "pot.png", "image/png", await bands());
    await expect(page.getByTestId("reference")).toBeVisible();
    for (const [place, y] of [
      ["Local colour", 0.5],
      ["Light", 0.15],
      ["Shadow", 0.85],
    ] as const) {
      await page.getByRole("group", { name: "Pick for" }).getByRole("button", { name: place }).tap();
      const box = (await page.getByTestId("reference").boundingBox())!;
      await page.touchscreen.tap(box.x + box.width / 2, box.y + y * box.height);
      await expect(savedNotice(page)).toBeVisible();
      await page.waitForTimeout(300);
    }
    await offeredGroups(page);
    await page.getByRole("button", { name: "Keep this group" }).tap();
    await expect(page.getByRole("heading", { name: /^Kept group/ })).toBeVisible();
    await page.getByRole("link", { name: "Steps" }).tap();
    await page.waitForURL(/steps/);
    await page.getByRole("button", { name: "Print" }).tap();
    await isPrinted(page);
  });

  test("what inky fingers meet is large, a tapped marker's card comes up beside it", async ({ page }) => {
    const { kite } = await thingsOf(page);
    await open(page, `/pieces/${kite}/colour`);
    const layers = page.getByRole("region", { name: "Layers" });
    await expect(layers.getByRole("button", { name: /^One coat more/ }).first()).toBeVisible({
      timeout: 45_000,
    });
    const small = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>(".button, .button-bare, [role=tab], nav a")]
        .filter((e) => e.getClientRects().length)
        .map((e) => ({
          what: e.getAttribute("aria-label") ?? e.textContent,
          height: e.getBoundingClientRect().height,
        }))
        .filter(({ height }) => height < 43.5),
    );
    expect(small).toEqual([]);
    const picture = (await page.getByTestId("reference").boundingBox())!;
    expect(picture.y).toBeLessThan(160);
    await open(page, "/rack");
    await page.locator("[data-marker]").nth(30).tap();
    const card = page.getByRole("complementary", { name: "Marker" });
    const place = (await card.boundingBox())!;
    expect(place.y).toBeGreaterThan(200);
    expect(place.y + place.height).toBeLessThanOrEqual(845);
    await card.getByRole("button", { name: "Close" }).tap();
    await isSomewhere(page, "closing the card");
  });
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
