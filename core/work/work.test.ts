import { numbers, pieceOfWork } from "@/fixtures/work";
import { finish } from "@/core/progress";
import { leastChanges, lowerBound } from "./bound";
import { problemOf, type Problem, type WorkQuestion } from "./problem";
import { workOrder, type WorkOrder } from "./work-order";

/** As many looks as there are seconds: the same on every machine. */
const looks = (most: number) => {
  let n = 0;
  return { passed: () => n++, most };
};
const ordered = (q: WorkQuestion, most = 3000, show?: (o: WorkOrder) => void) =>
  finish(workOrder(q, looks(most), show));

/** What is wrong with an order by the rules, each looked at by itself. */
function faultsOf(question: WorkQuestion, { steps, sections }: WorkOrder): string[] {
  const { areas, desk } = question;
  const faults: string[] = [];
  const near = 1e-6;
  const end = (s: (typeof steps)[number]) => s.start + s.seconds;
  steps.forEach((s, i) => {
    const prev = steps[i - 1];
    if (!prev) return;
    if (s.start < end(prev) - near) faults.push(`steps ${i - 1} and ${i} overlap`);
    if (s.code !== prev.code && s.start < end(prev) + desk.change - near)
      faults.push(`no time to change at ${i}`);
  });
  areas.forEach((area, a) => {
    const own = steps.filter((s) => s.area === area.id);
    area.passes.forEach((pass, p) => {
      const mine = own.filter((s) => s.pass === p);
      const mm2 = mine.reduce((sum, s) => sum + s.mm2, 0);
      if (Math.abs(mm2 - pass.mm2) > 0.01 * pass.mm2) faults.push(`${area.id} ${p} covers ${mm2}`);
      if (mine.length !== sections[area.id]) faults.push(`${area.id} ${p} is not in all sections`);
      for (const s of mine) {
        if (Math.abs(s.seconds - (s.mm2 * pass.coats) / desk.speed) > near) faults.push("a wrong duration");
        const before = own.find((o) => o.section === s.section && o.pass === p - 1);
        if (before && s.start < end(before) - near) faults.push(`${area.id} ${p} before what is beneath`);
        if (before && pass.wet && s.start > before.start + desk.openTime + near)
          faults.push(`${area.id} ${p} too late`);
        if (pass.dry)
          for (const o of own)
            if (o.pass < p && s.start < end(o) + desk.dryTime - near) faults.push(`${area.id} ${p} too wet`);
        for (const b of area.touches)
          for (const o of steps)
            if (o.area === areas[b]!.id && o.start < s.start && s.start < end(o) + desk.openTime - near)
              faults.push(`${area.id} beside wet ${o.area}`);
        for (const b of area.after)
          for (const o of steps)
            if (o.area === areas[b]!.id && s.start < end(o) + desk.openTime - near)
              faults.push(`${area.id} before ${o.area}`);
      }
    });
    void a;
  });
  return faults;
}

/** The least cost over all orders, each timed by its difference constraints alone (Bellman and Ford), nothing shared with what is tested. */
function leastCost(problem: Problem): number {
  const { question, count, area, section, pass, code, seconds } = problem;
  const { areas, desk, worth } = question;
  const passOf = (x: number) => areas[area[x]!]!.passes[pass[x]!]!;
  let best = Infinity;
  const order: number[] = [];
  const used = new Set<number>();
  const timeOf = (): number => {
    const arcs: [from: number, to: number, least: number][] = [];
    order.forEach((x, k) => {
      const prev = order[k - 1];
      if (prev !== undefined)
        arcs.push([prev, x, seconds[prev]! + (code[prev] === code[x] ? 0 : desk.change)]);
      for (const y of order.slice(0, k)) {
        const same = area[y] === area[x];
        if (same && section[y] === section[x] && pass[y] === pass[x]! - 1) {
          arcs.push([y, x, seconds[y]!]);
          if (passOf(x).wet) arcs.push([x, y, -desk.openTime]);
        }
        if (same && passOf(x).dry && pass[y]! < pass[x]!) arcs.push([y, x, seconds[y]! + desk.dryTime]);
        if (areas[area[x]!]!.touches.includes(area[y]!)) arcs.push([y, x, seconds[y]! + desk.openTime]);
        if (areas[area[x]!]!.after.includes(area[y]!)) arcs.push([y, x, seconds[y]! + desk.openTime]);
      }
    });
    const start = new Float64Array(count);
    for (let round = 0; round <= count; round++) {
      let moved = false;
      for (const [from, to, least] of arcs)
        if (start[to]! < start[from]! + least - 1e-9) {
          start[to] = start[from]! + least;
          moved = true;
        }
      if (!moved) return Math.max(...order.map((x) => start[x]! + seconds[x]!));
    }
    return Infinity;
  };
  const mayCome = (x: number): boolean => {
    for (let y = 0; y < count; y++) {
      if (used.has(y) || y === x) continue;
      if (area[y] === area[x] && section[y] === section[x] && pass[y]! < pass[x]!) return false;
      if (area[y] === area[x] && passOf(x).dry && pass[y]! < pass[x]!) return false;
      if (areas[area[x]!]!.after.includes(area[y]!)) return false;
      if (problem.heldBy[x]!.includes(y)) return false;
    }
    return true;
  };
  const all = (): void => {
    if (order.length === count) {
      let changes = 1;
      for (let k = 1; k < count; k++) if (code[order[k]!] !== code[order[k - 1]!]) changes++;
      best = Math.min(best, timeOf() + worth * changes);
      return;
    }
    for (let x = 0; x < count; x++) {
      if (used.has(x) || !mayCome(x)) continue;
      used.add(x);
      order.push(x);
      all();
      order.pop();
      used.delete(x);
    }
  };
  all();
  return best;
}

describe("the order of work", () => {
  it("of a few steps costs the least there is, and its bound is never above that", () => {
    for (const worth of [0, 60])
      for (let seed = 1; seed <= 14; seed++) {
        const question = pieceOfWork(6 + (seed % 2), 100 + seed, worth);
        const problem = problemOf(question);
        const least = leastCost(problem);
        const found = ordered(question, 2000);
        const what = `seed ${seed}, worth ${worth}`;
        expect([what, found.cost.toFixed(4)]).toEqual([what, least.toFixed(4)]);
        expect(found.bound).toBeLessThanOrEqual(least + 1e-6);
        expect(found.leastChanges).toBeLessThanOrEqual(found.changes);
        expect(lowerBound(problem)).toBeLessThanOrEqual(least + 1e-6);
      }
  });
  it("needs as many changes as it is said to, at least", () => {
    for (let seed = 1; seed <= 8; seed++) {
      const question = pieceOfWork(7, 700 + seed, 1e7);
      const problem = problemOf(question);
      expect(leastChanges(problem)).toBeLessThanOrEqual(Math.floor(leastCost(problem) / 1e7));
    }
  });
  it("keeps every rule, whatever the size, and only gets better", () => {
    for (const [steps, seed] of [
      [12, 3],
      [40, 5],
      [70, 7],
      [160, 2],
    ] as const) {
      const question = pieceOfWork(steps, seed, 60);
      const costs: number[] = [];
      const found = ordered(question, 400, (o) => {
        expect(faultsOf(question, o)).toEqual([]);
        expect(o.bound).toBeLessThanOrEqual(o.cost + 1e-6);
        costs.push(o.cost);
      });
      expect(faultsOf(question, found)).toEqual([]);
      expect(costs).toEqual([...costs].sort((a, b) => b - a));
      expect(found.cost).toBeLessThanOrEqual(costs[0]!);
      const changes = found.steps.filter((s, i) => s.code !== found.steps[i - 1]?.code).length;
      expect(found.changes).toBe(changes);
      expect(found.cost).toBeCloseTo(found.seconds + 60 * changes, 6);
      expect(found.broken).toEqual([]);
    }
  });
  it("cuts an area as often as its wet passes ask, and as somebody says", () => {
    const desk = { speed: 10, change: 10, openTime: 60, dryTime: 100, hand: null };
    const pass = (code: string, mm2: number, wet = false) => ({ code, mm2, coats: 1, wet, dry: false });
    const areas = [
      { id: "a", touches: [], box: null, after: [], passes: [pass("x", 1400), pass("y", 1400, true)] },
    ];
    const question = { areas, desk, worth: 0, first: [], done: [], cuts: new Map<number, number>() };
    // 140 s of x with 50 s of room each.
    expect(ordered(question).sections).toEqual({ a: 3 });
    expect(ordered({ ...question, cuts: new Map([[0, 5]]) }).sections).toEqual({ a: 5 });
    const tight = ordered({ ...question, cuts: new Map([[0, 1]]) });
    expect(tight.broken).toEqual([{ rule: "wet", area: "a", section: null, pass: 1, needs: 150, has: 60 }]);
    expect(tight.steps.map((s) => s.code)).toEqual(["x", "y"]);
    const slow = ordered({ ...question, desk: { ...desk, openTime: 8 } });
    expect(slow.broken[0]).toMatchObject({ rule: "wet", pass: 1 });
  });
  it("goes on from the middle of an order: what lies is not laid again, and what was opened is finished in time", () => {
    for (let seed = 1; seed <= 6; seed++) {
      const question = pieceOfWork(40, 300 + seed, 30);
      const whole = ordered(question, 300);
      const half = whole.steps.slice(0, 17);
      const place = new Map(question.areas.map((a, i) => [a.id, i]));
      const done = half.map((s) => ({
        area: place.get(s.area)!,
        section: s.section,
        pass: s.pass,
        end: s.start + s.seconds,
      }));
      const cuts = new Map(question.areas.map((a, i) => [i, whole.sections[a.id]!]));
      const rest = ordered({ ...question, done, cuts }, 300);
      expect(rest.steps).toHaveLength(whole.steps.length - half.length);
      expect(rest.steps[0]!.start).toBeGreaterThanOrEqual(done.at(-1)!.end - 1e-6);
      expect(rest.broken).toEqual([]);
      expect(faultsOf(question, { ...rest, steps: [...half, ...rest.steps] })).toEqual([]);
    }
  });
  it("says what comes too late when it was left too long", () => {
    const desk = { speed: 10, change: 5, openTime: 60, dryTime: 100, hand: null };
    const pass = (code: string, wet: boolean) => ({ code, mm2: 100, coats: 1, wet, dry: false });
    const areas = ["a", "b"].map((id) => ({
      ...{ id, touches: [], box: null, after: [] },
      passes: [pass("x", false), pass("y", true)],
    }));
    const late = ordered({
      ...{ areas, desk, worth: 0, first: [], cuts: new Map<number, number>() },
      done: [
        { area: 0, section: 0, pass: 0, end: 0 },
        { area: 1, section: 0, pass: 0, end: 200 },
      ],
    });
    expect(late.broken).toMatchObject([{ rule: "too late", area: "a", section: 0, pass: 1 }]);
    expect(late.steps[0]!.area).toBe("a");
  });
  it("heeds a wished order and the hand where that costs little", () => {
    const desk = { speed: 10, change: 5, openTime: 1, dryTime: 1, hand: "right" as const };
    const area = (id: string, box: readonly [number, number, number, number]) => ({
      ...{ id, touches: [], box, after: [] },
      passes: [{ code: id, mm2: 100, coats: 1, wet: false, dry: false }],
    });
    const areas = [area("a", [0, 0, 1, 1]), area("b", [2, 2, 3, 3]), area("c", [4, 4, 5, 5])];
    const plan = { areas, desk, worth: 10, done: [], cuts: new Map<number, number>() };
    expect(ordered({ ...plan, first: [2, 0, 1] }).steps.map((s) => s.area)).toEqual(["c", "a", "b"]);
    const wet = { ...desk, openTime: 500 };
    const found = ordered({ ...plan, desk: wet, first: [] });
    expect([found.steps.map((s) => s.area), found.wishes.hand]).toEqual([["a", "b", "c"], 0]);
    const left = ordered({ ...plan, desk: { ...wet, hand: "left" }, first: [] });
    expect(left.wishes.hand).toBe(0);
  });
  const stepAt = (question: WorkQuestion, s: WorkOrder["steps"][number]) => ({
    area: question.areas.findIndex((a) => a.id === s.area),
    section: s.section,
    pass: s.pass,
  });
  it("is planned around steps that somebody has put before others: still at the least cost, of few", () => {
    let judged = 0;
    for (let seed = 1; seed <= 16; seed++) {
      const question = pieceOfWork(6 + (seed % 2), 500 + seed, seed % 3 ? 60 : 0);
      const free = ordered(question, 2000);
      // What comes last comes before something else now.
      const last = stepAt(question, free.steps.at(-1)!);
      const other = free.steps.find((s) => stepAt(question, s).area !== last.area);
      if (!other) continue;
      const pinned: WorkQuestion = { ...question, pins: [[last, stepAt(question, other)]] };
      const least = leastCost(problemOf(pinned));
      const found = ordered(pinned, 2000);
      const placeOf = (at: { readonly area: number; readonly section: number; readonly pass: number }) =>
        found.steps.findIndex((s) => JSON.stringify(stepAt(question, s)) === JSON.stringify(at));
      if (found.broken.some((b) => b.rule === "pinned")) continue;
      expect(placeOf(last)).toBeLessThan(placeOf(stepAt(question, other)));
      // Where wet ink cannot be reached in time any more, that is told.
      if (least === Infinity) expect(found.broken.map((b) => b.rule)).toContain("too late");
      else {
        judged++;
        expect(found.cost).toBeCloseTo(least, 4);
        expect(found.bound).toBeLessThanOrEqual(least + 1e-6);
        expect(faultsOf(question, found)).toEqual([]);
      }
    }
    expect(judged).toBeGreaterThan(4);
  });
  it("that somebody has put is timed as it stands; what cannot be is told with its rule", () => {
    const question = pieceOfWork(40, 42, 60);
    const found = ordered(question, 200);
    const follow = found.steps.map((s) => stepAt(question, s));
    const again = ordered({ ...question, follow });
    expect(again).toMatchObject({ followed: true, cost: found.cost, changes: found.changes, broken: [] });
    expect(again.steps).toEqual(found.steps);
    expect(faultsOf(question, again)).toEqual([]);
    // Two steps of different areas change places: all rules but that of the open time are kept by waiting.
    const swapped = [...follow];
    const k = follow.findIndex((s, i) => i > 0 && s.area !== follow[i - 1]!.area && s.pass === 0);
    [swapped[k - 1], swapped[k]] = [swapped[k]!, swapped[k - 1]!];
    const moved = ordered({ ...question, follow: swapped });
    expect(moved.broken.every((b) => b.rule === "too late" || b.rule === "waits")).toBe(true);
    // What lies beneath comes first, whoever says otherwise.
    const second = follow.findIndex((s) => s.pass === 1);
    const wrong = [follow[second]!, ...follow.filter((_, i) => i !== second)];
    const told = ordered({ ...question, follow: wrong });
    expect(told.followed).toBeUndefined();
    expect(told.broken).toMatchObject([{ rule: "beneath", pass: 1 }]);
    // An order of other steps is of another plan.
    expect(ordered({ ...question, follow: follow.slice(1) }, 50).followed).toBeUndefined();
  });
  it("lets go of what was put in a circle, and says so", () => {
    const question = pieceOfWork(12, 9, 60);
    const [a, b] = [
      { area: 0, section: 0, pass: 0 },
      { area: 1, section: 0, pass: 0 },
    ];
    const found = ordered(
      {
        ...question,
        pins: [
          [a, b],
          [b, a],
        ],
      },
      100,
    );
    expect(found.broken.filter((x) => x.rule === "pinned")).toHaveLength(1);
    const at = (place: number) => found.steps.findIndex((s) => s.area === question.areas[place]!.id);
    expect(at(0)).toBeLessThan(at(1));
  });
  it("is empty where nothing is to be laid", () => {
    const random = numbers(1);
    expect(random()).toBeLessThan(1);
    const desk = { speed: 10, change: 5, openTime: 60, dryTime: 100, hand: null };
    const none = ordered({ areas: [], desk, worth: 60, first: [], done: [], cuts: new Map() });
    expect(none).toMatchObject({ steps: [], changes: 0, seconds: 0, cost: 0, bound: 0, broken: [] });
  });
});
