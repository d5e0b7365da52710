import { deltaE00 } from "@/core/colour/delta-e00";
import { labOf } from "@/core/colour/lab-of";
import { colourOf, measuredOf, readColour } from "./colour";

const grey = Array<number>(36).fill(0.184);

describe("a colour that comes in", () => {
  it.each([
    ["#c8a27a"],
    [{ lab: [60, 10, 12] }],
    [{ lab: [60, 10, 12], light: "D50" }],
    [{ lab: [0, 0, 0], light: "A" }],
    [{ reflectance: grey }],
    [{ reflectance: Array<number>(36).fill(0) }],
    [{ reflectance: Array<number>(36).fill(1.5) }],
  ])("is %j", (value) => expect(readColour(value)?.lab.every(Number.isFinite)).toBe(true));

  it.each([
    [null],
    [undefined],
    [[]],
    [{}],
    ["red"],
    ["#c8a27"],
    [{ lab: [60, 10] }],
    [{ lab: [60, 10, 1e308] }],
    [{ lab: [60, 10, 12], light: "F11" }],
    [{ lab: [60, 10, 12], light: null }],
    [{ lab: [60, 10, 12], more: 1 }],
    [{ reflectance: grey.slice(1) }],
    [{ reflectance: [...grey.slice(1), -0.01] }],
    [{ reflectance: [...grey.slice(1), 1e308] }],
    [{ reflectance: [...grey.slice(1), null] }],
    [{ reflectance: Array<number>(100_000).fill(0.5) }],
    [{ reflectance: grey, lab: [60, 0, 0] }],
    [{ reflectance: grey, light: "D50" }],
  ])("is not %j", (value) => expect(readColour(value)).toBeUndefined());

  it("of another light is the same surface by day", () => {
    const [there, here] = [labOf(Float64Array.from(grey), "A"), labOf(Float64Array.from(grey))];
    expect(deltaE00(colourOf({ lab: there, light: "A" }).lab, here)).toBeLessThan(0.25);
    expect(colourOf({ reflectance: grey }).lab).toEqual(here);
  });
  it("keeps what it was beside how it looks by day", () => {
    expect(measuredOf("#c8a27a")).toBeNull();
    expect(measuredOf({ lab: [60, 1, 2] })).toBeNull();
    expect(measuredOf({ lab: [60, 1, 2], light: "D50" })).toEqual({
      told: { lab: [60, 1, 2], light: "D50" },
    });
    expect(measuredOf({ reflectance: grey }, { condition: "M1", filter: undefined as never })).toEqual({
      condition: "M1",
      reflectance: grey,
    });
  });
});
