import { reachOn, USUAL_SHEET } from "@/core/ink/reach";
import { layArea, type LaidArea } from "@/core/course/laid-area";
import { quantile } from "@/core/algebra/median";
import { paint, screenColours, type AreaColours } from "@/core/colouring/paint";
import { NO_TONES, toneMap } from "@/core/colouring/tone-map";
import { layDesk } from "@/core/ink/desk";
import { DEFAULT_FORM, NO_GROWTH, type Form } from "@/core/light/form";
import { flowOf } from "@/core/light/growth";
import { extentsOf, type Ground } from "@/core/light/ground";
import { DEFAULT_LIGHT, type LightPlan } from "@/core/light/light";
import { DARKEST, relieve, valueField } from "@/core/light/value-field";
import { folds, groundWhere, halfBall, halfTube, knownLight } from "@/fixtures/forms";
import { scanInks } from "@/fixtures/scanned-desk";
import { strangeInks } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { againstDesk, againstPredict } from "./colouring";

const nobody = () => -1;
const bare: LightPlan = { ...DEFAULT_LIGHT, shade: { ...DEFAULT_LIGHT.shade, strength: 0 } };

/** Forms against what they are in closed form, under lamps all round. */
function forms(): string {
  const rows = [
    halfBall(120),
    halfBall(45),
    halfTube(60, 0),
    halfTube(45, 33),
    halfTube(45, 120),
    folds(30),
  ].map((known) => {
    const form = { ...DEFAULT_FORM, height: 1, kind: known.kind, axis: known.axis, creases: known.creases };
    const relieved = relieve(known.ground, [form], nobody);
    const off: number[] = [];
    for (const behind of [false, true])
      for (let from = 0; from < 360; from += 60)
        for (const height of [20, 50, 80]) {
          const main = { from, height, behind, strength: 1 };
          const { values } = valueField(relieved, { ...bare, main });
          for (let y = 0, p = 0; y < known.ground.height; y++)
            for (let x = 0; x < known.ground.width; x++, p++) {
              const light = knownLight(known, main, bare.softness, x, y);
              if (light !== undefined) off.push(Math.abs(1 - values[p]! / DARKEST - light));
            }
        }
    const percent = (share: number) => (100 * quantile(off, share)).toFixed(1);
    return `| ${known.name} | ${percent(0.5)} | ${percent(0.95)} |`;
  });
  return [
    "| form, 36 lamps, off its analytic shading by % of the range | median | 95th |",
    "| --- | --- | --- |",
    ...rows,
  ].join("\n");
}

/** Growth that is known everywhere, spread from a few of its strokes. */
function growth(): string {
  const side = 300;
  const disc = groundWhere(side, side, 1, (x, y) => (Math.hypot(x - 150, y - 150) < 140 ? 0 : -1));
  const [extent] = extentsOf(disc);
  /** A whorl below, a wave, and a curl. */
  const fields = [
    (x: number, y: number) => Math.atan2(y - 420, x - 150),
    (x: number) => -Math.PI / 2 + 0.6 * Math.sin(x / 45),
    (x: number, y: number) => Math.atan2(y - 150, x - 20) + 0.9,
  ];
  const off: number[] = [];
  for (const angle of fields) {
    // Seven strokes that follow it, each from where the last begins across the disc.
    const strokes = Array.from({ length: 7 }, (_, i) => {
      let [x, y] = [40 + 37 * i, 150 + 60 * Math.sin(i * 2.1)];
      const line = [[x / side, y / side] as const];
      for (let s = 0; s < 14; s++) {
        const a = angle(x, y);
        x += 6 * Math.cos(a);
        y += 6 * Math.sin(a);
        if (x > 0 && y > 0 && x < side && y < side) line.push([x / side, y / side]);
      }
      return line;
    });
    const flow = flowOf(disc, 0, extent!, { ...NO_GROWTH, strokes })!;
    for (let y = 0, p = 0; y < flow.height; y++)
      for (let x = 0; x < flow.width; x++, p++) {
        if (!flow.inside[p]) continue;
        const a = angle(flow.left + (x + 0.5) * flow.cell, flow.top + (y + 0.5) * flow.cell);
        const cos = flow.x[p]! * Math.cos(a) + flow.y[p]! * Math.sin(a);
        off.push((Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI);
      }
  }
  return `Growth of three known heads, spread from seven strokes each: ${quantile(off, 0.5).toFixed(1)}° off in the median, 95th ${quantile(off, 0.95).toFixed(1)}°.`;
}

const timed = <T>(work: () => T): { ms: number; out: T } => {
  let [least, out] = [Infinity, undefined as T | undefined];
  for (let i = 0; i < 4; i++) {
    const start = performance.now();
    out = work();
    least = Math.min(least, performance.now() - start);
  }
  return { ms: least, out: out as T };
};

/** The plainest shading there is: Lambert's cosine of a half ball round the middle of each pixel's cell. */
function plainShading({ width, height }: Ground, cell: number): Float32Array {
  const out = new Float32Array(width * height);
  const l = [-0.5, -0.5, Math.SQRT1_2] as const;
  for (let y = 0, p = 0; y < height; y++)
    for (let x = 0; x < width; x++, p++) {
      const [u, v] = [(2 * (x % cell)) / cell - 1, (2 * (y % cell)) / cell - 1];
      const rest = 1 - u * u - v * v;
      const z = rest > 0 ? Math.sqrt(rest) : 0;
      out[p] = Math.max(0, u * l[0] + v * l[1] + z * l[2]) / (Math.sqrt(u * u + v * v + z * z) || 1);
    }
  return out;
}

/** The plainest colouring: a colour by area, blended with the line. */
function plainPainting({ width, height, own }: Ground, line: Uint8Array): Uint8ClampedArray {
  const out = new Uint8ClampedArray(width * height * 4);
  for (let p = 0; p < own.length; p++) {
    const k = 1 - line[p]! / 255;
    const a = own[p]! + 1;
    out[4 * p] = (40 + 5 * a) * k;
    out[4 * p + 1] = (60 + 3 * a) * k;
    out[4 * p + 2] = (80 + 2 * a) * k;
    out[4 * p + 3] = 255;
  }
  return out;
}

function speed(): string {
  const [W, H] = [1633, 1225];
  const [c, r] = [W / 8, H / 5];
  // Bricks that overlap, so that something lies before something everywhere.
  const ground = groundWhere(
    W,
    H,
    40,
    (x, y) => Math.floor(y / r) * 8 + Math.floor(((x + (Math.floor(y / r) % 2) * c * 0.5) % W) / c),
    0.09,
  );
  const shapes = Array.from({ length: 40 }, (_, i): Form => ({
    ...DEFAULT_FORM,
    kind: (["ball", "tube", "flat", "ball"] as const)[i % 4]!,
    growth:
      i % 10 === 3
        ? {
            ...NO_GROWTH,
            strokes: [
              [
                [((i % 8) + 0.2) / 8, (Math.floor(i / 8) + 0.1) / 5],
                [((i % 8) + 0.3) / 8, (Math.floor(i / 8) + 0.9) / 5],
              ],
            ],
          }
        : null,
  }));
  const shading = timed(() => plainShading(ground, c));
  const exact = timed(() => relieve(ground, shapes, nobody));
  const values = timed(() => valueField(exact.out, DEFAULT_LIGHT));
  const small = relieve(ground, shapes, nobody, 4);
  const dragged = timed(() => valueField(small, DEFAULT_LIGHT));
  const wishes = shapes.map(() => ({ ...NO_TONES, borders: [0, 0.2, 0.4, 0.7, 1] }));
  const map = timed(() => toneMap(values.out.values, ground, wishes));
  const [paper, inks] = scanInks(whiteCard, strangeInks(24, 3), 3);
  const desk = layDesk(paper, inks);
  const reach = reachOn(desk, USUAL_SHEET);
  const areaOf = (i: number): LaidArea =>
    layArea(
      desk,
      {
        ink: [0, 1, 2, 3, 2, 1, 0].map((tone, n) => ({
          ink: (i + 5 * tone) % 24,
          coats: n > 3 ? 0.5 : 1,
          wet: n > 0,
          from: n > 3 ? 0 : tone / 5,
          to: n > 3 ? 0.3 + tone / 5 : 1,
        })),
        pencil: [],
        opaque: [],
      },
      reach,
    );
  const line = new Uint8Array(W * H);
  const painting = timed(() => plainPainting(ground, line));
  const wish = { paper, texture: 1, line };
  const flows = exact.out.flows;
  const tables = (): AreaColours[] => shapes.map((_, i) => screenColours(areaOf(i)));
  const whole = timed(() => paint(ground, map.out.places, tables(), flows, wish));
  const known = tables();
  const one = timed(() => {
    const own = known.slice();
    own[11] = screenColours(areaOf(11));
    const { box } = exact.out.extents[11]!;
    return paint(ground, map.out.places, own, flows, wish, box);
  });
  const row = (name: string, ms: number, of: number, what: string) =>
    `| ${name} | ${ms.toFixed(0)} | ${(ms / of).toFixed(1)}× ${what} |`;
  return [
    "| 2 megapixels, 40 areas, a tenth of them hair | ms | of a plain per-pixel reference |",
    "| --- | --- | --- |",
    row(
      "light, exact: forms in depth, growth, light, shade",
      exact.ms + values.ms,
      shading.ms,
      "Lambert's cosine",
    ),
    row("of that the light alone, forms known", values.ms, shading.ms, "Lambert's cosine"),
    row("light while it is dragged (a quarter of the size)", dragged.ms, shading.ms, "Lambert's cosine"),
    row("tone map", map.ms, shading.ms, "Lambert's cosine"),
    row("predicted colouring: 40 areas of seven passes laid, drawn", whole.ms, painting.ms, "flat colours"),
    row("one area redrawn", one.ms, painting.ms, "flat colours"),
    row("Lambert's cosine of half balls", shading.ms, shading.ms, ""),
    row("flat colours and the line", painting.ms, painting.ms, ""),
  ].join("\n");
}

/** Light, tone map and predicted colouring. */
export async function judgeLight(): Promise<string> {
  return [
    "## Light, tone map and predicted colouring",
    forms(),
    growth(),
    speed(),
    await againstPredict(),
    againstDesk(),
  ].join("\n\n");
}
