/** An area that is to be coloured. */
export interface WorkArea {
  readonly id: string;
  /** Places, among the areas, of those that touch it; told on both sides. */
  readonly touches: readonly number[];
  /** Left, top, right and bottom of what holds it; null where nobody knows. */
  readonly box: readonly [number, number, number, number] | null;
  /** Places of the areas that come before it. */
  readonly after: readonly number[];
  readonly passes: readonly WorkPass[];
}

export interface WorkPass {
  readonly code: string;
  readonly mm2: number;
  readonly coats: number;
  /** Into the pass before it while that is wet. */
  readonly wet: boolean;
  /** Onto what is dry. */
  readonly dry: boolean;
}

/** The person and the paper. */
export interface WorkDesk {
  /** mm² of one coat a second. */
  readonly speed: number;
  /** Seconds to change markers. */
  readonly change: number;
  /** How long ink stays open, and how long it takes to dry, s. */
  readonly openTime: number;
  readonly dryTime: number;
  readonly hand: "right" | "left" | null;
}

/** What lies already: its end stands on the same clock as all starts. */
export interface Done {
  readonly area: number;
  readonly section: number;
  readonly pass: number;
  readonly end: number;
}

/** One step: a pass of a section of an area by its place. */
export interface StepAt {
  readonly area: number;
  readonly section: number;
  readonly pass: number;
}

export interface WorkQuestion {
  readonly areas: readonly WorkArea[];
  readonly desk: WorkDesk;
  /** Seconds that a change of marker is worth. */
  readonly worth: number;
  /** Places of areas in the order that is wished. */
  readonly first: readonly number[];
  readonly done: readonly Done[];
  /** Sections of an area by its place, where somebody says. */
  readonly cuts: ReadonlyMap<number, number>;
  /** Steps that are to come before others, as somebody has put them; what is no step (any more) holds nothing. */
  readonly pins?: readonly (readonly [first: StepAt, then: StepAt])[];
  /** The whole order, as somebody has put it: it is timed, and nothing is looked for. */
  readonly follow?: readonly StepAt[];
}

/** What cannot be had: which pass of which area, and what stands against it. */
export interface Broken {
  /**
   * The rule: a pass into wet ink would come too late, or is wanted wet and dry at once; a step was put where it cannot be, before what lies
   * beneath it or before an area that comes first.
   */
  readonly rule: "wet" | "wet and dry" | "beneath" | "waits" | "pinned";
  readonly area: string;
  /** The area that must come first, or that it was pinned to. */
  readonly other?: string;
  readonly section: number | null;
  readonly pass: number;
  /** Seconds that are needed between the starts of both passes, and those that there are. */
  readonly needs: number;
  readonly has: number;
}

/** Steps that are to be ordered, as arrays by step. */
export interface Problem {
  readonly question: WorkQuestion;
  readonly count: number;
  readonly area: Int32Array;
  readonly section: Int32Array;
  readonly pass: Int32Array;
  readonly code: Int32Array;
  readonly codes: readonly string[];
  readonly seconds: Float64Array;
  readonly mm2: Float64Array;
  /** The step of the section's pass before, −1 when that is none or lies already. */
  readonly before: Int32Array;
  /** 1 where a step must start within the open time after the start of the one before. */
  readonly wet: Uint8Array;
  readonly dry: Uint8Array;
  /** Latest start, where what comes before lies already; infinite elsewhere. */
  readonly latest: Float64Array;
  /** Steps of one section that follow each other wet: first to last. */
  readonly chains: readonly (readonly number[])[];
  readonly chainOf: Int32Array;
  readonly sections: readonly number[];
  /** By area: the end of its last step that lies already; −∞ when none does. */
  readonly lastEnd: Float64Array;
  /** By area and pass at `area * passes + pass`: steps that are left, and the end of the last that lies already. */
  readonly passes: number;
  readonly left: Int32Array;
  readonly endOf: Float64Array;
  /** When work can go on, and the code that is in the hand then, −1 for none. */
  readonly now: number;
  readonly inHand: number;
  readonly broken: readonly Broken[];
  /** Steps that must come before each, because somebody has put them so. */
  readonly heldBy: readonly (readonly number[])[];
}

/** Sections of one area: more are no places any more. */
export const MOST_SECTIONS = 400;

/** Least time between the starts of a section's passes p−1 and p, when an area is cut into n sections. */
const gapOf = (area: WorkArea, p: number, n: number, { speed, change }: WorkDesk): number => {
  const [a, b] = [area.passes[p - 1]!, area.passes[p]!];
  return (a.mm2 * a.coats) / (n * speed) + (a.code === b.code ? 0 : change);
};

const EPSILON = 1e-9;

/** The smallest number of sections in which every wet pass can follow in time, as far as cutting helps. */
export function leastSections(area: WorkArea, desk: WorkDesk): number {
  let n = 1;
  area.passes.forEach((pass, p) => {
    if (!p || !pass.wet) return;
    const before = area.passes[p - 1]!;
    const room = desk.openTime - (before.code === pass.code ? 0 : desk.change);
    if (room <= EPSILON) return;
    const needed = Math.ceil((before.mm2 * before.coats) / (desk.speed * room) - 1e-6);
    n = Math.max(n, Math.min(MOST_SECTIONS, needed));
  });
  return n;
}

/** Sections of every area: as said, else as many as are needed, and at least those in which something lies. */
export const sectionsOf = ({ areas, desk, cuts, done }: WorkQuestion): number[] =>
  areas.map((area, a) => {
    const lies = done.reduce((most, d) => (d.area === a ? Math.max(most, d.section + 1) : most), 1);
    return Math.max(lies, cuts.get(a) ?? leastSections(area, desk));
  });

/** Makes steps of a question. What no order could keep is left out of the rules and told. */
export function problemOf(question: WorkQuestion): Problem {
  const { areas, desk } = question;
  const sections = sectionsOf(question);
  const passes = Math.max(1, ...areas.map((a) => a.passes.length));
  const codes = [...new Set(areas.flatMap((a) => a.passes.map((p) => p.code)))];
  const numberOf = new Map(codes.map((c, i) => [c, i]));
  const lies = new Map(question.done.map((d) => [`${d.area} ${d.section} ${d.pass}`, d.end]));
  const broken: Broken[] = [];
  const rows: { a: number; s: number; p: number; before: number; wet: boolean; latest: number }[] = [];
  const lastEnd = new Float64Array(areas.length).fill(-Infinity);
  const left = new Int32Array(areas.length * passes);
  const endOf = new Float64Array(areas.length * passes).fill(-Infinity);
  let [now, inHand] = [0, -1];
  let newest = -Infinity;
  const chains: number[][] = [];
  areas.forEach((area, a) => {
    const n = sections[a]!;
    const durationOf = (p: number) => (area.passes[p]!.mm2 * area.passes[p]!.coats) / (n * desk.speed);
    const isWet = area.passes.map((pass, p) => {
      if (!p || !pass.wet) return false;
      const needs = gapOf(area, p, n, desk) + (pass.dry ? desk.dryTime : 0);
      if (needs <= desk.openTime + 1e-6) return true;
      broken.push({
        rule: pass.dry ? "wet and dry" : "wet",
        area: area.id,
        section: null,
        pass: p,
        needs,
        has: desk.openTime,
      });
      return false;
    });
    for (let s = 0; s < n; s++) {
      let before = -1;
      area.passes.forEach((pass, p) => {
        const end = lies.get(`${a} ${s} ${p}`);
        if (end !== undefined) {
          lastEnd[a] = Math.max(lastEnd[a]!, end);
          endOf[a * passes + p] = Math.max(endOf[a * passes + p]!, end);
          now = Math.max(now, end);
          if (end > newest) [newest, inHand] = [end, numberOf.get(pass.code)!];
          before = -1;
          return;
        }
        const ended = p ? lies.get(`${a} ${s} ${p - 1}`) : undefined;
        const latest = isWet[p] && ended !== undefined ? ended - durationOf(p - 1) + desk.openTime : Infinity;
        const wet = Boolean(isWet[p]) && before >= 0;
        const row = rows.push({ a, s, p, before, wet, latest }) - 1;
        left[a * passes + p]!++;
        if (wet) chains.at(-1)!.push(row);
        else chains.push([row]);
        before = row;
      });
    }
  });
  const chainOf = new Int32Array(rows.length);
  chains.forEach((c, i) => c.forEach((x) => (chainOf[x] = i)));
  const places = new Map(rows.map((r, x) => [keyOf(r.a, r.s, r.p), x]));
  const heldBy = rows.map((): number[] => []);
  for (const [first, then] of question.pins ?? []) {
    const [x, y] = [placeIn(places, first), placeIn(places, then)];
    if (x !== undefined && y !== undefined && x !== y) heldBy[y]!.push(x);
  }
  const share = (row: (typeof rows)[number]) => areas[row.a]!.passes[row.p]!.mm2 / sections[row.a]!;
  const passOf = (row: (typeof rows)[number]) => areas[row.a]!.passes[row.p]!;
  return {
    question,
    count: rows.length,
    area: Int32Array.from(rows, (r) => r.a),
    section: Int32Array.from(rows, (r) => r.s),
    pass: Int32Array.from(rows, (r) => r.p),
    code: Int32Array.from(rows, (r) => numberOf.get(passOf(r).code)!),
    codes,
    seconds: Float64Array.from(rows, (r) => (share(r) * passOf(r).coats) / desk.speed),
    mm2: Float64Array.from(rows, share),
    before: Int32Array.from(rows, (r) => r.before),
    wet: Uint8Array.from(rows, (r) => Number(r.wet)),
    dry: Uint8Array.from(rows, (r) => Number(r.p > 0 && passOf(r).dry)),
    latest: Float64Array.from(rows, (r) => r.latest),
    chains,
    chainOf,
    sections,
    lastEnd,
    passes,
    left,
    endOf,
    now,
    inHand,
    broken,
    heldBy,
  };
}

const keyOf = (area: number, section: number, pass: number): string => `${area} ${section} ${pass}`;
const placeIn = (places: ReadonlyMap<string, number>, { area, section, pass }: StepAt): number | undefined =>
  places.get(keyOf(area, section, pass));

/** A whole order as somebody has put it, as steps; undefined when it is not of exactly these. */
export function followed(
  { count, area, section, pass }: Problem,
  follow: readonly StepAt[],
): number[] | undefined {
  if (follow.length !== count) return undefined;
  const places = new Map(
    Array.from({ length: count }, (_, x) => [keyOf(area[x]!, section[x]!, pass[x]!), x]),
  );
  const order = follow.flatMap((s) => placeIn(places, s) ?? []);
  return new Set(order).size === count ? order : undefined;
}

/** Why an order cannot be: the first step that is put before what must come before it. */
export function against(problem: Problem, order: readonly number[]): Broken | undefined {
  const { question, area, pass, before, dry, heldBy } = problem;
  const at = new Int32Array(problem.count).fill(-1);
  order.forEach((x, k) => (at[x] = k));
  const left = new Map<number, number>();
  for (const x of order) left.set(area[x]!, (left.get(area[x]!) ?? 0) + 1);
  const told = (x: number, rule: Broken["rule"], other?: number): Broken => ({
    rule,
    area: question.areas[area[x]!]!.id,
    section: problem.section[x]!,
    pass: pass[x]!,
    needs: 0,
    has: 0,
    ...(other !== undefined && { other: question.areas[other]!.id }),
  });
  for (const [k, x] of order.entries()) {
    const a = area[x]!;
    if (before[x]! >= 0 && at[before[x]!]! > k) return told(x, "beneath");
    if (dry[x] && order.some((y, q) => q > k && area[y] === a && pass[y]! < pass[x]!))
      return told(x, "beneath");
    const waits = question.areas[a]!.after.find((b) => (left.get(b) ?? 0) > 0);
    if (waits !== undefined) return told(x, "waits", waits);
    const held = heldBy[x]!.find((y) => at[y]! > k);
    if (held !== undefined) return told(x, "pinned", area[held]!);
    left.set(a, left.get(a)! - 1);
  }
  return undefined;
}
