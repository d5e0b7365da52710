import { createHash } from "node:crypto";
import pg from "pg";
import { seeded } from "@/sim/random";
import { ownServer } from "./own-server";

/** What a stranger, and a member of another studio, see and change of a thousand things of a studio: npx tsx bench/probes.ts [1000] */
const wanted = Number(process.argv[2] ?? 1000);
const server = await ownServer({ BLENDT_HOSTS: "studio.test", BLENDT_SIGN_UP: "open" });
const post = (path: string, body: unknown, headers: Record<string, string> = {}) =>
  fetch(server.url + path, {
    method: "POST",
    headers: { "content-type": "application/json", ...headers },
    body: JSON.stringify(body),
  });
const cookieOf = (a: Response) =>
  a.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");
const account = async (name: string) => ({
  cookie: cookieOf(await post("/api/people", { name, password: "four unrelated words" })),
});
const owner = await account("Wren");
const other = await account("Dunlin");
const studio = (await (await post("/api/demo", {}, owner)).json()) as { id: string };
await post("/api/studios", { name: "Dunlin's" }, other);

const db = new pg.Client({ connectionString: server.databaseUrl });
await db.connect();
const TABLES = [
  "papers",
  "ranges",
  "inks",
  "readings",
  "blends",
  "charts",
  "scans",
  "trials",
  "kept_groups",
  "pictures",
  "pieces",
  "ink_events",
  "work_events",
  "colourings",
];
const state = async (): Promise<string> => {
  const hash = createHash("sha256");
  for (const t of [...TABLES, "members", "invitations", "shares"]) {
    const { rows } = await db.query(`select * from ${t} where studio_id = $1 order by 1, 2`, [studio.id]);
    hash.update(JSON.stringify(rows));
  }
  return hash.digest("hex");
};
const idsOf = async (table: string, most: number): Promise<string[]> =>
  (
    await db.query<{ id: string }>(`select id from ${table} where studio_id = $1 order by id limit ${most}`, [
      studio.id,
    ])
  ).rows.map((r) => r.id);

const piece = { version: 1, name: "Theirs now", paperId: null, pictureId: null, areas: [] };
/** What may be tried with an id of a kind. */
const TRIES: Readonly<Record<string, readonly (readonly [method: string, path: string, body?: unknown])[]>> =
  {
    pieces: [
      ["GET", "/api/pieces/ID"],
      ["PUT", "/api/pieces/ID", { revision: 1, document: piece }],
      ["DELETE", "/api/pieces/ID"],
      ["GET", "/api/pieces/ID/supplies"],
      ["GET", "/api/pieces/ID/shares"],
      ["POST", "/api/pieces/ID/shares", {}],
      ["GET", "/api/pieces/ID/work"],
      [
        "POST",
        "/api/pieces/ID/work",
        { events: [{ id: "11111111-1111-4111-8111-111111111111", at: 1e12, kind: "noted", note: "Theirs" }] },
      ],
      ["POST", "/api/pieces/ID/copy"],
      ["GET", "/api/pieces/ID/colouring"],
      ["GET", "/api/pieces/ID/time-lapse"],
      ["GET", "/pieces/ID/colour"],
      ["GET", "/pieces/ID/desk"],
      ["GET", "/pieces/ID/check"],
    ],
    pictures: [
      ["GET", "/api/pictures/ID"],
      ["GET", "/api/pictures/ID/facts"],
      ["GET", "/api/pictures/ID/drawing?name=a"],
      ["POST", "/api/pieces", { ...piece, pictureId: "ID" }],
    ],
    papers: [
      ["GET", "/api/papers/ID"],
      ["PATCH", "/api/papers/ID", { name: "Theirs now" }],
      ["GET", "/api/papers/ID/readings"],
      ["POST", "/api/papers/ID/readings", { readings: [{ stack: ["a"], color: "#808080", source: "hand" }] }],
      ["GET", "/api/rack?paper=ID"],
      ["GET", "/swatchbook/ID"],
      ["POST", "/api/pieces", { ...piece, paperId: "ID" }],
      ["POST", "/api/trials", { paperId: "ID", stack: ["a"], predicted: "#808080" }],
      ["POST", "/api/charts", { paperId: "ID", title: "A", sheet: "A4", lines: [] }],
    ],
    ranges: [
      ["PUT", "/api/ranges/ID", { name: "Theirs now", families: [], key: null, homes: {} }],
      ["POST", "/api/rack", { rangeId: "ID", rows: [{ code: "theirs1" }] }],
    ],
    readings: [["PATCH", "/api/readings/ID", { excluded: true }]],
    blends: [["PATCH", "/api/blends/ID", { excluded: true }]],
    charts: [["GET", "/api/charts/ID/pdf"]],
    scans: [
      ["PATCH", "/api/scans/ID", { decisions: [], store: true }],
      ["DELETE", "/api/scans/ID"],
      ["GET", "/swatchbook/scans/ID"],
    ],
    trials: [
      ["PATCH", "/api/trials/ID", { verdict: "works" }],
      ["DELETE", "/api/trials/ID"],
    ],
    ink_events: [["DELETE", "/api/ink/ID"]],
    shares: [["DELETE", "/api/shares/ID"]],
    invitations: [["DELETE", "/api/invitations/ID"]],
    kept_groups: [
      ["PATCH", "/api/groups/ID", { notes: "Theirs now" }],
      ["DELETE", "/api/groups/ID"],
    ],
  };
const random = seeded(3);
const things: { table: string; id: string }[] = [];
for (const table of Object.keys(TRIES))
  for (const id of await idsOf(table, wanted)) things.push({ table, id });
things.sort(() => random() - 0.5);
// All of what is few, and readings for the rest.
const chosen = [
  ...things.filter((t) => t.table !== "readings"),
  ...things.filter((t) => t.table === "readings"),
].slice(0, wanted);

const before = await state();
let [tried, seen] = [0, 0];
for (const { table, id } of chosen)
  for (const [method, path, body] of TRIES[table]!)
    for (const [who, headers] of [
      ["a stranger", {}],
      ["a member of another studio", other],
      ["one who names the studio", { ...other, "x-blendt-studio": studio.id }],
    ] as const) {
      const answer = await fetch(server.url + path.replace("ID", id), {
        method,
        redirect: "manual",
        headers: { ...headers, ...(body !== undefined && { "content-type": "application/json" }) },
        ...(body !== undefined && { body: JSON.stringify(body).replaceAll('"ID"', `"${id}"`) }),
      });
      tried++;
      const says = await answer.text();
      const isPage = !path.startsWith("/api");
      // A page sends elsewhere, or says that there is nothing; it never holds what was made in the studio.
      const ok = isPage
        ? !/Kite Mender|Moth Lantern|Tin Ferry|clay\d/.test(says)
        : [401, 404, 422].includes(answer.status);
      if (!ok) {
        seen++;
        console.log(`${who}: ${method} ${path} of ${table}: ${answer.status} ${says.slice(0, 120)}`);
      }
    }
const changed = (await state()) !== before;
console.log(
  `${chosen.length} things of a studio, ${tried} tries by a stranger, a member of another studio and one who names the studio: ${seen} seen, ${changed ? "something" : "nothing"} changed`,
);
await db.end();
server.stop();
process.exit(seen || changed ? 1 : 0);
