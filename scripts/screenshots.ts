import { chromium } from "@playwright/test";

/** Takes one picture of each main view of a running Blendt with the demo studio: tsx scripts/screenshots.ts http://localhost:3000 */
const base = process.argv[2] ?? "http://localhost:3000";
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shoot = async (name: string) => {
  await page.mouse.move(2, 2);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};
const open = async (path: string) => {
  await page.goto(base + path);
  await page.waitForLoadState("networkidle");
};

await open("/");
await shoot("bench");
const piece = (await page.getByRole("link", { name: "Open The Kite Mender" }).last().getAttribute("href"))!;
await open(`${piece}?area=area-3`);
await page.getByText("best: score").waitFor({ timeout: 60_000 });
await shoot("colour");
await page.keyboard.press("m");
await page.getByText(/stacks computed/).waitFor({ timeout: 90_000 });
await shoot("match");
await open(`${piece}?area=area-7`);
await page.getByText("best: score").waitFor({ timeout: 60_000 });
await page.keyboard.press("d");
await shoot("colour-dim");
await page.keyboard.press("d");
await open(piece.replace("colour", "steps"));
await shoot("steps");
await open("/rack?marker=clay5m");
await shoot("rack");
await browser.close();
