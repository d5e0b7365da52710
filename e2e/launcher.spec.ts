import { spawnSync } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "./test";

const blendt = (args: string[], options: { input?: string; env?: Record<string, string> } = {}) =>
  spawnSync("./blendt", args, {
    encoding: "utf8",
    input: options.input ?? "",
    env: { ...process.env, ...options.env },
  });

test("compute answers JSON with JSON, and bad input with exit 2 and the path", () => {
  const desk = { paper: { color: "#f4f5ec" }, inks: [{ code: "a", coats: ["#ecd0c0", "#e0bda8"] }] };
  const good = blendt(["compute", "predict"], { input: JSON.stringify({ ...desk, stacks: [[], ["a"]] }) });
  expect(good.status).toBe(0);
  expect(JSON.parse(good.stdout).stacks.map((s: { hex: string }) => s.hex)).toEqual(["#f4f5ec", "#ecd0c0"]);
  const bad = blendt(["compute", "predict"], {
    input: JSON.stringify({ ...desk, paper: { color: "white" }, stacks: [] }),
  });
  expect(bad.status).toBe(2);
  expect(bad.stderr).toContain("paper.color: expected a colour");
  const broken = blendt(["compute", "predict"], { input: "{" });
  expect(broken.status).toBe(2);
  expect(broken.stderr).toContain("expected JSON on standard input");
  const nameless = blendt(["compute"]);
  expect(nameless.status).toBe(2);
  expect(nameless.stderr).toContain("predict, match, group, assess");
});

test("a taken port is said, with what to do", async () => {
  const server = createServer().listen(0);
  const port = (server.address() as { port: number }).port;
  const found = await new Promise<ReturnType<typeof blendt>>((resolve) =>
    setTimeout(() => resolve(blendt(["start"], { env: { BLENDT_PORT: String(port) } })), 50),
  );
  server.close();
  expect(found.status).toBe(1);
  expect(found.stderr).toContain(`port ${port} is taken`);
});

test("a port that is none, and a place where nothing can be written, are said", () => {
  for (const BLENDT_PORT of ["abc", "0", "70000", "80 81"]) {
    const found = blendt(["start"], { env: { BLENDT_PORT } });
    expect(found.status).toBe(1);
    expect(found.stderr).toContain("is no port: expected a whole number");
  }
  const found = blendt(["start"], { env: { BLENDT_STATE: "/proc/blendt" } });
  expect(found.status).toBe(1);
  expect(found.stderr).toContain("say in BLENDT_STATE where Blendt may write");
});

test("a cluster whose making was cut off is made again, whole", () => {
  const home = mkdtempSync(join(tmpdir(), "blendt-cluster-"));
  chmodSync(home, 0o777);
  const to = join(home, "cluster");
  const create = (seconds: string) =>
    spawnSync("timeout", ["-s", "KILL", seconds, "bash", "scripts/cluster.sh", "create", to]);
  expect(create("0.4").status).not.toBe(0);
  expect(existsSync(join(to, "data"))).toBe(false);
  expect(create("60").status).toBe(0);
  expect(existsSync(join(to, "data", "PG_VERSION"))).toBe(true);
  expect(existsSync(`${to}.coming`)).toBe(false);
  spawnSync("rm", ["-rf", home]);
});

test("a restore that was cut off in the exchange is finished, or has changed nothing", () => {
  const home = mkdtempSync(join(tmpdir(), "blendt-cluster-"));
  chmodSync(home, 0o777);
  const at = join(home, "cluster");
  const cluster = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync("bash", ["scripts/cluster.sh", ...args], {
      encoding: "utf8",
    });
    expect(status, stderr).toBe(0);
    return stdout.trim();
  };
  const ask = (db: string, statement: string) => cluster("sql", at, db, statement);
  cluster("create", at);
  cluster("start", at);
  try {
    ask("blendt", "create table which as select 'old' as one");
    expect(cluster("settle", at)).toBe("");
    // Shut out, and killed.
    ask("postgres", "alter database blendt allow_connections false");
    expect(cluster("settle", at)).toBe("settled");
    expect(ask("blendt", "select one from which")).toBe("old");
    // Put away, and killed.
    ask("postgres", "create database blendt_coming");
    ask("blendt_coming", "create table which as select 'new' as one");
    ask("postgres", "alter database blendt rename to blendt_before_1");
    expect(cluster("settle", at)).toBe("settled");
    expect(ask("blendt", "select one from which")).toBe("new");
    expect(cluster("settle", at)).toBe("");
  } finally {
    cluster("stop", at, "immediate");
    spawnSync("rm", ["-rf", home]);
  }
});

test("a Node that is too old is said", () => {
  const dir = mkdtempSync(join(tmpdir(), "old-node-"));
  writeFileSync(join(dir, "node"), '#!/bin/sh\n[ "$1" = --version ] && echo v18.0.0\nexit 1\n');
  chmodSync(join(dir, "node"), 0o755);
  const found = blendt(["start"], { env: { PATH: `${dir}:${process.env.PATH}` } });
  expect(found.status).toBe(1);
  expect(found.stderr).toContain("Node.js v18.0.0 is too old");
});

test("a server that others reach must have a name, so that they must sign in", () => {
  const found = blendt(["start"], { env: { BLENDT_BIND: "0.0.0.0", BLENDT_HOSTS: "" } });
  expect(found.status).toBe(1);
  expect(found.stderr).toContain("say in BLENDT_HOSTS by which name");
});

test("an unknown command shows the usage", () => {
  const found = blendt(["dance"]);
  expect(found.status).toBe(2);
  expect(found.stderr).toContain(
    "usage: ./blendt start | dev | stop | test | backup FILE | restore FILE | compute NAME",
  );
});
