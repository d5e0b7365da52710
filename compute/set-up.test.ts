import { type BadInput } from "@/border/problem";
import { box, drawnLines, printed } from "@/fixtures/drawings";
import { deltaE00 } from "@/core/colour/delta-e00";
import { neutralGains } from "@/core/picture/balance";
import { rgb8ToLab } from "@/core/colour/display";
import { asJson } from "./as-json";
import { runOperation } from "./run";
import type { AreasOutput } from "./operations/areas";
import type { ReadAreasOutput } from "./operations/read-areas";
import type { SetUpOutput } from "./operations/set-up";

const base64 = (data: Uint8Array | Uint8ClampedArray) => Buffer.from(data).toString("base64");
const art = drawnLines(240, 120, [...box(20, 20, 200, 80), [120, 20, 120, 80], [120, 92, 120, 100]], 3);
const picture = printed(art, [250, 250, 250], [20, 20, 20]);
const image = { width: 240, height: 120, channels: 3, data: base64(picture.data) };

/** As an answer comes over the wire. */
const sent = async <T>(name: string, question: object): Promise<T> =>
  JSON.parse(asJson(await runOperation(name, question))) as T;
type Sent<T> = {
  [K in keyof T]: T[K] extends { data: unknown } ? { width: number; height: number; data: string } : T[K];
};

const problems = async (name: string, question: object) =>
  runOperation(name, question).then(
    () => [],
    (e: BadInput) => e.problems.map((p) => p.path),
  );

describe("the operations that set a drawing up", () => {
  it("give planes of bytes in base64: line, then labels of 16 bits", async () => {
    const { coverage } = await sent<{ coverage: { width: number; height: number; data: string } }>("line", {
      image,
      kind: "drawn",
    });
    expect(Buffer.from(coverage.data, "base64")).toHaveLength(240 * 120);
    const found = await sent<Sent<AreasOutput>>("areas", {
      line: coverage,
      mmPerPixel: 0.5,
      gap: 7,
      speck: 1,
    });
    const labels = Buffer.from(found.labels.data, "base64");
    expect(labels).toHaveLength(2 * 240 * 120);
    const at = (x: number, y: number) => labels.readUInt16LE(2 * (y * 240 + x));
    expect(found.areas).toHaveLength(3);
    expect(at(60, 60)).not.toBe(at(180, 60));
    const left = found.areas.find((a) => a.id === at(60, 60))!;
    expect(left.mm2).toBeGreaterThan(100 * 80 * 0.25 * 0.95);
    expect(left.outside).toBe(false);
    expect(left.touches.map((t) => t.id).sort()).toEqual([at(2, 2), at(180, 60)].sort());
    expect(found.gaps).toBe(1);
  });

  it("read what a reference shows of each area", async () => {
    const LEFT = [220, 150, 120],
      RIGHT = [90, 130, 160];
    const coloured = Uint8Array.from(picture.data);
    for (let y = 22; y < 99; y++)
      for (let x = 22; x < 219; x++)
        if (!art.data[y * 240 + x]) coloured.set(x < 120 ? LEFT : RIGHT, 3 * (y * 240 + x));
    const line = { width: 240, height: 120, data: base64(art.data) };
    const { labels } = await sent<Sent<AreasOutput>>("areas", { line, mmPerPixel: 0.5, gap: 7 });
    const { areas } = await sent<ReadAreasOutput>("readAreas", {
      image: { ...image, data: base64(coloured) },
      labels,
    });
    const near = (rgb: readonly number[]) =>
      areas.some((a) => a.local && deltaE00(a.local.lab, rgb8ToLab(rgb[0]!, rgb[1]!, rgb[2]!)) < 1);
    expect(near(LEFT)).toBe(true);
    expect(near(RIGHT)).toBe(true);
  });

  it("set a whole drawing up in one answer", async () => {
    const found: SetUpOutput = await runOperation("setUp", {
      image,
      kind: "drawn",
      width: 120,
      gap: 5,
      claims: [
        { id: "left", at: [[0.25, 0.5]] },
        { id: "also left", at: [[0.3, 0.5]] },
      ],
      hints: [{ name: "Right room", at: [[0.75, 0.5]] }],
    });
    expect(found.areas.map((a) => a.id)).toEqual(["left"]);
    expect(found.lost).toEqual([{ id: "also left", to: ["left"] }]);
    expect(found.regions.find((r) => r.name === "Right room")!.mm2).toBeGreaterThan(1800);
    expect(found.regions.every((r) => /^M[\d .LMZ]+Z$/.test(r.path))).toBe(true);
    expect(found.mmPerPixel).toBe(0.5);
    const again: SetUpOutput = await runOperation("setUp", {
      image,
      kind: "drawn",
      width: 120,
      gap: 5,
      coarser: 2,
    });
    expect(again.regions).toHaveLength(found.regions.length);
    expect(again.width).toBe(120);
  });

  it("say which field is wrong", async () => {
    expect(await problems("line", { image: { ...image, data: "AAAA" }, kind: "drawn" })).toEqual([
      "image.data",
    ]);
    expect(await problems("line", { image: { picture: "nobody's" }, kind: "drawn" })).toEqual([
      "image.picture",
    ]);
    expect(await problems("line", { image, kind: "etched" })).toEqual(["kind"]);
    expect(
      await problems("areas", { line: { width: 2, height: 2, data: "AAAAAA==" }, mmPerPixel: 0 }),
    ).toEqual(["mmPerPixel"]);
    expect(
      await problems("setUp", { image, kind: "drawn", width: 1e308, corners: [[0, 0]], cuts: [{}] }),
    ).toEqual(["corners", "width", "cuts[0].points", "cuts[0].closed", "cuts[0].curved"]);
    expect(await problems("readAreas", { image, labels: { width: 4, height: 4, data: "AAAA" } })).toEqual([
      "labels.data",
    ]);
    expect(await problems("readAreas", { image, drawing: "put away" })).toEqual(["drawing"]);
    expect(await problems("readAreas", { image })).toEqual(["labels"]);
  });

  it("read a patch of a picture whose light was set right", async () => {
    const tinted = Buffer.from(
      Array.from({ length: 16 * 16 * 3 }, (_, i) => [200, 160, 110][i % 3]!),
    ).toString("base64");
    const question = {
      image: { width: 16, height: 16, rgb: tinted },
      box: { x: 0, y: 0, width: 1, height: 1 },
    };
    const { lab, levels } = await runOperation("readPatch", question);
    expect(Math.hypot(lab[1], lab[2])).toBeGreaterThan(20);
    const set = await runOperation("readPatch", { ...question, gains: neutralGains(levels) });
    expect(Math.hypot(set.lab[1], set.lab[2])).toBeLessThan(1);
    expect(Math.abs(set.lab[0] - lab[0])).toBeLessThan(1);
    expect(await problems("readPatch", { ...question, gains: [1, 0, 1e308] })).toEqual(["gains"]);
  });

  it("find no sheet where there is none, and say so without an error", async () =>
    expect(await runOperation("findSheet", { image })).toMatchObject({ corners: null, aspect: 2 }));
});

describe("shapes of a drawing that was set up", () => {
  const image = { width: 120, height: 90, channels: 1, data: "" };
  const bytes = new Uint8Array(120 * 90).fill(250);
  for (let y = 0; y < 90; y++)
    for (let x = 0; x < 120; x++)
      if ([10, 11, 40, 41, 70, 71].includes(x) && y > 9 && y < 72) bytes[y * 120 + x] = 20;
  for (let x = 10; x < 72; x++) for (const y of [10, 11, 40, 41, 70, 71]) bytes[y * 120 + x] = 20;
  const picture = { ...image, data: Buffer.from(bytes).toString("base64") };
  const drawing = async () =>
    (await runOperation("setUp", { image: picture, kind: "drawn", width: 60, gap: 0.2, speck: 0.2 })).drawing;
  it("are gathered by a stroke, and by those that are chosen without one", async () => {
    const key = await drawing();
    const { regions } = await runOperation("gather", {
      drawing: key,
      how: "across",
      stroke: [
        [0.15, 0.28],
        [0.5, 0.28],
      ],
    });
    expect(regions).toHaveLength(2);
    const more = await runOperation("gather", { drawing: key, how: "alike", of: regions });
    expect(more.regions).toHaveLength(2);
  });
  it("are refused of a drawing that is not there, by its field", async () => {
    const refused = { problems: [{ path: "drawing" }] };
    await expect(runOperation("gather", { drawing: "gone", how: "within", of: [1] })).rejects.toMatchObject(
      refused,
    );
    await expect(runOperation("gatherings", { drawing: "gone" })).rejects.toMatchObject(refused);
  });
});
