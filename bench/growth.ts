import pg from "pg";
import { quantile } from "@/core/algebra/median";
import { areaMap } from "@/core/picture/area-map";
import { lineOf } from "@/core/picture/line";
import { regionsOf } from "@/core/picture/regions";
import { ownServer } from "./own-server";

/**
 * How pages and reading grow with what there is: npx tsx bench/growth.ts
 * Median time and bytes of pages at 10, 100, 1,000 pieces; 300, 1,000, 3,000 markers; 20, 100, 400 areas; and of finding a drawing's areas at
 * 2, 8, 20 megapixels.
 */
const ROUNDS = 7;
const server = await ownServer();
const { url } = server;
const db = new pg.Client({ connectionString: server.databaseUrl });
await db.connect();

const demo = (await (
  await fetch(`${url}/api/demo`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: "{}",
  })
).json()) as { id: string };
const cookie = `blendt-studio=${demo.id}`;

async function asked(path: string): Promise<string> {
  const took: number[] = [];
  let bytes = 0;
  for (let i = 0; i < ROUNDS; i++) {
    const start = performance.now();
    const answer = await fetch(url + path, { headers: { cookie } });
    bytes = (await answer.arrayBuffer()).byteLength;
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
    took.push(performance.now() - start);
  }
  return `${quantile(took.slice(2), 0.5).toFixed(0)} ms, ${(bytes / 1000).toFixed(0)} kB`;
}

async function row(what: string, paths: Readonly<Record<string, string>>): Promise<void> {
  const cells: string[] = [];
  for (const [name, path] of Object.entries(paths)) cells.push(`${name} ${await asked(path)}`);
  console.log(`${what}: ${cells.join("; ")}`);
}

const paperId = (
  await db.query<{ id: string }>("select id from papers where studio_id = $1 order by created_at limit 1", [
    demo.id,
  ])
).rows[0]!.id;
try {
  for (const count of [10, 100, 1000]) {
    await db.query(
      `insert into pieces (studio_id, document)
       select studio_id, jsonb_set(document, '{name}', to_jsonb('Study ' || n)) from
         (select *, row_number() over (order by created_at) as k from pieces where studio_id = $1 order by created_at limit 3) p,
         generate_series(1, $2::int) n where p.k = 1 + n % 3`,
      [
        demo.id,
        count -
          Number(
            (await db.query<{ n: string }>("select count(*) n from pieces where studio_id = $1", [demo.id]))
              .rows[0]!.n,
          ),
      ],
    );
    await row(`${count} pieces`, {
      Bench: "/",
      "a search": "/?find=Study%209",
      "the last page": `/?page=${Math.ceil(count / 12)}`,
      Groups: "/groups",
      Rack: "/rack",
    });
  }
  await db.query("delete from pieces where studio_id = $1 and document ->> 'name' like 'Study %'", [demo.id]);
  for (const count of [300, 1000, 3000]) {
    const { rows } = await db.query<{ n: string }>("select count(*) n from inks where studio_id = $1", [
      demo.id,
    ]);
    const more = count - Number(rows[0]!.n);
    await db.query(
      `with made as (
         insert into inks (studio_id, range_id, code, family, owned, state)
         select i.studio_id, i.range_id, i.code || '-' || $2::int || '-' || n, i.family, i.owned, i.state
         from (select *, row_number() over (order by code) as k from inks where studio_id = $1 and kind = 'marker' limit 200) i,
           generate_series(1, $3::int) n where i.k = 1 + n % 200 returning code)
       insert into readings (studio_id, paper_id, stack, lab, source)
       select $1, r.paper_id, array[made.code], r.lab, r.source
       from made join readings r on r.studio_id = $1 and r.stack = array[split_part(made.code, '-', 1)] and r.paper_id = $4`,
      [demo.id, count, Math.max(0, more), paperId],
    );
    await db
      .query("update studios set rack_version = rack_version + 1 where id = $1", [demo.id])
      .catch(() => undefined);
    await row(`${count} markers`, {
      Rack: "/rack",
      "its table": "/rack?view=table",
      "the rack as data": `/api/papers/${paperId}`,
      Bench: "/",
    });
  }
  const { rows: pieces } = await db.query<{ id: string }>(
    "select id from pieces where studio_id = $1 order by jsonb_array_length(document -> 'areas') desc limit 1",
    [demo.id],
  );
  const piece = pieces[0]!.id;
  for (const count of [20, 100, 400]) {
    await db.query(
      `update pieces set revision = revision + 1, document = jsonb_set(document, '{areas}', (
         select jsonb_agg(jsonb_set(jsonb_set(a, '{id}', to_jsonb('a' || n)), '{name}', to_jsonb('Area ' || n)))
         from (select a, row_number() over () as k, count(*) over () as c from jsonb_array_elements(document -> 'areas') a) x,
           generate_series(1, $2::int) n where x.k = 1 + n % x.c)) where id = $1`,
      [piece, count],
    );
    await row(`${count} areas`, {
      Colour: `/pieces/${piece}/colour`,
      Check: `/pieces/${piece}/check`,
      Steps: `/pieces/${piece}/steps`,
      Bench: "/",
    });
  }
} finally {
  await db.end();
  server.stop();
}

/** Bricks with round windows: so many pixels, lines 0.4 mm wide. */
function bricks(pixels: number) {
  const height = Math.round(Math.sqrt((pixels * 3) / 4));
  const width = Math.round(pixels / height);
  const data = new Uint8Array(width * height).fill(250);
  const [w, h, line] = [width / 16, height / 12, width / 500];
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const row = Math.floor(y / h);
      const u = (x + (row % 2) * (w / 2)) % w;
      const v = y % h;
      const round = Math.abs(Math.hypot(u - w / 2, v - h / 2) - h / 4);
      if (u < line || v < line || round < line / 2) data[p] = 30;
    }
  return { width, height, channels: 1 as const, data };
}
for (const megapixels of [2, 8, 20]) {
  const picture = bricks(megapixels * 1e6);
  const start = performance.now();
  const { coverage } = lineOf(picture, "drawn");
  const lined = performance.now();
  const mmPerPixel = 180 / picture.width;
  const found = regionsOf(coverage, {
    gap: 0.8 / mmPerPixel,
    speck: 0.5 / mmPerPixel ** 2,
    under: 1 / mmPerPixel,
  });
  areaMap(found, [], mmPerPixel);
  const end = performance.now();
  console.log(
    `${megapixels} megapixels: line ${((lined - start) / 1000).toFixed(2)} s, ${found.regions.length} shapes ${((end - lined) / 1000).toFixed(2)} s`,
  );
}
