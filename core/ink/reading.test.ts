import { hexReading, wantedColour } from "./reading";

describe("a reading", () => {
  it("knows which channels stand at the end of their scale", () => {
    expect(hexReading("#ff8000")!.clipping).toEqual([1, 0, -1]);
    expect(hexReading("#fe8001")!.clipping).toBeUndefined();
    expect(hexReading("nonsense")).toBeUndefined();
  });

  it("asks for nothing beyond the end of a scale", () => {
    const orange = hexReading("#ff8000")!;
    const deeper: [number, number, number] = [orange.lab[0], orange.lab[1] + 3, orange.lab[2] + 12];
    const wanted = wantedColour(orange, deeper);
    expect(Math.abs(wanted[2] - deeper[2])).toBeLessThan(Math.abs(orange.lab[2] - deeper[2]));
    expect(wantedColour(orange, [50, 0, 0])).toEqual(
      expect.arrayContaining([expect.closeTo(orange.lab[0], 1)]),
    );
  });

  it("that is not clipped is wanted as it is", () => {
    const grey = hexReading("#808080")!;
    expect(wantedColour(grey, [20, 50, 50])).toBe(grey.lab);
  });
});
