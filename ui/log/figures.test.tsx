import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, rackOf } from "@/fixtures/studio";
import type { WorkFigures } from "@/core/log/figures";
import { FiguresView } from "./figures-view";

const NOTHING: WorkFigures = { weeks: [], pieces: [], markers: [] };
const words = (figures: Partial<WorkFigures>) =>
  wordsOf(drawn(<FiguresView figures={{ ...NOTHING, ...figures }} rack={rackOf(clay)} />, "/log/figures"));

describe("the log in figures", () => {
  it("says what will be there where nothing was laid", () =>
    expect(words({})).toContain("Nothing was laid at the desk yet."));
  it("has time, ground and pace in words, the newest week first", () => {
    const weeks = [
      { week: "2026-11-23", minutes: 130, steps: 40, mm2: 52_000, speed: 21.46 },
      { week: "2026-11-30", minutes: 12.4, steps: 3, mm2: 320 },
    ];
    const said = words({
      weeks,
      pieces: [{ id: "p", name: "Kite", minutes: 142, steps: 43, mm2: 52_320 }],
      markers: [{ code: "clay1", steps: 3, mm2: 900, pieces: 1 }],
    });
    expect(said).toContain(
      "Nov 30, 2026 12 min 3 3.2 cm² – Nov 23, 2026 2 h 10 40 520 cm² 21.5 mm² a second",
    );
    expect(said).toContain("clay1 9.0 cm² 3 1");
    expect(said).toContain("Kite 2 h 22 43 523 cm²");
  });
  it("folds away what is beyond a dozen", () => {
    const pieces = Array.from({ length: 1000 }, (_, i) => ({
      id: `p${i}`,
      name: `Piece ${i}`,
      minutes: 5,
      steps: 1,
      mm2: 10,
    }));
    const weeks = [{ week: "2026-11-23", minutes: 1, steps: 1, mm2: 1 }];
    expect(words({ weeks, pieces })).toContain("988 more");
  });
});
