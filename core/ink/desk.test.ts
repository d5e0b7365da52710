import { deltaE00 } from "@/core/colour/delta-e00";
import { isMeasured, layDesk, seenLab } from "./desk";
import { hexReading } from "./reading";

const desk = layDesk(
  [95, 0, 3],
  [
    { code: "read", coats: ["#d0a080", "#c09070", "#b88868"].map((h) => hexReading(h)!) },
    { code: "clipped", coats: [hexReading("#ffd040")!] },
    { code: "once", coats: [{ lab: [60, -20, 10] }] },
  ],
);

describe("what is seen on a desk", () => {
  it("is the paper without coats", () => expect(seenLab(desk, [])).toEqual([95, 0, 3]));

  it("is what was measured where something was", () => {
    expect(seenLab(desk, [0, 0])).toEqual(hexReading("#c09070")!.lab);
    expect([[0], [0, 0, 0], [2]].map((s) => isMeasured(desk, s))).toEqual([true, true, true]);
  });

  it("is predicted for mixed stacks, for more coats than were read, and where the reading was clipped", () => {
    expect([[0, 2], [0, 0, 0, 0], [2, 2], [1]].map((s) => isMeasured(desk, s))).toEqual([
      false,
      false,
      false,
      false,
    ]);
    expect(deltaE00(seenLab(desk, [1]), desk.inks[1]!.coats[0]!.lab)).toBeLessThan(4);
    expect(seenLab(desk, [2, 2])[0]).toBeLessThan(60);
  });

  it("fits its own swatches closely", () => expect(desk.residual).toBeLessThan(1));
});
