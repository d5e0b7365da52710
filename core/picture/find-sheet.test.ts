import { harshShot, photograph } from "@/sim/camera";
import { seeded } from "@/sim/random";
import { bareStain, seenThrough } from "@/sim/sheet";
import { warmToned, whiteCard } from "@/sim/paper-stock";
import { findSheet } from "./find-sheet";
import { aspectOf } from "./rectify";

const [WIDTH, HEIGHT] = [210, 148];

describe("the sheet in a photo", () => {
  it.each([
    [1, whiteCard],
    [4, warmToned],
  ])("is found with its corners within half a millimetre (shot %d)", async (seed, stock) => {
    const paper = seenThrough(stock, bareStain(stock));
    const bars = [
      { x: 40, y: 40, width: 120, height: 2 },
      { x: 60, y: 70, width: 2, height: 50 },
    ];
    const random = seeded(seed);
    const shot = { ...harshShot(random, 1200, 900), turn: 18 * (random() - 0.5) };
    const photo = await photograph(
      { width: WIDTH, height: HEIGHT, paper, discs: [], bars, patches: [] },
      shot,
      random,
    );
    const found = findSheet({ width: 1200, height: 900, channels: 3, data: photo.rgb })!;
    const truth = [
      photo.truth(0, 0),
      photo.truth(WIDTH, 0),
      photo.truth(WIDTH, HEIGHT),
      photo.truth(0, HEIGHT),
    ];
    const pxPerMm = Math.hypot(truth[1]![0] - truth[0]![0], truth[1]![1] - truth[0]![1]) / WIDTH;
    found.corners.forEach(([x, y], i) =>
      expect(Math.hypot(x * 1200 - truth[i]![0], y * 900 - truth[i]![1]) / pxPerMm).toBeLessThan(0.5),
    );
    expect(found.confidence).toBeGreaterThan(0.5);
    expect(Math.abs(aspectOf(found.corners, 1200, 900) / (WIDTH / HEIGHT) - 1)).toBeLessThan(0.03);
  });

  it("is none where the paper fills the picture, or where there is no paper", () => {
    const even = (v: number) => ({
      width: 300,
      height: 200,
      channels: 1 as const,
      data: new Uint8Array(60_000).fill(v),
    });
    expect(findSheet(even(240))).toBeUndefined();
    const noise = Uint8Array.from({ length: 60_000 }, (_, i) => (i * 7919) % 251);
    expect(findSheet({ ...even(0), data: noise })).toBeUndefined();
  });
});
