import type { DiaryLine } from "@/core/log/diary";
import { lineInWords } from "./log";

const line = (more: Partial<DiaryLine>): DiaryLine => ({
  id: "a",
  kind: "laid",
  from: 0,
  until: 0,
  area: "Sail",
  tones: [],
  words: "",
  ...more,
});

it("says of each line of the diary what it is", () =>
  expect(
    [
      line({ tones: [{ code: "a", coats: 1, mm2: 340 }], until: 240_000 }),
      line({ tones: [{ code: "a", coats: 1, mm2: 34 }] }),
      line({ kind: "repaired", words: "muddy" }),
      line({ kind: "repaired" }),
      line({ kind: "exchanged", words: "a → b" }),
      line({ kind: "noted", words: "pale" }),
      line({ kind: "photographed" }),
      line({ kind: "entered", words: "too red" }),
      line({ kind: "finished" }),
    ].map(lineInWords),
  ).toEqual([
    "laid, 3.4 cm², in 4 min",
    "laid, 34 mm²",
    expect.stringContaining("mended ("),
    "ink that was not planned",
    "taken instead of what was planned: a → b",
    "“pale”",
    "photo",
    "written down: “too red”",
    "finished",
  ]));
