import sharp from "sharp";
import { SAMPLES, wavelength } from "./observer";
import { flatSheet, PX_PER_MM, type Drawing } from "./drawing";
import { normal } from "./random";

export interface Shot {
  /** Size of the picture in pixels. */
  readonly width: number;
  readonly height: number;
  /** Turn of the sheet in degrees, tilt of the camera in degrees and the direction it leans to. */
  readonly turn: number;
  readonly tilt: number;
  readonly lean: number;
  /** Share of the picture that the turned sheet would fill if it were seen squarely. */
  readonly fill: number;
  /** Shift of the sheet as a share of the picture. */
  readonly shift: readonly [number, number];
  /** Colour temperature of the lamp in K. */
  readonly lamp: number;
  /** How much darker the far side is (0–1), the direction of the lamp in degrees, and fall-off to the corners (0–1). */
  readonly uneven: number;
  readonly lampFrom: number;
  readonly vignette: number;
  /** Level of white, 1 being the end of the scale. */
  readonly exposure: number;
  /** Spread of noise at mid grey in 8-bit steps, blur in pixels, JPEG quality. */
  readonly noise: number;
  readonly blur: number;
  readonly quality: number;
  /** A mirrored lamp: place on the sheet (mm), radius (mm) and strength. */
  readonly glare?: {
    readonly x: number;
    readonly y: number;
    readonly radius: number;
    readonly strength: number;
  };
  /** How high the sheet's middle bulges towards the camera, mm: what lies on the slope is seen shifted. */
  readonly curl?: number;
  /** A shadow's edge across the sheet: x in mm beyond which light falls to `left`. */
  readonly shadow?: { readonly from: number; readonly left: number };
}

export interface Photo {
  readonly width: number;
  readonly height: number;
  readonly rgb: Uint8Array;
  readonly jpeg: Buffer;
  /** Where a point of the sheet (mm) truly is in the picture. */
  readonly truth: (x: number, y: number) => readonly [number, number];
}

const hump = (nm: number, centre: number, left: number, right: number) =>
  Math.exp(-(((nm - centre) / (nm < centre ? left : right)) ** 2) / 2);

/** Sensor: three filters that overlap, not the eye's. */
const filters: readonly ((nm: number) => number)[] = [
  (nm) => hump(nm, 600, 38, 38) + 0.06 * hump(nm, 440, 22, 22),
  (nm) => hump(nm, 540, 42, 40) + 0.03 * hump(nm, 620, 20, 20),
  (nm) => hump(nm, 455, 28, 32) + 0.02 * hump(nm, 530, 30, 30),
];

/** Planck's law, any scale. */
const blackBody = (nm: number, kelvin: number) =>
  1 / ((nm / 1000) ** 5 * (Math.exp(14388 / ((nm / 1000) * kelvin)) - 1));

/** The camera's own colour matrix: from its filters to something like the screen's primaries; rows sum to 1 so that white stays white. */
const MATRIX = [
  [1.62, -0.55, -0.07],
  [-0.21, 1.48, -0.27],
  [0.01, -0.38, 1.37],
] as const;

/** Levels of a reflectance under the lamp, white-balanced on a perfect white as the camera sees it. */
export function sensor(lamp: number): (reflectance: ArrayLike<number>) => [number, number, number] {
  const light = Array.from({ length: SAMPLES }, (_, i) => blackBody(wavelength(i), lamp));
  const weights = filters.map((f) => light.map((p, i) => p * f(wavelength(i))));
  const full = weights.map((w) => w.reduce((a, b) => a + b, 0));
  return (reflectance) => {
    const raw = weights.map((w, c) => w.reduce((sum, v, i) => sum + v * reflectance[i]!, 0) / full[c]!);
    return MATRIX.map((m) => m[0] * raw[0]! + m[1] * raw[1]! + m[2] * raw[2]!) as [number, number, number];
  };
}

const encode = (v: number) => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
/** 8-bit level of light in 1/65535, before rounding. */
const TONE_CURVE = Float32Array.from({ length: 65536 }, (_, i) => 255 * encode(i / 65535));

/** How the sheet lies in the picture: turn, tilt away from the camera, and a lens a sheet and a half away. */
function stance(drawing: Drawing, shot: Shot) {
  const [turn, tilt, lean] = [shot.turn, shot.tilt, shot.lean].map((v) => (v * Math.PI) / 180) as [
    number,
    number,
    number,
  ];
  const [c, s] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))];
  const [w, h] = [drawing.width * c + drawing.height * s, drawing.width * s + drawing.height * c];
  return {
    distance: 1.5 * Math.hypot(drawing.width, drawing.height),
    scale: shot.fill * Math.min(shot.width / w, shot.height / h),
    middle: [drawing.width / 2, drawing.height / 2] as const,
    centre: [shot.width * (0.5 + shot.shift[0]), shot.height * (0.5 + shot.shift[1])] as const,
    turn: [Math.cos(turn), Math.sin(turn)] as const,
    tilt: [Math.cos(tilt), Math.sin(tilt)] as const,
    lean: [Math.cos(lean), Math.sin(lean)] as const,
  };
}

type Stance = ReturnType<typeof stance>;

/** Sheet (mm) to picture (pixels). */
function view({
  distance,
  scale,
  middle,
  centre,
  turn,
  tilt,
  lean,
}: Stance): (x: number, y: number) => readonly [number, number] {
  return (x, y) => {
    const [px, py] = [x - middle[0], y - middle[1]];
    const [rx, ry] = [px * turn[0] - py * turn[1], px * turn[1] + py * turn[0]];
    const [along, across] = [rx * lean[0] + ry * lean[1], -rx * lean[1] + ry * lean[0]];
    const depth = distance + along * tilt[1];
    const [qa, qc] = [(along * tilt[0] * distance) / depth, (across * distance) / depth];
    return [
      centre[0] + scale * (qa * lean[0] - qc * lean[1]),
      centre[1] + scale * (qa * lean[1] + qc * lean[0]),
    ];
  };
}

/** Picture to sheet, written into `out`: called for every pixel. */
function backView({
  distance,
  scale,
  middle,
  centre,
  turn,
  tilt,
  lean,
}: Stance): (u: number, v: number, out: Float64Array) => void {
  return (u, v, out) => {
    const qx = (u - centre[0]) / scale;
    const qy = (v - centre[1]) / scale;
    const qa = qx * lean[0] + qy * lean[1];
    const qc = qy * lean[0] - qx * lean[1];
    const along = (qa * distance) / (distance * tilt[0] - qa * tilt[1]);
    const across = (qc * (distance + along * tilt[1])) / distance;
    const rx = along * lean[0] - across * lean[1];
    const ry = along * lean[1] + across * lean[0];
    out[0] = rx * turn[0] + ry * turn[1] + middle[0];
    out[1] = ry * turn[0] - rx * turn[1] + middle[1];
  };
}

/** Gaussian blur, rows then columns; the outermost pixels stand for what lies beyond them. */
function blurred(light: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.2) return light;
  const reach = Math.ceil(2.5 * sigma);
  const bell = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-(((i - reach) / sigma) ** 2) / 2));
  const total = bell.reduce((a, b) => a + b, 0);
  const kernel = Float64Array.from(bell, (v) => v / total);
  const row = 3 * width;
  const sum = new Float64Array(row);
  const out = new Float32Array(light.length);
  const edged = new Float32Array(row + 6 * reach);
  for (let y = 0; y < height; y++) {
    const own = light.subarray(y * row, (y + 1) * row);
    edged.set(own, 3 * reach);
    for (let i = 0; i < 3 * reach; i++) {
      edged[i] = own[i % 3]!;
      edged[row + 3 * reach + i] = own[row - 3 + (i % 3)]!;
    }
    sum.fill(0);
    for (let k = 0; k < kernel.length; k++) addTimes(sum, kernel[k]!, edged, 3 * k);
    out.set(sum, y * row);
  }
  const across = out.slice();
  for (let y = 0; y < height; y++) {
    sum.fill(0);
    for (let k = 0; k < kernel.length; k++)
      addTimes(sum, kernel[k]!, across, row * Math.min(height - 1, Math.max(0, y + k - reach)));
    out.set(sum, y * row);
  }
  return out;
}

/** Adds a part of a longer list to a sum, times something. */
function addTimes(sum: Float64Array, times: number, list: Float64Array | Float32Array, from: number): void {
  for (let i = 0; i < sum.length; i++) sum[i] = sum[i]! + times * list[from + i]!;
}

/** A table around the sheet: dark wood with a little grain. */
const table = (u: number, v: number) => 0.16 + 0.03 * Math.sin(0.05 * u + 2 * Math.sin(0.013 * v));

/** Normal deviates, drawn once: noise takes them in turn from a random start of each row. */
const DEVIATES = 1 << 16;

/** Light on the sensor for every pixel: sheet or table, lamp, vignette, shadow, mirrored lamp. */
function exposed(
  drawing: Drawing,
  shot: Shot,
  sheet: ReturnType<typeof flatSheet>,
  white: number,
): Float32Array {
  const { width, height } = shot;
  const back = backView(stance(drawing, shot));
  const light = new Float32Array(width * height * 3);
  const [lx, ly] = [Math.cos((shot.lampFrom * Math.PI) / 180), Math.sin((shot.lampFrom * Math.PI) / 180)];
  const place = new Float64Array(2);
  const lift = (shot.curl ?? 0) * Math.sin((shot.tilt * Math.PI) / 180);
  const bulge = (x: number) => lift * Math.sin((Math.PI * x) / drawing.width);
  const across = 3 * sheet.width;
  for (let v = 0; v < height; v++)
    for (let u = 0; u < width; u++) {
      back(u, v, place);
      const x = place[0]!;
      const y = place[1]! + bulge(place[0]!);
      const p = 3 * (v * width + u);
      const a = (2 * x) / drawing.width - 1;
      const b = (2 * y) / drawing.height - 1;
      const lamp = 1 + ((a * lx + b * ly) * shot.uneven) / 2.2 - 0.12 * shot.uneven * (a * a + b * b);
      const lens = 1 - (shot.vignette * (((2 * u) / width - 1) ** 2 + ((2 * v) / height - 1) ** 2)) / 2;
      const dim = shot.shadow && x > shot.shadow.from ? shot.shadow.left : 1;
      const level = (shot.exposure / white) * Math.max(0.02, lamp * lens) * dim;
      const sx = x * PX_PER_MM - 0.5;
      const sy = y * PX_PER_MM - 0.5;
      const x0 = Math.floor(sx);
      const y0 = Math.floor(sy);
      if (x0 < 0 || y0 < 0 || x0 >= sheet.width - 1 || y0 >= sheet.height - 1) {
        const wood = table(u, v) * level;
        light[p] = wood;
        light[p + 1] = 0.8 * wood;
        light[p + 2] = 0.6 * wood;
        continue;
      }
      const fx = sx - x0;
      const fy = sy - y0;
      const gleam = shot.glare
        ? shot.glare.strength *
          Math.exp(-(((x - shot.glare.x) ** 2 + (y - shot.glare.y) ** 2) / (2 * shot.glare.radius ** 2)))
        : 0;
      const q = 3 * (y0 * sheet.width + x0);
      for (let c = 0; c < 3; c++) {
        const upper = (1 - fx) * sheet.light[q + c]! + fx * sheet.light[q + 3 + c]!;
        const lower = (1 - fx) * sheet.light[q + across + c]! + fx * sheet.light[q + across + 3 + c]!;
        light[p + c] = ((1 - fy) * upper + fy * lower) * level + gleam;
      }
    }
  return light;
}

/** The sensor's 8-bit levels: noise, and the curve of tones. */
function developed(light: Float32Array, width: number, noise: number, random: () => number): Uint8Array {
  const rgb = new Uint8Array(light.length);
  const deviates = Float32Array.from({ length: DEVIATES }, () => normal(random));
  for (let start = 0; start < rgb.length; start += 3 * width) {
    const from = Math.floor(random() * DEVIATES);
    for (let i = 0; i < 3 * width; i++) {
      const v = Math.min(1, Math.max(0, light[start + i]!));
      // Photon noise grows with the root of the light.
      const level =
        TONE_CURVE[Math.round(65535 * v)]! +
        noise * deviates[(from + i) & (DEVIATES - 1)]! * (0.5 + Math.sqrt(v));
      rgb[start + i] = Math.min(255, Math.max(0, Math.round(level)));
    }
  }
  return rgb;
}

/** Where a point of the sheet (mm) is in the picture, its bulge included. */
function seenAt(drawing: Drawing, shot: Shot): Photo["truth"] {
  const see = view(stance(drawing, shot));
  const lift = (shot.curl ?? 0) * Math.sin((shot.tilt * Math.PI) / 180);
  return (x, y) => see(x, y - lift * Math.sin((Math.PI * x) / drawing.width));
}

/** Photographs a sheet: perspective, uneven light of a lamp, vignette, glare, blur, noise, 8 bits, JPEG. */
export async function photograph(drawing: Drawing, shot: Shot, random: () => number): Promise<Photo> {
  const see = sensor(shot.lamp);
  const { width, height } = shot;
  const light = blurred(
    exposed(drawing, shot, flatSheet(drawing, see, random), see(drawing.paper)[1]!),
    width,
    height,
    shot.blur,
  );
  const rgb = developed(light, width, shot.noise, random);
  const jpeg = await sharp(Buffer.from(rgb.buffer), { raw: { width, height, channels: 3 } })
    .jpeg({ quality: shot.quality })
    .toBuffer();
  return {
    width,
    height,
    rgb: new Uint8Array(await sharp(jpeg).raw().toBuffer()),
    jpeg,
    truth: seenAt(drawing, shot),
  };
}

/** The harshest picture that is still to be read: any turn, 35° aslant, a warm lamp from one side, noise, blur, strong compression. */
export function harshShot(random: () => number, width = 2400, height = 1800): Shot {
  return {
    width,
    height,
    turn: 360 * random(),
    tilt: 35 * Math.sqrt(random()),
    lean: 360 * random(),
    fill: 0.72 + 0.08 * random(),
    shift: [0.03 * (random() - 0.5), 0.03 * (random() - 0.5)],
    lamp: 2800 + 2500 * random(),
    uneven: 0.55 * random(),
    lampFrom: 360 * random(),
    vignette: 0.3 * random(),
    exposure: 0.5 + 0.28 * random(),
    noise: 1 + 4 * random(),
    blur: 0.4 + 0.8 * random(),
    quality: 70 + Math.round(25 * random()),
  };
}
