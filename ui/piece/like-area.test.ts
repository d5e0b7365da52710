import { newArea, type Area } from "@/core/piece/piece";
import { readingsLike } from "./like-area";

const reading = (L: number, a = 10, b = 20) => ({ lab: [L, a, b] as const, spread: 1 });
const areas: readonly Area[] = [
  { ...newArea("a", "Petal 1"), readings: { light: reading(80), local: reading(60), shadow: reading(40) } },
  { ...newArea("b", "Leaf"), readings: { local: reading(50, -30, 0) } },
  newArea("c", "Bare"),
];
const labs = (text: string) =>
  Object.fromEntries(Object.entries(readingsLike(text, areas) ?? {}).map(([p, r]) => [p, r.lab]));

describe("a colour told by another area's", () => {
  it("is that area's light, local colour and shadow, by its name or its number", () => {
    expect(labs("like petal 1")).toEqual({ light: [80, 10, 20], local: [60, 10, 20], shadow: [40, 10, 20] });
    expect(labs("Like  2")).toEqual({ local: [50, -30, 0] });
    expect(readingsLike("like leaf", areas)!.local).toEqual({
      lab: [50, -30, 0],
      spread: 0,
      from: "like Leaf",
    });
  });
  it("is changed in each of them as it is said, and as far", () => {
    expect(labs("like petal 1 but warmer and 8 darker").local).toEqual([52, 12, 26]);
    expect(labs("like petal 1, but 5 lighter").light).toEqual([85, 10, 20]);
    expect(labs("like petal 1 but 30 lighter").light).toEqual([100, 10, 20]);
    expect(labs("like leaf but 6 cooler, greyer").local![0]).toBe(50);
    const [, a, b] = labs("like leaf but 10 greyer").local!;
    expect(Math.hypot(a!, b!)).toBeCloseTo(20, 9);
    expect(
      labs("like leaf but 90 greyer")
        .local!.slice(1)
        .every((v) => Math.abs(v) < 1e-9),
    ).toBe(true);
  });
  it("is nothing where it says something else", () => {
    for (const text of [
      "#ff0000",
      "like",
      "like nobody",
      "like bare",
      "like 4",
      "like petal 1 but nicer",
      "like petal 1 but constructor",
      `like ${"x".repeat(100_000)} but ${"darker and ".repeat(10_000)}`,
    ])
      expect(readingsLike(text, areas)).toBeUndefined();
  });
});
