import { chromium } from "@playwright/test";
import { quantile } from "@/core/algebra/median";

/**
 * How fast the desk answers: from a tap to the next step, from Steps to the desk, and to the desk without a network. A Blendt with its demo must
 * run: BLENDT_URL=http://localhost:3000 npx tsx bench/desk.ts [60]
 */
const url = process.env.BLENDT_URL ?? "http://localhost:3000";
const taps = Number(process.argv[2] ?? 60);
const json = { "content-type": "application/json" };
const demo = (await (
  await fetch(`${url}/api/demo`, { method: "POST", headers: json, body: "{}" })
).json()) as {
  id: string;
};
const cookie = `blendt-studio=${demo.id}`;
const bench = await (await fetch(url, { headers: { cookie } })).text();
const [, whole] = /\/pieces\/([0-9a-f-]{36})/.exec(bench)!;
const copied = await fetch(`${url}/api/pieces/${whole}/copy`, {
  method: "POST",
  headers: { ...json, cookie, origin: url },
});
const { id } = (await copied.json()) as { id: string };

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu"],
});
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
await context.addCookies([{ name: "blendt-studio", value: demo.id, url }]);
const page = await context.newPage();
// What runs in the page is compiled with the names of its functions kept by this.
await page.addInitScript("globalThis.__name = (f) => f");
const code = page.getByTestId("desk-code");
const timed = async (act: () => Promise<unknown>, until: () => Promise<unknown>): Promise<number> => {
  const from = performance.now();
  await act();
  await until();
  return performance.now() - from;
};

await page.goto(`${url}/pieces/${id}/steps`);
await page.locator("html[data-ready]").waitFor({ state: "attached" });
await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
await page.getByRole("link", { name: "To the desk" }).click();
await page.waitForFunction((key) => localStorage.getItem(key) !== null, `blendt-order-${id}`, {
  timeout: 90_000,
});
await page.getByTestId("desk-picture").waitFor({ timeout: 90_000 });
await page.getByRole("button", { name: "Begin" }).click();

// Between two frames in the page itself: from the key to the first frame in which the step is another.
const times = await page.evaluate(async (n) => {
  const place = () => document.querySelector("[data-testid=desk-progress]")?.textContent;
  const out: number[] = [];
  for (let k = 0; k < n; k++) {
    const before = place();
    const from = performance.now();
    const press = (type: string) =>
      document.body.dispatchEvent(new KeyboardEvent(type, { key: " ", code: "Space", bubbles: true }));
    press("keydown");
    press("keyup");
    while (place() === before && performance.now() - from < 3000) await new Promise(requestAnimationFrame);
    out.push(performance.now() - from);
    await new Promise((r) => setTimeout(r, 900));
  }
  return out;
}, taps);
const opened: number[] = [];
for (let k = 0; k < 5; k++) {
  await page.goto(`${url}/pieces/${id}/steps`);
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
  await page.waitForTimeout(1500);
  opened.push(
    await timed(
      () => page.getByRole("link", { name: /at the desk/ }).click(),
      () => code.waitFor(),
    ),
  );
}
await context.setOffline(true);
const away: number[] = [];
for (let k = 0; k < 5; k++)
  away.push(
    await timed(
      () => page.reload(),
      () => code.waitFor(),
    ),
  );
const ms = (v: number) => `${Math.round(v)} ms`;
console.log(
  `| tap to the next step: median, 95th | from Steps to the desk | without a network |\n| --- | --- | --- |`,
);
console.log(
  `| ${ms(quantile(times, 0.5))}, ${ms(quantile(times, 0.95))} | ${ms(quantile(opened, 0.5))} | ${ms(quantile(away, 0.5))} |`,
);
await browser.close();
