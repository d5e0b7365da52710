import { expect, test } from "./test";

const tones = [
  { code: "clay1c", coats: 1 },
  { code: "clay5m", coats: 2 },
];

test.describe("kept groups over HTTP", () => {
  test("are added, and replaced by name", async ({ request }) => {
    const name = `Api ${Date.now()}`;
    const added = await request.post("/api/groups", {
      data: { name, tones, tags: ["test"], material: "skin" },
    });
    expect(added.status()).toBe(201);
    expect(await added.json()).toEqual({ added: 1, replaced: 0 });

    const again = await request.post("/api/groups", {
      data: { name, tones: [...tones].reverse(), notes: "second time" },
    });
    expect(await again.json()).toEqual({ added: 0, replaced: 1 });

    const file = (await (await request.get("/api/groups")).json()) as {
      format: string;
      version: number;
      groups: { name: string; notes: string }[];
    };
    expect(file).toMatchObject({ format: "blendt-groups", version: 1 });
    expect(file.groups.filter((g) => g.name === name)).toEqual([
      expect.objectContaining({ notes: "second time" }),
    ]);
    expect(file.groups.every((g) => !("id" in g))).toBe(true);
  });

  test("name every wrong field and change nothing", async ({ request }) => {
    const before = await (await request.get("/api/groups")).text();
    const refused = await request.post("/api/groups", {
      data: { format: "blendt-groups", version: 1, groups: [{ name: "", tones: [{ code: "", coats: 9 }] }] },
    });
    expect(refused.status()).toBe(422);
    const { problems } = (await refused.json()) as { problems: { path: string }[] };
    expect(problems.map((p) => p.path)).toEqual(
      expect.arrayContaining(["groups[0].name", "groups[0].tones"]),
    );
    expect(
      (
        await request.post("/api/groups", {
          data: JSON.stringify("not an object"),
          headers: { "content-type": "application/json" },
        })
      ).status(),
    ).toBe(422);
    expect(await (await request.get("/api/groups")).text()).toBe(before);
  });

  test("that do not exist are said not to", async ({ request }) => {
    for (const id of ["nonsense", "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10"]) {
      expect((await request.patch(`/api/groups/${id}`, { data: { notes: "x" } })).status()).toBe(404);
      expect((await request.delete(`/api/groups/${id}`)).status()).toBe(404);
    }
  });
});

test.describe("planning over HTTP", () => {
  const desk = {
    paper: { color: "#f4f5ec" },
    inks: [
      { code: "sand2m", coats: ["#ece0c8"] },
      { code: "sand5m", coats: ["#cdb690"] },
      { code: "bark6m", coats: ["#8d7560"] },
      { code: "plum5m", coats: ["#94739f"] },
      { code: "soot7c", coats: ["#565457"] },
    ],
  };

  test("answers the six new operations", async ({ request }) => {
    const post = async (name: string, input: object) => {
      const answer = await request.post(`/api/compute/${name}`, { data: { ...desk, ...input } });
      expect(answer.status(), name).toBe(200);
      return answer.json();
    };
    const group = desk.inks.slice(0, 3).map(({ code }) => ({ code, coats: 1 }));
    expect((await post("schools", { tones: group })).schools).toHaveLength(6);
    expect((await post("shadow", { cover: group.slice(0, 2), depth: 10 })).shadows.length).toBeGreaterThan(0);
    expect(
      (await post("planPiece", { areas: [{ id: "a", target: "#cdb690", tones: 3 }] })).areas,
    ).toHaveLength(1);
    expect(
      (await post("substituteGroup", { tones: ["#ece0c8", "#8d7560"], among: desk.inks.map((i) => i.code) }))
        .groups.length,
    ).toBeGreaterThan(0);
    expect((await post("neutralPairs", {})).pairs).toBeInstanceOf(Array);
    const pencils = [
      { code: "white", white: "#f4f3f0", black: "#c9c8c6" },
      { code: "brown", white: "#7c5a44", black: "#5c4434" },
    ];
    const plan = await post("pencilPlan", {
      pencils,
      light: "#ece0c8",
      local: "#b59a74",
      shadow: "#6f5a48",
      values: 5,
    });
    expect(plan.steps).toHaveLength(5);
  });

  test("refuses what it cannot use, field by field", async ({ request }) => {
    const refused = await request.post("/api/compute/planPiece", {
      data: { ...desk, areas: [{ id: "a", target: "red", tones: 9 }], limit: 1 },
    });
    expect(refused.status()).toBe(422);
    const { problems } = (await refused.json()) as { problems: { path: string }[] };
    expect(problems.map((p) => p.path)).toEqual(
      expect.arrayContaining(["areas[0].target", "areas[0].tones", "limit"]),
    );
  });
});
