import type { WorkEvent } from "@/core/work/record";
import { diaryOf, type LogEvent } from "./diary";

const DAY = 86_400_000;
const dayOf = (at: number) => `day ${Math.floor(at / DAY)}`;
let count = 0;
const at = (when: number, event: object, area = "", piece = "Kite"): LogEvent => ({
  event: { id: `e${++count}`, at: when, ...event } as WorkEvent,
  piece: { id: piece, name: piece },
  area,
});
const done = (code: string, coats = 1, mm2 = 100) => ({
  kind: "done",
  code,
  coats,
  mm2,
  section: 0,
  of: 1,
  pass: 0,
});

describe("a diary", () => {
  it("has steps of one area that follow each other in one line, the same ink as one", () => {
    const [day] = diaryOf(
      [
        at(1000, done("reed2"), "Sail"),
        at(3000, done("reed4"), "Sail"),
        at(2000, done("reed2"), "Sail"),
        at(4000, { ...done("reed6", 2, 50), kind: "part", share: 0.5 }, "Sail"),
        at(5000, done("reed2"), "Hull"),
      ],
      dayOf,
    );
    expect(day!.pieces[0]!.lines).toMatchObject([
      {
        area: "Sail",
        from: 1000,
        until: 4000,
        tones: [
          { code: "reed2", coats: 1, mm2: 200 },
          { code: "reed4", coats: 1, mm2: 100 },
          { code: "reed6", coats: 2, mm2: 25 },
        ],
      },
      { area: "Hull", tones: [{ code: "reed2" }] },
    ]);
  });
  it("goes from the newest day back, pieces by their last work, lines as they were worked", () => {
    const days = diaryOf(
      [
        at(DAY + 9000, { kind: "noted", note: "pale" }, "", "Moth"),
        at(DAY + 1000, { kind: "finished" }, "", "Kite"),
        at(1000, { kind: "exchanged", code: "reed2", by: "reed3" }),
      ],
      dayOf,
    );
    expect(days.map((d) => [d.day, d.pieces.map((p) => p.piece.name)])).toEqual([
      ["day 1", ["Moth", "Kite"]],
      ["day 0", ["Kite"]],
    ]);
    expect(days[1]!.pieces[0]!.lines[0]).toMatchObject({ kind: "exchanged", words: "reed2 → reed3" });
  });
  it("parts what is far apart, tells repairs in coats, and leaves out what is nobody's business", () => {
    const lines = diaryOf(
      [
        at(0, { kind: "begun" }),
        at(1000, done("reed2"), "Sail"),
        at(1000 + 40 * 60_000, done("reed2"), "Sail"),
        at(
          1001 + 40 * 60_000,
          { kind: "added", codes: ["reed2", "reed2", "clay1"], from: 0, to: 1, wet: false },
          "Sail",
        ),
        at(1002 + 40 * 60_000, {
          kind: "entered",
          line: "x",
          subject: "Skin",
          tones: [{ code: "clay1", coats: 2 }],
          note: "red",
        }),
      ],
      dayOf,
    )[0]!.pieces[0]!.lines;
    expect(lines.map((l) => l.kind)).toEqual(["laid", "laid", "repaired", "entered"]);
    expect(lines[2]!.tones.map((t) => [t.code, t.coats])).toEqual([
      ["reed2", 2],
      ["clay1", 1],
    ]);
    expect(lines[3]).toMatchObject({ area: "Skin", words: "red" });
    expect(diaryOf([], dayOf)).toEqual([]);
  });
});
