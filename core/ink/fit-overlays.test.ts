import { median } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { seenBy } from "@/demo/seen-by";
import { scanInks } from "@/fixtures/scanned-desk";
import { strangeInks } from "@/sim/demo-range";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { layDesk, seenLab, type Desk, type Stack } from "./desk";
import { fitToOverlays } from "./fit-overlays";
import { stackLab } from "./stack";

const inks = strangeInks(30, 8);
const random = seeded(21);
const some = (count: number, coats: number): Stack[] =>
  Array.from({ length: count }, () =>
    Array.from({ length: coats }, () => Math.floor(random() * inks.length)),
  );
const read = (stock: PaperStock, stacks: readonly Stack[]) =>
  stacks.map((stack) => ({
    stack,
    lab: seenBy(
      colourSheet(
        stock,
        stack.map((i) => inks[i]!.recipe),
      ),
    ),
  }));
const missOf = (desk: Desk, overlays: ReturnType<typeof read>) =>
  median(overlays.map((o) => deltaE00(seenLab(desk, o.stack), o.lab)));

describe("a paper fitted to overlays that were read on it", () => {
  it("predicts other overlays better, of three inks too", () => {
    let [before, after] = [0, 0];
    for (const stock of [
      warmToned,
      { ...whiteCard, thirst: 0.9 },
      { ...whiteCard, push: 0.4 },
      { ...whiteCard, sinkDepth: 25 },
    ]) {
      const desk = layDesk(...scanInks(stock, inks, 4));
      const told = fitToOverlays(desk, read(stock, some(12, 2)));
      for (const overlays of [read(stock, some(60, 2)), read(stock, some(60, 3))]) {
        const [by, than] = [missOf(told, overlays), missOf(desk, overlays)];
        expect(by).toBeLessThan(than + 0.1);
        before += than;
        after += by;
      }
    }
    expect(after).toBeLessThan(0.98 * before);
  });
  it("shows coats of one ink as before", () => {
    const desk = layDesk(...scanInks(whiteCard, inks, 4));
    const told = fitToOverlays(desk, read(whiteCard, some(12, 2)));
    for (const n of [1, 2, 3]) {
      const coats = Array.from({ length: n }, () => desk.inks[3]!.spectrum);
      expect(deltaE00(stackLab(told.paper, coats), stackLab(desk.paper, coats))).toBeLessThan(1e-6);
    }
  });
  it("stays near what is expected where little or nonsense was read", () => {
    const desk = layDesk(...scanInks(whiteCard, inks, 4));
    expect(fitToOverlays(desk, [])).toBe(desk);
    expect(fitToOverlays(desk, [{ stack: [1, 1], lab: [0, 0, 0] }])).toBe(desk);
    const misread = some(5, 2).map((stack) => ({ stack, lab: [2, 90, -90] as const }));
    const { fit } = fitToOverlays(desk, misread).paper;
    expect(Math.abs(fit.crowding - desk.paper.fit.crowding)).toBeLessThan(0.1);
    expect(fit.lifting).toBeLessThan(0.08);
  });
});
