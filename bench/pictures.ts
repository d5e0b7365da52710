import { chromium, type Page } from "@playwright/test";
import { quantile } from "@/core/algebra/median";
import { ownServer } from "./own-server";

/**
 * When a piece is to be seen: npx tsx bench/pictures.ts
 * First visits of new browsers to Check of the demo's pieces, which another has opened before, from the moment the page's answer is there: something of it; the picture of the present
 * plan; the same laid anew there. Then from Light to Check with nothing changed.
 */
const CHROMIUM = process.env.CHROMIUM ?? "/usr/bin/chromium";
const server = process.env.BLENDT_URL
  ? { url: process.env.BLENDT_URL, stop: () => undefined }
  : await ownServer();
const { url } = server;
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ["--no-sandbox", "--disable-gpu"],
});

/** Watches what is on the page, picture by picture. */
const watch = async (page: Page) => {
  // What runs in the page is compiled with the names of its functions kept by this.
  await page.addInitScript("globalThis.__name = (f) => f");
  await page.addInitScript(() => {
    const seen: Record<string, number> = {};
    (window as unknown as { seen: typeof seen }).seen = seen;
    const look = () => {
      const still = document.querySelector<HTMLImageElement>('main img[src*="/colouring"]');
      const canvas = document.querySelector('main [data-testid="colouring"]');
      const there = Boolean((still?.complete && still.naturalWidth) || canvas);
      const updating = /Updating…/.test(document.querySelector("main")?.textContent ?? "");
      const ready = document.documentElement?.hasAttribute("data-ready") ?? false;
      const now = performance.now();
      if (there) seen.something ??= now;
      if (there && ready && !updating) seen.present ??= now;
      if (canvas && !updating) seen.laid ??= now;
      requestAnimationFrame(look);
    };
    look();
  });
};

try {
  const demo = (await (
    await fetch(`${url}/api/demo`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    })
  ).json()) as { id: string };
  const bench = await (await fetch(url, { headers: { cookie: `blendt-studio=${demo.id}` } })).text();
  const pieces = [...new Set([...bench.matchAll(/\/pieces\/([0-9a-f-]{36})/g)].map((m) => m[1]!))];
  const opened = async () => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([{ name: "blendt-studio", value: demo.id, url }]);
    const page = await context.newPage();
    await watch(page);
    return page;
  };
  const took: Record<string, number[]> = { something: [], present: [], laid: [] };
  for (const round of [0, 1, 2])
    for (const id of pieces) {
      const page = await opened();
      await page.goto(`${url}/pieces/${id}/check`, { waitUntil: "commit" });
      await page.waitForFunction(
        () => (window as unknown as { seen: Record<string, number> }).seen.laid,
        undefined,
        { timeout: 120_000, polling: 100 },
      );
      const seen = await page.evaluate(() => {
        const [own] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
        const { seen } = window as unknown as { seen: Record<string, number> };
        return Object.fromEntries(Object.entries(seen).map(([k, v]) => [k, v - own!.responseEnd]));
      });
      // The first round finds a server that has just started, and keeps what is worked out.
      if (!round) await page.waitForTimeout(8000);
      if (round) for (const [k, v] of Object.entries(seen)) took[k]!.push(v);
      await page.context().close();
    }
  for (const [k, v] of Object.entries(took))
    console.log(
      `first visit, ${k}: ${(quantile(v, 0.5) / 1000).toFixed(2)} s in the median, ${(Math.max(...v) / 1000).toFixed(2)} at most`,
    );
  const page = await opened();
  await page.goto(`${url}/pieces/${pieces[0]}/check`);
  await page.getByTestId("colouring").waitFor({ timeout: 120_000 });
  const ways: number[] = [];
  for (let i = 0; i < 8; i++) {
    await page.getByRole("link", { name: "Light", exact: true }).first().click();
    await page.getByTestId("light-picture").waitFor({ timeout: 60_000 });
    await page.waitForTimeout(1000);
    const link = page.getByRole("link", { name: "Check", exact: true }).first();
    await link.hover();
    await page.waitForTimeout(300);
    ways.push(
      await link.evaluate(
        (a) =>
          new Promise<number>((done) => {
            const start = performance.now();
            (a as HTMLElement).click();
            const look = () => {
              const { seen: _ } = window as unknown as { seen: unknown };
              if (document.querySelector('main [data-testid="colouring"]'))
                return requestAnimationFrame(() => done(performance.now() - start));
              requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
  }
  console.log(
    `Light to Check, nothing changed: ${quantile(ways, 0.5).toFixed(0)} ms in the median, ${Math.max(...ways).toFixed(0)} at most`,
  );
} finally {
  await browser.close();
  server.stop();
}
