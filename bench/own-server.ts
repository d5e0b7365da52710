import { execFileSync, spawn, spawnSync, type ChildProcess } from "node:child_process";
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A Blendt of its own for a measurement: own state, own database, own port. */
export interface OwnServer {
  readonly url: string;
  /** Database address of the app's role. */
  readonly databaseUrl: string;
  /** Process of the launcher, the app or the database; undefined while there is none. */
  readonly pid: (of: "launcher" | "app" | "database") => number | undefined;
  /** Starts the launcher again after it was killed. */
  readonly launch: () => void;
  readonly isUp: () => Promise<boolean>;
  /** Waits until it answers; throws after five minutes: it may have to be built. */
  readonly up: () => Promise<void>;
  readonly stop: () => void;
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await new Promise((r) => server.once("listening", r));
  const { port } = server.address() as { port: number };
  await new Promise((r) => server.close(r));
  return port;
}

export async function ownServer(told: Readonly<Record<string, string>> = {}): Promise<OwnServer> {
  const home = mkdtempSync(join(tmpdir(), "blendt-bench-"));
  chmodSync(home, 0o755);
  const [state, data] = [join(home, "state"), join(home, "data")];
  mkdirSync(data);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const { DATABASE_URL: _, DATABASE_OWNER_URL: __, BLENDT_SECRET: ___, ...rest } = process.env;
  const env = { ...rest, BLENDT_STATE: state, BLENDT_DATA: data, BLENDT_PORT: String(port), ...told };
  let child: ChildProcess | undefined;
  const launch = () => {
    child = spawn("./blendt", ["start"], { env, detached: true, stdio: "ignore" });
    child.unref();
  };
  const find = (name: string) =>
    spawnSync("find", [data, "-name", name], { encoding: "utf8" }).stdout.trim().split("\n")[0] ?? "";
  const first = (file: string): number | undefined => {
    try {
      return Number(readFileSync(file, "utf8").split(/\s/)[0]) || undefined;
    } catch {
      return undefined;
    }
  };
  const isUp = () =>
    fetch(`${url}/api/health`, { signal: AbortSignal.timeout(3000) }).then(
      (a) => a.ok,
      () => false,
    );
  const up = async () => {
    for (let i = 0; i < 3000; i++) {
      if (await isUp()) return;
      await new Promise((r) => setTimeout(r, 100));
    }
    throw new Error("the server does not come up");
  };
  launch();
  await up();
  const cluster = find("postgresql.conf").replace("/data/postgresql.conf", "");
  const databaseUrl = execFileSync("bash", ["scripts/cluster.sh", "url", cluster], {
    encoding: "utf8",
  }).trim();
  return {
    url,
    databaseUrl,
    pid: (of) => first(of === "database" ? join(cluster, "data", "postmaster.pid") : join(state, of)),
    launch,
    isUp,
    up,
    stop: () => {
      spawnSync("./blendt", ["stop"], { env, stdio: "ignore" });
      rmSync(home, { recursive: true, force: true });
    },
  };
}
