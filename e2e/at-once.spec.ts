import { expect, test, type APIRequestContext } from "@playwright/test";
import { strToU8, zipSync } from "fflate";
import { PASSWORD, startServer, type Server } from "./server";

/** What is asked twelve times at the same moment is done as often as it may be, and no oftener. */
let server: Server;
let owner: APIRequestContext;
test.describe.configure({ mode: "serial" });
test.beforeAll(async ({ playwright }) => {
  server = await startServer("blendt_at_once", { BLENDT_HOSTS: "studio.test", BLENDT_SETUP_CODE: "set-up" });
  owner = await playwright.request.newContext({ baseURL: server.url });
  const made = await owner.post("/api/people", {
    data: { name: "Wren", password: PASSWORD, code: "set-up" },
  });
  expect(made.status()).toBe(201);
  expect((await owner.post("/api/studios", { data: { name: "Table" } })).status()).toBe(201);
});
test.afterAll(async () => {
  await owner.dispose();
  server.stop();
});

const times = <T>(n: number, ask: (i: number) => Promise<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: n }, (_, i) => ask(i)));
const counted = async (query: string): Promise<number> =>
  server.ask(async (db) => Number((await db.query<{ count: string }>(query)).rows[0]!.count));

test("one invitation makes one account, one name is given once", async ({ playwright }) => {
  const { code } = (await (await owner.post("/api/invitations", { data: { role: "viewer" } })).json()) as {
    code: string;
  };
  const stranger = await playwright.request.newContext({ baseURL: server.url });
  const asked = await times(6, (i) =>
    stranger.post("/api/people", { data: { name: `Crow ${i}`, password: PASSWORD, code } }),
  );
  expect(asked.map((a) => a.status()).sort()).toEqual([201, 422, 422, 422, 422, 422]);
  expect(await counted("select count(*) from people")).toBe(2);
  const codes = await times(3, async () => {
    const made = await owner.post("/api/invitations", { data: { role: "viewer" } });
    return ((await made.json()) as { code: string }).code;
  });
  const same = await times(3, (i) =>
    stranger.post("/api/people", { data: { name: "Rook", password: PASSWORD, code: codes[i] } }),
  );
  expect(same.map((a) => a.status()).sort()).toEqual([201, 422, 422]);
  await stranger.dispose();
});

test("studios, papers and links are no more than may be", async () => {
  await times(52, (i) => owner.post("/api/studios", { data: { name: `Studio ${i}` } }));
  expect(await counted("select count(*) from studios")).toBe(50);
  const all = (await (await owner.get("/api/studios")).json()) as { id: string }[];
  const headers = { "x-blendt-studio": all.at(-1)!.id };
  const piece = await owner.post("/api/pieces", {
    headers,
    data: { version: 1, name: "Shared", paperId: null, pictureId: null, areas: [] },
  });
  const { id } = (await piece.json()) as { id: string };
  await times(14, () => owner.post(`/api/pieces/${id}/shares`, { headers, data: { shows: ["picture"] } }));
  expect(await counted("select count(*) from shares")).toBe(10);
});

const zipOf = (pictures: readonly object[]) =>
  Buffer.from(
    zipSync({
      "studio.json": strToU8(
        JSON.stringify({
          format: "blendt-studio",
          version: 1,
          studio: { name: "Coming in" },
          ...{ papers: [], ranges: [], rack: [], pictures, charts: [], trials: [], groups: [] },
        }),
      ),
    }),
  );
const import_ = (data: Buffer) =>
  owner.post("/api/studios/import", { headers: { "content-type": "application/zip" }, data });

test("studios come in one at a time, and a picture once", async () => {
  await server.ask((db) => db.query("delete from studios where name like 'Studio %'"));
  const twice = await import_(
    zipOf([
      { id: "a", name: "A", file: "pictures/a.png" },
      { id: "b", name: "B", file: "pictures/a.png" },
    ]),
  );
  expect(twice.status()).toBe(422);
  expect(await twice.text()).toContain("pictures[1].");
  const answers = await times(5, () => import_(zipOf([])));
  const came = answers.filter((a) => a.status() === 201).length;
  expect(came).toBeGreaterThan(0);
  for (const a of answers) expect([201, 503]).toContain(a.status());
  expect(await counted("select count(*) from studios where name = 'Coming in'")).toBe(came);
  expect(await counted("select count(*) from leases")).toBe(0);
});
