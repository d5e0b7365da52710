import { drawnLines, box } from "@/fixtures/drawings";
import { deflated } from "./packing";
import { givenValues, takeValues } from "./operations/light";
import { packedValues, unpackedValues } from "./packed-values";
import { keepPicture } from "./pictures";
import { runOperation } from "./run";

const random = (seed: number) => () => (seed = (seed * 48271) % 2147483647) / 2147483647;
const next = random(7);

describe("values on their way through bytes", () => {
  it.each([
    [1, 1],
    [1, 9],
    [9, 1],
    [40, 31],
  ])("are the same to the last digit: %i × %i", (width, height) => {
    const values = Uint16Array.from({ length: width * height }, () => Math.floor(next() * 65536));
    expect(unpackedValues(packedValues({ width, height, values })!)).toEqual({ width, height, values });
  });
  it("deflate to a fraction where they are a slope, as light mostly is", async () => {
    const [width, height] = [200, 100];
    const values = Uint16Array.from(
      { length: width * height },
      (_, p) => (p % width) * 120 + Math.floor(p / width) * 300,
    );
    const small = await deflated(packedValues({ width, height, values })!);
    expect(small.size).toBeLessThan(values.byteLength / 50);
  });
  it("are none when a byte of the mark, the size or the end is wrong", () => {
    const bytes = packedValues({ width: 3, height: 2, values: new Uint16Array(6) })!;
    const other = (at: number, by: number) => {
      const copy = bytes.slice();
      copy[at] = by;
      return copy;
    };
    expect(unpackedValues(bytes)).toBeDefined();
    expect(unpackedValues(other(0, 0))).toBeUndefined();
    expect(unpackedValues(other(14, 0))).toBeUndefined();
    expect(unpackedValues(other(18, 255))).toBeUndefined();
    expect(unpackedValues(bytes.subarray(1))).toBeUndefined();
    expect(unpackedValues(bytes.subarray(0, bytes.length - 1))).toBeUndefined();
    expect(unpackedValues(new Uint8Array())).toBeUndefined();
  });
});

describe("a light that was worked out elsewhere", () => {
  const [WIDE, HIGH] = [240, 200];
  const line = drawnLines(WIDE, HIGH, [...box(20, 20, 200, 160), ...box(70, 60, 100, 80)]);
  const rgb = Uint8Array.from({ length: WIDE * HIGH * 3 }, (_, i) => 255 - line.data[Math.floor(i / 3)]!);
  const drawn = { kind: "drawn", corners: null, aspect: null, width: 80, gap: 0.8, speck: 1, cuts: [] };
  const growth = {
    strokes: [
      [
        [0.5, 0.4],
        [0.5, 0.6],
      ],
    ],
    partings: [],
    gathered: [],
  };
  const claims = [
    { id: "a", at: [[0.5, 0.5]] },
    { id: "b", at: [[0.15, 0.5]] },
  ];
  const forms = [{ id: "a", kind: "ball", growth }];
  const ask = (picture: string, more = {}) => ({ image: { picture }, drawn, claims, forms, ...more });
  const whole = async (question: object) => {
    const light = await runOperation("light", question);
    const tones = { field: light.field, areas: [{ id: "a", borders: [0, 0.3, 0.7, 1] }], outlined: true };
    const { places, areas, marks } = await runOperation("toneMap", tones);
    return { field: light.field, shown: { values: light.values, places, areas, marks } };
  };
  beforeAll(() => {
    for (const name of ["here", "there"]) keepPicture(name, { width: WIDE, height: HIGH, rgb });
  });

  it("gives the same values, tones and hair as one that is worked out", async () => {
    const here = await whole(ask("here"));
    const values = givenValues(ask("here"), here.field)!;
    expect(takeValues(ask("there"), unpackedValues(packedValues(values)!)!)).toBe(true);
    const there = await whole(ask("there"));
    expect(there.shown).toEqual(here.shown);
    // What was taken in is what is shown, and only for the very same question.
    const dark = { width: WIDE, height: HIGH, values: new Uint16Array(WIDE * HIGH).fill(65535) };
    takeValues(ask("there"), dark);
    expect((await whole(ask("there"))).shown).not.toEqual(here.shown);
    expect((await whole(ask("there", { forms: [] }))).shown.values.data).not.toEqual(dark.values);
    expect((await whole(ask("there", { coarser: 2 }))).shown.values.width).toBe(WIDE / 2);
  });
  it("is left where it is of another size, of a quick look, or of no known picture", async () => {
    const here = await whole(ask("here"));
    takeValues(ask("here"), { width: 2, height: 2, values: new Uint16Array(4) });
    expect((await whole(ask("here"))).shown).toEqual(here.shown);
    const none = { width: 2, height: 2, values: new Uint16Array(4) };
    expect(takeValues(ask("here", { coarser: 2 }), none)).toBe(false);
    expect(givenValues(ask("here", { coarser: 2 }), here.field)).toBeUndefined();
    expect(givenValues(ask("here"), "unknown")).toBeUndefined();
    const plain = { labels: { width: 2, height: 2, data: "AQABAAEAAQA=" } };
    expect(takeValues(plain, none)).toBe(false);
  });
});
