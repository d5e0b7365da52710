import type { BadInput } from "@/border/problem";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { asJson } from "./as-json";
import type { LookOverOutput } from "./operations/look-over";
import type { PredictOutput } from "./operations/predict";
import { runOperation } from "./run";

const [W, H] = [90, 60];
/** Two discs on a ground: 1 and 2 on 3. */
const labels = Uint16Array.from({ length: W * H }, (_, p) => {
  const [x, y] = [p % W, Math.floor(p / W)];
  if (Math.hypot(x - 25, y - 30) < 18) return 1;
  return Math.hypot(x - 62, y - 30) < 18 ? 2 : 3;
});
const base64 = (data: Uint8Array | Uint16Array) =>
  Buffer.from(data.buffer, data.byteOffset, data.byteLength).toString("base64");
const plane = { width: W, height: H, data: base64(labels) };
const ground = { labels: plane, mmPerPixel: 0.5, order: [1, 2, 3] };
const [paper, inks] = scannedDesk(6, 9);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const byL = [...inks].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]).map((i) => i.code);
const tones = [byL[0]!, byL[2]!, byL[5]!].map((code) => ({ medium: "tone", code, coats: 1 }));
const problems = async (name: string, question: object) =>
  runOperation(name, question).then(
    () => [],
    (e: BadInput) => e.problems.map((p) => p.path),
  );
type Sent = Record<string, { data: string; width: number; height: number }>;
const sent = async (name: string, question: object) =>
  JSON.parse(asJson(await runOperation(name, question))) as Sent & { field: string };

describe("light, tone map and render", () => {
  it("go from labels to values, to tones, to a picture, each a plane in base64", async () => {
    const lit = await sent("light", { ...ground, forms: [{ id: 3, kind: "flat" }] });
    const values = Buffer.from(lit.values!.data, "base64");
    expect(values).toHaveLength(W * H);
    const at = (x: number, y: number) => values[y * W + x]!;
    // Lit from the upper left: dark is 255.
    expect(at(15, 20)).toBeLessThan(at(36, 41));
    expect(at(44, 30)).toBeGreaterThan(at(4, 4));
    const borders = [0, 0.3, 0.7, 1];
    const mapped = await sent("toneMap", {
      ...ground,
      values: lit.values,
      areas: [{ id: 1, borders }],
      outlined: true,
    });
    const zones = Buffer.from(mapped.zones!.data, "base64");
    expect(new Set([...zones].filter((_, p) => labels[p] === 1))).toEqual(new Set([1, 2, 3]));
    const drawn = await sent("render", {
      ...desk,
      ...ground,
      values: lit.values,
      areas: [{ id: 1, layers: tones }],
      texture: 0,
    });
    expect(Buffer.from(drawn.rgba as unknown as string, "base64")).toHaveLength(W * H * 4);
  });
  it("give the same for a field by name as for its bytes, and draw a part as the whole", async () => {
    const { field } = await runOperation("light", ground);
    const question = {
      ...desk,
      field,
      areas: [
        { id: "1", layers: tones },
        { id: "2", layers: tones.slice(0, 2) },
      ],
      texture: 0,
    };
    const whole = await runOperation("render", question);
    const part = await runOperation("render", { ...question, only: ["2"] });
    const [left, top, right] = part.box;
    for (const [x, y] of [
      [62, 30],
      [50, 28],
    ] as const)
      expect([
        ...part.rgba.slice(
          4 * ((y - top) * (right - left) + x - left),
          4 * ((y - top) * (right - left) + x - left) + 3,
        ),
      ]).toEqual([...whole.rgba.slice(4 * (y * W + x), 4 * (y * W + x) + 3)]);
  });
  it("show at a pixel what predict says of its stack", async () => {
    const { field } = await runOperation("light", ground);
    const even = [
      { medium: "shadow", kind: "underlay", code: byL[1]!, coats: 1, place: "all" },
      { medium: "shadow", kind: "overlay", code: byL[3]!, coats: 1, place: "all" },
    ];
    const { rgba } = await runOperation("render", {
      ...desk,
      field,
      areas: [{ id: "1", layers: even }],
      texture: 0,
    });
    const { stacks } = (await runOperation("predict", {
      ...desk,
      stacks: [[byL[1]!, byL[3]!]],
    })) as PredictOutput;
    const p = 4 * (30 * W + 25);
    expect(deltaE00(rgb8ToLab(rgba[p]!, rgba[p + 1]!, rgba[p + 2]!), stacks[0]!.lab)).toBeLessThan(0.5);
  });
  it("lay passes one by one, from bare paper", async () => {
    const { field } = await runOperation("light", ground);
    const at = async (upTo: number | null) => {
      const { rgba, areas } = await runOperation("render", {
        ...desk,
        field,
        areas: [{ id: "1", layers: tones, upTo }],
        texture: 0,
      });
      const p = 4 * (40 * W + 35);
      return { L: rgb8ToLab(rgba[p]!, rgba[p + 1]!, rgba[p + 2]!)[0], passes: areas[0]!.passes.length };
    };
    const bare = await at(0);
    expect(bare.L).toBeCloseTo(paper[0], 0);
    expect(bare.passes).toBeGreaterThan(3);
    expect((await at(1)).L).toBeLessThan(bare.L);
    expect((await at(3)).L).toBeLessThan((await at(1)).L);
    expect((await at(null)).L).toBe((await at(99)).L);
  });
  it("look smaller where that is asked, and keep the size on the sheet", async () => {
    const { values, mmPerPixel } = await runOperation("light", { ...ground, coarser: 3 });
    expect([values.width, values.height, mmPerPixel]).toEqual([30, 20, 1.5]);
  });
  it("take values of a reference in the share that is wished", async () => {
    const data = Buffer.alloc(W * H * 3, 40).toString("base64");
    const reference = { image: { width: W, height: H, channels: 3, data } };
    const { values } = await runOperation("light", { ...ground, reference, light: { fromReference: 1 } });
    const dark = 255 * (1 - rgb8ToLab(40, 40, 40)[0] / 100);
    expect(values.data[30 * W + 25]!).toBeCloseTo(dark, -0.5);
  });
  it("refuse more than can be drawn in reasonable time, before they begin", async () => {
    const line = Array.from({ length: 64 }, (_, i) => [i / 64, 0.5]);
    const creases = Array.from({ length: 60 }, () => line);
    const forms = Array.from({ length: 6 }, (_, i) => ({ id: i + 1, kind: "folded", creases }));
    expect(await problems("light", { ...ground, forms })).toEqual(["forms"]);
    const values = { width: W, height: H, data: Buffer.alloc(W * H).toString("base64") };
    const touches = Array.from({ length: 60 }, () => ({ at: [0.5, 0.5], radius: 200, by: 1 }));
    const areas = [1, 2, 3].map((id) => ({ id, touches }));
    // On this small drawing they are soon done.
    expect(await problems("toneMap", { ...ground, values, areas })).toEqual([]);
  });
  it("say what they cannot use, and where", async () => {
    expect(await problems("light", {})).toEqual(["labels"]);
    expect(await problems("light", { ...ground, labels: { ...plane, data: "AAAA" } })).toEqual([
      "labels.data",
    ]);
    expect(await problems("toneMap", { field: "nobody" })).toEqual(["field"]);
    expect(await problems("toneMap", ground)).toEqual(["values"]);
    expect(
      await problems("render", {
        ...desk,
        ...ground,
        values: { width: 2, height: 2, data: "AAAAAA==" },
        areas: [],
      }),
    ).toEqual(["values"]);
    expect(await problems("light", { ...ground, light: { main: { from: 1e308, height: -1 } } })).toEqual([
      "light.main.from",
      "light.main.height",
    ]);
    expect(await problems("light", { ...ground, forms: [{ id: 1, creases: [[[0, 0]]] }] })).toEqual([
      "forms[0].creases",
    ]);
    expect(
      await problems("toneMap", { ...ground, values: plane, areas: [{ id: 1, borders: [0, 2, 1] }] }),
    ).toContain("areas[0].borders");
    expect(
      await problems("render", {
        ...desk,
        ...ground,
        values: plane,
        areas: [{ id: 1, layers: [{ medium: "tone", code: "nobody", coats: 1 }] }],
      }),
    ).not.toContain("areas[0].layers");
  });
});

it("a colouring is looked over in words: what runs together, what is off, what is too small", async () => {
  const { field } = await runOperation("light", { ...ground, forms: [{ id: 3, kind: "flat", takes: 0 }] });
  const wish = { target: { light: { lab: [95, 0, 5] }, local: { lab: [20, 60, 40] } } };
  const over = (await runOperation("lookOver", {
    ...desk,
    field,
    areas: [
      { id: "1", layers: tones, wish },
      { id: "3", layers: tones },
    ],
    names: [
      { id: 1, name: "Apple" },
      { id: 3, name: "Cloth" },
    ],
    apart: 60,
  })) as LookOverOutput;
  const says = over.noticed.map((n) => n.says);
  expect(says).toContainEqual(expect.stringMatching(/^Apple will come out a different colour/));
  expect(says).toContainEqual(expect.stringMatching(/^Apple and Cloth run together along all/));
  expect(over.areas.find((a) => a.id === "1")!.deltaE00).toBeGreaterThan(8);
  expect(over.areas.find((a) => a.id === "2")).toEqual({ id: "2" });
  expect(over.values.light).toBeGreaterThan(over.values.dark);
});

describe("marks that pass over a picture too often", () => {
  it("are refused before anything is drawn", async () => {
    const mark = { kind: "line", points: Array.from({ length: 64 }, (_, i) => [i % 2, i / 63]), width: 20 };
    const layers = [{ medium: "finish", code: "gel", place: "light", marks: Array(300).fill(mark) }];
    const values = { width: W, height: H, data: base64(new Uint8Array(W * H)) };
    const question = { ...desk, labels: plane, mmPerPixel: 0.5, values, areas: [{ id: 1, layers }] };
    expect(await problems("render", question)).toEqual(["areas"]);
    const few = [{ ...layers[0], marks: [{ ...mark, points: [[0.3, 0.5]], width: 2 }] }];
    expect(await problems("render", { ...question, areas: [{ id: 1, layers: few }] })).toEqual([]);
  });
});

describe("a form whose sides are alike", () => {
  it("has alike zones on both sides under light from above", async () => {
    const [width, height] = [300, 240];
    const faces = Uint16Array.from({ length: width * height }, (_, p) => {
      const [x, y] = [Math.abs((p % width) - 149.5), Math.floor(p / width) - 120];
      const side = p % width < 150 ? 0 : 1;
      if (Math.hypot(x - 28, y + 18) < 10) return 2 + side;
      if (Math.hypot(x / 75, y / 95) < 1) return 1;
      if (Math.hypot((x - 96) / 28, (y + 8) / 40) < 1 && Math.hypot(x / 75, y / 95) > 1.03) return 4 + side;
      return 0;
    });
    const drawn = {
      labels: { width, height, data: base64(faces) },
      mmPerPixel: 0.3,
      order: [2, 3, 1, 4, 5],
    };
    for (const kind of ["ball", "folded", "tube"]) {
      const ids = [1, 2, 3, 4, 5];
      const main = { from: 0, height: 45, behind: false, strength: 1 };
      const { values } = await sent("light", {
        ...drawn,
        forms: ids.map((id) => ({ id, kind })),
        light: { main },
      });
      const areas = ids.map((id) => ({ id, borders: [0, 0.25, 0.5, 0.75, 1] }));
      const { zones } = await sent("toneMap", { ...drawn, values, areas });
      const data = Buffer.from(zones!.data, "base64");
      let [seen, unlike] = [0, 0];
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width / 2; x++) {
          const [p, q] = [y * width + x, (y + 1) * width - 1 - x];
          if (!faces[p] || !faces[q]) continue;
          seen++;
          if (data[p] !== data[q]) unlike++;
        }
      expect(new Set(data).size).toBeGreaterThan(3);
      expect(unlike / seen).toBeLessThan(0.03);
    }
  });
});
