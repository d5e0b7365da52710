import { thingsOf } from "./views";
import sharp from "sharp";
import { randomUUID } from "node:crypto";
import { request as http } from "node:http";
import { expect, test } from "./test";
import { malformedRequest, routesOnDisk } from "@/fixtures/malformed";
import { seeded } from "@/sim/random";

const ID = "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10";
const routes = routesOnDisk().map(
  ([method, url]) =>
    [method, url.replace("[id]", ID).replace("[name]", "predict").replace("[code]", "x")] as const,
);
const writes = routes.filter(([method]) => method !== "GET");

/** A request with headers that a browser or a client library would not let one set. */
const raw = (method: string, path: string, headers: Record<string, string>, body = "{}"): Promise<number> => {
  const { hostname, port } = new URL(process.env.BLENDT_URL!);
  const length: Record<string, string> = method === "GET" ? {} : { "content-length": String(body.length) };
  return new Promise((resolve, reject) => {
    const sent = http({ hostname, port, method, path, headers: { ...headers, ...length } }, (answer) => {
      answer.resume();
      resolve(answer.statusCode!);
    });
    sent.on("error", reject);
    sent.end(method === "GET" ? undefined : body);
  });
};

test("there is something to walk", () => {
  expect(routes.length).toBeGreaterThan(25);
  expect(writes.length).toBeGreaterThan(18);
});

test("no handler writes for a page of another origin", async () => {
  const own = new URL(process.env.BLENDT_URL!).host;
  for (const [method, path] of writes)
    for (const headers of [
      { origin: "http://elsewhere.example", "content-type": "application/json" },
      { origin: "null", "content-type": "application/json" },
      { "sec-fetch-site": "cross-site", "content-type": "application/json" },
      { "sec-fetch-site": "same-site", origin: `http://${own}`, "content-type": "application/json" },
      { origin: `https://${own}.elsewhere.example`, "content-type": "multipart/form-data; boundary=x" },
    ])
      expect(
        await raw(method, path, headers as Record<string, string>),
        `${method} ${path} ${JSON.stringify(headers)}`,
      ).toBe(403);
});

test("no page and no handler answers to a name that is not its own", async () => {
  for (const host of [
    "elsewhere.example",
    "localhost.elsewhere.example",
    "127.0.0.1.nip.example",
    "[::2]",
    "studio",
  ])
    for (const [method, path] of [...routes, ["GET", "/"], ["GET", "/rack"]] as const)
      expect(
        await raw(method, path, { host, "content-type": "application/json" }),
        `${host} ${method} ${path}`,
      ).toBe(421);
});

test("bodies of another type are not read", async () => {
  for (const [method, path] of writes.filter(
    ([m, p]) => (m !== "DELETE" || ["/api/rack", "/api/studio"].includes(p)) && !/demo$|copy$/.test(p),
  ))
    for (const type of ["text/plain", "application/x-www-form-urlencoded", "application/json+x"])
      expect(await raw(method, path, { "content-type": type }), `${method} ${path} ${type}`).toBe(415);
});

test("every page says what it may load, and is in nobody's frame", async ({ request, page }) => {
  expect((await request.get("/api/groups")).headers()).toMatchObject({
    "x-content-type-options": "nosniff",
    "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  });
  for (const path of ["/", "/rack", "/swatchbook", "/groups"]) {
    const headers = (await request.get(path)).headers();
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["referrer-policy"]).toBe("same-origin");
    expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
    expect(headers["content-security-policy"]).toContain("frame-ancestors 'none'");
  }
  const refused: string[] = [];
  page.on("console", (m) => /Content Security Policy/.test(m.text()) && refused.push(m.text()));
  await page.goto("/rack");
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
  expect(refused).toEqual([]);
});

test("a body that never ends is cut off while it comes", async () => {
  const { hostname, port } = new URL(process.env.BLENDT_URL!);
  const sent = http({
    hostname,
    port,
    method: "POST",
    path: "/api/pieces",
    headers: { "content-type": "application/json" },
  });
  const status = new Promise<number>((resolve) => {
    sent.on("response", (answer) => {
      answer.resume();
      resolve(answer.statusCode!);
    });
    sent.on("error", () => resolve(0));
  });
  const piece = Buffer.alloc(1024 * 1024, 0x20);
  let megabytes = 0;
  for (; megabytes < 40 && !sent.destroyed; megabytes++) {
    if (!sent.write(piece)) await Promise.race([new Promise((r) => sent.once("drain", r)), status]);
    if (
      await Promise.race([status.then(() => true), new Promise<false>((r) => setTimeout(() => r(false), 5))])
    )
      break;
  }
  expect(await status).toBe(413);
  sent.destroy();
});

test("malformed requests over all handlers and operations are refused in words, and quickly", async ({
  request,
}) => {
  const random = seeded(20);
  for (let i = 0; i < 400; i++) {
    // On this server nobody has an account; bench/malformed.ts goes through those routes on one of its own.
    const { method, url, headers, body } = malformedRequest(
      routesOnDisk().filter(([, at]) => !/people|session|recovery|password|join|studio/.test(at)),
      random,
    );
    const start = Date.now();
    const answer = await request.fetch(url, {
      method,
      headers,
      ...(body !== undefined && { data: Buffer.from(body) }),
    });
    const what = `${method} ${url} ${body?.slice(0, 200)}`;
    expect(answer.status(), what).toBeLessThan(500);
    expect(Date.now() - start, what).toBeLessThan(30_000);
    if (answer.status() === 422) {
      const { problems } = (await answer.json()) as { problems: { expected: string }[] };
      for (const p of problems) expect(p.expected, what).not.toMatch(/must be|should not|Unexpected token/);
    }
  }
});

test("pages are made while others compute", async ({ request }) => {
  const inks = Array.from({ length: 60 }, (_, i) => ({
    code: `ink${i}`,
    coats: [`#${(0x303030 + i * 0x020107).toString(16).slice(0, 6)}`],
  }));
  const heavy = Array.from({ length: 3 }, (_, i) =>
    request
      .post("/api/compute/group", {
        data: { paper: { color: "#f4f5ec" }, inks, target: { lab: [60, 10 + i, 15] }, tones: 4, top: 5 },
        timeout: 60_000,
      })
      .catch(() => undefined),
  );
  const took: number[] = [];
  for (let i = 0; i < 12; i++) {
    const start = Date.now();
    expect((await request.get("/api/health")).status()).toBe(200);
    took.push(Date.now() - start);
  }
  expect(took.sort((a, b) => a - b)[Math.floor(took.length * 0.9)]).toBeLessThan(4000);
  await Promise.all(heavy);
});

test("a picture comes in the sizes in which it is looked at, and in no other", async ({ request, page }) => {
  const { kite } = await thingsOf(page);
  const { document } = (await (await request.get(`/api/pieces/${kite}`)).json()) as {
    document: { pictureId: string };
  };
  const path = `/api/pictures/${document.pictureId}`;
  const [whole, small] = await Promise.all([request.get(path), request.get(`${path}?width=320`)]);
  expect(small.headers()["content-type"]).toBe("image/webp");
  expect((await small.body()).length).toBeLessThan((await whole.body()).length / 4);
  expect((await sharp(await small.body()).metadata()).width).toBe(320);
  for (const width of ["", "321", "1e308", "-1", "%00", "<b>", "320&width=640", "9".repeat(3000)]) {
    const refused = await request.get(`${path}?width=${width}`);
    expect(refused.status(), width.slice(0, 20)).toBe(422);
    expect(((await refused.json()) as { message: string }).message).toMatch(/^width: expected/);
  }
  expect((await request.get(`/api/pictures/${randomUUID()}?width=320`)).status()).toBe(404);
});

test("where a marker is used is asked by its code", async ({ request }) => {
  const uses = async (code: string) => {
    const answer = await request.get(`/api/rack/uses?code=${code}`);
    return [answer.status(), (await answer.json()) as unknown] as const;
  };
  const [status, found] = await uses("rust3m");
  expect([status, (found as { area: string }[]).map((u) => u.area)]).toEqual([
    200,
    expect.arrayContaining(["Skin"]),
  ]);
  expect(await uses("nobody")).toEqual([200, []]);
  for (const code of ["", "%00", "a".repeat(5000), "a&code=b"])
    expect(await uses(code)).toEqual([
      422,
      expect.objectContaining({ message: expect.stringMatching(/^code: /) as unknown }),
    ]);
});

test("addresses that cannot be read, and what the router would fail at, are refused in our words", async ({
  request,
}) => {
  for (const path of ["/pieces/%ff", "/api/pieces/%ff", "/shared/%e0%a4", "/%"]) {
    const answer = await request.get(path);
    expect(answer.status(), path).toBe(400);
    expect(answer.headers()["content-security-policy"]).toContain("default-src 'none'");
    expect(await answer.text()).toContain("This address cannot be read.");
  }
  for (const state of ["%%%", "garbage", "{}", "[1,2]", `["",${"[".repeat(5000)}`]) {
    const answer = await request.get("/rack", { headers: { rsc: "1", "next-router-state-tree": state } });
    expect(answer.status(), state.slice(0, 20)).toBe(400);
  }
  const deep = await request.post("/api/compute/match", {
    headers: { "content-type": "application/json" },
    data: Buffer.from(`${'{"target":'.repeat(20_000)}1${"}".repeat(20_000)}`),
  });
  expect(deep.status()).toBe(422);
  const named = await request.post("/api/pictures", {
    multipart: {
      picture: { name: `a\u0000${"é".repeat(300)}.png`, mimeType: "image/png", buffer: Buffer.from("x") },
    },
  });
  expect(named.status()).toBe(422);
});
