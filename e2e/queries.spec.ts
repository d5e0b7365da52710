import { randomUUID } from "node:crypto";
import { expect, test } from "./test";
import pg from "pg";
import { newPiece } from "@/core/piece/piece";
import { addChart, listCharts, storeScan, decideScan, deleteScan, findScan } from "@/store/charts";
import { closeDatabase } from "@/store/database";
import { changeGroup, dropGroup, keepGroups, listGroups } from "@/store/groups";
import { addPaper, changePaper, findPaper, listPapers } from "@/store/papers";
import { addPiece, deletePiece, findPiece, pieceNames, savePiece } from "@/store/pieces";
import { addPicture, findDrawing, findPictures, loosePictures } from "@/store/pictures";
import {
  addRange,
  changeRack,
  changeRange,
  findRange,
  importRack,
  rackOn,
  removeFromRack,
} from "@/store/rack";
import { addReadings, excludeReading, readingsOn } from "@/store/readings";
import type { Studio } from "@/store/studio";
import { addTrial, changeTrial, deleteTrial, trialsOn } from "@/store/trials";

/** The store's queries on a studio of their own, with another beside it that must never be touched. */
let own: Studio;
let other: Studio;
let paperId: string;
let rangeId: string;

test.beforeAll(async () => {
  const db = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await db.connect();
  const make = async (name: string) => {
    const { rows } = await db.query<Studio>(
      "insert into studios (slug, name) values ($1, $2) returning id, name",
      [randomUUID(), name],
    );
    return rows[0]!;
  };
  [own, other] = [await make("Own"), await make("Other")];
  await db.end();
  const paper = await addPaper(own, { name: "Card", lab: [96, 0, 2], capacity: 4 });
  const range = await addRange(own, { name: "Range", families: ["clay"], key: null, homes: {} });
  if (paper === "taken" || range === "taken") throw new Error("a new studio has no names");
  [paperId, rangeId] = [paper.id, range.id];
});
test.afterAll(closeDatabase);

test("papers stand in the order in which they came, each with a name of its own", async () => {
  const second = await addPaper(own, {
    name: "Toned",
    lab: [70, 5, 15],
    capacity: 5,
    grain: 0.6,
    light: "A",
  });
  expect(second).toMatchObject({ name: "Toned", light: "A", grain: 0.6, weight: null, notes: "" });
  expect((await listPapers(own)).map((p) => p.name)).toEqual(["Card", "Toned"]);
  expect(await addPaper(own, { name: "Card", lab: [90, 0, 0], capacity: 3 })).toBe("taken");
  expect(await changePaper(own, paperId, { name: "Toned" })).toBe("taken");
  expect(await changePaper(own, paperId, { capacity: 6 })).toMatchObject({ capacity: 6, lab: [96, 0, 2] });
  // Another studio may use the name, and sees nothing of ours.
  expect(await addPaper(other, { name: "Card", lab: [90, 0, 0], capacity: 3 })).toMatchObject({
    name: "Card",
  });
  expect(await findPaper(other, paperId)).toBeUndefined();
  expect(await changePaper(other, paperId, { capacity: 1 })).toBeUndefined();
});

test("rows come in once each, change only what they say, and keep their range", async () => {
  const rows = [
    { code: "clay1", family: "clay", name: "Pale" },
    { code: "clay2", family: "clay", state: "low" as const },
    { code: "silt1", family: "silt", kind: "pencil" as const },
  ];
  expect(await importRack(own, rangeId, rows)).toEqual({ added: 3, updated: 0, elsewhere: [] });
  expect(await importRack(own, rangeId, [{ code: "clay1", family: "clay", place: "box" }])).toEqual({
    added: 0,
    updated: 1,
    elsewhere: [],
  });
  const rack = (await rackOn(own, paperId))!;
  expect(rack.markers.map((m) => [m.code, m.name, m.place, m.state, m.owned])).toEqual([
    ["clay1", "Pale", "box", "full", true],
    ["clay2", "", "", "low", true],
  ]);
  expect(rack.others.map((o) => o.code)).toEqual(["silt1"]);
  expect(rack.families).toEqual(["clay", "silt"]);
  const second = await addRange(own, { name: "Second", families: [], key: null, homes: {} });
  const outcome = await importRack(own, (second as { id: string }).id, rows.slice(0, 1));
  expect(outcome).toEqual({ added: 0, updated: 0, elsewhere: ["clay1"] });
});

test("a rack that is full takes nothing more, and still changes what it has", async () => {
  const many = Array.from({ length: 6000 }, (_, i) => ({ code: `full${i}`, family: "clay" }));
  expect(await importRack(own, rangeId, many)).toBe("full");
  expect((await rackOn(own, paperId))!.markers).toHaveLength(2);
  expect(await importRack(own, rangeId, [{ code: "clay1", family: "clay", name: "Pale" }])).toMatchObject({
    updated: 1,
  });
});

test("a studio that holds as much as it may takes nothing more, and says so", async () => {
  const db = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await db.connect();
  await db.query(
    "insert into ranges (studio_id, name, families) select $1, 'many ' || n, '{}' from generate_series(1, 100) n",
    [other.id],
  );
  await db.end();
  const full = {
    name: "StudioFull",
    message: "This studio holds 100 ranges, which is as many as it may. Remove some first.",
  };
  await expect(
    addRange(other, { name: "One more", families: [], key: null, homes: {} }),
  ).rejects.toMatchObject(full);
  await expect(
    addReadings(
      own,
      paperId,
      Array.from({ length: 200_001 }, () => ({
        stack: ["a"],
        lab: [50, 0, 0] as const,
        source: "hand" as const,
      })),
    ),
  ).rejects.toMatchObject({
    name: "StudioFull",
  });
});

test("changes of the rack are all made or none", async () => {
  const set = { owned: false, wished: true };
  expect(
    await changeRack(own, [
      { code: "clay1", set },
      { code: "nobody", set },
    ]),
  ).toEqual({ missing: ["nobody"] });
  const marker = async (code: string) => (await rackOn(own, paperId))!.markers.find((m) => m.code === code)!;
  expect((await marker("clay1")).owned).toBe(true);
  expect(
    await changeRack(own, [
      { code: "clay1", set },
      { code: "clay2", set: {} },
    ]),
  ).toEqual({ missing: [] });
  expect(await marker("clay1")).toMatchObject(set);
  expect((await changeRack(other, [{ code: "clay1", set: { owned: true } }])).missing).toEqual(["clay1"]);
  expect(await removeFromRack(other, ["clay1", "clay2"])).toBe(0);
});

test("a newer reading stands for an older one until it is left out", async () => {
  const read = (L: number, stack = ["clay1"]) =>
    addReadings(own, paperId, [{ stack, lab: [L, 5, 5], source: "hand" }]);
  const lightness = async () =>
    (await rackOn(own, paperId))!.markers.find((m) => m.code === "clay1")!.swatches.map((s) => s.lab[0]);
  await read(80);
  await read(78);
  await read(70, ["clay1", "clay1"]);
  expect(await lightness()).toEqual([78, 70]);
  const [newest] = (await readingsOn(own, paperId)).filter((r) => r.lab[0] === 78);
  expect(await excludeReading(other, newest!.id, true)).toBe(false);
  expect(await excludeReading(own, newest!.id, true)).toBe(true);
  expect(await lightness()).toEqual([80, 70]);
  // Without one coat, two coats alone are not known as swatches.
  const [older] = (await readingsOn(own, paperId)).filter((r) => r.lab[0] === 80);
  await excludeReading(own, older!.id, true);
  expect(await lightness()).toEqual([]);
  expect(await addReadings(own, paperId, [])).toBe(0);
});

test("stacks of several inks are overlays, stacks with a pencil are strips", async () => {
  await addReadings(own, paperId, [
    { stack: ["clay1", "clay2"], lab: [60, 5, 5], source: "colorimeter", spread: 0.1 },
    { stack: ["clay1", "silt1", "silt1"], lab: [50, 5, 5], source: "hand", pressure: "firm" },
    { stack: ["silt1"], lab: [40, 5, 5], source: "hand", backing: "white" },
    { stack: ["clay1"], lab: [90, 1, 1], source: "hand", lift: true },
  ]);
  const rack = (await rackOn(own, paperId))!;
  expect(rack.overlays).toContainEqual({ stack: ["clay1", "clay2"], lab: [60, 5, 5] });
  expect(rack.strips).toEqual([{ stack: ["clay1", "silt1", "silt1"], pressure: "firm", lab: [50, 5, 5] }]);
  expect(rack.others[0]!.drawdowns).toEqual({ white: [40, 5, 5] });
});

test("pictures are a studio's own; one that a piece shows, in whatever part, does not lie loose", async () => {
  const blank = {
    type: "image/png",
    width: 4,
    height: 3,
    original: Buffer.from("x"),
    working: Buffer.from("y"),
  };
  const made = { ...blank, workingType: "image/png", workingWidth: 4, workingHeight: 3 };
  const names = [{ name: "Roof", at: [[0.5, 0.5]] as const }];
  const [line, reference, second] = await Promise.all(
    ["line", "reference", "second"].map((name) => addPicture(own, { ...made, name, names })),
  );
  expect(await findDrawing(own, line!.id)).toMatchObject({ name: "line", names });
  expect(await findDrawing(other, line!.id)).toBeUndefined();
  expect((await findPictures(own, [line!.id, second!.id, randomUUID()])).map((p) => p.name).sort()).toEqual([
    "line",
    "second",
  ]);
  expect(await findPictures(other, [line!.id])).toEqual([]);
  expect(await findPictures(own, [])).toEqual([]);
  const loose = async () => (await loosePictures(own)).map((p) => p.name).sort();
  expect(await loose()).toEqual(["line", "reference", "second"]);
  const piece = newPiece("With pictures", null);
  const { id } = await addPiece(own, {
    ...piece,
    references: [{ pictureId: reference!.id, pairs: [], gains: [1, 1, 1] }],
    setUp: {
      ...piece.setUp,
      line: { pictureId: line!.id, kind: "drawn", proof: null, corners: null, width: null },
    },
  });
  expect(await loose()).toEqual(["second"]);
  await deletePiece(own, id);
  expect(await loose()).toEqual(["line", "reference", "second"]);
});

test("a piece is saved to its revision only, and comes back in the present shape", async () => {
  const { id, revision } = await addPiece(own, newPiece("Kite", paperId));
  expect(revision).toBe(1);
  expect(await savePiece(own, id, 1, newPiece("Kite two", paperId))).toEqual({ saved: true, revision: 2 });
  expect(await savePiece(own, id, 1, newPiece("Late", paperId))).toMatchObject({
    saved: false,
    theirs: { revision: 2, document: { name: "Kite two", version: 5 } },
  });
  expect(await savePiece(other, id, 2, newPiece("Theirs", null))).toEqual({
    saved: false,
    theirs: undefined,
  });
  expect(await findPiece(other, id)).toBeUndefined();
  expect((await pieceNames(own)).map((p) => p.name)).toEqual(["Kite two"]);
  expect(await pieceNames(other)).toEqual([]);
  expect(await deletePiece(other, id)).toBe(false);
  expect(await deletePiece(own, id)).toBe(true);
});

test("kept groups are replaced by name and never renamed onto another", async () => {
  const group = (name: string) => ({
    name,
    tags: ["skin"],
    tones: [{ code: "clay1", coats: 1 }],
    material: "skin" as const,
    school: null,
    underlay: null,
    results: [],
    notes: "",
  });
  expect(await keepGroups(own, [group("A"), group("B")])).toEqual({ added: 2, replaced: 0 });
  expect(await keepGroups(own, [{ ...group("A"), notes: "again" }, group("C")])).toEqual({
    added: 1,
    replaced: 1,
  });
  const [a, b] = await listGroups(own);
  expect([a!.name, a!.notes, b!.name]).toEqual(["A", "again", "B"]);
  expect(await changeGroup(own, a!.id, { name: "B" })).toBe("taken");
  expect(await changeGroup(own, a!.id, { name: "A two", tags: [] })).toMatchObject({
    name: "A two",
    tags: [],
  });
  expect(await changeGroup(other, a!.id, { notes: "x" })).toBeUndefined();
  expect([await dropGroup(other, a!.id), await dropGroup(own, a!.id)]).toEqual([false, true]);
});

test("trials keep what the model said, and are judged and dropped by their own studio", async () => {
  const trial = await addTrial(own, { paperId, stack: ["clay1", "clay2"], predicted: [60, 4, 4] });
  expect(trial).toMatchObject({ verdict: "open", note: "", predicted: [60, 4, 4] });
  expect(await changeTrial(own, trial.id, { verdict: "works" })).toMatchObject({ verdict: "works" });
  expect(await changeTrial(other, trial.id, { note: "x" })).toBeUndefined();
  expect((await trialsOn(own, paperId)).map((t) => t.verdict)).toEqual(["works"]);
  expect([await deleteTrial(other, trial.id), await deleteTrial(own, trial.id)]).toEqual([false, true]);
});

test("charts are numbered by studio; scans of others are not there", async () => {
  const chart = { paperId, title: "A", sheet: "A4" as const, lines: [] };
  expect((await addChart(own, chart)).serial).toBe(1);
  expect((await addChart(own, chart)).serial).toBe(2);
  expect((await listCharts(own)).map((c) => c.serial)).toEqual([2, 1]);
  expect(await listCharts(other)).toEqual([]);
  const id = randomUUID();
  expect(await findScan(own, id)).toBeUndefined();
  expect(await decideScan(own, id, [])).toBe(false);
  expect(await storeScan(own, id)).toBeUndefined();
  expect(await deleteScan(own, id)).toBe(false);
});

test("ranges are found, changed and kept apart by name", async () => {
  expect(await findRange(other, rangeId)).toBeUndefined();
  expect(await changeRange(own, rangeId, { name: "Second" })).toBe("taken");
  expect(await changeRange(own, rangeId, { homes: { clay: 40 } })).toMatchObject({ homes: { clay: 40 } });
  expect(await changeRange(other, rangeId, { name: "X" })).toBeUndefined();
});
