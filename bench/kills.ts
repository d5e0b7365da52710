import { execFileSync } from "node:child_process";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { seeded } from "@/sim/random";
import { ownServer } from "./own-server";

/**
 * Kills browser, app, database and launcher in turn, at random moments of editing or of work at the desk, and counts what was lost:
 * npx tsx bench/kills.ts [200] [desk]
 * An edit is acknowledged when the page shows it; it is lost when it is in the piece neither once all is up again and saved, nor offered. What was
 * noted at the desk must be there once, and only once.
 */
const kills = Number(process.argv[2] ?? 200);
const atDesk = process.argv[3] === "desk";
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
      await page.goto(`${server.url}${atDesk ? `/desk/${id}` : `/pieces/${id}/colour`}`, { timeout: 15_000 });
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
/** How often a note of the desk is stored. */
const storedNotes = async (note: string): Promise<number> => {
  const answer = await fetch(`${server.url}/api/pieces/${id}/work`);
  const { events } = (await answer.json()) as { events: { note?: string }[] };
  return events.filter((e) => e.note === note).length;
};
/** Notes something at the desk, and sees it there. */
async function noteIt(note: string): Promise<void> {
  await page.getByRole("button", { name: "Note", exact: true }).click();
  await page.getByLabel("What is worth knowing later").fill(note);
  await page.getByRole("button", { name: "Keep the note" }).click();
  await page.getByRole("dialog").waitFor({ state: "detached" });
}
/** Gives the piece a name, and sees it. */
async function nameIt(name: string): Promise<void> {
  await nameField().fill(name);
  await nameField().press("Enter");
  await page.waitForFunction(
    (wanted) =>
      document.querySelector<HTMLInputElement>("[aria-label='Name of the piece']")?.value === wanted,
    name,
  );
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
  // The page shows it: it is acknowledged.
  await (atDesk ? noteIt(name) : nameIt(name));
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
    found = await (
      atDesk ? storedNotes(name).then((times) => (times === 1 ? name : `${times} times`)) : storedName()
    ).catch(() => "");
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
  `${kills} kills of ${victims.join(", ")} in turn during ${atDesk ? "work at the desk" : "edits"}: ${lost.length} acknowledged changes lost`,
);
await context?.close().catch(() => undefined);
server.stop();
rmSync(profile, { recursive: true, force: true });
process.exitCode = lost.length ? 1 : 0;
