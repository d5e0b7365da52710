import { defineConfig } from "@playwright/test";

const ALONE = /database-gone\.spec\.ts/;
/** Waits more than it works, and for long: first, so that no worker is left with it at the end. */
const FIRST = /restarts\.spec\.ts/;

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/smaller-drawings.ts",
  // Each worker has a studio of its own. A test waits half of its time, so that two cores serve three of them.
  workers: 3,
  // The machine may be busy with other work for a minute; what fails twice is a fault. The report names what needed a second try.
  retries: 1,
  projects: [
    { name: "first", testMatch: FIRST },
    { name: "side by side", testIgnore: [ALONE, FIRST], teardown: "alone" },
    // What stops the database of all comes last and by itself, whatever came before.
    { name: "alone", testMatch: ALONE },
  ],
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [["list"], ["json"]],
  use: {
    baseURL: process.env.BLENDT_URL,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 20_000,
    // Whatever a page keeps for when the server is away costs every new browser the fetching of it.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        // Every test starts cold on two busy cores: what the last compiler gains in so short a time, it costs three times over in its own threads.
        "--js-flags=--single-threaded-gc --no-opt",
      ],
    },
  },
});
