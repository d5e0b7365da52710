import { mkdirSync, writeFileSync } from "node:fs";
import { chromium } from "@playwright/test";
import sharp from "sharp";

/**
 * What the start page shows of Blendt: a piece of the demo as line, light and colouring, and its first steps, from a running Blendt with the demo
 * studio: npx tsx scripts/start-pictures.ts http://localhost:3000
 */
const base = process.argv[2] ?? "http://localhost:3000";
const FOLDER = new URL("../ui/studio/start-pictures/", import.meta.url);
/** Twice as wide as they are seen. */
const WIDTH = 480;
const PIECE = "The Kite Mender";
const STEPS = 4;

mkdirSync(FOLDER, { recursive: true });
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
const page = await browser.newPage({ viewport: { width: 1600, height: 1200 }, deviceScaleFactor: 1 });
const answer = await page.request.post(`${base}/api/demo`);
const { id: studio } = (await answer.json()) as { id: string };
await page.context().addCookies([{ name: "blendt-studio", value: studio, url: base }]);
await page.goto(base);
const href = (await page
  .getByRole("link", { name: new RegExp(PIECE) })
  .first()
  .getAttribute("href"))!;
const piece = href.split("/")[2]!;

await page.goto(`${base}/pieces/${piece}/check`);
await page.getByTestId("noticed").waitFor({ timeout: 180_000 });
const shoot = async (view: string, name: string) => {
  await page.getByLabel("Show", { exact: true }).selectOption(view);
  await page.waitForTimeout(4000);
  const picture = page.locator("main canvas").first();
  const data = await picture.evaluate((c) => (c as HTMLCanvasElement).toDataURL("image/png"));
  const webp = await sharp(Buffer.from(data.split(",")[1]!, "base64"))
    .flatten({ background: "#ffffff" })
    .resize({ width: WIDTH })
    .webp({ quality: 82 })
    .toBuffer();
  writeFileSync(new URL(`${name}.webp`, FOLDER), webp);
};
await shoot("line", "line");
await shoot("light", "light");
await shoot("colouring", "colouring");

interface Stored {
  readonly document: { readonly areas: readonly { readonly name: string }[] };
}
await page.goto(`${base}/pieces/${piece}/steps`);
await page.locator("html[data-ready]").waitFor({ state: "attached" });
const stored = (await (await page.request.get(`${base}/api/pieces/${piece}`)).json()) as Stored;
const rows = await page
  .locator("main ol li")
  .evaluateAll((all) => all.map((li) => (li as HTMLElement).innerText.split("\n").filter((t) => t.trim())));
writeFileSync(
  new URL("steps.json", FOLDER),
  `${JSON.stringify({ area: stored.document.areas[0]!.name, rows: rows.slice(0, STEPS) }, null, 1)}\n`,
);
await browser.close();
