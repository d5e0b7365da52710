import { layArea } from "@/core/course/laid-area";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab, shownOf } from "@/core/colour/display";
import { layDesk } from "@/core/ink/desk";
import { groundWhere } from "@/fixtures/forms";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { againstReference, meetingsOf, seeArea, valuesOfColouring } from "./look-over";
import { wantedAt } from "@/core/group/wanted";
import { paint, screenColours } from "./paint";
import { NO_TONES, toneMap } from "./tone-map";
import { zoneMarks, zoneOutlines } from "./zones";

const desk = layDesk(...scannedDesk(4, 5));
const SIDE = 120;
/** Two halves, and nobody's strip between them. */
const ground = groundWhere(SIDE, SIDE, 2, (x) => (x < 58 ? 0 : x < 62 ? -1 : 1), 0.2);
const values = Uint16Array.from({ length: SIDE * SIDE }, (_, p) => (Math.floor(p / SIDE) / SIDE) * 65535);
const map = toneMap(values, ground, [NO_TONES, NO_TONES]);
const laid = [0, 1].map((ink) =>
  layArea(
    desk,
    {
      ink: [
        { ink, coats: 1, wet: false, from: 0, to: 1 },
        { ink: 2, coats: 1, wet: true, from: 0.6, to: 1 },
      ],
      pencil: [],
      opaque: [],
    },
    { wet: 1.3, dry: 0.2 },
  ),
);
const colours = laid.map((l) => screenColours(l));
const paper = desk.paper.lab;
const even = paint(ground, map.places, colours, new Map(), { paper, texture: 0 });
const rgbAt = (rgba: Uint8ClampedArray, x: number, y: number) => [
  ...rgba.slice(4 * (y * SIDE + x), 4 * (y * SIDE + x) + 3),
];

describe("where areas touch", () => {
  it("is found along upright borders and level ones, by their length", () => {
    const quarters = groundWhere(80, 60, 3, (x, y) => (y < 30 ? 0 : x < 40 ? 1 : 2), 0.1);
    const rgba = new Uint8ClampedArray(80 * 60 * 4).fill(255);
    quarters.own.forEach((a, p) => rgba.set([200 - 60 * a, 120, 90], 4 * p));
    const met = new Map(meetingsOf(quarters, rgba, 8).map((m) => [m.areas.join(), m]));
    expect([...met.keys()].sort()).toEqual(["0,1", "0,2", "1,2"]);
    // Level: 40 pixels of a tenth of a mm; upright: 30; but for what lies at the picture's rim.
    expect(met.get("0,1")!.mm).toBeGreaterThan(2.8);
    expect(met.get("0,2")!.mm).toBeGreaterThan(2.8);
    expect(met.get("1,2")!.mm).toBeGreaterThan(2);
    for (const m of met.values()) expect(m.merging).toBe(0);
  });
});

describe("a predicted colouring", () => {
  it("shows at every pixel what its stack gives there", () => {
    for (const [x, y] of [
      [20, 15],
      [20, 40],
      [100, 95],
      [100, 50],
    ] as const) {
      const t = (map.places[y * SIDE + x]! - 1) / 254;
      const steepness = 1 / (SIDE * 0.2);
      const seen = rgb8ToLab(...(rgbAt(even, x, y) as [number, number, number]));
      const exact = rgb8ToLab(...shownOf(laid[x < 58 ? 0 : 1]!.at(t, steepness)).rgb);
      expect(deltaE00(seen, exact)).toBeLessThan(0.5);
    }
  });
  it("leaves the sheet bare where nobody's is, and where nothing is laid", () => {
    const bare = shownOf(paper).rgb.map(Math.round);
    expect(rgbAt(even, 60, 60)).toEqual(bare);
    const none = paint(ground, map.places, [colours[0], undefined], new Map(), { paper, texture: 0 });
    expect(rgbAt(none, 100, 60)).toEqual(bare);
    expect(rgbAt(none, 20, 60)).toEqual(rgbAt(even, 20, 60));
  });
  it("draws a part as it draws the whole, and only some areas when it is told", () => {
    const part = paint(ground, map.places, colours, new Map(), { paper, texture: 0 }, [10, 20, 70, 50]);
    expect(part).toHaveLength(60 * 30 * 4);
    expect([...part.slice(0, 3)]).toEqual(rgbAt(even, 10, 20));
    expect([...part.slice(4 * (29 * 60 + 59), 4 * (29 * 60 + 59) + 3)]).toEqual(rgbAt(even, 69, 49));
    const masked = paint(ground, map.places, colours, new Map(), {
      paper,
      texture: 0,
      mask: Uint8Array.of(1, 0),
    });
    expect(masked[4 * (60 * SIDE + 100) + 3]).toBe(0);
    expect(masked[4 * (60 * SIDE + 20) + 3]).toBe(255);
  });
  it("has its line over all, and strokes that stay within a small difference", () => {
    const line = new Uint8Array(SIDE * SIDE);
    line[60 * SIDE + 20] = 255;
    const lined = paint(ground, map.places, colours, new Map(), { paper, texture: 0, line });
    expect(Math.max(...rgbAt(lined, 20, 60))).toBeLessThan(40);
    expect(rgbAt(lined, 22, 60)).toEqual(rgbAt(even, 22, 60));
    const uneven = paint(ground, map.places, colours, new Map(), { paper, texture: 1 });
    let most = 0;
    let differing = 0;
    for (let x = 0; x < SIDE; x++) {
      const off = deltaE00(
        rgb8ToLab(...(rgbAt(uneven, x, 30) as [number, number, number])),
        rgb8ToLab(...(rgbAt(even, x, 30) as [number, number, number])),
      );
      most = Math.max(most, off);
      if (off > 0.2) differing++;
    }
    expect(differing).toBeGreaterThan(10);
    expect(most).toBeLessThan(4);
  });
});

describe("a colouring that is looked over", () => {
  it("knows how light it is, and what is planned counts alone", () => {
    const all = valuesOfColouring(ground, even, [1, 1]);
    expect(all.shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
    expect(all.dark).toBeLessThan(all.middle);
    expect(all.middle).toBeLessThan(all.light + 1e-9);
    const left = valuesOfColouring(ground, even, [1, 0]);
    expect(left.light).not.toBe(valuesOfColouring(ground, even, [0, 1]).light);
  });
  it("is held against a reference pixel by pixel", () => {
    const reference = new Uint16Array(SIDE * SIDE).fill(32768);
    const { values: theirs, differences } = againstReference(ground, even, reference, [1, 1]);
    expect(theirs.middle).toBeCloseTo(50, 0);
    const p = 5 * SIDE + 20;
    const L = rgb8ToLab(...(rgbAt(even, 20, 5) as [number, number, number]))[0];
    expect(differences[p]).toBe(Math.round(128 + ((L - 50) * 127) / 50));
    expect(differences[60 * SIDE + 60]).toBe(128);
  });
  it("says where two areas that touch run together", () => {
    const beside = groundWhere(SIDE, SIDE, 2, (x) => (x < 60 ? 0 : 1), 0.2);
    const same = paint(
      beside,
      toneMap(values, beside, [NO_TONES, NO_TONES]).places,
      [colours[0], colours[0]],
      new Map(),
      { paper, texture: 0 },
    );
    const [merging] = meetingsOf(beside, same, 8);
    expect(merging).toMatchObject({ areas: [0, 1], merging: 1 });
    expect(merging!.mm).toBeCloseTo(SIDE * 0.2, -1);
    const other = paint(beside, toneMap(values, beside, [NO_TONES, NO_TONES]).places, colours, new Map(), {
      paper,
      texture: 0,
    });
    expect(meetingsOf(beside, other, 1)[0]!.merging).toBeLessThan(0.5);
  });
  it("measures an area against what is wanted at each of its places", () => {
    const exact = [0, 0.25, 0.5, 0.75, 1].map((t) => ({ t, lab: laid[0]!.at(t, 0.03) }));
    expect(seeArea(laid[0]!, map, 0, exact, 0.5, 0.2).off).toBeLessThan(2);
    const darker = exact.map(({ t, lab: [L, a, b] }) => ({ t, lab: [L - 15, a, b] as const }));
    expect(seeArea(laid[0]!, map, 0, darker, 0.5, 0.2).off).toBeGreaterThan(8);
    expect(seeArea(laid[0]!, map, 0, undefined, 0.5, 0.2).off).toBeUndefined();
    expect(seeArea(laid[0]!, map, 0, undefined, 0.5, 0.2).lightest).toBeCloseTo((58 * SIDE * 0.04) / 2, -1);
    expect(wantedAt(exact, 0.25)).toEqual(exact[1]!.lab);
    expect(wantedAt(exact.slice(1, 4), 0)).toEqual(exact[1]!.lab);
    expect(wantedAt(exact.slice(1, 4), 1)).toEqual(exact[3]!.lab);
  });
});

describe("the places of tones", () => {
  const zones = Uint8Array.from(map.places, (b, p) => (ground.own[p]! < 0 ? 0 : b < 128 ? 1 : 2));
  it("have a number each, well inside", () => {
    const marks = zoneMarks(ground, zones, new Map());
    expect(marks.map((m) => [m.area, m.zone])).toEqual([
      [0, 1],
      [0, 2],
      [1, 1],
      [1, 2],
    ]);
    for (const {
      at: [x, y],
      area,
      zone,
      room,
    } of marks) {
      const p = Math.floor(y * SIDE) * SIDE + Math.floor(x * SIDE);
      expect([ground.own[p], zones[p]]).toEqual([area, zone]);
      expect(room).toBeGreaterThan(4);
    }
  });
  it("have outlines that bound them", () => {
    const outlines = zoneOutlines(ground, zones);
    expect(outlines).toHaveLength(4);
    for (const { path } of outlines) expect(path).toMatch(/^M[\d. ]+(L[\d. ]+)+Z$/);
  });
});
