import { deltaE00 } from "@/core/colour/delta-e00";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { layDesk, seenLab } from "./desk";
import { labUnder, underLight } from "./under-light";

const desk = layDesk(...scannedDesk(8, 4));

describe("a desk under another light", () => {
  const lamp = underLight(desk, "A");
  it("is itself under the light it was read in", () => expect(underLight(desk, "D65")).toBe(desk));
  it("keeps the paper light, and moves blues and reds", () => {
    expect(Math.abs(lamp.paper.lab[0] - desk.paper.lab[0])).toBeLessThan(2);
    const moved = desk.inks.map((_, i) => deltaE00(seenLab(desk, [i]), seenLab(lamp, [i])));
    expect(Math.max(...moved)).toBeGreaterThan(3);
  });
  it("predicts coats and overlays there from the same spectra", () => {
    const model = seenLab(lamp, [0, 0, 0, 0]);
    const read = seenLab(lamp, [0, 0, 0]);
    expect(model[0]).toBeLessThan(read[0] + 0.5);
    expect(deltaE00(seenLab(lamp, [0, 1]), seenLab(desk, [0, 1]))).toBeGreaterThan(0);
  });
  it("shows a picked colour as a smooth surface of that colour", () => {
    expect(labUnder([60, 0, 0], "D65")).toEqual([60, 0, 0]);
    const grey = labUnder([60, 0, 0], "A");
    expect(Math.hypot(grey[1], grey[2])).toBeLessThan(0.5);
    expect(labUnder([50, 40, 20], "A")[0]).toBeGreaterThan(50);
  });
});
