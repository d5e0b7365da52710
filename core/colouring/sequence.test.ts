import { courseOf } from "@/core/course/course";
import type { Layer } from "@/core/media/layer";
import { sequenceOf } from "./sequence";

const laid = {
  school: "light first",
  capacity: 6,
} as const;
const tones: Layer[] = [
  { medium: "tone", code: "pale", coats: 1 },
  { medium: "tone", code: "deep", coats: 1 },
];
const area = (id: string) => ({ id, passes: courseOf(tones, { ...laid, underlay: ["violet"] }).passes });

describe("the passes of a piece one after the other", () => {
  it("lay the underlay of the whole everywhere at once, then go area by area", () => {
    const steps = sequenceOf([area("a"), { id: "bare", passes: [] }, area("b")]);
    expect(steps.map((s) => [s.area, s.pass.code])).toEqual([
      [null, "violet"],
      ["a", "pale"],
      ["a", "deep"],
      ["a", "pale"],
      ["b", "pale"],
      ["b", "deep"],
      ["b", "pale"],
    ]);
    expect([...steps[0]!.laid]).toEqual([
      ["a", 1],
      ["b", 1],
    ]);
    expect([...steps.at(-1)!.laid]).toEqual([
      ["a", 4],
      ["b", 4],
    ]);
  });
  it("of nothing are none", () => expect(sequenceOf([])).toEqual([]));
});

describe("passes know which part of an area they cover", () => {
  it("tones by the school, sparks at the light end, a hint where it lies", () => {
    const { passes } = courseOf(
      [
        ...tones,
        { medium: "shadow", kind: "cool hint", code: "ice", coats: 1, place: "shadow" },
        { medium: "shadow", kind: "warm hint", code: "cream", coats: 1, place: "light" },
        { medium: "finish", code: "gel", place: "light" },
      ],
      laid,
    );
    const span = (code: string, n = 0) => {
      const { from, to } = passes.filter((p) => p.code === code)[n]!;
      return [from, to];
    };
    expect(span("pale")).toEqual([0, 1]);
    expect(span("deep")[0]).toBeGreaterThan(0.3);
    expect(span("deep")[1]).toBe(1);
    expect(span("ice")[1]).toBe(1);
    expect(span("ice")[0]).toBeGreaterThan(0.4);
    expect(span("cream")[0]).toBe(0);
    expect(span("gel")).toEqual([0, 0.02]);
  });
  it("an underlay where the shadow end is a place of its own", () => {
    const { passes } = courseOf(
      [{ medium: "shadow", kind: "underlay", code: "violet", coats: 1, place: "shadow" }, ...tones],
      laid,
    );
    const [violet, , deep] = passes;
    expect(violet!.from).toBeGreaterThan(deep!.from);
    expect(violet!.to).toBe(1);
  });
});
