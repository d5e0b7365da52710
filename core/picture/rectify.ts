import type { Point } from "@/core/algebra/point";
import { homographyBetween, project } from "@/core/algebra/homography";
import type { Pixels } from "./plane";

/** Four corners of a sheet in a picture: top left, top right, bottom right, bottom left, as shares (0–1) of its width and height. */
export type Corners = readonly [Point, Point, Point, Point];

/** The whole picture. */
export const WHOLE_PICTURE: Corners = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

const sideOf = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
/** Outside these the four points tell nothing of the sheet's shape. */
const LONGEST = 12;

/** Whether four corners go round a convex shape of some size, clockwise as seen. */
export function isQuad(corners: Corners, width: number, height: number): boolean {
  const at = corners.map(([x, y]) => [x * width, y * height] as const);
  return at.every((p, i) => {
    const [q, r] = [at[(i + 1) % 4]!, at[(i + 2) % 4]!];
    const turn = (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]);
    return turn > 0.02 * sideOf(p, q) * sideOf(q, r) && sideOf(p, q) > 8;
  });
}

/**
 * Width over height of a rectangle seen in perspective by a camera whose middle is the picture's. Z. Zhang & L.-W. He, Digital Signal
 * Processing 17 (2007) 414–432, eq. 11–21. Where the sheet is seen squarely its sides say it.
 */
export function aspectOf(corners: Corners, width: number, height: number): number {
  const [m1, m2, m4, m3] = corners.map(
    ([x, y]) => [x * width - width / 2, y * height - height / 2] as const,
  ) as [Point, Point, Point, Point];
  const plain = (sideOf(m1, m2) + sideOf(m3, m4)) / Math.max(1e-9, sideOf(m1, m3) + sideOf(m2, m4));
  const cross = (a: Point, b: Point): readonly [number, number, number] => [
    a[1] - b[1],
    b[0] - a[0],
    a[0] * b[1] - a[1] * b[0],
  ];
  const dot = (a: readonly number[], p: Point) => a[0]! * p[0] + a[1]! * p[1] + a[2]!;
  const k2 = dot(cross(m1, m4), m3) / dot(cross(m2, m4), m3);
  const k3 = dot(cross(m1, m4), m2) / dot(cross(m3, m4), m2);
  const n2 = [k2 * m2[0] - m1[0], k2 * m2[1] - m1[1], k2 - 1] as const;
  const n3 = [k3 * m3[0] - m1[0], k3 * m3[1] - m1[1], k3 - 1] as const;
  // Seen squarely no focal length can be told.
  if (Math.abs(n2[2]) < 0.02 || Math.abs(n3[2]) < 0.02) return plain;
  const focal2 = -(n2[0] * n3[0] + n2[1] * n3[1]) / (n2[2] * n3[2]);
  const long = Math.max(width, height);
  if (!(focal2 > (0.4 * long) ** 2 && focal2 < (8 * long) ** 2)) return plain;
  const length = (n: readonly [number, number, number]) => (n[0] ** 2 + n[1] ** 2) / focal2 + n[2] ** 2;
  const aspect = Math.sqrt(length(n2) / length(n3));
  return aspect > 1 / LONGEST && aspect < LONGEST ? aspect : plain;
}

/** Size in pixels of a sheet made straight: as fine as it is seen, no longer than `longest`. */
export function straightSize(
  corners: Corners,
  width: number,
  height: number,
  aspect: number,
  longest: number,
): { readonly width: number; readonly height: number } {
  const at = corners.map(([x, y]) => [x * width, y * height] as const);
  const across = Math.max(sideOf(at[0]!, at[1]!), sideOf(at[3]!, at[2]!));
  const down = Math.max(sideOf(at[0]!, at[3]!), sideOf(at[1]!, at[2]!));
  const w = Math.max(across, down * aspect);
  const fit = Math.min(1, longest / Math.max(w, w / aspect));
  return { width: Math.max(16, Math.round(w * fit)), height: Math.max(16, Math.round((w * fit) / aspect)) };
}

/** A part of a picture that a quadrilateral bounds, made straight: each pixel between its four nearest. */
export function rectified(picture: Pixels, corners: Corners, width: number, height: number): Pixels {
  const { channels, data } = picture;
  const to = corners.map(([x, y]) => [x * picture.width, y * picture.height] as const);
  const h = homographyBetween(
    [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
    to,
  );
  const out = new Uint8Array(width * height * channels);
  const [lastX, lastY] = [picture.width - 1, picture.height - 1];
  for (let y = 0, p = 0; y < height; y++) {
    // A projective map along a row: two numerators and a denominator that grow evenly.
    let u = h[0]! * 0.5 + h[1]! * (y + 0.5) + h[2]!;
    let v = h[3]! * 0.5 + h[4]! * (y + 0.5) + h[5]!;
    let w = h[6]! * 0.5 + h[7]! * (y + 0.5) + 1;
    for (let x = 0; x < width; x++, u += h[0]!, v += h[3]!, w += h[6]!) {
      const px = Math.min(lastX, Math.max(0, u / w - 0.5));
      const py = Math.min(lastY, Math.max(0, v / w - 0.5));
      const [x0, y0] = [px | 0, py | 0];
      const [fx, fy] = [px - x0, py - y0];
      const right = x0 < lastX ? channels : 0;
      const down = y0 < lastY ? picture.width * channels : 0;
      const at = (y0 * picture.width + x0) * channels;
      for (let c = 0; c < channels; c++) {
        const top = data[at + c]! * (1 - fx) + data[at + c + right]! * fx;
        const bottom = data[at + c + down]! * (1 - fx) + data[at + c + down + right]! * fx;
        out[p++] = top + (bottom - top) * fy + 0.5;
      }
    }
  }
  return { width, height, channels, data: out };
}

/** A picture made smaller by a whole factor, each pixel the mean of a block. */
export function reduced({ width, height, channels, data }: Pixels, factor: number): Pixels {
  if (factor <= 1) return { width, height, channels, data };
  const [w, h] = [Math.max(1, Math.floor(width / factor)), Math.max(1, Math.floor(height / factor))];
  const out = new Uint8Array(w * h * channels);
  const sums = new Float64Array(channels);
  const [fw, fh] = [Math.min(factor, width), Math.min(factor, height)];
  for (let y = 0, p = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      sums.fill(0);
      for (let dy = 0; dy < fh; dy++)
        for (let dx = 0, q = ((y * factor + dy) * width + x * factor) * channels; dx < fw; dx++)
          for (let c = 0; c < channels; c++) sums[c]! += data[q++]!;
      for (let c = 0; c < channels; c++) out[p++] = sums[c]! / (fw * fh) + 0.5;
    }
  return { width: w, height: h, channels, data: out };
}

/** Where a point of the straight sheet lies in the picture, both as shares. */
export function inPicture(corners: Corners): (x: number, y: number) => Point {
  const h = homographyBetween(WHOLE_PICTURE, corners);
  return (x, y) => project(h, x, y);
}
