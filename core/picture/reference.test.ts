import fc from "fast-check";
import type { Point } from "@/core/algebra/point";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import { aligned } from "./align";
import { balanced, doubtsOf, neutralGains, NO_GAINS } from "./balance";
import type { Pixels } from "./plane";
import { proposeReadings, readingsAmong } from "./propose-readings";
import { aspectOf, inPicture, isQuad, rectified, reduced, straightSize, type Corners } from "./rectify";

const shares = fc.double({ min: 0.05, max: 0.95, noNaN: true });

describe("a reference aligned with the drawing", () => {
  const [line, reference] = [
    { width: 160, height: 120 },
    { width: 1000, height: 1400 },
  ];
  it("by no points lies edge on edge", () =>
    expect(aligned([], line, reference)(0.3, 0.8)).toEqual([0.3, 0.8]));

  it("by two points is moved, turned and sized, never sheared", () => {
    fc.assert(
      fc.property(
        shares,
        shares,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (x, y, turn, size) => {
          // The truth in pixels: a similarity.
          const to = (u: number, v: number): readonly [number, number] => {
            const [px, py] = [u * line.width, v * line.height];
            return [
              (500 + size * (px * Math.cos(turn) - py * Math.sin(turn))) / reference.width,
              (700 + size * (px * Math.sin(turn) + py * Math.cos(turn))) / reference.height,
            ];
          };
          const pairs = (
            [
              [0.1, 0.2],
              [0.8, 0.7],
            ] as const
          ).map(([a, b]) => ({ line: [a, b] as const, reference: to(a, b) }));
          const [u, v] = aligned(pairs, line, reference)(x, y);
          expect(u).toBeCloseTo(to(x, y)[0], 6);
          expect(v).toBeCloseTo(to(x, y)[1], 6);
        },
      ),
    );
  });

  it("by four points undoes a slanting view; points that coincide fall back to edge on edge", () => {
    const corners: Corners = [
      [0.1, 0.15],
      [0.9, 0.05],
      [0.8, 0.95],
      [0.2, 0.8],
    ];
    const truth = inPicture(corners);
    const pairs = (
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map(([a, b]) => ({ line: [a, b] as const, reference: truth(a, b) }));
    const [u, v] = aligned(pairs, line, reference)(0.3, 0.6);
    expect(u).toBeCloseTo(truth(0.3, 0.6)[0], 6);
    expect(v).toBeCloseTo(truth(0.3, 0.6)[1], 6);
    const same = { line: [0.5, 0.5], reference: [0.2, 0.2] } as const;
    expect(aligned([same, same], line, reference)(0.4, 0.4)).toEqual([0.4, 0.4]);
  });
});

describe("a sheet seen aslant", () => {
  it("made straight shows what lies where", () => {
    const [w, h] = [240, 180];
    const corners: Corners = [
      [0.2, 0.1],
      [0.9, 0.2],
      [0.85, 0.9],
      [0.1, 0.8],
    ];
    const place = inPicture(corners);
    const data = new Uint8Array(w * h).fill(255);
    const [cx, cy] = place(0.25, 0.75);
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) if (Math.hypot(x + 0.5 - cx * w, y + 0.5 - cy * h) < 5) data[y * w + x] = 0;
    const flat = rectified({ width: w, height: h, channels: 1, data }, corners, 200, 100);
    expect(flat.data[75 * 200 + 50]).toBeLessThan(20);
    expect(flat.data[25 * 200 + 150]).toBe(255);
  });
  it("has its true shape told by perspective", () => {
    // A 3 : 2 sheet before a camera of focal length 1.2 widths, tilted.
    for (const tilt of [0, 0.3, 0.55]) {
      const [ca, sa, cb, sb] = [Math.cos(tilt), Math.sin(tilt), Math.cos(0.6 * tilt), Math.sin(0.6 * tilt)];
      const seen = (x: number, y: number): Point => {
        const z = 1500 - x * sb + y * sa * cb;
        return [0.5 + (1.2 * (x * cb + y * sa * sb)) / z, 0.5 + (1.5 * y * ca) / z];
      };
      const corners: Corners = [seen(-300, -200), seen(300, -200), seen(300, 200), seen(-300, 200)];
      expect(isQuad(corners, 1000, 800)).toBe(true);
      expect(aspectOf(corners, 1000, 800)).toBeGreaterThan(1.42);
      expect(aspectOf(corners, 1000, 800)).toBeLessThan(1.58);
    }
  });
  it("corners that cross or coincide are none", () => {
    expect(
      isQuad(
        [
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
        ],
        100,
        100,
      ),
    ).toBe(false);
    expect(
      isQuad(
        [
          [0, 0],
          [0, 0],
          [1, 1],
          [0, 1],
        ],
        100,
        100,
      ),
    ).toBe(false);
    expect(
      straightSize(
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
        4000,
        3000,
        4 / 3,
        2000,
      ),
    ).toEqual({ width: 2000, height: 1500 });
  });
  it("pictures are made smaller by means of blocks", () => {
    const small = reduced(
      { width: 5, height: 2, channels: 1, data: Uint8Array.from([0, 10, 20, 30, 99, 20, 30, 40, 50, 99]) },
      2,
    );
    expect([...small.data]).toEqual([15, 35]);
  });
});

describe("light set right", () => {
  it("makes what was pointed at neutral", () => {
    const data = new Uint8Array(3 * 16).map((_, i) => [180, 140, 100][i % 3]!);
    const picture: Pixels = { width: 4, height: 4, channels: 3, data };
    const linear = [0.456, 0.262, 0.127] as const;
    const set = balanced(picture, neutralGains(linear)).data;
    expect(Math.max(set[0]!, set[1]!, set[2]!) - Math.min(set[0]!, set[1]!, set[2]!)).toBeLessThanOrEqual(2);
    expect(balanced(picture, NO_GAINS)).toBe(picture);
  });
  it("doubts strong tints and clipped colours, not a white sheet", () => {
    const of = (rgb: readonly number[]): Pixels => ({
      width: 10,
      height: 10,
      channels: 3,
      data: Uint8Array.from({ length: 300 }, (_, i) => rgb[i % 3]!),
    });
    expect(doubtsOf(of([255, 255, 255]))).toMatchObject({ clipped: 0, tinted: false });
    expect(doubtsOf(of([240, 180, 110])).tinted).toBe(true);
    expect(doubtsOf(of([255, 90, 80])).clipped).toBe(1);
  });
});

describe("readings proposed for an area", () => {
  const LIGHT = [236, 190, 160],
    LOCAL = [205, 140, 105],
    SHADOW = [130, 78, 60];
  const lab = ([r, g, b]: readonly number[]): Lab => rgb8ToLab(r!, g!, b!);
  const samples = (...parts: readonly (readonly [readonly number[], number])[]) =>
    parts.flatMap(([rgb, n]) =>
      Array.from({ length: n }, (_, i) => ({
        lab: lab(rgb.map((v) => v + ((i * 7) % 5) - 2)),
        at: [0.5, 0.5] as const,
      })),
    );
  it("are its three colours, reflections and line left out", () => {
    const found = readingsAmong(
      samples([LIGHT, 60], [LOCAL, 200], [SHADOW, 70], [[255, 255, 255], 14], [[20, 18, 18], 12]),
    );
    expect(deltaE00(found.light!.lab, lab(LIGHT))).toBeLessThan(2);
    expect(deltaE00(found.local!.lab, lab(LOCAL))).toBeLessThan(2);
    expect(deltaE00(found.shadow!.lab, lab(SHADOW))).toBeLessThan(2);
  });
  it("are one where there is one, two where there are two, none where nothing lies", () => {
    expect(Object.keys(readingsAmong(samples([LOCAL, 100])))).toEqual(["local"]);
    const two = readingsAmong(samples([LOCAL, 120], [SHADOW, 50]));
    expect(Object.keys(two).sort()).toEqual(["local", "shadow"]);
    expect(readingsAmong([])).toEqual({});
  });
  it("come from where the area lies in the reference, away from its edge", () => {
    const [width, height] = [60, 40];
    const data = new Uint16Array(width * height);
    const depth = new Uint32Array(width * height);
    const rgb = new Uint8Array(width * height * 3).fill(10);
    for (let y = 5; y < 35; y++)
      for (let x = 5; x < 30; x++) {
        const p = y * width + x;
        data[p] = 1;
        depth[p] = Math.min(x - 4, 30 - x, y - 4, 35 - y) ** 2;
        if (depth[p]! > 4) rgb.set(LOCAL, 3 * p);
      }
    const [found] = proposeReadings(
      { width, height, channels: 3, data: rgb },
      { width, height, data },
      [-1, 0],
      depth,
      (x, y) => [x, y],
      1,
    );
    expect(deltaE00(found!.local!.lab, lab(LOCAL))).toBeLessThan(1);
    expect(found!.shadow).toBeUndefined();
    expect(found!.local!.at[0]).toBeLessThan(0.5);
  });
});
