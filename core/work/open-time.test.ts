import { seeded } from "@/sim/random";
import { followedPasses, openTimeOf, type FollowedPass } from "./open-time";
import { recordOf, type WorkEvent } from "./record";

const T0 = Date.UTC(2026, 5, 1);
let n = 0;
const id = () => `00000000-0000-4000-8000-${String(++n).padStart(12, "0")}`;
const done = (area: string, section: number, pass: number, s: number, mm2 = 40): WorkEvent => ({
  id: id(),
  kind: "done",
  at: T0 + s * 1000,
  area,
  section,
  of: 2,
  pass,
  code: "a1",
  coats: 1,
  mm2,
});
const edge = (area: string, s: number): WorkEvent => ({
  id: id(),
  kind: "added",
  at: T0 + s * 1000,
  area,
  codes: ["a1"],
  from: 0,
  to: 1,
  wet: false,
  symptom: "edge",
});

describe("passes that follow each other", () => {
  it("are told from beginning to beginning, section by section, unless ink was dry or a pass is missing", () => {
    const record = recordOf([
      done("sky", 0, 0, 10, 200),
      done("sky", 1, 0, 20),
      done("sky", 0, 1, 30, 400),
      done("sky", 1, 2, 40),
      done("sky", 0, 2, 630),
    ]);
    // Of 200 mm² at 40 a second the first began at 5 s; of 400 the second at 20 s.
    expect(followedPasses(record, 40, 300)).toEqual([{ gap: 15, edge: false }]);
  });
  it("of an area with an edge are the one that came latest", () => {
    const record = recordOf([
      done("sky", 0, 0, 10),
      done("sky", 0, 1, 30),
      done("sky", 0, 2, 120),
      edge("sky", 400),
      done("roof", 0, 0, 500),
      done("roof", 0, 1, 530),
    ]);
    expect(followedPasses(record, 40, 300)).toEqual([
      { gap: 90, edge: true },
      { gap: 30, edge: false },
    ]);
  });
});

describe("the open time", () => {
  it("makes what was seen likeliest, as trying every one with every two shares shows", () => {
    const random = seeded(4);
    const shares = Array.from({ length: 41 }, (_, i) => Math.min(0.9999, Math.max(0.0001, i / 40)));
    const seen = (edge: boolean, share: number) => Math.log(edge ? share : 1 - share);
    const likeliest = (own: readonly FollowedPass[]) =>
      Math.max(...shares.map((q) => own.reduce((sum, p) => sum + seen(p.edge, q), 0)));
    const at = (passes: readonly FollowedPass[], open: number) =>
      likeliest(passes.filter((p) => p.gap < open)) + likeliest(passes.filter((p) => p.gap > open));
    let told = 0;
    for (let run = 0; run < 60; run++) {
      const passes = Array.from({ length: 12 + Math.floor(20 * random()) }, () => {
        const gap = Math.round(10 + 120 * random());
        return { gap, edge: random() < (gap > 60 ? 0.7 : 0.05) };
      });
      const found = openTimeOf(passes);
      if (!found) continue;
      told++;
      const most = Math.max(...Array.from({ length: 140 }, (_, i) => at(passes, i + 0.5)));
      // The shares that were tried are a fortieth apart.
      expect(at(passes, found.value)).toBeGreaterThan(most - 0.15);
      expect(found.from).toBeLessThanOrEqual(found.value);
      expect(found.to).toBeGreaterThanOrEqual(found.value);
    }
    expect(told).toBeGreaterThan(30);
  });
  it("comes near the true one of a sheet that nobody knows, from what a hand sees of it", () => {
    const random = seeded(9);
    for (const open of [25, 45, 80]) {
      const passes = Array.from({ length: 80 }, () => {
        const gap = 6 + 150 * random() ** 2;
        // Ink is open a little longer here and shorter there, and one edge of five is left as it is.
        return { gap, edge: gap > open * (0.85 + 0.3 * random()) && random() < 0.8 };
      });
      const found = openTimeOf(passes)!;
      expect(Math.abs(found.value - open)).toBeLessThan(0.25 * open);
      expect(found.from).toBeLessThan(open * 1.15);
      expect(found.to).toBeGreaterThan(open * 0.85);
      expect(found.seen).toBe(80);
    }
  });
  it("is not told where little was seen, or edges come whenever they like", () => {
    const smooth = Array.from({ length: 9 }, (_, i) => ({ gap: 10 + i, edge: false }));
    expect(openTimeOf([])).toBeUndefined();
    expect(openTimeOf([...smooth, { gap: 80, edge: true }, { gap: 90, edge: true }])).toBeUndefined();
    const anywhere = Array.from({ length: 40 }, (_, i) => ({ gap: 10 + i, edge: i % 4 === 0 }));
    expect(openTimeOf(anywhere)).toBeUndefined();
  });
});
