import { chromium } from "@playwright/test";
import sharp from "sharp";

/** Takes one picture of each main view of a running Blendt with the demo studio: tsx scripts/screenshots.ts http://localhost:3000 */
const base = process.argv[2] ?? "http://localhost:3000";
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shoot = async (name: string) => {
  await page.mouse.move(2, 2);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};
const open = async (path: string) => {
  await page.goto(base + path);
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
  await page.waitForTimeout(1200);
};

const click = (name: string | RegExp) => page.getByRole("button", { name }).first().click();

const drawnPieces = (least: number) =>
  page
    .getByTestId("piece-picture")
    .or(page.locator('main img[src*="/colouring"]'))
    // What is only for print is not seen.
    .filter({ visible: true })
    .nth(least - 1)
    .waitFor({ timeout: 120_000 });
/** Until everything that is worked out is there. */
async function settled(): Promise<void> {
  for (let i = 0; i < 120; i++) {
    const busy = await page.getByRole("progressbar").count();
    const words = await page.locator("main").innerText();
    if (!busy && !/better one|Updating…|Drawing what|Looking for/.test(words)) return;
    await page.waitForTimeout(1000);
  }
}
/** The desk beside the paper, on a tablet at night, in the hand: one picture of the three. */
async function shootDesk(): Promise<void> {
  const at = async (width: number, height: number) => {
    await page.setViewportSize({ width, height });
    await page.waitForTimeout(1500);
    await page.mouse.move(2, 2);
    return page.screenshot();
  };
  const wide = await at(1280, 800);
  const phone = await at(390, 844);
  await page.keyboard.press("d");
  const tablet = await at(1024, 768);
  while ((await page.locator("html").getAttribute("data-surround")) !== "bright")
    await page.keyboard.press("d");
  await page.setViewportSize({ width: 1280, height: 800 });
  const [gap, low] = [24, 640];
  const small = (shot: Buffer) => sharp(shot).resize({ height: low }).toBuffer({ resolveWithObject: true });
  const [night, hand] = [await small(tablet), await small(phone)];
  await sharp({ create: { width: 1280, height: 800 + low + 2 * gap, channels: 3, background: "#8c8c8c" } })
    .composite([
      { input: wide, left: 0, top: 0 },
      { input: night.data, left: gap, top: 800 + gap },
      { input: hand.data, left: 1280 - gap - hand.info.width, top: 800 + gap },
    ])
    .png()
    .toFile("docs/screenshots/desk.png");
}
// The first visit.
await open("/start");
await shoot("start");
// The demo from here on.
await open("/start");
await click("Look around in the demo");
await page.waitForURL(base + "/");
await open("/");
await page.locator("article img").first().waitFor();
await page.waitForTimeout(1500);
await shoot("bench");
const kite = (await page.getByRole("link", { name: "Open The Kite Mender" }).last().getAttribute("href"))!;
const moth = (await page.getByRole("link", { name: "Open Moth Lantern" }).last().getAttribute("href"))!;
const ferry = (await page.getByRole("link", { name: "Open Tin Ferry" }).last().getAttribute("href"))!;
const drawn = () => page.getByTestId("drawing").waitFor({ timeout: 60_000 });
await open(ferry.replace("colour", "set-up?tab=areas"));
await drawn();
await page.waitForTimeout(2500);
await click("Choose Quay");
await shoot("set-up");
await open(kite.replace("colour", "light"));
await page.getByTestId("light-picture").waitFor({ timeout: 60_000 });
await page.waitForTimeout(1000);
await shoot("light");
await open(moth.replace("colour", "light?tab=tones"));
await page.getByTestId("tone-map").waitFor({ timeout: 90_000 });
await page.getByLabel("Area", { exact: true }).selectOption({ label: "Moth wings" });
await page.waitForTimeout(2500);
await shoot("tone-map");
await open(kite.replace("colour", "light?tab=marks"));
await page.getByTestId("colouring").waitFor({ timeout: 90_000 });
await page.waitForTimeout(1500);
const lamp = (await page.getByTestId("colouring").boundingBox())!;
await page.mouse.click(lamp.x + 0.8175 * lamp.width, lamp.y + 0.7188 * lamp.height);
await shoot("marks");
await open(kite.replace("colour", "check"));
await page.getByTestId("noticed").waitFor({ timeout: 120_000 });
// What would mend it has been worked out too.
await page
  .getByRole("button", { name: /^(Take|Keep it white)/ })
  .first()
  .waitFor({ timeout: 120_000 });
await page.getByTestId("ways-out").locator("progress").waitFor({ state: "detached", timeout: 120_000 });
await settled();
await shoot("check");
await open(`${kite}?area=area-3`);
await page.getByText("best: local colour").waitFor({ timeout: 60_000 });
await shoot("colour");
await page.keyboard.press("m");
await page.getByText(/comes closer/).waitFor({ timeout: 90_000 });
await shoot("match");
await open(`${moth}?area=area-1&tab=pencil`);
await page.getByText("Three neighbours").waitFor({ timeout: 60_000 });
await shoot("pencil");
await open(kite.replace("colour", "whole"));
await click("Plan together");
await page.getByRole("list", { name: "Changes" }).waitFor({ timeout: 60_000 });
await settled();
await page.waitForTimeout(1500);
await shoot("whole");
await open(ferry.replace("colour", "steps"));
await drawnPieces(1);
await shoot("steps");
await open(kite.replace("colour", "steps?order=changes"));
await page.getByRole("list", { name: "Order of work" }).waitFor({ timeout: 60_000 });
await settled();
await page.getByRole("slider", { name: "Steps laid" }).fill("48");
await page.getByTestId("moment").last().waitFor({ timeout: 60_000 });
await page.waitForTimeout(1500);
await shoot("order");
await open(`/desk/${ferry.split("/")[2]}`);
await page.getByTestId("desk-picture").waitFor({ timeout: 60_000 });
await settled();
await page.getByRole("button", { name: "Go on" }).click();
for (let k = 0; k < 6; k++) await page.keyboard.press("Space", { delay: 60 });
await settled();
await page.waitForTimeout(4000);
await shootDesk();
await open("/log");
await page.locator('main img[src*="/colouring"]').first().waitFor();
await page.waitForTimeout(1500);
await shoot("log");
await open("/supplies");
await settled();
await page.waitForTimeout(1500);
await shoot("supplies");
await open("/rack?marker=clay5m");
await shoot("rack");
await open("/swatchbook");
const papers = await page
  .locator('main a[href^="/swatchbook/"]')
  .evaluateAll((all) => [...new Set(all.map((a) => a.getAttribute("href")!))]);
const card = papers.find((p) => !p.includes("scans"))!;
await open(`${card}?tab=paper`);
await page.getByText("Coat curves").waitFor();
await page.getByRole("img", { name: /by coats of/ }).waitFor({ timeout: 60_000 });
await shoot("paper");
await open("/practice");
await click("One ink over another");
await click("Begin");
await page.getByRole("button", { name: "Choice 4" }).waitFor({ timeout: 60_000 });
await page.waitForTimeout(600);
await shoot("practice");
await browser.close();
