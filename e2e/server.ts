import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import pg from "pg";
import type { Browser, BrowserContext, Page } from "@playwright/test";

/** A server that others reach, with a database of its own in the cluster of the tests. */
export interface Server {
  readonly url: string;
  /** Asks its database itself. */
  readonly ask: <T>(work: (db: pg.Client) => Promise<T>) => Promise<T>;
  readonly stop: () => void;
}

const cluster = (...args: string[]): string =>
  execFileSync("bash", ["scripts/cluster.sh", ...args], { encoding: "utf8" }).trim();

async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await new Promise((r) => server.once("listening", r));
  const { port } = server.address() as { port: number };
  await new Promise((r) => server.close(r));
  return port;
}

/** Starts a server beside the one under test; what it is told comes over the environment. */
export async function startServer(name: string, told: Record<string, string>): Promise<Server> {
  const dir = process.env.BLENDT_TEST_CLUSTER!;
  cluster("sql", dir, "postgres", `drop database if exists ${name} with (force)`);
  cluster("sql", dir, "postgres", `create database ${name}`);
  const databaseUrl = cluster("url", dir, name);
  const env = {
    ...process.env,
    NODE_ENV: "production" as const,
    DATABASE_URL: databaseUrl,
    BLENDT_SECRET: "a secret of thirty-two characters at least",
    ...told,
  };
  execFileSync("npx", ["--no-install", "tsx", "scripts/migrate.ts"], {
    env: { ...env, DATABASE_OWNER_URL: cluster("owner-url", dir, name) },
    stdio: "ignore",
  });
  const port = await freePort();
  const child: ChildProcess = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
    { env, stdio: "ignore" },
  );
  const url = `http://127.0.0.1:${port}`;
  const isUp = () =>
    fetch(`${url}/api/health`).then(
      (a) => a.ok,
      () => false,
    );
  for (let i = 0; i < 150 && !(await isUp()); i++) await new Promise((r) => setTimeout(r, 200));
  const ask = async <T>(work: (db: pg.Client) => Promise<T>): Promise<T> => {
    const db = new pg.Client({ connectionString: databaseUrl });
    await db.connect();
    try {
      return await work(db);
    } finally {
      await db.end();
    }
  };
  return { url, ask, stop: () => void child.kill() };
}

export const PASSWORD = "four unrelated words";

const contexts: BrowserContext[] = [];

/** A browser of somebody's. */
export async function newBrowser(
  browser: Browser,
  baseURL: string,
): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ baseURL });
  contexts.push(context);
  return { context, page: await context.newPage() };
}

export const closeBrowsers = async (): Promise<void> => {
  await Promise.all(contexts.splice(0).map((c) => c.close()));
};

/** Types name and password into the form that is shown. */
export async function fill(page: Page, name: string, password = PASSWORD): Promise<void> {
  await page.getByLabel("Name", { exact: false }).first().fill(name);
  await page.getByLabel(/^Password/).fill(password);
}

export const sessionOf = async (context: BrowserContext) =>
  (await context.cookies()).find((c) => c.name === "blendt.session_token")!;
