import { findMarkers } from "@/core/codes/find";
import { twinsOf } from "@/core/ink/twins";

describe("twins", () => {
  const oneCoat = [
    { code: "a", lab: [60, 10, 10] as const },
    { code: "b", lab: [60.5, 10.5, 10] as const },
    { code: "c", lab: [61.5, 10, 11] as const },
    { code: "d", lab: [40, 10, 10] as const },
  ];
  it("are the markers within 2 ΔE00, nearest first", () =>
    expect(twinsOf("a", oneCoat).map((t) => t.code)).toEqual(["b", "c"]));
  it("of an unknown code are none", () => expect(twinsOf("zz", oneCoat)).toEqual([]));
});

describe("finding a marker", () => {
  const markers = ["reed2c", "reed5m", "rose3c", "bark3m", "sand3c"].map((code) => ({
    code,
    family: code.replace(/\d.$/, ""),
  }));
  const found = (q: string) => findMarkers(markers, q).map((m) => m.code);
  it("understands families, beginnings, parts and several words", () => {
    expect(found("reed")).toEqual(["reed2c", "reed5m"]);
    expect(found("REED5")).toEqual(["reed5m"]);
    expect(found("3")).toEqual(["rose3c", "bark3m", "sand3c"]);
    expect(found("3m bark")).toEqual(["bark3m"]);
    expect(found("nothing")).toEqual([]);
    expect(found("")).toHaveLength(5);
  });
  it("puts the exact code first", () =>
    expect(
      findMarkers(
        [
          { code: "xclay1", family: "x" },
          { code: "clay1", family: "clay" },
        ],
        "clay1",
      )[0]!.code,
    ).toBe("clay1"));
});
