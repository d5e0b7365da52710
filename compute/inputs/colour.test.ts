import { readColour } from "./colour";

describe("a colour that comes in", () => {
  it.each(["#000000", "#C8a27A", { lab: [50, 0, 0] }, { lab: [0, -160, 160] }, { lab: [100, 0, 0] }])(
    "is taken: %j",
    (value) => expect(readColour(value)).toBeDefined(),
  );
  it.each([
    "red",
    "#fff",
    "#1234567",
    " #000000",
    "",
    null,
    undefined,
    7,
    [],
    {},
    { lab: [50, 0] },
    { lab: [50, 0, 0, 0] },
    { lab: ["50", 0, 0] },
    { lab: [-1, 0, 0] },
    { lab: [101, 0, 0] },
    { lab: [50, 200, 0] },
    { lab: [50, Number.NaN, 0] },
    { lab: [50, 0, 0], alpha: 1 },
    { rgb: [1, 2, 3] },
  ])("is refused: %j", (value) => expect(readColour(value)).toBeUndefined());
});
