import type { Lab } from "@/core/colour/lab";
import { standingFor, standingPairs } from "./of-one-colour";

const area = (id: string, L: number, mm2: number, more: object = {}) => ({
  id,
  target: { local: { lab: [L, 10, 10] as Lab } },
  mm2,
  tones: 3,
  ...more,
});
const ids = (areas: readonly { readonly id: string }[]) => areas.map((a) => a.id);

describe("areas of one colour, where there are more than can be planned together", () => {
  const areas = [
    area("a", 50, 10),
    area("b", 51, 300),
    area("c", 70, 20),
    area("d", 50.5, 5, { shares: [1, 2] }),
    area("e", 50, 400, { tones: 4 }),
    area("f", 20, 1),
  ];

  it("are left as they are where there is room", () => {
    expect(standingFor(areas, 6)).toEqual({ areas, like: new Map(), left: [] });
  });

  it("share the group of the largest with the same wish; how they are divided is no wish", () => {
    const standing = standingFor(areas, 5);
    expect(ids(standing.areas)).toEqual(["e", "b", "c", "f"]);
    expect([...standing.like]).toEqual([["b", ["a", "d"]]]);
    expect(standing.left).toEqual([]);
  });

  it("leave the smallest out where even that is too much, with what they stand for", () => {
    const standing = standingFor(areas, 2);
    expect(ids(standing.areas)).toEqual(["e", "b"]);
    expect(standing.left).toEqual(["c", "f"]);
    expect(standingFor([...areas, area("g", 20.2, 0.5)], 3).left).toEqual(["f", "g"]);
  });

  it("are of one colour only if every place that was picked is", () => {
    const lit = { target: { local: { lab: [50, 10, 10] as Lab }, light: { lab: [90, 0, 0] as Lab } } };
    expect(standingFor([area("a", 50, 9), area("b", 50, 8, lit)], 1).left).toEqual(["b"]);
  });

  it("touch what they touched, each pair once, and never themselves", () => {
    const standing = standingFor(areas, 3);
    expect(
      standingPairs(standing, [
        ["a", "b"],
        ["a", "c"],
        ["c", "d"],
        ["e", "a"],
        ["f", "a"],
        ["e", "nobody"],
      ]),
    ).toEqual([
      ["b", "c"],
      ["e", "b"],
    ]);
  });
});
