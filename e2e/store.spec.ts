import { randomUUID } from "node:crypto";
import { expect, test } from "./test";
import pg from "pg";
import { open, stored } from "./studio";

const withDatabase = async <T>(work: (db: pg.Client) => Promise<T>): Promise<T> => {
  const db = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
};

test("every table carries the studio", async () => {
  const missing = await withDatabase(async (db) => {
    const { rows } = await db.query<{ table_name: string }>(
      "select table_name from information_schema.tables t where table_schema = 'public' and table_name not in ('studios', 'people', 'sessions', 'credentials', 'verifications', 'recovery_codes', 'tries', 'leases') and not exists (select 1 from information_schema.columns c where c.table_name = t.table_name and c.column_name = 'studio_id')",
    );
    return rows.map((r) => r.table_name);
  });
  expect(missing).toEqual([]);
});

test("a studio sees and touches only what is its own", async ({ page, request }) => {
  const document = { version: 1, name: "Somebody else's piece", paperId: null, pictureId: null, areas: [] };
  const [piece, picture, paper, group, range, blend] = Array.from({ length: 6 }, () => randomUUID());
  await withDatabase(async (db) => {
    const { rows } = await db.query<{ id: string }>(
      "insert into studios (slug, name) values ($1, 'Next door') returning id",
      [`next-door-${piece}`],
    );
    const studio = rows[0]!.id;
    await db.query("insert into pieces (id, studio_id, document) values ($1, $2, $3)", [
      piece,
      studio,
      document,
    ]);
    await db.query(
      "insert into kept_groups (id, studio_id, name, tones) values ($1, $2, 'Their group', '[]')",
      [group, studio],
    );
    await db.query(
      "insert into ranges (id, studio_id, name, families) values ($1, $2, 'Their range', '{}')",
      [range, studio],
    );
    await db.query(
      "insert into papers (id, studio_id, name, lab, capacity) values ($1, $2, 'Their paper', '{90,0,0}', 4)",
      [paper, studio],
    );
    await db.query(
      "insert into blends (id, studio_id, paper_id, how, stack, over, profile) values ($1, $2, $3, 'lifted', '{a}', '{}', '{}')",
      [blend, studio, paper],
    );
    await db.query(
      "insert into pictures (id, studio_id, name, type, width, height, original, working, working_type, working_width, working_height) values ($1, $2, 'x', 'image/png', 1, 1, '', '', 'image/png', 1, 1)",
      [picture, studio],
    );
  });
  expect((await request.patch(`/api/groups/${group}`, { data: { notes: "ours now" } })).status()).toBe(404);
  expect((await request.delete(`/api/groups/${group}`)).status()).toBe(404);
  expect(await (await request.get("/api/groups")).text()).not.toContain("Their group");
  const rows = [{ code: "theirs1", family: "x" }];
  const brought = await request.post("/api/rack", { data: { rangeId: range, rows } });
  expect(brought.status()).toBe(422);
  expect((await brought.json()).problems[0].path).toBe("rangeId");
  const renamed = { name: "Ours now", families: [], key: null, homes: {} };
  expect((await request.put(`/api/ranges/${range}`, { data: renamed })).status()).toBe(404);
  expect((await request.patch(`/api/blends/${blend}`, { data: { excluded: true } })).status()).toBe(404);
  const trial = { paperId: paper, stack: ["a"], predicted: "#808080" };
  expect((await request.post("/api/trials", { data: trial })).status()).toBe(422);
  expect((await request.get(`/api/pieces/${piece}`)).status()).toBe(404);
  expect((await request.put(`/api/pieces/${piece}`, { data: { revision: 1, document } })).status()).toBe(404);
  expect((await request.delete(`/api/pieces/${piece}`)).status()).toBe(404);
  expect((await request.get(`/api/pictures/${picture}`)).status()).toBe(404);
  expect((await request.get(`/api/papers/${paper}`)).status()).toBe(404);
  expect((await request.get(`/api/pieces/${piece}/supplies`)).status()).toBe(404);
  await open(page, "/");
  await expect(page.getByText("Somebody else's piece")).toHaveCount(0);
  await expect(page.getByText("Their paper")).toHaveCount(0);
});

test("a piece is saved only to the revision it was made from, and checked at the border", async ({
  request,
}) => {
  const document = { version: 1, name: "By revision", paperId: null, pictureId: null, areas: [] };
  const { id } = await (await request.post("/api/pieces", { data: document })).json();
  const save = (revision: number, name: string) =>
    request.put(`/api/pieces/${id}`, { data: { revision, document: { ...document, name } } });
  expect(await (await save(1, "Second")).json()).toEqual({ revision: 2 });
  const late = await save(1, "Late");
  expect(late.status()).toBe(409);
  expect((await late.json()).theirs).toMatchObject({ revision: 2, document: { name: "Second" } });
  const wrong = await request.put(`/api/pieces/${id}`, {
    data: { revision: 2, document: { ...document, areas: [{ id: "a" }] } },
  });
  expect(wrong.status()).toBe(422);
  expect((await wrong.json()).problems.map((p: { path: string }) => p.path)).toContain(
    "document.areas[0].name",
  );
  expect((await stored(request, id)).revision).toBe(2);
  expect((await request.delete(`/api/pieces/${id}`)).status()).toBe(204);
  expect((await save(2, "Gone")).status()).toBe(404);
});

test("a supply list opens safely in a spreadsheet", async ({ request }) => {
  const area = {
    id: "a",
    name: '=HYPERLINK("x")',
    readings: {},
    tones: 2,
    contrast: null,
    ownedOnly: true,
    note: "",
    group: {
      tones: [
        { code: "clay1c", coats: 1 },
        { code: "clay5m", coats: 1 },
      ],
    },
  };
  const { id } = await (
    await request.post("/api/pieces", {
      data: { version: 1, name: "Süße Töne / 1", paperId: null, pictureId: null, areas: [area] },
    })
  ).json();
  const answer = await request.get(`/api/pieces/${id}/supplies?format=csv`);
  expect(answer.headers()["content-disposition"]).toContain(encodeURIComponent("süße-töne-1-supplies.csv"));
  const lines = (await answer.text()).trim().split("\r\n");
  expect(lines[0]).toBe("marker,owned,state,need,areas");
  expect(lines).toHaveLength(3);
  for (const line of lines.slice(1)) expect(line).not.toMatch(/,=|,"=/);
  await request.delete(`/api/pieces/${id}`);
});

test("a page that has a defect says so, and does not say that the studio is away", async ({
  page,
  studio,
}) => {
  const id = randomUUID();
  await withDatabase(async (db) => {
    await db.query("insert into pieces (id, studio_id, document) values ($1, $2, '{\"version\": 3}')", [
      id,
      studio.id,
    ]);
  });
  try {
    await page.goto(`/pieces/${id}/colour`);
    await expect(page.getByRole("heading", { name: "This page has a defect" })).toBeVisible();
    await expect(page.getByText("the other pages work")).toBeVisible();
  } finally {
    await withDatabase((db) => db.query("delete from pieces where id = $1", [id]));
  }
});
