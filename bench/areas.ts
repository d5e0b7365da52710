import sharp from "sharp";
import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { areaMap } from "@/core/picture/area-map";
import { nearestOf } from "@/core/picture/distance";
import { findSheet } from "@/core/picture/find-sheet";
import { lineOf } from "@/core/picture/line";
import type { Bytes, Labels } from "@/core/picture/plane";
import { proposeReadings } from "@/core/picture/propose-readings";
import { rectified, reduced, straightSize } from "@/core/picture/rectify";
import { regionsOf } from "@/core/picture/regions";
import { harshShot, photograph } from "@/sim/camera";
import { lineArt, painted, type LineArt } from "@/sim/line-art";
import { warmToned, whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { bareStain, seenThrough } from "@/sim/sheet";
import { decodePicture } from "@/store/decode-picture";

const PX_PER_MM = 8;
const SIZE = { width: 1600, height: 1250 };
const SEEDS = [1, 2, 3, 4, 5];
/** Overlap of an area with what was found, over both together, from which it is right. */
const RIGHT = 0.9;

const printed = ({ line }: LineArt): Uint8Array =>
  Uint8Array.from(line, (v) => Math.round(250 * (1 - 0.95 * v) ** (1 / 2.2)));

/** How many areas are right, and how many found regions hold most of two areas. */
function judged(
  art: LineArt,
  at: (x: number, y: number) => number,
  least: number,
  skip: ReadonlySet<number>,
) {
  const [truth, own, both] = [
    new Map<number, number>(),
    new Map<number, number>(),
    new Map<number, number>(),
  ];
  const count = (m: Map<number, number>, key: number) => m.set(key, (m.get(key) ?? 0) + 1);
  for (let y = 0, p = 0; y < art.height; y++)
    for (let x = 0; x < art.width; x++, p++) {
      const [t, l] = [art.areas[p]!, at(x, y)];
      count(truth, t);
      if (!l) continue;
      count(own, l);
      count(both, t * 65536 + l);
    }
  const [best, holds] = [new Map<number, number>(), new Map<number, number>()];
  for (const [key, n] of both) {
    const [t, l] = [Math.floor(key / 65536), key % 65536];
    best.set(t, Math.max(best.get(t) ?? 0, n / (truth.get(t)! + own.get(l)! - n)));
    if (n > truth.get(t)! / 2 && truth.get(t)! >= least && !skip.has(t)) count(holds, l);
  }
  const asked = [...truth].filter(([t, n]) => n >= least && !skip.has(t)).map(([t]) => t);
  return {
    asked: asked.length,
    right: asked.filter((t) => (best.get(t) ?? 0) >= RIGHT).length,
    leaks: [...holds.values()].filter((n) => n > 1).length,
  };
}

function fromDrawings(): string[] {
  return [0, 0.5, 1, 2].map((gap) => {
    const sum = { asked: 0, right: 0, leaks: 0 };
    for (const seed of SEEDS) {
      const art = lineArt({ seed, ...SIZE, pxPerMm: PX_PER_MM, cells: 160, lines: [0.2, 1.5], gap });
      const { coverage } = lineOf({ ...SIZE, channels: 1, data: printed(art) }, "drawn");
      const { labels } = regionsOf(coverage, {
        gap: gap * PX_PER_MM,
        speck: PX_PER_MM ** 2,
        under: PX_PER_MM,
      });
      const one = judged(art, (x, y) => labels.data[y * art.width + x]!, PX_PER_MM ** 2, new Set());
      sum.asked += one.asked;
      sum.right += one.right;
      sum.leaks += one.leaks;
    }
    return `| ${gap} mm | ${sum.asked} | **${((100 * sum.right) / sum.asked).toFixed(1)} %** | ${sum.leaks} |`;
  });
}

async function fromPhotos(): Promise<string[]> {
  const [width, height, left, top] = [297, 210, 22, 20];
  const [corners, sum] = [[] as number[], { asked: 0, right: 0, leaks: 0, lost: 0 }];
  for (const seed of [1, 2, 3, 4, 5, 6, 7, 8]) {
    const random = seeded(seed);
    const stock = seed % 2 ? whiteCard : warmToned;
    const art = lineArt({
      seed,
      width: 2000,
      height: 1360,
      pxPerMm: PX_PER_MM,
      cells: 120,
      lines: [0.2, 1.5],
      gap: 1,
      broken: 0.25,
    });
    const paper = seenThrough(stock, bareStain(stock));
    // Every third line is blue.
    const ink = paper.map((v, i) => v * (seed % 3 ? 0.05 : i < 25 ? 0.25 : 0.07));
    const shot = { ...harshShot(random), turn: 24 * (random() - 0.5), fill: 0.88 };
    const photo = await photograph(
      {
        width,
        height,
        paper,
        discs: [],
        bars: [],
        patches: [],
        art: { ...art, x: left, y: top, pxPerMm: PX_PER_MM, ink },
      },
      shot,
      random,
    );
    const picture = { width: photo.width, height: photo.height, channels: 3 as const, data: photo.rgb };
    const found = findSheet(picture);
    if (!found) {
      sum.lost++;
      continue;
    }
    const truth = (
      [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
      ] as const
    ).map(([x, y]) => photo.truth(x, y));
    const pxPerMm = Math.hypot(truth[1]![0] - truth[0]![0], truth[1]![1] - truth[0]![1]) / width;
    found.corners.forEach(([x, y], i) =>
      corners.push(Math.hypot(x * photo.width - truth[i]![0], y * photo.height - truth[i]![1]) / pxPerMm),
    );
    const size = straightSize(found.corners, photo.width, photo.height, width / height, 2000);
    const flat = rectified(picture, found.corners, size.width, size.height);
    const mm = width / size.width;
    const { labels } = regionsOf(lineOf(flat, "stamped").coverage, {
      gap: 1 / mm,
      speck: 1 / mm ** 2,
      under: 1 / mm,
    });
    const at = (x: number, y: number) => {
      const [px, py] = [(left + (x + 0.5) / PX_PER_MM) / mm, (top + (y + 0.5) / PX_PER_MM) / mm];
      return labels.data[Math.floor(py) * size.width + Math.floor(px)]!;
    };
    // What the drawing's edge cuts open goes on to the bare sheet.
    const open = new Set<number>();
    for (let x = 0; x < art.width; x++) open.add(art.areas[x]!).add(art.areas[art.areas.length - 1 - x]!);
    for (let y = 0; y < art.height; y++)
      open.add(art.areas[y * art.width]!).add(art.areas[(y + 1) * art.width - 1]!);
    const one = judged(art, at, 25 * PX_PER_MM ** 2, open);
    sum.asked += one.asked;
    sum.right += one.right;
    sum.leaks += one.leaks;
  }
  return [
    `| ${8 - sum.lost} of 8 | ${quantile(corners, 0.5).toFixed(2)} / ${Math.max(...corners).toFixed(2)} mm | ${sum.asked} | **${((100 * sum.right) / sum.asked).toFixed(1)} %** | ${sum.leaks} |`,
  ];
}

function readings(): string {
  const off: number[] = [];
  let missed = 0;
  for (const seed of SEEDS) {
    const art = lineArt({ seed, ...SIZE, pxPerMm: PX_PER_MM, cells: 160, lines: [0.2, 1.5], gap: 0 });
    const { rgb, tones } = painted(art, seed);
    const { coverage } = lineOf({ ...SIZE, channels: 1, data: printed(art) }, "drawn");
    const found = regionsOf(coverage, { gap: 0, speck: PX_PER_MM ** 2, under: PX_PER_MM });
    const claims = found.regions.map((r) => ({
      id: String(art.areas[r.middle[1] * art.width + r.middle[0]]!),
      at: [[(r.middle[0] + 0.5) / art.width, (r.middle[1] + 0.5) / art.height] as const],
    }));
    const map = areaMap(found, claims, 1 / PX_PER_MM);
    const line = coverage.data.map((v) => (v >= 100 ? 1 : 0));
    const depth = nearestOf(line, art.width, art.height).squared;
    const proposed = proposeReadings(
      { ...SIZE, channels: 3, data: rgb },
      found.labels,
      map.owner,
      depth,
      (x, y) => [x, y],
      map.areas.length,
    );
    proposed.forEach((p, i) => {
      if (map.areas[i]!.mm2 < 25) return;
      const truth = tones[Number(map.areas[i]!.id)]!;
      ([p.light, p.local, p.shadow] as const).forEach((r, k) => {
        const [red, green, blue] = truth[k] as readonly [number, number, number];
        if (r) off.push(deltaE00(r.lab, rgb8ToLab(red, green, blue)));
        else missed++;
      });
    });
  }
  return `Readings proposed for ${off.length + missed} tones of areas painted in three: ${quantile(off, 0.5).toFixed(2)} ΔE00 off in the median, 95th ${quantile(off, 0.95).toFixed(2)}; ${missed} tones were not told apart.`;
}

/** The plainest flood fill there is: each free pixel's region by a stack. */
function plainFlood({ width, height, data }: Bytes): Labels {
  const labels = new Uint16Array(data.length);
  const stack: number[] = [];
  let count = 0;
  for (let start = 0; start < data.length; start++) {
    if (data[start]! >= 100 || labels[start]) continue;
    count++;
    stack.push(start);
    labels[start] = count;
    while (stack.length) {
      const p = stack.pop()!;
      const x = p % width;
      for (const q of [x ? p - 1 : -1, x + 1 < width ? p + 1 : -1, p - width, p + width])
        if (q >= 0 && q < data.length && data[q]! < 100 && !labels[q]) {
          labels[q] = count;
          stack.push(q);
        }
    }
  }
  return { width, height, data: labels };
}

const timed = <T>(work: () => T): { readonly ms: number; readonly out: T } => {
  let [least, out]: [number, T | undefined] = [Infinity, undefined];
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    out = work();
    least = Math.min(least, performance.now() - start);
  }
  return { ms: least, out: out as T };
};

async function speed(): Promise<string> {
  const art = lineArt({ seed: 1, ...SIZE, pxPerMm: PX_PER_MM, cells: 160, lines: [0.2, 1.5], gap: 1 });
  const picture = { ...SIZE, channels: 1 as const, data: printed(art) };
  const wish = { gap: PX_PER_MM, speck: PX_PER_MM ** 2, under: PX_PER_MM };
  const line = timed(() => lineOf(picture, "drawn"));
  const found = timed(() => regionsOf(line.out.coverage, wish));
  const plain = timed(() => plainFlood(line.out.coverage));
  const quick = timed(() => {
    const small = lineOf(reduced(picture, 3), "drawn").coverage;
    return regionsOf(small, { gap: wish.gap / 3, speck: wish.speck / 9, under: wish.under / 3 });
  });
  const rgb = Buffer.alloc(7300 * 5480 * 3, 245);
  for (let p = 0; p < rgb.length; p += 997) rgb[p] = 30;
  const huge = await sharp(rgb, { raw: { width: 7300, height: 5480, channels: 3 } })
    .jpeg({ quality: 92 })
    .toBuffer();
  const start = performance.now();
  const { working } = await decodePicture("huge.jpg", huge);
  const { data, info } = await sharp(working).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const taken = { width: info.width, height: info.height, channels: 3 as const, data };
  regionsOf(lineOf(taken, "drawn").coverage, wish);
  const whole = performance.now() - start;
  const memory = process.resourceUsage().maxRSS / 1024;
  return [
    "| 2 megapixels, 210 areas | ms | of a plain flood fill |",
    "| --- | --- | --- |",
    `| line | ${line.ms.toFixed(0)} | ${(line.ms / plain.ms).toFixed(1)}× |`,
    `| areas, gaps closed, measured | ${found.ms.toFixed(0)} | ${(found.ms / plain.ms).toFixed(1)}× |`,
    `| both at preview size (a third) | ${quick.ms.toFixed(0)} | ${(quick.ms / plain.ms).toFixed(1)}× |`,
    `| plain flood fill of the same line | ${plain.ms.toFixed(0)} | 1× |`,
    "",
    `A picture of 40 megapixels, from its bytes to its areas: ${(whole / 1000).toFixed(1)} s, at most ${memory.toFixed(0)} MB of this process (all of the above included).`,
  ].join("\n");
}

/** Lines, areas, sheets and readings of pictures. */
export async function judgeAreas(): Promise<string> {
  return [
    "### Areas of drawings (cells with curved borders, lines of 0.2–1.5 mm, dots, hatching, round things; right from an overlap of 0.9; at least 98 % wanted, no leak)",
    "",
    "| gaps in the lines up to | areas | right | regions that hold two |",
    "| --- | --- | --- | --- |",
    ...fromDrawings(),
    "",
    "Photographed (up to 35° aslant, any lamp, noise, JPEG; every third in blue; gaps up to 1 mm), areas of 25 mm² and more:",
    "",
    "| sheets found | corners off, median / most | areas | right | regions that hold two |",
    "| --- | --- | --- | --- | --- |",
    ...(await fromPhotos()),
    "",
    readings(),
    "",
    await speed(),
  ].join("\n");
}
