import { malformedRequest, routesOnDisk, type Malformed } from "@/fixtures/malformed";
import { malformedFiles, type FileKind } from "@/fixtures/malformed-files";
import { seeded } from "@/sim/random";
import { ownServer } from "./own-server";

/**
 * Sends malformed requests to a running Blendt, or to one of its own that has accounts, as somebody who is signed in:
 * npx tsx bench/malformed.ts http://localhost:3000|own 10000 [seed]
 */
const [where = "http://localhost:3000", count = "10000", seed = "1"] = process.argv.slice(2);
const own =
  where === "own"
    ? await ownServer({ BLENDT_DEMO: "no", BLENDT_HOSTS: "studio.test", BLENDT_SIGN_UP: "open" })
    : undefined;
const base = own?.url ?? where;
const PERSON = { name: "Whimbrel", password: "four unrelated words" };

let cookie = "";
/** A session: what is sent may end one. */
async function signIn(): Promise<void> {
  const post = (path: string, body: object) =>
    fetch(base + path, {
      method: "POST",
      headers: { "content-type": "application/json", ...(cookie && { cookie }) },
      body: JSON.stringify(body),
    });
  const keep = (a: Response) =>
    (cookie =
      a.headers
        .getSetCookie()
        .map((c) => c.split(";")[0])
        .join("; ") || cookie);
  let answer = await post("/api/session", PERSON);
  if (!answer.ok) answer = await post("/api/people", PERSON);
  keep(answer);
  const all = (await (await fetch(`${base}/api/studios`, { headers: { cookie } })).json()) as unknown[];
  if (!all.length) await post("/api/studios", { name: "Table" });
}
if (own) await signIn();
// Signing out is no malformed request, and would end the measurement.
const routes = routesOnDisk().filter(([method, at]) => method !== "DELETE" || !/session/.test(at));
const random = seeded(Number(seed));
const SLOW_MS = 2000;
const AT_ONCE = 4;

/** Every so many requests a file is sent instead. */
const FILES_AMONG = 8;
/** Where files of a kind go; the others are read in the browser, and tried in workers/hostile-files.test.ts. */
const UPLOADS: Partial<Record<FileKind, string>> = {
  groups: "/api/groups",
  piece: "/api/pieces",
  png: "/api/pictures",
  jpeg: "/api/pictures",
  webp: "/api/pictures",
};
const nextFile = await malformedFiles(random);

type Sent = Omit<Malformed, "body"> & { readonly body: string | Buffer | FormData | undefined };

function nextRequest(): Sent {
  if (random() * FILES_AMONG >= 1) return malformedRequest(routes, random);
  for (;;) {
    const { kind, name, bytes } = nextFile();
    const url = UPLOADS[kind];
    if (!url) continue;
    if (url !== "/api/pictures")
      return { method: "POST", url, headers: { "content-type": "application/json" }, body: bytes };
    const body = new FormData();
    body.set("picture", new Blob([new Uint8Array(bytes)]), name);
    return { method: "POST", url, headers: {}, body };
  }
}

interface Outcome {
  readonly request: Sent;
  readonly status: number;
  readonly ms: number;
  readonly said: string;
}

async function send(request: Sent): Promise<Outcome> {
  const start = performance.now();
  const { method, url, headers, body } = request;
  const answer = await fetch(base + url, {
    method,
    headers: { ...headers, ...(cookie && { cookie }) },
    ...(body !== undefined && { body: body as BodyInit }),
  });
  const said = await answer.text();
  return { request, status: answer.status, ms: performance.now() - start, said };
}

/** Whether a refusal says in our words what is wrong. */
function isWorded({ status, said }: Outcome): boolean {
  if (status < 400) return true;
  try {
    const { message, problems = [] } = JSON.parse(said) as {
      message?: string;
      problems?: { path: string; expected: string }[];
    };
    return (
      !!message &&
      problems.every(
        (p) => p.expected.length > 8 && !/must be|should not|property |Unexpected|Expected /.test(p.expected),
      )
    );
  } catch {
    return said.length > 0;
  }
}

const statuses = new Map<number, number>();
let [failed, slow, unworded, slowest] = [0, 0, 0, 0];
for (let sent = 0; sent < Number(count); sent += AT_ONCE) {
  const outcomes = await Promise.all(Array.from({ length: AT_ONCE }, () => send(nextRequest())));
  if (own && outcomes.some((o) => o.status === 401 || /no studio yet/.test(o.said))) await signIn();
  for (const o of outcomes) {
    statuses.set(o.status, (statuses.get(o.status) ?? 0) + 1);
    slowest = Math.max(slowest, o.ms);
    const bad = [o.status >= 500, o.ms > SLOW_MS, !isWorded(o)];
    failed += Number(bad[0]);
    slow += Number(bad[1]);
    unworded += Number(bad[2]);
    if (bad.some(Boolean))
      console.log(
        `${o.status} ${o.ms.toFixed(0)} ms ${o.request.method} ${o.request.url.slice(0, 80)} ${typeof o.request.body === "string" ? o.request.body.slice(0, 300) : ""} → ${o.said.slice(0, 200)}`,
      );
  }
}
console.log(
  `${count} requests: ${[...statuses]
    .sort()
    .map(([s, n]) => `${n} × ${s}`)
    .join(", ")}`,
);
console.log(
  `${failed} of 5xx, ${slow} over ${SLOW_MS} ms (slowest ${slowest.toFixed(0)}), ${unworded} without our words`,
);
own?.stop();
process.exitCode = failed + slow + unworded ? 1 : 0;
