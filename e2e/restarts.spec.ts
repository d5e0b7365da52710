import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";

/** A Blendt of its own beside the one under test: own state, own database, own port, no demo. */
const home = mkdtempSync(join(tmpdir(), "blendt-restarts-"));
chmodSync(home, 0o755);
const state = join(home, "state");
const data = join(home, "data");
let port = 0;
let url = "";
const environment = (): NodeJS.ProcessEnv => {
  const {
    DATABASE_URL: _,
    DATABASE_OWNER_URL: __,
    BLENDT_SECRET: ___,
    BLENDT_TEST_CLUSTER: ____,
    ...rest
  } = process.env;
  return {
    ...rest,
    BLENDT_STATE: state,
    BLENDT_DATA: data,
    BLENDT_PORT: String(port),
    BLENDT_DEMO: "no",
    BLENDT_PROCESSES: "2",
    BLENDT_BACKUPS: join(home, "nightly"),
  };
};
const blendt = (...args: string[]) =>
  spawnSync("./blendt", args, { encoding: "utf8", env: environment(), timeout: 60_000 });

/** Starts it; a launcher lives for as long as what it started. */
function launch(): { readonly child: ChildProcess; readonly said: () => string } {
  let said = "";
  const child = spawn("./blendt", ["start"], {
    env: environment(),
    detached: true,
    stdio: ["ignore", "pipe", "pipe"],
  });
  for (const stream of [child.stdout, child.stderr])
    stream!.on("data", (d: Buffer) => (said += d.toString()));
  return { child, said: () => said };
}
const answers = () =>
  fetch(`${url}/api/health`).then(
    (a) => a.ok,
    () => false,
  );
const isUp = () => expect.poll(answers, { timeout: 90_000, intervals: [200] }).toBe(true);
const pidIn = (file: string) => Number(readFileSync(join(state, file), "utf8").split(" ")[0]);
const cluster = () => {
  const found = spawnSync("find", [data, "-name", "postmaster.pid"], { encoding: "utf8" }).stdout.trim();
  return found.replace("/data/postmaster.pid", "");
};
const postmaster = () =>
  Number(readFileSync(join(cluster(), "data", "postmaster.pid"), "utf8").split("\n")[0]);
const lives = (pid: number) => {
  try {
    process.kill(pid, 0);
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, "utf8"));
  } catch {
    return false;
  }
};
const call = async (method: string, path: string, body?: unknown) => {
  const answer = await fetch(url + path, {
    method,
    ...(body !== undefined && {
      body: JSON.stringify(body),
      headers: { "content-type": "application/json" },
    }),
  });
  return answer.status === 204 ? undefined : ((await answer.json()) as Record<string, unknown>);
};
const piece = (name: string) => ({ version: 1, name, paperId: null, pictureId: null, areas: [] });
const names = async (ids: readonly string[]) =>
  Promise.all(
    ids.map(async (id) => ((await call("GET", `/api/pieces/${id}`))?.document as { name?: string })?.name),
  );

// Others are at work beside it, and it starts and builds like somebody who has just come.
test.describe.configure({ mode: "serial", timeout: 180_000 });
const kept: string[] = [];

test.beforeAll(async () => {
  mkdirSync(data);
  const server = createServer().listen(0);
  port = (server.address() as { port: number }).port;
  await new Promise((r) => server.close(r));
  url = `http://127.0.0.1:${port}`;
});
test.afterAll(() => {
  blendt("stop");
  rmSync(home, { recursive: true, force: true });
});

test("starts once: a second start waits for nothing and harms nothing", async () => {
  const first = launch();
  const second = launch();
  const loser = await Promise.race([
    new Promise<typeof first>((r) => first.child.on("exit", () => r(first))),
    new Promise<typeof first>((r) => second.child.on("exit", () => r(second))),
  ]);
  expect(loser.said()).toMatch(/already running|is being started/);
  const winner = loser === first ? second : first;
  await expect.poll(winner.said, { timeout: 90_000 }).toContain("Blendt is at");
  await isUp();
  expect(blendt("start").stderr).toContain(`already running at http://localhost:${port}`);
  // Another Blendt of the same sources stops nothing that it did not start.
  const other = spawnSync("./blendt", ["stop"], {
    encoding: "utf8",
    env: { ...environment(), BLENDT_STATE: join(home, "other") },
  });
  expect(other.stdout).toContain("is not running");
  expect(lives(postmaster())).toBe(true);
  await call("POST", "/api/studios", { name: "Kept" });
  for (const name of ["One", "Two"])
    kept.push((await call("POST", "/api/pieces", piece(name)))!.id as string);
  expect(await names(kept)).toEqual(["One", "Two"]);
});

test("the app and the database that die are started again", async () => {
  const app = pidIn("app");
  process.kill(app, "SIGKILL");
  await expect.poll(() => pidIn("app") !== app && lives(pidIn("app")), { timeout: 60_000 }).toBe(true);
  await isUp();
  expect(await names(kept)).toEqual(["One", "Two"]);
  const database = postmaster();
  process.kill(database, "SIGKILL");
  await expect
    .poll(() => existsSync(join(cluster(), "data", "postmaster.pid")) && postmaster() !== database, {
      timeout: 90_000,
    })
    .toBe(true);
  await isUp();
  expect(await names(kept)).toEqual(["One", "Two"]);
});

test("several processes answer on one port, know each other's desks, and go on when one of them dies", async () => {
  const children = () =>
    spawnSync("ps", ["--no-headers", "-o", "pid,args", "--ppid", String(pidIn("app"))], { encoding: "utf8" })
      .stdout.split("\n")
      .filter((line) => line.includes("next-server"))
      .map((line) => parseInt(line, 10));
  const computed = (name: string, input: object) =>
    // A connection of its own each time, which another process may get.
    fetch(`${url}/api/compute/${name}`, {
      method: "POST",
      body: JSON.stringify(input),
      headers: { "content-type": "application/json", connection: "close" },
    });
  await expect.poll(() => children().length, { timeout: 60_000 }).toBe(2);
  const desk = {
    paper: { color: "#f5f5f0" },
    inks: [{ code: "kelp4", coats: [{ lab: [60, -20, 10] }, { lab: [50, -24, 12] }] }],
  };
  const { desk: handle } = (await (await computed("open", desk)).json()) as { desk: string };
  const [first, second] = children();
  const isKnown = async () => {
    for (let i = 0; i < 4; i++)
      expect((await computed("predict", { desk: handle, stacks: [["kelp4"]] })).status).toBe(200);
  };
  await isKnown();
  process.kill(first!, "SIGKILL");
  await expect.poll(() => children().filter((c) => c !== first).length, { timeout: 60_000 }).toBe(2);
  expect(children()).toContain(second);
  await isKnown();
  const refused = await computed("predict", { desk: "nobody", stacks: [] });
  expect([refused.status, ((await refused.json()) as { message: string }).message]).toEqual([
    422,
    expect.stringContaining("desk: expected the handle"),
  ]);
  const [left] = children();
  process.kill(pidIn("app"), "SIGKILL");
  await expect.poll(() => lives(left!), { timeout: 60_000 }).toBe(false);
  await expect.poll(answers, { timeout: 60_000 }).toBe(true);
});

test("a launcher that was killed is followed by another, which takes over what it left", async () => {
  const app = pidIn("app");
  process.kill(pidIn("launcher"), "SIGKILL");
  await expect.poll(() => lives(app)).toBe(true);
  const next = launch();
  await expect.poll(next.said, { timeout: 90_000 }).toContain("an earlier launcher was killed");
  await expect.poll(next.said, { timeout: 90_000 }).toContain("Blendt is at");
  await isUp();
  expect(lives(app)).toBe(false);
  expect(await names(kept)).toEqual(["One", "Two"]);
});

test("a backup is put back bit for bit, and what is none changes nothing", async () => {
  const contents = () => {
    const dir = cluster();
    const dumped = spawnSync("bash", ["scripts/cluster.sh", "dump", dir, join(home, "now.backup")], {
      encoding: "utf8",
    });
    expect(dumped.stderr).toBe("");
    const tool = spawnSync("bash", ["-c", "ls -d /usr/lib/postgresql/*/bin/pg_restore | tail -n 1"], {
      encoding: "utf8",
    });
    const text = spawnSync(tool.stdout.trim(), ["-f", "-", join(home, "now.backup")], {
      encoding: "utf8",
      maxBuffer: 1e9,
    });
    // The dump names its own moment and a random word of its session.
    return text.stdout.replace(/^(--.*|\\(un)?restrict .*)$/gm, "");
  };
  const file = join(home, "kept.backup");
  expect(blendt("backup", file)).toMatchObject({ status: 0 });
  expect(statSync(file).mode & 0o077).toBe(0);
  expect(blendt("backup", file).stderr).toContain("is there already");
  const before = contents();
  expect(before).toContain("Two");
  await call("DELETE", `/api/pieces/${kept[1]}`);
  const later = (await call("POST", "/api/pieces", piece("Later")))!.id as string;
  expect(contents()).not.toBe(before);
  const torn = join(home, "torn.backup");
  writeFileSync(torn, readFileSync(file).subarray(0, statSync(file).size >> 1));
  for (const bad of [torn, join(home, "nowhere"), "package.json"]) {
    const refused = blendt("restore", bad);
    expect(refused.status).toBe(1);
    expect(refused.stderr).toMatch(/is no whole backup|is not there/);
  }
  expect(await names([later])).toEqual(["Later"]);
  expect(blendt("restore", file)).toMatchObject({ status: 0 });
  await isUp();
  await expect.poll(() => names(kept).catch(() => []), { timeout: 60_000 }).toEqual(["One", "Two"]);
  expect((await fetch(`${url}/api/pieces/${later}`)).status).toBe(404);
  expect(contents()).toBe(before);
});

test("a backup lies there for each night, and old ones go", () => {
  const nightly = join(home, "nightly");
  const today = readdirSync(nightly);
  expect(today).toHaveLength(1);
  expect(today[0]).toMatch(/^blendt-\d{4}-\d\d-\d\d\.backup$/);
  expect(statSync(join(nightly, today[0]!)).mode & 0o077).toBe(0);
});

test("logs are their owner's, go round, and hold nothing of a document", async () => {
  const long = join(home, "long.log");
  for (const turn of ["one", "two", "three", "four", "five"]) {
    writeFileSync(long, turn.repeat(1000));
    spawnSync("bash", ["-c", `. scripts/processes.sh; rotate ${long} 100`]);
  }
  expect(statSync(long).size).toBe(0);
  expect([1, 2, 3].map((n) => readFileSync(`${long}.${n}`, "utf8").slice(0, 3))).toEqual([
    "fiv",
    "fou",
    "thr",
  ]);
  expect(existsSync(`${long}.4`)).toBe(false);
  expect(statSync(`${long}.1`).mode & 0o077).toBe(0);
  for (const file of ["app.log", "secret", "lock"])
    expect(statSync(join(state, file)).mode & 0o077, file).toBe(0);
  const log = readFileSync(join(state, "app.log"), "utf8");
  expect(log.length).toBeLessThan(20_000);
  expect(log).not.toContain("paperId");
});

test("the app's role reads and writes rows, and nothing else", () => {
  const of = (statement: string) => {
    const address = spawnSync("bash", ["scripts/cluster.sh", "url", cluster()], {
      encoding: "utf8",
    }).stdout.trim();
    return spawnSync("psql", [address, "-tAc", statement], { encoding: "utf8" });
  };
  expect(of("select count(*) from pieces").stdout.trim()).toBe("2");
  for (const statement of [
    "create table t (a int)",
    "drop table pieces",
    "alter table pieces add column a int",
    "create role r",
    "create database d",
    "truncate pieces",
    "copy pieces to program 'cat'",
    "select pg_read_file('/etc/passwd')",
    "select * from pg_authid",
  ])
    expect(of(statement).stderr, statement).toMatch(/permission denied|must be owner|to COPY to or from/);
});

test("what is written down of a process that is a stranger's now is not believed", async () => {
  expect(blendt("stop").stdout).toContain("Blendt has stopped.");
  expect(await answers()).toBe(false);
  const stranger = spawn("sleep", ["60"]);
  for (const file of ["launcher", "app"]) writeFileSync(join(state, file), `${stranger.pid} 1\n`);
  expect(blendt("stop").stdout).toContain("Blendt is not running.");
  expect(lives(stranger.pid!)).toBe(true);
  stranger.kill();
});

test("a database that is dead and not yet taken off the list of processes does not run", async () => {
  const dir = join(home, "dead");
  mkdirSync(join(dir, "data"), { recursive: true });
  copyFileSync("/bin/sleep", join(dir, "postgres"));
  const runs = () => spawnSync("bash", ["scripts/cluster.sh", "running", dir]).status === 0;
  // Whoever becomes another program while its child ends never asks for that end.
  const parent = spawn("bash", ["-c", `"${dir}/postgres" 5 & echo $!; exec sleep 60`]);
  const pid = await new Promise<string>((done) =>
    parent.stdout.once("data", (d: Buffer) => done(d.toString().trim())),
  );
  writeFileSync(join(dir, "data", "postmaster.pid"), `${pid}\n`);
  // Told before it has become what it is to be.
  await expect.poll(runs, { intervals: [50], timeout: 4000 }).toBe(true);
  await expect
    .poll(() => /^State:\s*Z/m.test(readFileSync(`/proc/${pid}/status`, "utf8")), { timeout: 15_000 })
    .toBe(true);
  expect(runs()).toBe(false);
  parent.kill();
});

test("stop stops everything that a killed launcher left", async () => {
  const { said } = launch();
  await expect.poll(said, { timeout: 90_000 }).toContain("Blendt is at");
  const [app, database] = [pidIn("app"), postmaster()];
  process.kill(pidIn("launcher"), "SIGKILL");
  expect(blendt("stop").stdout).toContain("Blendt has stopped.");
  expect([lives(app), lives(database)]).toEqual([false, false]);
  expect(blendt("stop").stdout).toContain("Blendt is not running.");
});
