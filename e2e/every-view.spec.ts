import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import { faults } from "./faults";
import { open } from "./studio";
import { thingsOf, viewsOf, type View } from "./views";

/** What another width or surround can change. */
const BY_WIDTH = ["target-size", "scrollable-region-focusable", "region", "landmark-one-main"];

/** What reaches beyond the page's side, where nothing around it scrolls. */
const beyond = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const width = document.documentElement.clientWidth;
    if (document.documentElement.scrollWidth <= width) return [];
    const sticks = [...document.querySelectorAll("body *")].filter((e) => {
      const { right, width: own } = e.getBoundingClientRect();
      if (!own || right <= width + 0.5) return false;
      for (let p = e.parentElement; p; p = p.parentElement)
        if (getComputedStyle(p).overflowX !== "visible") return false;
      return true;
    });
    return [
      `${document.documentElement.scrollWidth} px wide`,
      ...sticks.slice(0, 3).map((e) => `${e.tagName} ${(e.textContent ?? "").slice(0, 40)}`),
    ];
  });

/** Which address has which title, of all that this worker has met. */
const titles = new Map<string, string>();

async function hasOwnTitle(page: Page, { name, path }: View): Promise<void> {
  const address = path.replace(FIRST, "");
  // That of a part may come a moment after the page, as the page's own may.
  if (address.includes("?")) await expect.poll(() => page.title()).toMatch(/ · .* · /);
  const title = await page.title();
  expect.soft(titles.get(title) ?? address, `${name} is called “${title}”`).toBe(address);
  titles.set(title, address);
}
/** Parts that a page opens with, and what is no part of it. */
const FIRST = /[?](tab=(paper|line|group)|marker=.*)$/;

/** Page of a view that is one of its tabs. */
const pageOfTab = ({ path }: View): string | undefined => /^(.*)[?]tab=/.exec(path)?.[1];

/** What is new of a view of the page that was looked at before: its dialog, or its main part. */
async function newPart(page: Page, { path }: View, before: View | undefined): Promise<string | undefined> {
  const whole = (address: string) => address.split("?")[0];
  if (!before || whole(before.path) !== whole(path)) return undefined;
  return (await page.getByRole("dialog").count()) ? "[role=dialog]" : "main";
}

/** Goes to a view; from one tab of a page to another as a click does, without the page anew. */
async function goTo(page: Page, view: View, before: View | undefined): Promise<void> {
  const tabbed = pageOfTab(view);
  if (!before || !tabbed || pageOfTab(before) !== tabbed) return open(page, view.path);
  const chosen = page.locator("[role=tab][aria-selected=true]").first();
  const was = await chosen.textContent();
  await page.evaluate((path) => window.history.pushState(null, "", path), view.path);
  await expect(chosen).not.toHaveText(was!);
}

/** Views of every kind, looked at in the dim surround and on a phone too: what those change, they change in all. */
const THOROUGHLY = /^(Bench|Rack: table|Colour: group|Set up: areas)$/;
/** What a colourist does not read, but in the Swatchbook and where a figure is explained. */
const STATISTICS = /\b(chroma|fitted|residuals?|proven|trust|CIEDE2000)\b/i;
const STATISTICS_BELONG = /^(Swatchbook|Paper|Colour: what a figure means)/;
/** In parts, so that none takes too long. */
const PARTS = [0, 1, 2];
for (const part of PARTS)
  test(`every view is without fault to axe, those of every kind in both surrounds and on a phone too, and none is too wide at 320 px: ${part + 1} of ${PARTS.length}`, async ({
    page,
  }) => {
    test.setTimeout(240_000);
    // What the server drew and the browser had to draw anew is told as an error.
    const errors: string[] = [];
    page.on("pageerror", (e) => errors.push(e.message));
    const views = viewsOf(await thingsOf(page)).filter(
      (_, i, { length }) => Math.floor((i * PARTS.length) / length) === part,
    );
    for (const [i, view] of views.entries()) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await goTo(page, view, views[i - 1]);
      await view.then?.(page);
      await hasOwnTitle(page, view);
      expect.soft(errors.splice(0), view.name).toEqual([]);
      expect
        .soft(await faults(page, undefined, await newPart(page, view, views[i - 1])), view.name)
        .toEqual([]);
      if (!STATISTICS_BELONG.test(view.name))
        expect
          .soft((await page.locator("main").innerText()).match(STATISTICS), `words of ${view.name}`)
          .toBeNull();
      if (THOROUGHLY.test(view.name)) {
        await page.evaluate(() => (document.documentElement.dataset.surround = "dim"));
        expect.soft(await faults(page, ["color-contrast"]), `${view.name}, dim`).toEqual([]);
        await page.evaluate(() => (document.documentElement.dataset.surround = "bright"));
        await page.setViewportSize({ width: 360, height: 740 });
        expect.soft(await faults(page, BY_WIDTH), `${view.name}, 360 px`).toEqual([]);
      }
      await page.setViewportSize({ width: 320, height: 640 });
      expect.soft(await beyond(page), `${view.name}, 320 px`).toEqual([]);
    }
  });

test("with the system's own colours, inks stay inks and the current place can be told", async ({ page }) => {
  await page.emulateMedia({ forcedColors: "active" });
  const { kite } = await thingsOf(page);
  await open(page, `/pieces/${kite}/colour`);
  const layers = page.getByRole("region", { name: "Layers" });
  const bar = layers.locator("li span[style*='background']").first();
  await expect(bar).toBeVisible({ timeout: 45_000 });
  const painted = (e: Element) => getComputedStyle(e).backgroundColor;
  expect(await bar.evaluate(painted)).toMatch(/^rgb\((?!0, 0, 0|255, 255, 255)/);
  const tab = page.getByRole("tab", { name: "Group" });
  const other = page.getByRole("tab", { name: "School" });
  expect(await tab.evaluate(painted)).not.toBe(await other.evaluate(painted));
  const here = page.getByRole("link", { name: "Colour", exact: true });
  expect(await here.evaluate(painted)).not.toBe(
    await page.getByRole("link", { name: "Steps", exact: true }).evaluate(painted),
  );
  const axis = page.locator("svg text").first();
  expect(await axis.evaluate((e) => getComputedStyle(e).fill)).not.toBe(
    await page.evaluate(() => getComputedStyle(document.body).backgroundColor),
  );
});

test("who asks for more contrast gets it, in both surrounds", async ({ page }) => {
  await page.emulateMedia({ contrast: "more" });
  await open(page, "/");
  const line = () =>
    page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue("--line").trim());
  expect(await line()).toBe("#171717");
  await page.keyboard.press("d");
  expect(await line()).toBe("#fff");
  await page.keyboard.press("d");
});
