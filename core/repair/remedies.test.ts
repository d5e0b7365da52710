import { deltaE00 } from "@/core/colour/delta-e00";
import { layDesk, seenLab, type Stack } from "@/core/ink/desk";
import { finish } from "@/core/progress";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { seeded } from "@/sim/random";
import { addedLab, distinct, LEAST_GAIN, remediesFor, type Fault } from "./remedies";

const desk = layDesk(...scannedDesk(9, 3));
const all = () => true;
const random = seeded(21);
const pick = () => Math.floor(random() * desk.inks.length);
const fault = (over: Partial<Fault> = {}): Fault => {
  const stack = [pick(), pick(), pick()];
  return { stack, wanted: seenLab(desk, [pick(), pick()]), wet: false, coatsLeft: 2, ...over };
};

describe("remedies", () => {
  it("begin with one that no coat, and no two coats, of any inks beat by more than the trouble of a coat", () => {
    for (let k = 0; k < 30; k++) {
      const here = fault({ wet: k % 3 === 0 });
      const inks = desk.inks.map((_, i) => i);
      const adds: Stack[] = [...inks.map((a) => [a]), ...inks.flatMap((a) => inks.map((b) => [a, b]))];
      const off = (add: Stack) =>
        Math.min(
          ...(here.wet ? [true, false] : [false]).map((onWet) =>
            deltaE00(addedLab(desk, here.stack, add, onWet), here.wanted),
          ),
        );
      const now = deltaE00(seenLab(desk, here.stack), here.wanted);
      const [one, two] = [1, 2].map((n) => Math.min(...adds.filter((a) => a.length === n).map(off)));
      const found = finish(remediesFor(desk, here, all));
      const best = Math.min(one!, two!);
      if (now - best < LEAST_GAIN) expect(found).toEqual([]);
      else {
        expect(found[0]!.deltaE00).toBeLessThanOrEqual(
          Math.max(best, Math.min(one!, two! + 0.3)) + 0.3 + 1e-9,
        );
        expect(found[0]!.deltaE00).toBeLessThanOrEqual(one! + 0.3 + 1e-9);
      }
      for (const r of found) {
        expect(now - r.deltaE00).toBeGreaterThanOrEqual(LEAST_GAIN);
        expect(r.lab).toEqual(addedLab(desk, here.stack, r.add, r.onWet));
      }
      expect(found.map((r) => r.deltaE00)).toEqual(found.map((r) => r.deltaE00).sort((a, b) => a - b));
    }
  });
  it("keep within the coats that the paper still takes, and leave out what may not be used", () => {
    const here = fault({ wanted: [40, 10, 10] });
    expect(finish(remediesFor(desk, { ...here, coatsLeft: 0 }, all))).toEqual([]);
    for (const r of finish(remediesFor(desk, { ...here, coatsLeft: 1 }, all))) expect(r.add).toHaveLength(1);
    for (const r of finish(remediesFor(desk, here, (i) => i > 3)))
      expect(Math.min(...r.add)).toBeGreaterThan(3);
  });
  it("take two coats only where the second gains", () => {
    for (let k = 0; k < 20; k++) {
      const found = finish(remediesFor(desk, fault(), all));
      const one = Math.min(...found.filter((r) => r.add.length === 1).map((r) => r.deltaE00));
      for (const r of found)
        if (r.add.length === 2 && Number.isFinite(one)) expect(r.deltaE00).toBeLessThan(one - 0.29);
    }
  });
  it("offer the blender where a place is far too dark and no ink can help, and nothing where all is well", () => {
    const dark = desk.inks.map((_, i) => i).sort((a, b) => seenLab(desk, [a])[0] - seenLab(desk, [b])[0])[0]!;
    const lost: Fault = { stack: [dark, dark], wanted: desk.paper.lab, wet: false, coatsLeft: 0 };
    const [first] = finish(remediesFor(desk, lost, all, 0.5));
    expect(first).toMatchObject({ blender: true, add: [] });
    expect(first!.lab[0]).toBeGreaterThan(seenLab(desk, lost.stack)[0] + 5);
    expect(finish(remediesFor(desk, lost, all))).toEqual([]);
    const well = fault({ stack: [1, 2] });
    expect(finish(remediesFor(desk, { ...well, wanted: seenLab(desk, [1, 2]) }, all, 0.5))).toEqual([]);
  });
  it("are told apart by what they look like", () => {
    const [here, there] = [fault({ wanted: [45, 5, 5] }), fault({ wanted: [30, 0, -10] })];
    for (const f of [here, there]) {
      const few = distinct(finish(remediesFor(desk, f, all)), 3);
      few.forEach((a, i) =>
        few.slice(i + 1).forEach((b) => {
          if (a.add.some((ink) => b.add.includes(ink))) expect(deltaE00(a.lab, b.lab)).toBeGreaterThan(0.4);
        }),
      );
    }
  });
});
