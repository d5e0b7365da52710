import { layOutChart, inkLine } from "@/core/chart/layout";
import type { ReadPage } from "@/core/chart/read-chart";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, jar, marker, paper, pieceOf, rackOf, reading, skin } from "@/fixtures/studio";
import type { StoredChart, StoredScan } from "@/store/charts";
import type { Trial } from "@/store/trials";
import { ChartPreview } from "./chart-preview";
import { composed, type Which } from "./composed-chart";
import { OneCell } from "./one-cell";
import { PaperFacts } from "./paper-facts";
import { PaperView, type ListedScan, type PaperData } from "./paper-view";
import { readingColumns, type ListedReading } from "./reading-columns";
import { ScanReview } from "./scan-review";

const rack = rackOf(clay, jar);
const chart: StoredChart = {
  id: "chart",
  paperId: paper.id,
  serial: 7,
  title: "Clay",
  sheet: "A4",
  lines: clay.map((m) => inkLine(m.code)),
  createdAt: new Date("2026-11-25T10:00:00Z"),
};
const scan: ListedScan = {
  id: "scan",
  chartId: "chart",
  pictureId: "picture",
  page: 0,
  pages: 1,
  decisions: ["open", "accepted", "accepted", "excluded"],
  stored: false,
  createdAt: new Date("2026-11-25T11:00:00Z"),
};
const trial: Trial = {
  id: "trial",
  paperId: paper.id,
  stack: ["clay1", "clay5"],
  predicted: [50, 5, 5],
  verdict: "open",
  note: "",
  createdAt: new Date("2026-11-25T12:00:00Z"),
};
const data: PaperData = {
  rack,
  readings: [
    reading(["clay1", "clay5"], 54),
    reading(["clay1"], 88),
    reading(["clay1"], 86),
    reading(["clay5"], 55, { excluded: true }),
  ],
  blends: [],
  charts: [chart],
  scans: [scan],
  trials: [trial],
  pictures: [{ id: "loose", name: "page.jpg", width: 100, height: 80 }],
  pieces: [{ id: "piece", name: "Kite" }],
};
const view = (tab: string, change: Partial<PaperData> = {}) =>
  wordsOf(drawn(<PaperView {...data} {...change} />, `/swatchbook/${paper.id}?tab=${tab}`));

describe("a paper of the swatchbook", () => {
  it("counts what there is of it beside its tabs", () => {
    const words = view("paper");
    for (const says of ["Readings 4", "Charts 1", "Read a chart 1 cell in doubt", "Trials 1"])
      expect(words).toContain(says);
  });
  it("says when nothing has been read on it", () =>
    expect(view("paper", { rack: rackOf([marker("clay1")]) })).toContain(
      "usual values of a smooth card stand in",
    ));
  it("lists readings with where they came from", () => {
    const words = view("readings");
    expect(words).toContain("4 readings");
    expect(words).toContain("From an instrument");
  });
  it("lists charts that were printed, and how far they were read", () => {
    const words = view("chart");
    expect(words).toContain("Chart 7 Clay");
    expect(words).toContain("1 of 1 read");
    expect(words).toContain("flammable solvent");
  });
  it("lists pictures at hand and pages that were read", () => {
    const words = view("read");
    expect(words).toContain("page.jpg");
    expect(words).toContain("Chart 7, page 1 of 1");
    expect(words).toContain("2 of 4 accepted");
    expect(view("read", { charts: [], scans: [] })).toContain("No chart has been printed for Card yet.");
  });
  it("says how far a trial came out from what the model said", () => {
    const words = view("trials");
    expect(words).toContain("1 read,");
    expect(words).toMatch(/Read L\* 54.*ΔE00 from the prediction/);
    expect(view("trials", { readings: [] })).toContain("not read yet");
    expect(view("trials", { trials: [] })).toContain("None yet.");
  });
});

describe("a paper's facts", () => {
  it("are fields with their units and limits, and the light it is judged under", () => {
    const markup = drawn(<PaperFacts paper={paper} />);
    expect(wordsOf(markup)).toContain("Weight, g/m²");
    expect(markup).toContain('title="from 20 to 2000"');
    expect(markup).toMatch(/<option value="D65" selected="">daylight/);
    expect(wordsOf(markup)).not.toContain("Readings stay those of daylight");
    expect(wordsOf(drawn(<PaperFacts paper={{ ...paper, light: "A" }} />))).toContain(
      "Readings stay those of daylight",
    );
  });
});

describe("readings in columns", () => {
  const listed: ListedReading = { ...reading(["clay1"], 80), name: "clay1", standing: "current" };
  const columns = readingColumns(
    () => Promise.resolve(),
    () => undefined,
  );
  const cell = (id: string, r = listed) => wordsOf(drawn(columns.find((c) => c.id === id)!.cell(r)));
  it("leave open what is not known, and say what is", () => {
    expect([cell("spread"), cell("streaks"), cell("trust")]).toEqual(["", "", ""]);
    const measured = { ...listed, spread: 0.123, streakiness: 1.26, confidence: 0.876 };
    expect([cell("spread", measured), cell("streaks", measured), cell("trust", measured)]).toEqual([
      "0.12",
      "1.3 L*",
      "88 %",
    ]);
  });
  it("let one leave a reading out and take it in again", () => {
    expect(cell("standing")).toBe("current Leave out");
    expect(cell("standing", { ...listed, excluded: true, standing: "left out" })).toBe(
      "left out Take in again",
    );
  });
});

describe("a chart to print", () => {
  const lines = (which: Which, change = {}) =>
    composed(rack, {
      which,
      family: "clay",
      piece: pieceOf(skin),
      trials: [trial],
      strips: [],
      ...change,
    }).lines.map((l) => l.label);
  it("has what was chosen", () => {
    expect(lines("all markers")).toEqual(["clay1", "clay3", "clay5", "clay7"]);
    expect(lines("owned markers")).toEqual(["clay1", "clay5", "clay7"]);
    expect(lines("markers not read yet")).toEqual(["clay7"]);
    expect(lines("one family")).toHaveLength(4);
    expect(lines("open trials")).toHaveLength(1);
    expect(lines("a piece and its overlays").length).toBeGreaterThan(0);
    expect(lines("a piece and its overlays", { piece: undefined })).toEqual([]);
    expect(lines("pencils over markers").length).toBeGreaterThan(0);
    const strip = {
      stack: ["clay1"],
      layers: [{ code: "pencil ochre", layers: 2, pressure: "firm" as const }],
    };
    expect(lines("strips that tell most of your pencils", { strips: [strip] })).toEqual([
      "firm on clay1\nochre x2",
    ]);
  });
  it("is shown with what is known already filled in", () => {
    const [page] = layOutChart({ serial: 1, sheet: "A4", lines: chart.lines });
    const markup = drawn(<ChartPreview layout={page!} rack={rack} />);
    expect(markup).toContain("First of 1 pages");
    expect(markup).toContain(">clay1<");
    expect((markup.match(/fill="#[0-9a-f]{6}"/g) ?? []).length).toBeGreaterThan(5);
  });
});

describe("a page as read", () => {
  const corners = [
    [0, 0],
    [9, 0],
    [9, 9],
    [0, 9],
  ] as const;
  const cell = {
    line: 0,
    place: 0,
    stack: ["clay1"],
    lab: [80, 5, 5] as const,
    spread: 0.4,
    streakiness: 2.2,
    confidence: 0.7,
    doubts: [{ kind: "uneven" as const, figure: 2.2 }],
    corners,
  };
  const result: ReadPage = {
    serial: 7,
    page: 0,
    pages: 1,
    width: 100,
    height: 80,
    cells: [cell, { ...cell, doubts: [], stack: ["clay1", "clay1"] }],
    references: 0,
    expectedError: undefined,
    marks: corners,
    pixelsPerMm: 4.2,
    lightResidual: 0.011,
  };
  const stored: StoredScan = { ...scan, result, decisions: ["open", "accepted"] };
  it("shows the first doubtful cell with its reason, and how many are open", () => {
    const words = wordsOf(drawn(<ScanReview scan={stored} chart={chart} paper={paper} earlier={[]} />));
    expect(words).toContain("Chart 7, page 1 of 1");
    expect(words).toContain("Uneven. lightness varies by 2.2 within");
    expect(words).toContain("1 of 1 open");
    expect(words).toContain("Save 1 reading");
    expect(words).toContain("only white was set");
  });
  it("says how far a cell is from the reading there was", () => {
    const before = { stack: ["clay1"], lift: false, lab: [80, 5, 9] as const, source: "scan" as const };
    const words = wordsOf(
      drawn(
        <OneCell cell={cell} decision="accepted" paper={paper} before={before} onDecide={() => undefined} />,
      ),
    );
    expect(words).toMatch(/\d\.\d ΔE00 from the scan reading there is/);
    expect(words).toContain("only partly reliable");
  });
});
