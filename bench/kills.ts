import { execFileSync } from "node:child_process";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { seeded } from "@/sim/random";
import { ownServer } from "./own-server";

/**
 * Kills browser, app, database and launcher in turn, at random moments of editing, and counts what was lost: npx tsx bench/kills.ts [200]
 * An edit is acknowledged when the page shows it; it is lost when it is in the piece neither once all is up again and saved, nor offered.
 */
const kills = Number(process.argv[2] ?? 200);
const random = seeded(13);
const server = await ownServer({ BLENDT_DEMO: "no" });
const post = async (path: string, body: unknown) =>
  (await (
    await fetch(server.url + path, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    })
  ).json()) as { id: string };
await post("/api/studios", { name: "Killed" });
await post("/api/papers", { name: "Card", color: "#f5f5f0", capacity: 4 });
const { id } = await post("/api/pieces", {
  version: 1,
  name: "Start",
  paperId: null,
  pictureId: null,
  areas: [],
});

const profile = mkdtempSync(join(tmpdir(), "blendt-profile-"));
let context: BrowserContext | undefined;
let page!: Page;
let browserPid: number | undefined;

/** The browser with a profile on the disk, as people have it. */
async function openBrowser(): Promise<void> {
  context = await chromium.launchPersistentContext(profile, {
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
    ],
  });
  // The process that holds the profile; its children go with it.
  browserPid = Number(
    execFileSync("pgrep", ["-o", "-f", `user-data-dir=${profile}`], { encoding: "utf8" })
      .trim()
      .split("\n")[0],
  );
  page = await context.newPage();
  await openPiece();
}
async function openPiece(): Promise<void> {
  let said = "";
  for (let i = 0; i < 40; i++) {
    try {
      await page.goto(`${server.url}/pieces/${id}/colour`, { timeout: 15_000 });
      await page.locator("html[data-ready]").waitFor({ state: "attached", timeout: 15_000 });
      return;
    } catch (e) {
      said = String(e).split("\n")[0]!;
      await server.up();
      // A browser that came up half, as when the killed one still held its profile, is started anew by whoever sits there.
      page = await context!.newPage().catch(() => page);
    }
  }
  throw new Error(`the piece does not open: ${said}`);
}
const nameField = () => page.getByLabel("Name of the piece");
const storedName = async (): Promise<string> => {
  const answer = await fetch(`${server.url}/api/pieces/${id}`);
  return ((await answer.json()) as { document: { name: string } }).document.name;
};
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));

await openBrowser();
const victims = ["browser", "app", "database", "launcher"] as const;
const lost: string[] = [];
let offered = 0;
for (let n = 1; n <= kills; n++) {
  const victim = victims[n % victims.length]!;
  const name = `Edit ${n}`;
  await nameField().fill(name);
  await nameField().press("Enter");
  // The page shows it: it is acknowledged.
  await page.waitForFunction(
    (wanted) =>
      document.querySelector<HTMLInputElement>("[aria-label='Name of the piece']")?.value === wanted,
    name,
  );
  await wait(20 + random() * 600);
  if (victim === "browser") {
    process.kill(browserPid!, "SIGKILL");
    await context!.close().catch(() => undefined);
    await wait(200);
    await openBrowser();
  } else {
    const target = server.pid(victim);
    if (target) process.kill(target, "SIGKILL");
    if (victim === "launcher") server.launch();
    await wait(300);
    await server.up();
  }
  // Up again, saved by itself or offered.
  let found = "";
  for (let i = 0; i < 150 && found !== name; i++) {
    const take = page.getByRole("button", { name: "Take them up" });
    if (await take.isVisible().catch(() => false)) {
      offered++;
      await take.click();
    }
    found = await storedName().catch(() => "");
    if (found !== name) await wait(200);
  }
  if (found !== name) {
    lost.push(`${n} (${victim}): stored ${found}`);
    console.log("lost", lost.at(-1));
    await openPiece();
  }
  if (n % 20 === 0) console.log(`${n} kills, ${lost.length} lost, ${offered} offered after a crash`);
}
console.log(
  `${kills} kills of ${victims.join(", ")} in turn during edits: ${lost.length} acknowledged changes lost`,
);
await context?.close().catch(() => undefined);
server.stop();
rmSync(profile, { recursive: true, force: true });
process.exitCode = lost.length ? 1 : 0;
