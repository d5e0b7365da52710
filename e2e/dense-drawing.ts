import sharp from "sharp";

/**
 * Drawings as dense as people bring them, each of more than 200 shapes, with hatching and broken outlines; and the same coloured in, as a
 * reference: a bird with rows of feathers on a post before a wall, and a fish with rows of scales over a bed of pebbles.
 */
const SIZE = { width: 1500, height: 1200 };
const HEAVY = 9;
const THIN = 3;

interface Painted {
  readonly d: string;
  readonly fill: string;
  readonly stroke: number;
  readonly dashed?: string;
}

const ellipse = (x: number, y: number, rx: number, ry: number) =>
  `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;
const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}Z`;

/** Rows of overlapping feathers, each a round-ended flap; later rows lie over earlier ones. */
function feathers(x: number, y: number, w: number, rows: number, across: number, fill: string): Painted[] {
  const [fw, fh] = [w / across, (w / across) * 1.25];
  return Array.from({ length: rows }, (_, r) => rows - 1 - r).flatMap((r) =>
    Array.from({ length: across - (r % 2) }, (_, i): Painted => {
      const left = x + (i + (r % 2) / 2) * fw;
      const top = y + r * fh * 0.62;
      return {
        d: `M${left} ${top}v${fh * 0.5}a${fw / 2} ${fh * 0.5} 0 0 0 ${fw} 0v${-fh * 0.5}Z`,
        fill,
        stroke: THIN,
      };
    }),
  );
}

const BIRD: readonly Painted[] = [
  // A wall of bricks.
  ...Array.from({ length: 9 }, (_, r) =>
    Array.from({ length: 9 }, (_, i): Painted => ({
      d: box(20 + 164 * i - (r % 2) * 60, 700 + 54 * r, 164, 54),
      fill: "#b98a72",
      stroke: THIN,
    })),
  ).flat(),
  // A post with bark.
  { d: box(640, 760, 190, 440), fill: "#8a6f52", stroke: HEAVY },
  ...Array.from({ length: 5 }, (_, i): Painted => ({
    d: `M${668 + 32 * i} 766c14 120 -12 260 4 430`,
    fill: "none",
    stroke: THIN,
  })),
  // Tail, body, wing.
  ...Array.from({ length: 6 }, (_, i): Painted => ({
    d: `M${560 - 6 * i} ${640 + 16 * i}L${180 + 34 * i} ${760 + 46 * i}l34 34L${590} ${690 + 12 * i}Z`,
    fill: "#5d6f86",
    stroke: i === 0 || i === 5 ? 6 : 5,
  })),
  { d: ellipse(760, 520, 300, 240), fill: "#e6d6b4", stroke: HEAVY },
  ...feathers(600, 560, 330, 4, 9, "#e6d6b4"),
  { d: ellipse(700, 470, 215, 150), fill: "#7f93ab", stroke: HEAVY },
  ...feathers(560, 400, 290, 5, 8, "#7f93ab"),
  // Head with beak and eye.
  { d: ellipse(1010, 300, 150, 130), fill: "#c96f4a", stroke: HEAVY },
  { d: "M 1148 270L 1290 318L 1146 350Z", fill: "#e2b04a", stroke: 6 },
  { d: ellipse(1050, 270, 30, 30), fill: "#f6f2e6", stroke: 5 },
  { d: ellipse(1054, 272, 12, 12), fill: "#20242a", stroke: 4 },
  // Reeds.
  ...Array.from({ length: 14 }, (_, i): Painted => ({
    d: `M${1080 + 27 * i} 1196q${8 + 3 * i} -${260 + 22 * (i % 5)} ${30 - 5 * (i % 4)} -${460 + 30 * (i % 3)}q${16} ${230} ${-14 + 5 * (i % 4)} ${460 + 30 * (i % 3)}Z`,
    fill: "#7fa05a",
    stroke: THIN,
  })),
];

/** Hatching across the belly, and an outline that does not close. */
const BIRD_STROKES: readonly string[] = [
  ...Array.from({ length: 7 }, (_, i) => `M${830 + 15 * i} 735l${40} ${-64}`),
  "M 300 140c60 -60 180 -60 240 0s160 60 210 10",
];

const FISH: readonly Painted[] = [
  // A bed of pebbles, no two alike.
  ...Array.from({ length: 5 }, (_, r) =>
    Array.from({ length: 17 }, (_, i): Painted => ({
      d: ellipse(
        40 + 90 * i + 45 * (r % 2),
        930 + 62 * r,
        38 + ((7 * i + 3 * r) % 6),
        25 + ((5 * i + r) % 5),
      ),
      fill: "#b7a58c",
      stroke: THIN,
    })),
  ).flat(),
  // Weed: blades that bend.
  ...Array.from({ length: 12 }, (_, i): Painted => ({
    d: `M${60 + 34 * i} 900q${-30 + 4 * i} -${200 + 30 * (i % 4)} ${10 + 2 * i} -${420 + 36 * (i % 5)}q${22} ${220} ${6 - 2 * i} ${420 + 36 * (i % 5)}Z`,
    fill: "#5f8f5a",
    stroke: THIN,
  })),
  // Tail, fins, body, scales, head.
  { d: "M 560 470L 360 330q 60 150 0 290L 560 520Z", fill: "#d9793f", stroke: HEAVY },
  ...Array.from({ length: 7 }, (_, i): Painted => ({
    d: `M${740 + 52 * i} ${312 - 4 * i}q${10} -${90 + 8 * (i % 3)} ${48} -${96}q${14} 60 ${4} ${100}Z`,
    fill: "#d9793f",
    stroke: 5,
  })),
  { d: ellipse(860, 490, 350, 200), fill: "#efb25b", stroke: HEAVY },
  ...feathers(610, 380, 430, 6, 11, "#efb25b"),
  { d: "M 1060 330q 180 20 170 165q -20 130 -190 160q 70 -160 20 -325Z", fill: "#e7c78a", stroke: HEAVY },
  { d: ellipse(1130, 450, 34, 34), fill: "#f6f2e6", stroke: 5 },
  { d: ellipse(1136, 452, 14, 14), fill: "#20242a", stroke: 4 },
  // Bubbles.
  ...Array.from({ length: 18 }, (_, i): Painted => ({
    d: ellipse(
      1270 + 46 * (i % 4) - 12 * (i % 3),
      90 + 62 * Math.floor(i / 2),
      12 + (i % 5) * 2,
      12 + (i % 5) * 2,
    ),
    fill: "#cfe3ea",
    stroke: THIN,
  })),
];

/** Hatching under the belly, and a wave that does not close. */
const FISH_STROKES: readonly string[] = [
  ...Array.from({ length: 9 }, (_, i) => `M${720 + 26 * i} 672l${26} ${-52}`),
  "M 40 70c80 -50 160 -50 240 0s160 50 240 0s160 -50 230 -6",
];

const DRAWINGS = {
  bird: { parts: BIRD, strokes: BIRD_STROKES },
  fish: { parts: FISH, strokes: FISH_STROKES },
} as const;
export type DenseDrawing = keyof typeof DRAWINGS;

const svg = (coloured: boolean, { parts, strokes }: (typeof DRAWINGS)[DenseDrawing]) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIZE.width} ${SIZE.height}" width="${SIZE.width}" height="${SIZE.height}"><rect width="100%" height="100%" fill="#ffffff"/>${parts
    .map(
      (p) =>
        `<path d="${p.d}" fill="${p.fill === "none" ? "none" : coloured ? p.fill : "#ffffff"}" stroke="#141414" stroke-width="${p.stroke}"${p.dashed ? ` stroke-dasharray="${p.dashed}"` : ""}/>`,
    )
    .join(
      "",
    )}${strokes.map((d) => `<path d="${d}" fill="none" stroke="#141414" stroke-width="${THIN}"/>`).join("")}</svg>`;

/** The line drawing, or the same coloured in. */
export const denseDrawing = (coloured = false, which: DenseDrawing = "bird"): Promise<Buffer> =>
  sharp(Buffer.from(svg(coloured, DRAWINGS[which])))
    .flatten({ background: "#ffffff" })
    .png()
    .toBuffer();
