import { quantile } from "@/core/algebra/median";
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { ownServer } from "./own-server";

/**
 * How pages load and answer: npx tsx bench/pages.ts
 * Lighthouse (fetched by npx, no part of the product) of Bench, Colour, Rack and Steps on a phone and on a desk; when a kept group is seen
 * after a piece was opened again; how long clicks and keys take until the next picture (Event Timing, 95th of each kind).
 */
const LIGHTHOUSE = "lighthouse@13.5.0";
const CHROMIUM = process.env.CHROMIUM ?? "/usr/bin/chromium";
const FLAGS = ["--no-sandbox", "--disable-gpu", "--headless=new"];

const server = await ownServer();
try {
  const { url } = server;
  const made = await fetch(`${url}/api/demo`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: "{}",
  });
  const { id } = (await made.json()) as { id: string };
  const cookie = `blendt-studio=${id}`;
  const bench = await (await fetch(url, { headers: { cookie } })).text();
  const piece = /\/pieces\/([0-9a-f-]{36})\/colour/.exec(bench)![1]!;
  const views = {
    Bench: "/",
    Colour: `/pieces/${piece}/colour`,
    Rack: "/rack",
    Steps: `/pieces/${piece}/steps`,
  };
  for (const path of Object.values(views))
    for (let i = 0; i < 5; i++) await (await fetch(url + path, { headers: { cookie } })).text();

  const dir = mkdtempSync(join(tmpdir(), "blendt-pages-"));
  const headers = join(dir, "headers.json");
  writeFileSync(headers, JSON.stringify({ Cookie: cookie }));
  console.log(
    "view, screen: performance, accessibility, CLS, LCP s, TBT ms, kB, this machine’s speed meanwhile",
  );
  for (const [name, path] of Object.entries(views))
    for (const screen of ["phone", "phone", "phone", "desk"]) {
      const file = join(dir, `${name}-${screen}.json`);
      const run = spawnSync(
        "npx",
        [
          "--yes",
          LIGHTHOUSE,
          url + path,
          "--quiet",
          "--output=json",
          `--output-path=${file}`,
          `--extra-headers=${headers}`,
          "--only-categories=performance,accessibility",
          `--chrome-flags=${FLAGS.join(" ")}`,
          ...(screen === "desk" ? ["--preset=desktop"] : []),
        ],
        { encoding: "utf8", env: { ...process.env, CHROME_PATH: CHROMIUM }, timeout: 180_000 },
      );
      if (run.status !== 0) {
        console.log(`${name}, ${screen}: ${run.stderr.slice(-300)}`);
        continue;
      }
      const { categories, audits, environment } = JSON.parse(readFileSync(file, "utf8")) as {
        environment: { benchmarkIndex: number };
        categories: Record<string, { score: number }>;
        audits: Record<string, { numericValue?: number }>;
      };
      const of = (audit: string) => audits[audit]?.numericValue ?? NaN;
      console.log(
        `${name}, ${screen}: ${Math.round(100 * categories.performance!.score)}, ${Math.round(100 * categories.accessibility!.score)}, ${of("cumulative-layout-shift").toFixed(3)}, ${(of("largest-contentful-paint") / 1000).toFixed(2)}, ${of("total-blocking-time").toFixed(0)}, ${(of("total-byte-weight") / 1000).toFixed(0)}, ${environment.benchmarkIndex.toFixed(0)}`,
      );
    }

  const browser = await chromium.launch({ executablePath: CHROMIUM, args: FLAGS.slice(0, 2) });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addCookies([{ name: "blendt-studio", value: id, url }]);
  const page = await context.newPage();
  const layers = page.getByRole("region", { name: "Layers" }).locator("li");
  // The first picture that has the layers in it, since the page's first bytes came.
  await page.addInitScript(() => {
    const look = () => {
      if (!document.querySelector("[aria-label=Layers] li")) return void requestAnimationFrame(look);
      const [page] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
      requestAnimationFrame(() => {
        (window as unknown as { seenAfter: number }).seenAfter = performance.now() - page!.responseStart;
      });
    };
    look();
  });
  const seen: number[] = [];
  for (let i = 0; i < 6; i++) {
    await page.goto(url + views.Colour, { waitUntil: "commit" });
    await layers.first().waitFor();
    const at = await page.waitForFunction(() => (window as unknown as { seenAfter?: number }).seenAfter);
    seen.push((await at.jsonValue())!);
    await page.waitForTimeout(i ? 1500 : 8000);
  }
  console.log(
    `a kept group is seen after the page came, ms: first visit ${seen[0]!.toFixed(0)}, later ${quantile(seen.slice(1), 0.5).toFixed(0)} in the median, ${Math.max(...seen.slice(1)).toFixed(0)} at most`,
  );

  const answered = async (what: string, act: (i: number) => Promise<void>, times = 20) => {
    await page.evaluate(() => {
      const w = window as unknown as { took: number[]; watch?: PerformanceObserver };
      w.took = [];
      w.watch?.disconnect();
      w.watch = new PerformanceObserver((list) => {
        for (const e of list.getEntries() as PerformanceEventTiming[])
          if ((e as PerformanceEventTiming & { interactionId?: number }).interactionId)
            w.took.push(e.duration);
      });
      w.watch.observe({ type: "event", durationThreshold: 16 } as PerformanceObserverInit);
    });
    for (let i = 0; i < times; i++) {
      await act(i);
      await page.waitForTimeout(150);
    }
    await page.waitForTimeout(500);
    const took = await page.evaluate(() => (window as unknown as { took: number[] }).took);
    // Those under 16 ms are not told.
    console.log(
      `${what}, ms until the next picture, 95th: ${took.length ? quantile(took, 0.95).toFixed(0) : "under 16"} (${took.length} told)`,
    );
  };
  const ready = () => page.locator("html[data-ready]").waitFor({ state: "attached" });
  await page.goto(url + views.Colour);
  await ready();
  await layers.first().waitFor();
  await page.waitForTimeout(3000);
  const parts = ["School", "Shadow", "Pencil", "Finish", "Group"];
  await answered("Colour: tabs", (i) => page.getByRole("tab", { name: parts[i % 5] }).click());
  await answered("Colour: area before, after", (i) => page.keyboard.press(i % 2 ? "[" : "]"));
  await answered("Colour: a coat more or less", async (i) => {
    await layers
      .getByRole("button", { name: i % 2 ? /^One coat less/ : /^One coat more/ })
      .and(page.locator(":enabled"))
      .first()
      .click();
  });
  await answered("Colour: exchange, opened and closed", async (i) => {
    if (i % 2) await page.keyboard.press("Escape");
    else
      await layers
        .getByRole("button", { name: /^Exchange/ })
        .first()
        .click();
  });
  await page.goto(`${url}/rack?view=table`);
  await ready();
  const filter = page.getByLabel("Filter by code");
  await filter.click();
  await answered("Rack: a letter of the filter", (i) =>
    page.keyboard.press(i % 6 < 4 ? "clay"[i % 6]! : "Backspace"),
  );
  await page.goto(`${url}/rack`);
  await ready();
  await page.locator("[data-marker]").first().focus();
  await answered("Rack: along a track", () => page.keyboard.press("ArrowRight"));
  await page.goto(url + views.Steps);
  await ready();
  const places = ["Light", "Colour", "Check", "Steps"];
  await answered(
    "A piece: from place to place",
    (i) =>
      page
        .getByRole("link", { name: places[i % 4]!, exact: true })
        .first()
        .click(),
    8,
  );
  await browser.close();
} finally {
  server.stop();
}
