import { nearestTone, searchLibrary } from "./library";

describe("the library", () => {
  const groups = [
    {
      name: "Skin, olive",
      tags: ["skin"],
      notes: "",
      tones: [
        { code: "sand1m", coats: 1 },
        { code: "clay5m", coats: 1 },
      ],
    },
    {
      name: "Bark",
      tags: ["wood"],
      notes: "for skin too",
      tones: [
        { code: "bark3c", coats: 1 },
        { code: "bark5c", coats: 1 },
      ],
    },
  ];
  it("is searched by name, tag, note, family and code", () => {
    const names = (q: string) => searchLibrary(groups, q).map((g) => g.name);
    expect(names("skin")).toEqual(["Skin, olive", "Bark"]);
    expect(names("skin olive")).toEqual(["Skin, olive"]);
    expect(names("bark5")).toEqual(["Bark"]);
    expect(names("")).toHaveLength(2);
    expect(names("lake")).toEqual([]);
  });
  it("knows how near a group comes to a colour", () => {
    expect(
      nearestTone(
        [
          [50, 0, 0],
          [60, 10, 10],
        ],
        [60, 10, 10],
      ),
    ).toBe(0);
    expect(nearestTone([], [60, 10, 10])).toBe(Infinity);
  });
});
