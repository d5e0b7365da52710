import { quantile } from "@/core/algebra/median";
import { readFileSync } from "node:fs";
import pg from "pg";
import { seeded } from "@/sim/random";
import { ownServer } from "./own-server";

/**
 * Fifty people at once on one server, reading and saving, while one plans on it; then memory over many requests:
 * npx tsx bench/load.ts [seconds 60] [people 50] [thinking ms 2000] [before, s 20]
 * What happens in the time before is not counted: a server that has just started compiles what it runs.
 */
const [seconds = 60, people = 50, thinking = 2000, before = 20] = process.argv.slice(2).map(Number);
const server = await ownServer();
const { url } = server;
const json = { "content-type": "application/json" };
const call = (path: string, init: RequestInit = {}, headers: Record<string, string> = {}) =>
  fetch(url + path, { ...init, headers: { ...headers, ...(init.body ? json : {}) } });
const demo = (await (await call("/api/demo", { method: "POST", body: "{}" })).json()) as { id: string };
const here = { cookie: `blendt-studio=${demo.id}` };
const papers = [
  ...(await (await call("/swatchbook", {}, here)).text()).matchAll(/\/swatchbook\/([0-9a-f-]{36})/g),
].map((m) => m[1]!);
const paper = papers[0]!;
const db = new pg.Client({ connectionString: server.databaseUrl });
await db.connect();
const { rows } = await db.query<{ id: string }>("select id from pieces where studio_id = $1", [demo.id]);
await db.end();
const pieces = rows.map((r) => r.id);
const document = (
  (await (await call(`/api/pieces/${pieces[0]}`, {}, here)).json()) as { document: { name: string } }
).document;
const rack = (await (await call(`/api/papers/${paper}`, {}, here)).json()) as {
  markers: { code: string; swatches: { lab: number[] }[] }[];
};

interface Taken {
  readonly what: string;
  readonly ms: number;
}
const taken: Taken[] = [];
const errors: string[] = [];
async function timed(what: string, ask: () => Promise<Response>): Promise<Response | undefined> {
  const start = performance.now();
  try {
    const answer = await ask();
    await answer.arrayBuffer();
    if (start >= from) taken.push({ what, ms: performance.now() - start });
    if (!answer.ok && answer.status !== 304) errors.push(`${what}: ${answer.status}`);
    return answer;
  } catch (e) {
    errors.push(`${what}: ${String(e)}`);
    return undefined;
  }
}
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
const from = performance.now() + before * 1000;
const until = from + seconds * 1000;

/** Somebody with a piece of their own: looks at places, opens the piece, changes it; the browser keeps the rack. */
async function person(n: number): Promise<void> {
  const random = seeded(n + 1);
  const made = (await (
    await call(
      "/api/pieces",
      { method: "POST", body: JSON.stringify({ ...document, name: `Of ${n}` }) },
      here,
    )
  ).json()) as { id: string };
  let revision = 1;
  let tag = "";
  await wait(random() * thinking);
  while (performance.now() < until) {
    const act = random();
    if (act < 0.35)
      await timed("a piece's page", () =>
        call(
          `/pieces/${made.id}/${["colour", "steps", "light", "set-up"][Math.floor(random() * 4)]}`,
          {},
          here,
        ),
      );
    else if (act < 0.5) await timed("the rack's page", () => call("/rack", {}, here));
    else if (act < 0.6)
      await timed("the rack", async () => {
        const answer = await call(
          `/api/papers/${paper}`,
          {},
          { ...here, ...(tag && { "if-none-match": tag }) },
        );
        tag = answer.headers.get("etag") ?? tag;
        return answer;
      });
    else {
      const body = JSON.stringify({ revision, document: { ...document, name: `Of ${n}, ${revision}` } });
      const answer = await timed("saving", () =>
        call(`/api/pieces/${made.id}`, { method: "PUT", body }, here),
      );
      if (answer?.ok) revision++;
    }
    await wait(thinking * (0.5 + random()));
  }
}

/** Somebody who plans on the server, one group after the other. */
let plans = 0;
async function planner(): Promise<void> {
  const inks = rack.markers
    .filter((m) => m.swatches.length)
    .slice(0, 160)
    .map((m) => ({ code: m.code, coats: m.swatches.map((s) => ({ lab: s.lab })) }));
  for (let i = 0; performance.now() < until; i++) {
    const body = JSON.stringify({
      paper: { color: "#f5f5f0" },
      inks,
      target: { lab: [60, 5 + (i % 20), 20] },
      tones: 4,
    });
    const answer = await call("/api/compute/group", { method: "POST", body }, here);
    if (answer.ok) plans++;
    else errors.push(`planning: ${answer.status}`);
    await answer.arrayBuffer();
  }
}

await Promise.all([...Array.from({ length: people }, (_, n) => person(n)), planner()]);
const said = (list: readonly Taken[]) =>
  [0.5, 0.95, 0.99]
    .map((q) =>
      quantile(
        list.map((t) => t.ms),
        q,
      ).toFixed(0),
    )
    .join(" / ");
console.log(
  `${people} people for ${seconds} s, thinking ${thinking} ms: ${taken.length} requests (${(taken.length / seconds).toFixed(0)} a second), ${plans} plans beside, ${errors.length} errors`,
);
console.log(`all: ${said(taken)} ms (median / 95th / 99th)`);
for (const what of new Set(taken.map((t) => t.what)))
  console.log(`${what}: ${said(taken.filter((t) => t.what === what))} ms`);
for (const e of errors.slice(0, 5)) console.log(e);

// Three heavy computations at once leave pages quick.
{
  taken.length = 0;
  const heavy = Array.from({ length: 3 }, (_, i) =>
    call(
      "/api/compute/match",
      {
        method: "POST",
        body: JSON.stringify({
          paper: { color: "#f5f5f0" },
          inks: rack.markers
            .filter((m) => m.swatches.length)
            .map((m) => ({ code: m.code, coats: m.swatches.map((s) => ({ lab: s.lab })) })),
          target: { lab: [20 + i, 30, -60] },
          maxInks: 3,
          maxCoats: 3,
        }),
      },
      here,
    ).catch(() => undefined),
  );
  for (let i = 0; i < 60; i++) {
    await timed("page", () => call(`/pieces/${pieces[0]}/colour`, {}, here));
    await wait(50);
  }
  console.log(`pages beside three heavy computations: ${said(taken)} ms`);
  await Promise.all(heavy);
}

// Memory over many requests.
{
  const memory = () =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid("app")}/status`, "utf8"))![1]) / 1024;
  const marks = [memory()];
  for (let k = 0; k < Number(process.env.ROUNDS ?? 10); k++) {
    for (let i = 0; i < 1000; i += 10)
      await Promise.all(
        Array.from({ length: 10 }, (_, j) =>
          call(j % 2 ? `/pieces/${pieces[0]}/colour` : `/api/pieces/${pieces[0]}`, {}, here).then((a) =>
            a.arrayBuffer(),
          ),
        ),
      );
    marks.push(memory());
  }
  console.log(
    `memory over 10,000 requests, MB after each thousand: ${marks.map((m) => m.toFixed(0)).join(" ")}`,
  );
}
server.stop();
process.exit(errors.length ? 1 : 0);
