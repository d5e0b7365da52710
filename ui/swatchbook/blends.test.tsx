import type { FitPaperOutput } from "@/compute/operations/fit-paper";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { paper } from "@/fixtures/studio";
import type { StoredBlend } from "@/store/blends";
import { layingNotes, meetingInWords } from "@/words/meeting";
import { Blends } from "./blends";

const colour = { lab: [60, 5, 5] as const, hex: "#a08c88", inGamut: true };
const read = { how: "dark over wet light" as const, stack: ["clay1"], over: ["clay5"] };
const fit = {
  blends: [{ ...read, read: [colour, colour], laid: [colour] }],
} as unknown as FitPaperOutput;
const stored: StoredBlend = {
  id: "blend",
  ...read,
  profile: { step: 0.5, labs: [] },
  excluded: false,
  readAt: new Date("2026-11-25T10:00:00Z"),
};
const view = (f: FitPaperOutput, list: readonly StoredBlend[]) =>
  drawn(<Blends paper={paper} fit={f} stored={list} />);

describe("how ink moves on a paper", () => {
  it("is shown cell by cell, as read and as laid, and each may be left out", () => {
    const markup = view(fit, [stored]);
    expect(markup).toContain('aria-label="clay5 over wet clay1, as read"');
    expect(markup).toContain('aria-label="clay5 over wet clay1, as the model lays it"');
    expect(markup).toContain('aria-label="Leave out clay5 over wet clay1"');
  });
  it("lists what was left out, to be taken in again", () =>
    expect(view({ ...fit, blends: [] } as FitPaperOutput, [{ ...stored, excluded: true }])).toContain(
      'aria-label="Take in clay5 over wet clay1 again"',
    ));
  it("says what stands in and what to do while nothing was read", () =>
    expect(wordsOf(view({ ...fit, blends: [] } as FitPaperOutput, []))).toContain("Print a page of blends"));
});

it("a long cell says in which order it is laid", () => {
  expect(layingNotes(read)).toEqual(["1 clay1", "2 clay5, wet"]);
  expect(layingNotes({ ...read, how: "light over wet dark" })).toEqual(["2 clay1, wet", "1 clay5"]);
  expect(layingNotes({ ...read, how: "dark over dry light" })[1]).toBe("2 clay5, dry");
  expect(layingNotes({ how: "lifted", stack: ["a", "a"], over: [] })[1]).toBe("2 blender, dry");
  expect(meetingInWords({ ...read, how: "light over wet dark" })).toBe("clay1 over wet clay5");
  expect(meetingInWords({ how: "lifted", stack: ["a"], over: [] })).toBe("a lifted");
});
