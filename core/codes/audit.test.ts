import type { Lab } from "@/core/colour/lab";
import { saltmarshKey } from "@/demo/codes";
import { auditCodes, hueHome } from "./audit";
import { findMarkers } from "./find";

const at = (L: number, chroma: number, hue: number): Lab => [
  L,
  chroma * Math.cos((hue * Math.PI) / 180),
  chroma * Math.sin((hue * Math.PI) / 180),
];
const sound = [
  ["clay1c", at(85, 15, 40)],
  ["clay2c", at(78, 22, 42)],
  ["clay3c", at(70, 30, 41)],
  ["clay3m", at(68, 20, 43)],
  ["clay4m", at(60, 24, 40)],
] as const;
const swatches = (...more: (readonly [string, Lab])[]) =>
  [...sound, ...more].map(([code, lab]) => ({ code, lab }));
const kinds = (...more: (readonly [string, Lab])[]) =>
  auditCodes(saltmarshKey, swatches(...more)).map((f) => [f.kind, f.codes.join(" ")]);

describe("code against swatch", () => {
  it("finds nothing where codes keep their promise", () => expect(kinds()).toEqual([]));
  it("finds a deeper code that is lighter, with its figure", () => {
    const [finding] = auditCodes(saltmarshKey, swatches(["clay5m", at(66, 26, 40)]));
    expect(finding).toMatchObject({
      kind: "deeper code, lighter swatch",
      codes: ["clay4m", "clay5m"],
    });
    expect(finding!.figure).toBeCloseTo(6);
  });
  it("finds a greyer code that is purer, a hue far from home, twins among neighbours, and a code that does not read", () => {
    expect(kinds(["clay3d", at(66, 40, 41)])).toContainEqual(["greyer code, purer swatch", "clay3m clay3d"]);
    expect(kinds(["clay5c", at(55, 30, 120)])).toContainEqual(["hue far from its family", "clay5c"]);
    expect(kinds(["clay5m", at(59.5, 24, 40)])).toContainEqual(["neighbours are twins", "clay4m clay5m"]);
    expect(kinds(["claypot", at(50, 20, 40)])).toContainEqual(["does not read", "claypot"]);
  });
  it("believes a hue home that was given", () => {
    expect(
      auditCodes(saltmarshKey, swatches(), { clay: 200 }).filter((f) => f.kind === "hue far from its family"),
    ).toHaveLength(5);
    expect(hueHome([at(50, 2, 10), at(60, 3, 200)])).toBeUndefined();
    expect(hueHome([at(50, 30, 350), at(60, 30, 10)])).toBeCloseTo(0, 5);
  });
});

describe("the finder", () => {
  const markers = [
    ["reed2c", "reed", 2],
    ["reed5m", "reed", 5],
    ["reed7c", "reed", 7],
    ["fern3c", "fern", 3],
    ["50.kelp", "kelp", -50],
  ].map(([code, family, depth]) => ({
    code: code as string,
    family: family as string,
    depth: depth as number,
    name: code === "fern3c" ? "Young bracken" : "",
  }));
  const found = (query: string) => findMarkers(markers, query).map((m) => m.code);
  it("understands families, ranges of depth, and names", () => {
    expect(found("reed 2-5")).toEqual(["reed2c", "reed5m"]);
    expect(found("reed 5 – 2")).toEqual(["reed2c", "reed5m"]);
    expect(found("kelp 40-60")).toEqual(["50.kelp"]);
    expect(found("bracken")).toEqual(["fern3c"]);
    expect(found("reed 7")).toEqual(["reed7c"]);
    expect(found("nothing")).toEqual([]);
    expect(found("")).toHaveLength(5);
  });
});
