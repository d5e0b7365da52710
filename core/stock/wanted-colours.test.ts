import { priceOf, wantedColours } from "./wanted-colours";

const picked = (lab: readonly [number, number, number], area: string) => ({ lab, area, piece: "Kite" });

describe("wanted colours", () => {
  it("that are picked again are one, wanted as often, the most wanted first", () => {
    const found = wantedColours(
      [
        picked([50, 10, 10], "Sail"),
        picked([70, 0, 0], "Cloud"),
        picked([50.2, 10.1, 9.9], "Tail"),
        picked([50.1, 10, 10], "Tail"),
      ],
      10,
    );
    expect(found.map((f) => f.weight)).toEqual([3, 1]);
    expect(found[0]!.places).toEqual(["Sail of Kite", "Tail of Kite"]);
    expect(found[0]!.lab[0]).toBeCloseTo(50.1, 9);
  });
  it("are as many as may be, and leave out what is no colour", () => {
    const many = Array.from({ length: 40 }, (_, i) => picked([2 * i, 0, 0], "x"));
    expect(wantedColours([...many, picked([NaN, 0, 0], "y")], 25)).toHaveLength(25);
    expect(wantedColours([], 25)).toEqual([]);
  });
});

it("reads prices as people write them", () =>
  expect(["3.20", "€ 3,20 each", "2 for 5", "", "dear", "9".repeat(400)].map(priceOf)).toEqual([
    3.2,
    3.2,
    2,
    undefined,
    undefined,
    undefined,
  ]));
