import { pdfPages } from "@/fixtures/pdf-pages";
import { randomUUID } from "node:crypto";
import type { APIRequestContext } from "@playwright/test";
import { expect, test } from "./test";
import sharp from "sharp";

interface Refusal {
  readonly message: string;
  readonly problems?: readonly { readonly path: string; readonly expected: string }[];
}

const paperOf = async (request: APIRequestContext): Promise<string> => {
  const page = await (await request.get("/swatchbook")).text();
  return /\/swatchbook\/([0-9a-f-]{36})/.exec(page)![1]!;
};

/** Every route that takes a document, with something that is wrong in it and the field that is to be named. */
const wrong: readonly (readonly [
  method: "post" | "put" | "patch" | "delete",
  url: string,
  data: unknown,
  field: string,
])[] = [
  ["post", "/api/papers", { name: "Card", color: "white", capacity: 4 }, "color"],
  ["post", "/api/papers", { name: " ", color: "#ffffff", capacity: 4 }, "name"],
  ["post", "/api/pieces", { version: 9 }, "version"],
  ["post", "/api/ranges", { name: "A", families: "clay", key: null, homes: {} }, "families"],
  ["post", "/api/groups", { name: "A", tones: [] }, "tones"],
  ["post", "/api/rack", { rangeId: randomUUID(), rows: [{ code: "a" }] }, "rangeId"],
  ["patch", "/api/rack", { changes: [{ code: "nobody at all", set: { owned: true } }] }, "changes"],
  ["delete", "/api/rack", { codes: [] }, "codes"],
  [
    "post",
    "/api/charts",
    { paperId: randomUUID(), title: "A", sheet: "A4", lines: [{ label: "a", cells: [{ stack: ["a"] }] }] },
    "paperId",
  ],
  ["post", "/api/scans", { chartId: randomUUID(), pictureId: randomUUID(), result: {} }, "result.serial"],
  ["post", "/api/trials", { paperId: randomUUID(), stack: ["a"], predicted: "#808080" }, "paperId"],
  [
    "post",
    "/api/compute/match",
    { paper: { color: "#ffffff" }, inks: [], target: "#808080", search: "exhaustive" },
    "",
  ],
];

test.describe("pictures and sheets to trace", () => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><rect id="roof" x="4" y="4" width="20" height="20"/></svg>';
  const drawing = { name: "roof.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) };
  const sheet = {
    name: "Roof",
    sheetWidth: 100,
    sheetHeight: 80,
    width: 60,
    height: 45,
    left: 20,
    top: 17,
    mirrored: false,
  };
  const png = () =>
    sharp({ create: { width: 40, height: 30, channels: 3, background: "#fff" } })
      .png()
      .toBuffer();

  test("a drawing in SVG is kept with its names and never sent back as it came", async ({ request }) => {
    const { id } = (await (
      await request.post("/api/pictures", { multipart: { picture: drawing } })
    ).json()) as { id: string };
    const facts = (await (await request.get(`/api/pictures/${id}/facts`)).json()) as {
      names: { name: string; at: number[][] }[];
    };
    expect(facts.names).toEqual([{ name: "Roof", at: [[expect.closeTo(0.35, 1), expect.closeTo(0.47, 1)]] }]);
    const sent = await request.get(`/api/pictures/${id}`);
    expect(sent.headers()["content-type"]).toBe("image/png");
    expect((await sent.body()).subarray(1, 4).toString()).toBe("PNG");
    const loose = (await (await request.get("/api/pictures")).json()) as { id: string }[];
    expect(loose.map((p) => p.id)).toContain(id);
    expect((await request.get(`/api/pictures/${randomUUID()}/facts`)).status()).toBe(404);
  });

  test("scripts in SVG are not drawn, and what is no SVG is refused", async ({ request }) => {
    const send = (text: string) =>
      request.post("/api/pictures", { multipart: { picture: { ...drawing, buffer: Buffer.from(text) } } });
    expect((await send(svg.replace("<rect", "<script>fetch('/')</script><rect"))).status()).toBe(201);
    expect((await send("<svg><svg")).status()).toBe(422);
    expect((await send("<svg xmlns='http://www.w3.org/2000/svg'>\0</svg>")).status()).toBe(422);
  });

  test("a sheet to trace is in true size, and names the field that is wrong", async ({ request }) => {
    const white = await png();
    const ask = (said: unknown, buffer = white) =>
      request.post("/api/tracing", {
        multipart: {
          picture: { name: "line.png", mimeType: "image/png", buffer },
          sheet: typeof said === "string" ? said : JSON.stringify(said),
        },
      });
    const good = await ask(sheet);
    expect(good.headers()["content-type"]).toBe("application/pdf");
    expect((await good.body()).toString("latin1")).toMatch(/MediaBox \[0 0 283\.46\d* 226\.77\d*\]/);
    const problem = async (answer: Awaited<ReturnType<typeof ask>>) => {
      expect(answer.status()).toBe(422);
      return ((await answer.json()) as Refusal).problems![0]!.path;
    };
    const large = await ask({ ...sheet, sheetWidth: 420, sheetHeight: 594, pages: "A4" });
    const { sizes, lines } = pdfPages(await large.body());
    expect(sizes.length).toBeGreaterThan(4);
    for (const size of sizes) expect(size.map(Math.round).sort()).toEqual([595, 842]);
    for (const line of lines) expect(line).toBe(1);
    expect(await problem(await ask({ ...sheet, pages: "A5" }))).toBe("pages");
    expect(await problem(await ask({ ...sheet, sheetWidth: 2000, sheetHeight: 2000, pages: "A4" }))).toBe(
      "sheetWidth",
    );
    expect(await problem(await ask({ ...sheet, width: 1e9 }))).toBe("width");
    expect(await problem(await ask("{"))).toBe("sheet");
    expect(await problem(await ask(sheet, Buffer.from("x")))).toBe("picture");
    expect((await request.post("/api/tracing", { data: sheet })).status()).toBe(415);
  });
});

test.describe("what comes in over HTTP", () => {
  for (const [method, url, data, field] of wrong.slice(0, -1))
    test(`${method} ${url} names ${field}`, async ({ request }) => {
      const answer = await request[method](url, { data });
      expect(answer.status()).toBe(422);
      const { problems, message } = (await answer.json()) as Refusal;
      expect(problems!.map((p) => p.path)).toContain(field);
      expect(message).toContain("expected");
    });

  test("every stack may be tried for a few inks, and is left to the command line for many", async ({
    request,
  }) => {
    const desk = (count: number) => ({
      paper: { color: "#f4f5ec" },
      inks: Array.from({ length: count }, (_, i) => ({
        code: `ink${i}`,
        coats: [`#${(0x505050 + 0x050301 * i).toString(16)}`],
      })),
      target: "#908070",
      maxInks: 1,
      search: "exhaustive",
    });
    expect((await request.post("/api/compute/match", { data: desk(12) })).status()).toBe(200);
    const many = await request.post("/api/compute/match", { data: desk(25) });
    expect(many.status()).toBe(422);
    expect(((await many.json()) as Refusal).problems![0]!.path).toBe("search");
  });

  test("what is no JSON, too long or deep is refused before anything looks at it", async ({ request }) => {
    const post = (data: string) =>
      request.post("/api/pieces", { data, headers: { "content-type": "application/json" } });
    expect((await post("{")).status()).toBe(422);
    expect((await post(`"${"x".repeat(9 * 1024 * 1024)}"`)).status()).toBe(413);
    const deep = await post(`${"[".repeat(5000)}${"]".repeat(5000)}`);
    expect(deep.status()).toBe(422);
    expect(((await deep.json()) as Refusal).message).toContain("levels");
    expect((await post('{"name":"a\\u0000b"}')).status()).toBe(422);
    expect((await post('{"__proto__":{"version":3}}')).status()).toBe(422);
  });

  test("queries are documents too", async ({ request }) => {
    for (const [url, field] of [
      ["/api/rack", "format"],
      ["/api/rack?format=exe", "format"],
      ["/api/rack?format=csv&format=gpl", "format"],
      ["/api/rack?format=csv&paper=mine", "paper"],
      ["/api/rack?format=csv&colour=red", "colour"],
    ] as const) {
      const answer = await request.get(url);
      expect(answer.status(), url).toBe(422);
      expect(((await answer.json()) as Refusal).problems!.map((p) => p.path)).toContain(field);
    }
    expect((await request.get(`/api/rack?format=csv&paper=${randomUUID()}`)).status()).toBe(404);
  });

  test("an id that is nobody's, or no id at all, is not there", async ({ request }) => {
    for (const id of [randomUUID(), "nonsense", "1", "%00", "..%2f..%2fetc"])
      for (const [method, url, data] of [
        ["get", `/api/pieces/${id}`, undefined],
        ["delete", `/api/pieces/${id}`, undefined],
        ["get", `/api/papers/${id}`, undefined],
        ["patch", `/api/papers/${id}`, { notes: "x" }],
        ["get", `/api/papers/${id}/readings`, undefined],
        [
          "post",
          `/api/papers/${id}/readings`,
          { readings: [{ stack: ["a"], color: "#808080", source: "hand" }] },
        ],
        ["patch", `/api/readings/${id}`, { excluded: true }],
        ["patch", `/api/blends/${id}`, { excluded: true }],
        ["put", `/api/ranges/${id}`, { name: "A", families: [], key: null, homes: {} }],
        ["patch", `/api/trials/${id}`, { note: "x" }],
        ["delete", `/api/trials/${id}`, undefined],
        ["patch", `/api/scans/${id}`, { decisions: [] }],
        ["delete", `/api/scans/${id}`, undefined],
        ["delete", `/api/groups/${id}`, undefined],
        ["get", `/api/pictures/${id}`, undefined],
        ["get", `/api/charts/${id}/pdf`, undefined],
      ] as const)
        expect((await request[method](url, { data })).status(), `${method} ${url}`).toBe(404);
  });

  test("a change that changes nothing, and a name that is taken, are said", async ({ request }) => {
    const paper = await paperOf(request);
    const nothing = await request.patch(`/api/papers/${paper}`, { data: {} });
    expect(nothing.status()).toBe(422);
    const taken = { name: `Taken ${Date.now()}`, color: "#f0f0f0", capacity: 4 };
    const made = await request.post("/api/papers", { data: taken });
    expect(made.status()).toBe(201);
    expect(await made.json()).toMatchObject({ light: "D65", grain: null, finish: "" });
    const again = await request.post("/api/papers", { data: taken });
    expect(again.status()).toBe(422);
    expect(((await again.json()) as Refusal).problems).toEqual([
      { path: "name", expected: expect.stringContaining("another paper is called") },
    ]);
    const range = { name: `Range ${Date.now()}`, families: [], key: null, homes: {} };
    expect((await request.post("/api/ranges", { data: range })).status()).toBe(201);
    expect((await request.post("/api/ranges", { data: range })).status()).toBe(422);
  });

  test("a paper's light is kept, and only one that is known", async ({ request }) => {
    const { id } = (await (
      await request.post("/api/papers", {
        data: { name: `Lit ${Date.now()}`, color: "#f0f0f0", capacity: 4, light: "A" },
      })
    ).json()) as { id: string };
    const rack = (await (await request.get(`/api/papers/${id}`)).json()) as { paper: { light: string } };
    expect(rack.paper.light).toBe("A");
    expect((await request.patch(`/api/papers/${id}`, { data: { light: "C" } })).status()).toBe(422);
    expect(await (await request.patch(`/api/papers/${id}`, { data: { light: "D50" } })).json()).toMatchObject(
      {
        light: "D50",
      },
    );
  });

  test("rows that come in at the same time, in whatever order, wait for each other", async ({ request }) => {
    const name = `Parallel ${Date.now()}`;
    const { id: rangeId } = (await (
      await request.post("/api/ranges", { data: { name, families: [], key: null, homes: {} } })
    ).json()) as { id: string };
    const codes = Array.from({ length: 300 }, (_, i) => `par${i}`);
    const bring = (list: readonly string[], place: string) =>
      request.post("/api/rack", {
        // Rows that say different things are different statements: this is what made them wait for each other for ever.
        data: {
          rangeId,
          rows: list.map((code, i) => ({ code, family: "par", ...(i % 2 ? { place } : { name: place }) })),
        },
      });
    const answers = await Promise.all([
      bring(codes, "a"),
      bring([...codes].reverse(), "b"),
      bring(codes, "c"),
      request.patch("/api/rack", { data: { changes: [{ code: "clay1c", set: { notes: "x" } }] } }),
      bring([...codes].reverse(), "d"),
    ]);
    expect(answers.map((a) => a.status())).toEqual([200, 200, 200, 200, 200]);
    const added = await Promise.all(
      [0, 1, 2, 4].map(async (i) => ((await answers[i]!.json()) as { added: number }).added),
    );
    expect(added.sort((a, b) => a - b)).toEqual([0, 0, 0, 300]);
    const twice = await request.post("/api/rack", {
      data: { rangeId, rows: [{ code: "par1" }, { code: "par2" }, { code: "par1" }] },
    });
    expect(twice.status()).toBe(422);
    expect(((await twice.json()) as Refusal).problems![0]!.path).toBe("rows[2].code");
    expect((await request.delete("/api/rack", { data: { codes } })).status()).toBe(204);
  });

  test("a file of as many readings as are taken is taken", async ({ request }) => {
    const { id } = (await (
      await request.post("/api/papers", {
        data: { name: `Many ${Date.now()}`, color: "#f0f0f0", capacity: 4 },
      })
    ).json()) as { id: string };
    const readings = Array.from({ length: 20_000 }, (_, i) => ({
      stack: [`ink${i}`],
      color: { lab: [50 + (i % 40), 0, 0] },
      source: "colorimeter",
      spread: 0.1,
    }));
    // The most that is taken, on a machine that may be busy.
    const answer = await request.post(`/api/papers/${id}/readings`, { data: { readings }, timeout: 90_000 });
    expect(answer.status()).toBe(201);
    expect(await answer.json()).toMatchObject({ added: 20_000 });
    const more = await request.post(`/api/papers/${id}/readings`, {
      data: { readings: [...readings, readings[0]] },
    });
    expect(more.status()).toBe(422);
  });

  test("a rack opens in a spreadsheet as text, whatever lines its cells have", async ({ request }) => {
    const notes = "=1+1\n@cmd";
    await request.patch("/api/rack", { data: { changes: [{ code: "clay2c", set: { notes } }] } });
    const csv = await (await request.get("/api/rack?format=csv")).text();
    expect(csv).toContain(`"'=1+1`);
    expect(csv).not.toMatch(/(^|,)"?=/m);
    await request.patch("/api/rack", { data: { changes: [{ code: "clay2c", set: { notes: "" } }] } });
  });

  test("an opened desk is named by its handle", async ({ request }) => {
    const desk = { paper: { color: "#f4f5ec" }, inks: [{ code: "a", coats: ["#ecd0c0"] }] };
    const { desk: handle } = (await (await request.post("/api/compute/open", { data: desk })).json()) as {
      desk: string;
    };
    const answer = await request.post("/api/compute/predict", { data: { desk: handle, stacks: [["a"]] } });
    expect(((await answer.json()) as { stacks: { hex: string }[] }).stacks[0]!.hex).toBe("#ecd0c0");
    const unknown = await request.post("/api/compute/predict", { data: { desk: "nobody", stacks: [] } });
    expect(unknown.status()).toBe(422);
    expect(((await unknown.json()) as Refusal).problems![0]!.path).toBe("desk");
  });
});
