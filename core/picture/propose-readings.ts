import type { Point } from "@/core/algebra/point";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { chroma, type Lab } from "@/core/colour/lab";
import { meanLab } from "@/core/colour/mean-lab";
import type { Labels, Pixels } from "./plane";

/** A colour that an area has in the reference. */
export interface ProposedReading {
  readonly lab: Lab;
  /** Mean ΔE00 of its pixels from it. */
  readonly spread: number;
  /** A place in the reference, in shares, that has it. */
  readonly at: Point;
  /** Share of the area's pixels. */
  readonly share: number;
}

export interface ProposedReadings {
  readonly light?: ProposedReading;
  readonly local?: ProposedReading;
  readonly shadow?: ProposedReading;
}

interface Sample {
  readonly lab: Lab;
  readonly at: Point;
}

/** Samples that are enough for an area. */
const ENOUGH = 900;
/** What lies nearer to the area's edge than this share of its half width is line, or its halo. */
const RIM = 0.22;
/** ΔE00 between two of the three colours from which on they are worth telling apart. */
const APART = 4;
/** Share of the samples below which a cluster is an accident. */
const ACCIDENT = 0.05;
/** A reflection: this much lighter than the light tenth and of less chroma; line: this much darker than the dark tenth, nearly black. */
const GLINT = 14;
const INK = 16;
const BLACK = 24;
const ROUNDS = 12;

const at = (sorted: readonly number[], share: number) => sorted[Math.floor(share * (sorted.length - 1))]!;

/** Samples without reflections on them, and without line in them. */
function withoutStrays(samples: readonly Sample[]): readonly Sample[] {
  const lights = samples.map((s) => s.lab[0]).sort((a, b) => a - b);
  const colours = samples.map((s) => chroma(s.lab)).sort((a, b) => a - b);
  const [dark, middle, light] = [at(lights, 0.15), at(lights, 0.5), at(lights, 0.85)];
  const kept = samples.filter(({ lab }) => {
    const glint = lab[0] > light + GLINT && lab[0] > 80 && chroma(lab) < 0.6 * at(colours, 0.5) + 4;
    const ink = lab[0] < dark - INK && lab[0] < Math.max(BLACK, middle - 45);
    return !glint && !ink;
  });
  return kept.length >= samples.length / 3 ? kept : samples;
}

/** Three clusters by S. Lloyd's method (1982) in Lab, started at the dark, middle and light of the samples; dark first. */
function clusters(samples: readonly Sample[]): Sample[][] {
  const sorted = [...samples].sort((a, b) => a.lab[0] - b.lab[0]);
  let middles = [0.08, 0.5, 0.92].map((q) => sorted[Math.floor(q * (sorted.length - 1))]!.lab);
  let parts: Sample[][] = [];
  for (let round = 0; round < ROUNDS; round++) {
    parts = middles.map(() => []);
    for (const s of samples) {
      let [best, least] = [0, Infinity];
      middles.forEach((m, i) => {
        const d = (s.lab[0] - m[0]) ** 2 + (s.lab[1] - m[1]) ** 2 + (s.lab[2] - m[2]) ** 2;
        if (d < least) [best, least] = [i, d];
      });
      parts[best]!.push(s);
    }
    const next = parts.map((p, i) => (p.length ? meanLab(p.map((s) => s.lab)) : middles[i]!));
    if (next.every((m, i) => m.every((v, k) => Math.abs(v - middles[i]![k]!) < 0.05))) break;
    middles = next;
  }
  return parts.filter((p) => p.length >= ACCIDENT * samples.length);
}

/** The middle of a cluster: the mean of its nearer half, so that what blends into a neighbour does not pull it. */
function readingOf(part: readonly Sample[], total: number): ProposedReading {
  const mean = meanLab(part.map((s) => s.lab));
  const near = part
    .map((s) => ({ s, d: deltaE00(s.lab, mean) }))
    .sort((p, q) => p.d - q.d)
    .slice(0, Math.max(1, Math.ceil(part.length / 2)));
  const lab = meanLab(near.map(({ s }) => s.lab));
  const spread = near.reduce((sum, { s }) => sum + deltaE00(s.lab, lab), 0) / near.length;
  const [closest] = near.map(({ s }) => ({ s, d: deltaE00(s.lab, lab) })).sort((p, q) => p.d - q.d);
  return { lab, spread, at: closest!.s.at, share: part.length / total };
}

/** Light, local colour and shadow among the colours of one area; fewer where they are hard to tell apart. */
export function readingsAmong(samples: readonly Sample[]): ProposedReadings {
  if (!samples.length) return {};
  const kept = withoutStrays(samples);
  const found = clusters(kept)
    .map((p) => readingOf(p, kept.length))
    .sort((p, q) => p.lab[0] - q.lab[0]);
  const told: ProposedReading[] = [];
  for (const r of found) {
    const last = told[told.length - 1];
    if (!last || deltaE00(last.lab, r.lab) >= APART) told.push(r);
    // Two of one colour: the larger one stands for both.
    else if (r.share > last.share) told[told.length - 1] = { ...r, share: r.share + last.share };
  }
  if (told.length >= 3) return { shadow: told[0]!, local: told[1]!, light: told[told.length - 1]! };
  if (told.length === 2) {
    const [dark, light] = told as [ProposedReading, ProposedReading];
    return dark.share >= light.share ? { local: dark, light } : { local: light, shadow: dark };
  }
  return told[0] ? { local: told[0] } : {};
}

/**
 * Colours of every area in a reference that lies over the line art.
 * @param labels regions of the line art
 * @param owner for each region number the place of its area, −1 for none
 * @param depth distance of each pixel from the line, squared, to leave its halo out
 * @param place where a point of the line art lies in the reference, shares to shares
 */
export function proposeReadings(
  reference: Pixels,
  labels: Labels,
  owner: ArrayLike<number>,
  depth: ArrayLike<number>,
  place: (x: number, y: number) => Point,
  areas: number,
): ProposedReadings[] {
  const { width, height, data } = labels;
  const counts = new Uint32Array(areas);
  const deepest = new Float64Array(areas);
  for (let p = 0; p < data.length; p++) {
    const a = owner[data[p]!]!;
    if (a < 0) continue;
    counts[a]!++;
    if (depth[p]! > deepest[a]!) deepest[a] = depth[p]!;
  }
  const samples: Sample[][] = Array.from({ length: areas }, () => []);
  const seen = new Uint32Array(areas);
  for (let p = 0; p < data.length; p++) {
    const a = owner[data[p]!]!;
    if (a < 0 || depth[p]! < RIM * RIM * deepest[a]!) continue;
    const stride = Math.max(1, Math.floor(counts[a]! / ENOUGH));
    if (seen[a]!++ % stride) continue;
    const [x, y] = place(((p % width) + 0.5) / width, (Math.floor(p / width) + 0.5) / height);
    if (!(x >= 0 && y >= 0 && x < 1 && y < 1)) continue;
    const q =
      (Math.floor(y * reference.height) * reference.width + Math.floor(x * reference.width)) *
      reference.channels;
    if (reference.channels === 4 && reference.data[q + 3]! < 128) continue;
    const [r, g, b] =
      reference.channels === 1
        ? [reference.data[q]!, reference.data[q]!, reference.data[q]!]
        : [reference.data[q]!, reference.data[q + 1]!, reference.data[q + 2]!];
    samples[a]!.push({ lab: rgb8ToLab(r!, g!, b!), at: [x, y] });
  }
  return samples.map(readingsAmong);
}
