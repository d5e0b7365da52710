import type { WorkEvent } from "@/core/work/record";
import { groupLaid, type AreaWork } from "./group-laid";

let n = 0;
const done = (area: string, code: string): WorkEvent => ({
  id: `e${++n}`,
  kind: "done",
  at: n,
  area,
  section: 0,
  of: 1,
  pass: 0,
  code,
  coats: 1,
  mm2: 10,
});
const added = (area: string, symptom?: "edge"): WorkEvent => ({
  id: `e${++n}`,
  kind: "added",
  at: n,
  area,
  codes: ["a"],
  from: 0,
  to: 1,
  wet: false,
  ...(symptom && { symptom }),
});
const on = (events: readonly WorkEvent[], more: Partial<AreaWork> = {}): AreaWork => ({
  paperId: "card",
  areaId: "skin",
  share: 1,
  events,
  ...more,
});

describe("how often a group was laid", () => {
  it("counts areas where all of its codes lie, and those where nothing was mended", () => {
    const whole = [done("skin", "a"), done("skin", "b"), done("skin", "c")];
    const areas = [
      on(whole),
      on([...whole, added("skin", "edge")]),
      // What somebody added as they liked mends nothing; what was mended on another area is not this one's.
      on([...whole, added("skin"), added("hair", "edge")]),
      on(whole.slice(0, 2)),
      on(whole, { paperId: "toned" }),
      on([done("hair", "a"), done("hair", "b"), done("hair", "c")]),
    ];
    expect(groupLaid(["a", "b", "c"], areas)).toEqual([
      { paperId: "card", times: 3, asPlanned: 2 },
      { paperId: "toned", times: 1, asPlanned: 1 },
    ]);
    expect(groupLaid(["a", "b", "c"], [])).toEqual([]);
  });
  it("asks for as many of its codes as the area has, and counts each card of a series", () => {
    const cards = ["skin", "skin~2", "skin~3"].flatMap((area) => [done(area, "a"), done(area, "b")]);
    expect(groupLaid(["a", "b", "c"], [on(cards.slice(0, 5), { share: 2 / 3 })])).toEqual([
      { paperId: "card", times: 2, asPlanned: 2 },
    ]);
    // Another area's name may begin with this one's.
    expect(groupLaid(["a"], [on([done("skin of hands", "a")])])).toEqual([]);
  });
});
