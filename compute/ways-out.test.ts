import { inOrder } from "@/core/media/registry";
import type { Layer } from "@/core/media/layer";
import { asLayers } from "@/core/piece/piece";
import { scannedDesk } from "@/fixtures/scanned-desk";
import type { LookOverOutput } from "./operations/look-over";
import type { WaysOutOutput } from "./operations/ways-out";
import { runOperation } from "./run";

const [W, H] = [80, 60];
/** Two discs on a ground: 1 and 2 on 3. */
const labels = Uint16Array.from({ length: W * H }, (_, p) => {
  const [x, y] = [p % W, Math.floor(p / W)];
  if (Math.hypot(x - 22, y - 30) < 16) return 1;
  return Math.hypot(x - 56, y - 30) < 16 ? 2 : 3;
});
const data = Buffer.from(labels.buffer).toString("base64");
const ground = { labels: { width: W, height: H, data }, mmPerPixel: 0.5, order: [1, 2, 3] };
const [paper, all] = scannedDesk(24, 9);
const byL = [...all].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]);
/** The lightest and the darkest markers are owned, those between are not. */
const isOwned = (n: number) => n < 6 || n >= 18;
const desk = {
  paper: { color: { lab: paper } },
  inks: byL.map(({ code, coats }, n) => ({
    code,
    coats: coats.map((c) => ({ lab: c.lab })),
    ...(!isOwned(n) && { cost: 1 }),
  })),
};
const layers = [byL[0]!, byL[1]!].map(({ code }) => ({ medium: "tone" as const, code, coats: 1 }));
/** Something that the rack can lay: its eighth darkest marker. */
const target = { lab: byL[20]!.coats[0]!.lab };

const lit = async () => (await runOperation("light", ground)) as { field: string };
const areas = (own: readonly object[]) => [
  { id: "1", layers: own, wish: { target } },
  { id: "2", layers, wish: { target: { lab: byL[0]!.coats[0]!.lab } } },
];

it("what is offered is laid and measured: taken, Check says just that of it", async () => {
  const { field } = await lit();
  const over = (own: readonly object[]) =>
    runOperation("lookOver", { ...desk, field, areas: areas(own) }) as Promise<LookOverOutput>;
  const off = (o: LookOverOutput) => o.areas.find((a) => a.id === "1")!.deltaE00!;
  const before = off(await over(layers));
  const { areas: ways } = (await runOperation("waysOut", {
    ...desk,
    field,
    areas: areas(layers),
    anew: [{ id: "1", target, tones: "auto", ownedOnly: true }],
  })) as WaysOutOutput;
  expect(ways).toHaveLength(1);
  const [way] = ways;
  expect(way!.before).toBeCloseTo(before, 9);
  expect(way!.group!.after).toBeLessThan(before - 0.4);
  // Only what is owned is offered to be laid at once.
  for (const { code } of way!.group!.tones) expect(isOwned(byL.findIndex((i) => i.code === code))).toBe(true);
  const taken: readonly Layer[] = inOrder([
    ...asLayers(way!.group!.tones),
    ...way!.group!.shade.map((s) => ({ medium: "shadow" as const, place: "shadow" as const, ...s })),
  ]);
  expect(off(await over(taken))).toBeCloseTo(way!.group!.after, 6);
});

it("what is as good as it gets is offered nothing; a marker to buy is none that is owned", async () => {
  const { field } = await lit();
  const ask = async (own: readonly object[], wish: object) =>
    (
      (await runOperation("waysOut", {
        ...desk,
        field,
        areas: [{ id: "1", layers: own, wish }],
        anew: [{ id: "1", ownedOnly: true, ...wish }],
      })) as WaysOutOutput
    ).areas[0]!;
  const first = await ask(layers, { target });
  const best = [
    ...asLayers(first.group!.tones),
    ...first.group!.shade.map((s) => ({ medium: "shadow" as const, place: "shadow" as const, ...s })),
  ];
  expect((await ask(best, { target })).group).toBeUndefined();
  // Between the owned ones lies nothing: the way to it is bought.
  const middle = await ask(layers, { target: { lab: byL[11]!.coats[0]!.lab } });
  if (middle.buy) expect(isOwned(byL.findIndex((i) => i.code === middle.buy!.code))).toBe(false);
  // What is wanted is the paper itself.
  const white = await ask(
    [byL[18]!, byL[22]!].map(({ code }) => ({ medium: "tone", code, coats: 1 })),
    {
      target: { lab: paper },
      contrast: 4,
    },
  );
  expect(white.white ?? Infinity).toBeLessThan(white.before);
});

it("refuses what lies nowhere and what is not known, by field", async () => {
  const { field } = await lit();
  const refused = (question: object) =>
    runOperation("waysOut", { ...desk, field, areas: areas(layers), ...question }).then(
      () => [],
      (e: { problems: { path: string }[] }) => e.problems.map((p) => p.path),
    );
  expect(await refused({ anew: [{ id: "nobody", target }] })).toEqual(["anew[0].id"]);
  expect(await refused({ anew: [] })).toEqual(["anew"]);
  expect(await refused({ anew: [{ id: "1", target, shares: [1, 2] }] })).toEqual(["anew[0].shares"]);
  expect(await refused({ anew: [{ id: "1", target }], field: "gone" })).toEqual(["field"]);
});
