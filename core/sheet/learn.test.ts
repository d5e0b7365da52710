import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { layDesk, seenLab, withOverlays, type Desk, type Stack } from "@/core/ink/desk";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { lessonsOf, movedBy, type TaughtPlace } from "./learn";

const desk: Desk = layDesk(
  ...scanInks(
    whiteCard,
    demoRange().filter((_, i) => i % 12 === 0),
    3,
  ),
);
const off: Lab = [3, -4, 5];
const place = (stack: Stack, by: Lab = off, mm2 = 30, fade: Lab = [0, 0, 0]): TaughtPlace => {
  const seen = seenLab(desk, stack);
  const planned = seen.map((v, c) => v + fade[c]!) as unknown as Lab;
  return { stack, planned, lies: planned.map((v, c) => v + by[c]!) as unknown as Lab, mm2 };
};

describe("what a sheet says of its stacks", () => {
  it("is the shift from what was planned, whatever lies over or beside the place", () => {
    for (const fade of [
      [0, 0, 0],
      [6, -3, 8],
    ] as const) {
      const [lesson] = lessonsOf(desk, [place([0, 3], off, 30, fade)], 1);
      lesson!.read.forEach((v, c) => expect(v - lesson!.predicted[c]!).toBeCloseTo(off[c]!, 9));
    }
  });

  it("is believed the more the surer the photo; a photo that is far less sure teaches nothing", () => {
    const learnt = [0, 0.5, 1, 1.4].map((photo) => lessonsOf(desk, [place([0, 3])], photo)[0]!);
    expect(learnt[0]!.weight).toBeGreaterThan(0.9);
    const weights = learnt.map((l) => l.weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
    expect(lessonsOf(desk, [place([0, 3])], 4)).toEqual([]);
    const { lab, predicted, read, weight } = learnt[2]!;
    lab.forEach((v, c) => expect(v).toBeCloseTo(predicted[c]! + weight * (read[c]! - predicted[c]!), 9));
  });

  it("leaves out what the photo has wrong everywhere alike, as known places tell", () => {
    const lamp: Lab = [2, 1, -3];
    const known = [0, 1, 2, 3, 4].map((ink) => place([ink], lamp));
    const [lesson] = lessonsOf(desk, [...known, place([0, 3], [lamp[0] + 4, lamp[1], lamp[2]])], 2);
    expect(lesson!.read[0] - lesson!.predicted[0]).toBeCloseTo(4, 1);
    expect(lesson!.read[1] - lesson!.predicted[1]).toBeCloseTo(0, 1);
    // Those places lie all alike: the photo is surer than it says of itself.
    expect(lesson!.weight).toBeGreaterThan(lessonsOf(desk, [place([0, 3])], 1)[0]!.weight);
  });

  it("leaves out what the camera does to strong colours, and a known place that was laid otherwise", () => {
    const camera = ([L, a, b]: Lab): Lab => [L + 2, 0.8 * a, 0.9 * b - 1];
    const shot = (stack: Stack): TaughtPlace => {
      const planned = seenLab(desk, stack);
      return { stack, planned, lies: camera(planned), mm2: 30 };
    };
    const known = desk.inks.map((_, ink) => shot([ink]));
    known[3] = place([3], [-25, 10, 10]);
    for (const { read, predicted } of lessonsOf(desk, [...known, shot([0, 5]), shot([2, 7])], 2))
      expect(deltaE00(read, predicted)).toBeLessThan(1);
    const plain = shot([2, 7]);
    expect(deltaE00(plain.lies, plain.planned)).toBeGreaterThan(1.5);
  });

  it("is believed by how far the model is off over the whole sheet, less what the photo adds", () => {
    const stacks = Array.from({ length: 10 }, (_, i): Stack => [i, i + 1]);
    const near = lessonsOf(
      desk,
      stacks.map((s) => place(s, [1, 0, 0])),
      1,
    );
    const far = lessonsOf(
      desk,
      stacks.map((s) => place(s, [6, 0, 0])),
      1,
    );
    expect(near).toEqual([]);
    expect(far[0]!.weight).toBeGreaterThan(0.85);
  });

  it("is the mean of a stack's places by their ground", () => {
    const [lesson] = lessonsOf(desk, [place([0, 3], [4, 0, 0], 30), place([0, 3], [1, 0, 0], 60)], 1);
    expect(lesson).toMatchObject({ places: 2, mm2: 90 });
    expect(lesson!.read[0] - lesson!.predicted[0]).toBeCloseTo(2, 9);
  });

  it("is nothing of one ink, nor of a stack that was read otherwise; the order of inks counts", () => {
    const read = withOverlays(desk, [{ stack: [0, 3], lab: [50, 0, 0] }]);
    const places = [place([1]), place([2, 2]), place([0, 3]), place([3, 0])];
    expect(lessonsOf(read, places, 1).map((l) => l.stack)).toEqual([[3, 0]]);
    expect(lessonsOf(read, [], 1)).toEqual([]);
  });

  it("leaves lightness what lightness can be", () => {
    expect(movedBy([98, 0, 0], [0, 0, 0], [40, 0, 0])[0]).toBe(100);
    expect(movedBy([3, 0, 0], [40, 0, 0], [0, 0, 0])[0]).toBe(0);
    expect(deltaE00(movedBy([50, 4, 4], [20, 1, 1], [20, 1, 1]), [50, 4, 4])).toBe(0);
  });
});
