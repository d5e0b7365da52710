import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { ReadSheetArea, ReadZone } from "@/core/sheet/read-sheet";
import { quantile } from "@/core/algebra/median";
import { exerciseOf } from "./exercise";
import { FLAT_CELLS, LIGHT_CLASSES, PAIRS, RING_PARTS, type ExerciseId } from "./shapes";

/** What a sheet shows of what its exercise is about. */
export type Finding =
  /** L* between the lightest and the darkest tenth of a flat; and of the means of its rows and of its columns. */
  | { readonly kind: "spread"; readonly by: number }
  | { readonly kind: "streaks"; readonly along: "rows" | "columns"; readonly by: number }
  /** Places at which a ramp goes the wrong way, of so many. */
  | { readonly kind: "turns back"; readonly times: number; readonly of: number }
  /** The greatest step between neighbouring places of a ramp over the mean one. */
  | { readonly kind: "edges"; readonly times: number }
  /** L* from the lightest to the darkest. */
  | { readonly kind: "contrast"; readonly by: number }
  /** The most uneven of the steps between tones over the mean one, and which, from 1. */
  | { readonly kind: "uneven steps"; readonly times: number; readonly at: number }
  /** How far the order of values is that of the light, −1 to 1. */
  | { readonly kind: "roundness"; readonly by: number }
  /** How far a cast shadow grows paler with its distance from what casts it, −1 to 1; and how much darker (L*) it is there than the bare paper. */
  | { readonly kind: "fades"; readonly by: number; readonly dark: number }
  /** ΔE00 between what was given and what was to look like it: mean, and the worst pair, from 1. */
  | { readonly kind: "off"; readonly by: number; readonly worst: number; readonly at: number }
  /** Share of the edge over which ink ran, and ΔE00 of the worst part of it. */
  | { readonly kind: "over the line"; readonly share: number; readonly worst: number };

export interface SheetScore {
  /** 0–100. */
  readonly score: number;
  /** What matters most first. */
  readonly findings: readonly Finding[];
  /** How far each zone lies off what it should be: L* lighter (above 0) or darker, or ΔE00 of what should be bare. */
  readonly places: readonly { readonly area: number; readonly zone: number; readonly off: number }[];
}

/** A photo in which too little of the exercise is coloured or seen to be judged. */
export class NothingToJudge extends Error {
  constructor(readonly why: "bare" | "flat" | "unseen") {
    super(why);
    this.name = "NothingToJudge";
  }
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
const score = (...losses: readonly number[]) =>
  Math.round(Math.max(0, 100 - losses.reduce((a, b) => a + Math.max(0, b), 0)));

/** Colour off the paper under which nothing is laid, ΔE00; of what ran over an edge, as it is seen. */
const [LAID, RAN] = [4, 4] as const;

function flat(zones: readonly ReadZone[]): SheetScore {
  const L = new Map(zones.map((z) => [z.zone, z.lab[0]]));
  const values = [...L.values()];
  const spread = quantile(values, 0.9) - quantile(values, 0.1);
  const [across, down] = FLAT_CELLS;
  const line = (of: number, key: (n: number) => (zone: number) => boolean) => {
    const means = Array.from({ length: of }, (_, n) =>
      mean([...L].filter(([z]) => key(n)(z - 1)).map(([, v]) => v)),
    );
    return Math.max(...means) - Math.min(...means);
  };
  const rows = line(down, (n) => (z) => Math.floor(z / across) === n);
  const columns = line(across, (n) => (z) => z % across === n);
  const along = rows > columns ? "rows" : "columns";
  const middle = quantile(values, 0.5);
  return {
    score: score(9 * (spread - 1)),
    findings: [
      { kind: "spread", by: spread },
      { kind: "streaks", along, by: Math.max(rows, columns) },
    ],
    places: [...L].map(([zone, v]) => ({ area: 1, zone, off: v - middle })),
  };
}

/** How much L* a ramp and a ball should span, so that there is something to judge. */
const SPANS = 25;

function ramp(zones: readonly ReadZone[], tones: number): SheetScore {
  const sorted = [...zones].sort((a, b) => a.zone - b.zone);
  // Whichever end somebody began at.
  const ends = [sorted[0]!, sorted.at(-1)!].map((z) => z.lab[0]) as [number, number];
  const down = ends[0] >= ends[1] ? sorted : [...sorted].reverse();
  const L = down.map((z) => z.lab[0]);
  const steps = L.slice(1).map((v, i) => L[i]! - v);
  const span = Math.max(...L) - Math.min(...L);
  if (span < LAID) throw new NothingToJudge("flat");
  const back = steps.filter((s) => s < -1).length;
  const even = span / Math.max(1, steps.length);
  const edges = Math.max(...steps) / even;
  // Where each tone has its middle.
  const at = (k: number) => L[Math.min(L.length - 1, Math.floor(((k + 0.5) / tones) * L.length))]!;
  const between = Array.from({ length: tones - 1 }, (_, k) => at(k) - at(k + 1));
  const wide = mean(between);
  const offs = between.map((b) => Math.abs(b - wide) / Math.max(1, Math.abs(wide)));
  const worst = offs.indexOf(Math.max(...offs));
  const line = L.map((_, i) => L[0]! - (i * (L[0]! - L.at(-1)!)) / (L.length - 1));
  return {
    score: score(8 * back, 12 * (edges - 2.5), 45 * ((offs[worst] ?? 0) - 0.35), 1.2 * (SPANS - span)),
    findings: [
      { kind: "turns back", times: back, of: steps.length },
      { kind: "edges", times: edges },
      { kind: "uneven steps", times: 1 + (offs[worst] ?? 0), at: worst + 1 },
      { kind: "contrast", by: span },
    ],
    places: down.map((z, i) => ({ area: 1, zone: z.zone, off: L[i]! - line[i]! })),
  };
}

/** Rank correlation of two lists (Spearman); ties share their rank. */
export function rankCorrelation(a: readonly number[], b: readonly number[]): number {
  const ranks = (v: readonly number[]) =>
    v.map((x) => v.filter((y) => y < x).length + (v.filter((y) => y === x).length - 1) / 2);
  const [ra, rb] = [ranks(a), ranks(b)];
  const [ma, mb] = [mean(ra), mean(rb)];
  const [va, vb] = [ra, rb].map((r, i) => r.reduce((s, x) => s + (x - (i ? mb : ma)) ** 2, 0));
  const both = ra.reduce((s, x, i) => s + (x - ma) * (rb[i]! - mb), 0);
  return va! && vb! ? both / Math.sqrt(va! * vb!) : 0;
}

function ball(zones: readonly ReadZone[]): SheetScore {
  const sorted = [...zones].sort((a, b) => a.zone - b.zone);
  const L = sorted.map((z) => z.lab[0]);
  const span = Math.max(...L) - Math.min(...L);
  if (span < LAID) throw new NothingToJudge("flat");
  const round = -rankCorrelation(
    sorted.map((z) => z.zone),
    L,
  );
  const [light, dark] = [L[0]!, L.at(-1)!];
  return {
    score: score(110 * (1 - round), 1.2 * (SPANS - span)),
    findings: [
      { kind: "roundness", by: round },
      { kind: "contrast", by: span },
    ],
    places: sorted.map((z, i) => ({
      area: 1,
      zone: z.zone,
      off: L[i]! - (light + ((z.zone - 1) / (LIGHT_CLASSES - 1)) * (dark - light)),
    })),
  };
}

/** How much darker than the paper (L*) a cast shadow is where it begins, so that something stands on its table. */
const SHADOW_DARK = 20;

/** A form and the shadow that it casts. */
function cast(form: readonly ReadZone[], shadow: readonly ReadZone[], paper: Lab): SheetScore {
  const own = ball(form);
  const sorted = [...shadow].sort((a, b) => a.zone - b.zone);
  const L = sorted.map((z) => z.lab[0]);
  const dark = sorted.length ? paper[0] - Math.min(...L) : 0;
  if (dark < LAID) throw new NothingToJudge("bare");
  const fades = rankCorrelation(
    sorted.map((z) => z.zone),
    L,
  );
  const line = (i: number) => L[0]! + (i / Math.max(1, L.length - 1)) * (L.at(-1)! - L[0]!);
  return {
    score: score(100 - own.score, 35 * (1 - fades), 1.5 * (SHADOW_DARK - dark)),
    findings: [...own.findings, { kind: "fades", by: fades, dark }],
    places: [...own.places, ...sorted.map((z, i) => ({ area: 2, zone: z.zone, off: L[i]! - line(i) }))],
  };
}

/** ΔE00 that nobody sees in boxes side by side. */
const ALIKE = 1.5;

/** Boxes in pairs, the second made to look like the first. */
function match(zones: readonly ReadZone[]): SheetScore {
  const at = new Map(zones.map((z) => [z.zone, z.lab]));
  const pairs = Array.from({ length: PAIRS }, (_, i) => {
    const [given, made] = [at.get(2 * i + 1), at.get(2 * i + 2)];
    return given && made ? { pair: i + 1, off: deltaE00(given, made), by: made[0] - given[0] } : undefined;
  }).filter((p) => p !== undefined);
  if (!pairs.length) throw new NothingToJudge("unseen");
  const by = mean(pairs.map((p) => p.off));
  const worst = pairs.reduce((a, b) => (b.off > a.off ? b : a));
  return {
    score: score(8 * (by - ALIKE)),
    findings: [{ kind: "off", by, worst: worst.off, at: worst.pair }],
    places: pairs.map((p) => ({ area: 1, zone: 2 * p.pair, off: p.by })),
  };
}

function edge(ring: readonly ReadZone[], paper: Lab): SheetScore {
  const off = ring.map((z) => ({ area: 2, zone: z.zone, off: deltaE00(z.lab, paper) }));
  const over = off.filter((z) => z.off > RAN);
  const worst = Math.max(0, ...off.map((z) => z.off));
  const share = over.length / RING_PARTS;
  return {
    score: score(140 * share, over.length ? worst - RAN : 0),
    findings: [{ kind: "over the line", share, worst }],
    places: off,
  };
}

/**
 * What a sheet that was practised on shows of what its exercise is about.
 * @param areas as {@link readSheet} gives them @param bare colour of the bare ground of the same photo
 * @throws NothingToJudge
 */
export function scoreSheet(id: ExerciseId, areas: readonly ReadSheetArea[], bare: Lab): SheetScore {
  const own = areas.find((a) => a.area === 1);
  if (!own?.zones.length) throw new NothingToJudge("unseen");
  if (Math.max(...own.zones.map((z) => deltaE00(z.lab, bare))) < LAID) throw new NothingToJudge("bare");
  const { tones } = exerciseOf(id);
  switch (id) {
    case "flat":
      return flat(own.zones);
    case "ramp3":
    case "ramp4":
    case "ramp6":
    case "scale":
      return ramp(own.zones, tones);
    case "ball":
    case "ball6":
    case "ribbon":
    case "hair":
      return ball(own.zones);
    case "cast":
      return cast(own.zones, areas.find((a) => a.area === 2)?.zones ?? [], bare);
    case "match":
      return match(own.zones);
    case "edge":
      return edge(areas.find((a) => a.area === 2)?.zones ?? [], bare);
  }
}
