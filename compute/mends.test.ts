import { inOrder } from "@/core/media/registry";
import type { Layer } from "@/core/media/layer";
import { asLayers } from "@/core/piece/piece";
import { scannedDesk } from "@/fixtures/scanned-desk";
import type { LookOverOutput } from "./operations/look-over";
import type { Mend, Mended } from "./mend-one";
import type { MendsOutput } from "./operations/mends";
import { runOperation } from "./run";

const [W, H] = [80, 60];
/** Two discs that touch, 1 and 2, on a ground 3. */
const labels = Uint16Array.from({ length: W * H }, (_, p) => {
  const [x, y] = [p % W, Math.floor(p / W)];
  if (Math.hypot(x - 24, y - 30) < 18) return 1;
  return Math.hypot(x - 56, y - 30) < 18 ? 2 : 3;
});
const ground = {
  labels: { width: W, height: H, data: Buffer.from(labels.buffer).toString("base64") },
  mmPerPixel: 0.5,
  order: [1, 2, 3],
};
const [paper, all] = scannedDesk(40, 9);
const byL = [...all].sort((a, b) => b.coats[0]!.lab[0] - a.coats[0]!.lab[0]);
const desk = {
  paper: { color: { lab: paper } },
  inks: byL.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const labOf = (n: number) => ({ lab: byL[n]!.coats[0]!.lab });
const toned = (...places: number[]): Layer[] =>
  places.map((n) => ({ medium: "tone", code: byL[n]!.code, coats: 1 }));

interface Own {
  readonly id: string;
  readonly layers: readonly Layer[];
  readonly wish: object;
  readonly tones?: object;
}
const NO_MARKS = { touches: [], whites: [], white: false };

const lit = async () => ((await runOperation("light", ground)) as { field: string }).field;
const over = async (field: string, areas: readonly Own[]) =>
  (await runOperation("lookOver", { ...desk, field, areas, apart: 8 })) as LookOverOutput;
const mend = async (field: string, areas: readonly Own[], kind: Mended, of: readonly string[]) =>
  (
    (await runOperation("mends", {
      ...desk,
      field,
      areas,
      apart: 8,
      wishes: areas.map(({ id, wish }) => ({ id, tones: "auto", ...wish })),
      findings: [{ kind, areas: of }],
    })) as MendsOutput
  ).mends[0];

/** The areas with a mend taken, as the piece's commands take it. */
const taken = (areas: readonly Own[], m: Mend): Own[] =>
  areas.map((a) => {
    const group = m.groups?.find((g) => g.id === a.id);
    const shares = m.shares?.id === a.id ? m.shares.shares : undefined;
    const white = m.white?.id === a.id ? m.white.spot : undefined;
    const layers = group
      ? inOrder([
          ...asLayers(group.tones),
          ...group.shade.map((s) => ({ medium: "shadow" as const, place: "shadow" as const, ...s })),
        ])
      : a.layers;
    return {
      ...a,
      layers,
      ...(group && { school: group.school }),
      ...(shares && { tones: { ...NO_MARKS, shares } }),
      ...(white && { tones: { ...NO_MARKS, shares: null, whites: [white] } }),
    };
  });

const kinds = (o: LookOverOutput, id: string) =>
  o.noticed
    .filter((n) => ("area" in n ? n.area === id : "areas" in n && n.areas.includes(id)))
    .map((n) => n.kind);
const off = (o: LookOverOutput, id: string) => o.areas.find((a) => a.id === id)!.deltaE00!;

/** What is noticed is mended: it is gone once the mend is taken, and the area lies as near to what was picked as was said. */
async function mended(areas: readonly Own[], kind: Mended, of: readonly string[]): Promise<Mend> {
  const field = await lit();
  const before = await over(field, areas);
  expect(kinds(before, of[0]!)).toContain(kind);
  const found = (await mend(field, areas, kind, of))!;
  expect(found).toBeDefined();
  const after = await over(field, taken(areas, found));
  expect(kinds(after, of[0]!)).not.toContain(kind);
  const changed = found.shares || found.white ? [of[0]!] : found.groups!.map((g) => g.id);
  const mean = (o: LookOverOutput) => changed.reduce((sum, id) => sum + off(o, id), 0) / changed.length;
  expect(mean(before)).toBeCloseTo(found.off[0], 6);
  expect(mean(after)).toBeCloseTo(found.off[1], 6);
  return found;
}

describe("what was noticed in a colouring", () => {
  const plain: Own = { id: "3", layers: toned(2, 5), wish: { target: labOf(4) } };
  it("a highlight that darker tones cover is uncovered", async () => {
    const target = { light: labOf(1), local: labOf(18), shadow: labOf(30) };
    const areas = [{ id: "1", layers: toned(12, 18, 30), wish: { target } }, plain];
    const { off: off1, figure } = await mended(areas, "lost highlight", ["1"]);
    expect(figure[0]).toBeGreaterThan(7);
    expect(figure[1]).toBeLessThanOrEqual(7);
    expect(off1[1]).toBeLessThanOrEqual(off1[0] + 0.5);
  });
  it("a highlight that no marker can give stays bare paper", async () => {
    const target = { light: { lab: [94, 0, 2] }, local: labOf(24), shadow: labOf(34) };
    const barred = byL.filter(({ coats: [c] }) => c!.lab[0] > 70).map((i) => i.code);
    const areas = [{ id: "1", layers: toned(20, 24, 34), wish: { target, exclude: barred } }, plain];
    const field = await lit();
    const asShown = areas.map((a) => ({ ...a, wish: { target: (a.wish as { target: object }).target } }));
    const before = await over(field, asShown);
    expect(kinds(before, "1")).toContain("lost highlight");
    const { mends } = (await runOperation("mends", {
      ...desk,
      field,
      areas: asShown,
      wishes: areas.map(({ id, wish }) => ({ id, tones: "auto", ...wish })),
      findings: [{ kind: "lost highlight", areas: ["1"] }],
    })) as MendsOutput;
    expect(mends[0]!.means).toBe("white spot");
    const after = await over(field, taken(asShown, mends[0]!));
    expect(kinds(after, "1")).not.toContain("lost highlight");
    expect(off(after, "1")).toBeCloseTo(mends[0]!.off[1], 6);
  });
  it("a lightest tone without room gets some, or goes", async () => {
    const areas = [
      {
        id: "1",
        layers: toned(3, 15, 24),
        wish: { target: labOf(15) },
        tones: { ...NO_MARKS, shares: [0.004, 0.6] },
      },
      plain,
    ];
    const { figure, means } = await mended(areas, "small highlight", ["1"]);
    expect(figure[0]).toBeLessThan(3);
    expect(["border", "without lightest"]).toContain(means);
  });
  it("a cover that is too pale for its underlay reads as itself again", async () => {
    const under = {
      medium: "shadow",
      place: "shadow",
      kind: "underlay",
      code: byL[8]!.code,
      coats: 2,
    } as const;

    const areas = [{ id: "1", layers: [under, ...toned(3, 6, 18)], wish: { target: labOf(18) } }, plain];
    const { figure } = await mended(areas, "pale cover", ["1"]);
    expect(figure[0]).toBeGreaterThan(figure[1]);
  });
  it("two that run together are parted, and neither runs into a third", async () => {
    const areas = [
      { id: "1", layers: toned(17, 18, 19), wish: { target: labOf(18) } },
      { id: "2", layers: toned(17, 18, 19), wish: { target: labOf(24) } },
      plain,
    ];
    const field = await lit();
    const before = await over(field, areas);
    const merging = before.noticed.filter((n) => n.kind === "merging");
    expect(merging.map((n) => [...n.areas].sort())).toContainEqual(["1", "2"]);
    const found = (await mend(field, areas, "merging", ["1", "2"]))!;
    const after = await over(field, taken(areas, found));
    expect(after.noticed.filter((n) => n.kind === "merging").length).toBeLessThan(merging.length);
    expect(found.figure[1]).toBeLessThan(found.figure[0]);
  });
  it("a tone that was never read on this paper stops nothing: what can be changed beside it is", async () => {
    const unread = { medium: "tone", code: "nowhere", coats: 1 } as const;
    const areas = [
      { id: "1", layers: [...toned(17, 18, 19), unread], wish: { target: labOf(18) } },
      { id: "2", layers: toned(17, 18, 19), wish: { target: labOf(24) } },
      plain,
    ];
    const field = await lit();
    for (const kind of ["lost highlight", "pale cover", "small highlight"] as const)
      await mend(field, areas, kind, ["1"]);
    const found = await mend(field, areas, "merging", ["1", "2"]);
    expect(found?.groups?.map((g) => g.id) ?? ["1"]).toContain("1");
  });
  it("what is as it should be is offered nothing; what is none is refused, by field", async () => {
    const field = await lit();
    const areas = [{ id: "1", layers: toned(3, 15, 24), wish: { target: labOf(15) } }, plain];
    expect(await mend(field, areas, "lost highlight", ["1"])).toBeUndefined();
    await expect(mend(field, areas, "merging", ["1"])).rejects.toThrow(/two areas/);
    await expect(mend(field, areas, "pale cover", ["99"])).rejects.toThrow(/lies on the drawing/);
  });
});
