import { SYMPTOMS } from "@/core/repair/symptom";
import { noRemedyInWords, remedyInWords, symptomAdvice, symptomInWords } from "./repair";

const near = { from: 8, to: 1.2 };

describe("what is said of a repair", () => {
  it("knows every symptom, with something to do about it", () => {
    for (const s of SYMPTOMS) {
      expect(symptomInWords[s]).toMatch(/^[A-Z]/);
      expect(symptomAdvice[s]).toMatch(/\.$/);
    }
    expect(new Set(Object.values(symptomAdvice)).size).toBe(SYMPTOMS.length);
  });
  it("says what to lay, when, and how near that comes", () => {
    const ink = { with: "ink" as const, add: ["a1", "a1", "b2"], onWet: false, waits: 0 };
    expect(remedyInWords(ink, near)).toBe(
      "2 coats of a1, then 1 coat of b2: very close to what was planned instead of a different colour.",
    );
    expect(remedyInWords({ ...ink, waits: 300 }, near)).toMatch(/^Let it dry 5 min, then 2 coats of a1/);
    expect(remedyInWords({ ...ink, onWet: true }, near)).toMatch(/^At once, while it is wet: 2 coats/);
    expect(remedyInWords({ ...ink, with: "blender", add: ["clear"] }, near)).toContain(
      "One pass of the blender (clear)",
    );
    expect(remedyInWords({ ...ink, with: "pencil", add: ["p"], layers: 2 }, near)).toContain(
      "2 layers of p, light pressure",
    );
    expect(remedyInWords({ ...ink, with: "opaque", add: ["gel"] }, near)).toMatch(/^Opaque gel over it/);
  });
  it("is honest where nothing helps", () => {
    expect(noRemedyInWords(0.4, 3, false)).toBe("It is as it was planned: leave it.");
    expect(noRemedyInWords(1.5, 3, false)).toBe("It is very close to what was planned: leave it.");
    expect(noRemedyInWords(9, 0, true)).toMatch(/^The paper holds no more ink here. It is too dark/);
    expect(noRemedyInWords(9, 2, false)).toBe("Nothing at hand comes nearer than what lies there: leave it.");
  });
});
