import type { CDPSession } from "@playwright/test";
import { expect, test } from "./test";
import { bands, newPiece, offeredGroups, open, savedNotice, stored, upload } from "./studio";
import { byHand, heedPrinting, isPrinted, isSomewhere } from "./hands";
import { thingsOf } from "./views";

interface Finger {
  readonly x: number;
  readonly y: number;
}
const touch = (cdp: CDPSession, type: "touchStart" | "touchMove" | "touchEnd", fingers: readonly Finger[]) =>
  cdp.send("Input.dispatchTouchEvent", { type, touchPoints: fingers.map((f, id) => ({ ...f, id })) });

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

  test("a swipe that begins on a control scrolls, and changes nothing; a finger that rests takes hold", async ({
    page,
  }) => {
    test.setTimeout(240_000);
    const { kite } = await thingsOf(page);
    const cdp = await page.context().newCDPSession(page);
    // What a page measures by itself comes when it comes: sizes, widths, shares and neighbours are nobody's hand.
    const documentNow = async () => byHand((await stored(page.request, kite)).document);
    const before = await documentNow();
    const controls = "main :is(input[type=range], [role=slider], [aria-roledescription], summary)";
    const views = [
      ...["light", "form", "tones"].map((tab) => `light?tab=${tab}`),
      ...["group", "shadow", "finish"].map((tab) => `colour?tab=${tab}`),
      ...["sheet", "order", "reference"].map((tab) => `set-up?tab=${tab}`),
    ];
    let swiped = 0;
    for (const [i, view] of views.entries()) {
      const path = `/pieces/${kite}/${view}`;
      // Another tab of the same page is opened as its button does, without the page anew.
      const same = views[i - 1]?.split("?")[0] === view.split("?")[0];
      if (same) await page.evaluate((to) => window.history.pushState(null, "", to), path);
      else await open(page, path);
      await expect(page.getByRole("progressbar")).toHaveCount(0, { timeout: 45_000 });
      // Controls that come with what a page has worked out are there a moment later.
      await page.waitForTimeout(same ? 300 : 1200);
      const all = page.locator(controls);
      const count = await all.count();
      for (let k = 0; k < Math.min(count, 10); k++) {
        const box = await all
          .nth(k)
          .evaluate(
            (e) => {
              e.scrollIntoView({ block: "center" });
              const { left, top, width, height } = e.getBoundingClientRect();
              return { x: left + 0.7 * width, y: top + height / 2, isThere: width > 0 && top > 60 };
            },
            undefined,
            { timeout: 5000 },
          )
          .catch(() => undefined);
        if (!box?.isThere) continue;
        await touch(cdp, "touchStart", [box]);
        for (let k = 1; k <= 5; k++) await touch(cdp, "touchMove", [{ x: box.x + k, y: box.y - 24 * k }]);
        await touch(cdp, "touchEnd", []);
        swiped++;
      }
      // What is changed is kept a quarter of a second later.
      await page.waitForTimeout(700);
      expect(await documentNow(), `after swipes over ${view}`).toEqual(before);
    }
    expect(swiped).toBeGreaterThan(15);
    await open(page, `/pieces/${kite}/light`);
    const dial = page.getByRole("slider").first();
    await dial.evaluate((e) => e.scrollIntoView({ block: "center" }));
    const { x, y, width } = (await dial.boundingBox())!;
    const at = (dx: number, dy: number): Finger => ({ x: x + width * dx, y: y + width * dy });
    await touch(cdp, "touchStart", [at(0.5, 0.5)]);
    await page.waitForTimeout(320);
    for (let k = 1; k <= 5; k++) await touch(cdp, "touchMove", [at(0.5 + 0.06 * k, 0.5 + 0.04 * k)]);
    await touch(cdp, "touchEnd", []);
    await expect.poll(documentNow).not.toEqual(before);
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
