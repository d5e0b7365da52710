import { folds, groundWhere, halfBall, halfTube, knownLight } from "@/fixtures/forms";
import { DEFAULT_FORM, NO_GROWTH, type Form } from "./form";
import { flowOf } from "./growth";
import { coarser, extentsOf } from "./ground";
import { DEFAULT_LIGHT, lampDirection, litBy, moonBehind, type Lamp, type LightPlan } from "./light";
import { DARKEST, longestAxis, relieve, valueField } from "./value-field";

const bare: LightPlan = { ...DEFAULT_LIGHT, shade: { ...DEFAULT_LIGHT.shade, strength: 0 } };
const round: Form = { ...DEFAULT_FORM, height: 1 };
const nobody = () => -1;
const lamps: readonly Lamp[] = [
  { from: 315, height: 45, behind: false, strength: 1 },
  { from: 90, height: 20, behind: false, strength: 1 },
  { from: 200, height: 80, behind: false, strength: 1 },
  { from: 0, height: 60, behind: true, strength: 1 },
];

describe("forms against what they are in closed form", () => {
  it.each([
    halfBall(120),
    halfBall(31),
    halfTube(60, 0),
    halfTube(60, 90),
    halfTube(45, 33),
    halfTube(45, 120),
    folds(30),
  ])("$name is lit within 3 % of the range", (known) => {
    const form = { ...round, kind: known.kind, axis: known.axis, creases: known.creases };
    const relieved = relieve(known.ground, [form], nobody);
    for (const main of lamps) {
      const { values } = valueField(relieved, { ...bare, main });
      const off: number[] = [];
      for (let y = 0, p = 0; y < known.ground.height; y++)
        for (let x = 0; x < known.ground.width; x++, p++) {
          const light = knownLight(known, main, bare.softness, x, y);
          if (light !== undefined) off.push(Math.abs(1 - values[p]! / DARKEST - light));
        }
      off.sort((a, b) => a - b);
      expect(off.length).toBeGreaterThan(2000);
      // The outermost ring of pixels is half outside.
      expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(0.03);
      expect(off[Math.floor(0.97 * off.length)]).toBeLessThan(0.06);
    }
  });
});

describe("light", () => {
  it("stands where its dial says", () => {
    expect(lampDirection({ ...lamps[0]!, from: 0, height: 0 }).map((v) => Math.round(v * 100) / 100)).toEqual(
      [0, -1, 0],
    );
    expect(lampDirection({ ...lamps[0]!, from: 90, height: 0 })[0]).toBeCloseTo(1);
    expect(lampDirection({ ...lamps[0]!, height: 90 })[2]).toBeCloseTo(1);
    expect(lampDirection({ ...lamps[0]!, height: 90, behind: true })[2]).toBeCloseTo(-1);
  });
  it("is Lambert's cosine when it is hard, and reaches round when it is soft", () => {
    const to = lampDirection({ from: 90, height: 30, behind: false, strength: 1 });
    expect(litBy([0, 0, 1], to, false, 0)).toBeCloseTo(0.5);
    expect(litBy([-1, 0, 0], to, false, 0)).toBe(0);
    expect(litBy([-1, 0, 0], to, false, 1)).toBeGreaterThan(0);
    expect(litBy(to, to, false, 0.7)).toBeCloseTo(1);
  });
  it("from behind leaves the middle dark and the rim pale, narrower when it is hard", () => {
    const moon = lampDirection({ from: 0, height: 90, behind: true, strength: 1 });
    expect(litBy([0, 0, 1], moon, true, 0.5)).toBe(0);
    expect(litBy([0, -1, 0], moon, true, 0.5)).toBeCloseTo(1);
    const between = [0, -Math.SQRT1_2, Math.SQRT1_2] as const;
    expect(litBy(between, moon, true, 0)).toBeLessThan(litBy(between, moon, true, 1));
  });
  it("from a second lamp behind adds a rim on its side", () => {
    const { ground } = halfBall(100);
    const relieved = relieve(ground, [round], nobody);
    const main: Lamp = { from: 270, height: 30, behind: false, strength: 1 };
    const at = (plan: LightPlan) => valueField(relieved, plan).values[150 * 300 + 247]!;
    expect(at({ ...bare, main, second: { ...moonBehind(main), from: 90 } })).toBeLessThan(
      at({ ...bare, main }) - 5000,
    );
  });
});

describe("what lies before something", () => {
  /** A square (0) before a sheet (1). */
  const ground = groundWhere(200, 200, 2, (x, y) => (x >= 60 && x < 120 && y >= 60 && y < 120 ? 0 : 1));
  const forms: Form[] = [
    { ...DEFAULT_FORM, kind: "flat" },
    { ...DEFAULT_FORM, kind: "flat" },
  ];
  const relieved = relieve(ground, forms, nobody);
  const plan: LightPlan = { ...DEFAULT_LIGHT, shade: { strength: 0.8, length: 2, softness: 0.5 } };
  const { values } = valueField(relieved, plan);
  const at = (x: number, y: number) => values[y * 200 + x]!;
  it("shades it where they meet, and further on the side away from the light", () => {
    expect(at(122, 90)).toBeGreaterThan(at(180, 20) + 8000);
    expect(at(128, 128)).toBeGreaterThan(at(52, 52) + 3000);
    expect(at(180, 180)).toBe(at(10, 10));
  });
  it("is not shaded itself", () => expect(at(61, 90)).toBe(at(90, 90)));
  it("is not rounded where it goes on behind", () => {
    // The left half of a ball is hidden by what lies before it: there its height has no slope.
    const half = groundWhere(200, 200, 2, (x, y) =>
      x < 100 ? 0 : Math.hypot(x - 100, y - 100) < 80 ? 1 : -1,
    );
    const { normals } = relieve(half, [{ ...round, kind: "flat" }, round], nobody);
    expect(Math.abs(normals.x[100 * 200 + 101]!)).toBeLessThan(0.05);
    expect(normals.x[100 * 200 + 170]!).toBeGreaterThan(0.7);
  });
  it("may be one form with what it is like, and a ring of likenesses ends", () => {
    const two = groundWhere(200, 200, 2, (x, y) =>
      Math.hypot(x - 100, y - 100) < 80 ? (x < 100 ? 0 : 1) : -1,
    );
    const place = (id: string) => Number(id);
    const like = relieve(two, [round, { ...round, kind: "like", like: "0" }], place);
    expect(Math.abs(like.normals.x[100 * 200 + 100]!)).toBeLessThan(0.05);
    expect(Math.abs(relieve(two, [round, round], place).normals.x[100 * 200 + 99]!)).toBeGreaterThan(0.5);
    const ring = [0, 1].map((i): Form => ({ ...round, kind: "like", like: String(1 - i) }));
    expect(relieve(two, ring, place).normals.x.every(Number.isFinite)).toBe(true);
  });
});

describe("hair", () => {
  const side = 240;
  const disc = groundWhere(side, side, 1, (x, y) => (Math.hypot(x - 120, y - 120) < 110 ? 0 : -1));
  const [extent] = extentsOf(disc);
  /** Growth round a whorl below the picture: its true direction is known everywhere. */
  const truth = (x: number, y: number) => Math.atan2(x - 120, 300 - y);
  const stroke = (angle: number) =>
    [130, 180, 230, 330]
      .map((r) => [(120 - r * Math.sin(angle)) / side, (300 - r * Math.cos(angle)) / side] as const)
      .filter(([, y]) => y > 0);
  it("spreads from a few strokes over all of the area", () => {
    const strokes = [-0.45, -0.2, 0.05, 0.3, 0.5].map(stroke);
    const flow = flowOf(disc, 0, extent!, { ...NO_GROWTH, strokes })!;
    const off: number[] = [];
    for (let y = 0, p = 0; y < flow.height; y++)
      for (let x = 0; x < flow.width; x++, p++) {
        if (!flow.inside[p]) continue;
        const [px, py] = [flow.left + (x + 0.5) * flow.cell, flow.top + (y + 0.5) * flow.cell];
        const t = truth(px, py);
        // Strokes run away from the whorl: up, leaning with their side.
        const cos = flow.x[p]! * Math.sin(t) * 1 + flow.y[p]! * -Math.cos(t);
        off.push((Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI);
      }
    off.sort((a, b) => a - b);
    expect(off[off.length >> 1]).toBeLessThan(8);
    expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(20);
    // From root to tip the way grows.
    const at = (x: number, y: number) =>
      flow.along[
        Math.floor((y - flow.top) / flow.cell) * flow.width + Math.floor((x - flow.left) / flow.cell)
      ]!;
    expect(at(120, 200)).toBeLessThan(at(120, 120));
    expect(at(120, 120)).toBeLessThan(at(120, 40));
  });
  it("has a band of light across it, dark roots and dark tips; none when it is short", () => {
    const strokes = [
      [
        [0.5, 0.08],
        [0.5, 0.92],
      ],
    ] as const;
    const light = (band: number) => {
      const form = { ...round, growth: { ...NO_GROWTH, strokes, band } };
      const main: Lamp = { from: 0, height: 50, behind: false, strength: 1 };
      const { values } = valueField(relieve(disc, [form], nobody), { ...bare, main });
      // Means over rows near the middle: strands differ.
      return (y: number) => {
        let sum = 0;
        for (let x = 80; x < 160; x++) sum += 1 - values[y * side + x]! / DARKEST;
        return sum / 80;
      };
    };
    const [long, short] = [light(1), light(0)];
    const rows = Array.from({ length: 20 }, (_, i) => 20 + 10 * i);
    const best = rows.reduce((a, b) => (long(b) > long(a) ? b : a));
    expect(best).toBeGreaterThan(40);
    expect(best).toBeLessThan(150);
    expect(long(best) - long(14)).toBeGreaterThan(0.25);
    expect(long(best) - long(225)).toBeGreaterThan(0.25);
    expect(long(best)).toBeGreaterThan(short(best) + 0.15);
  });
  it("without a stroke in the area is left to its form", () =>
    expect(flowOf(disc, 0, extent!, NO_GROWTH)).toBeUndefined());
});

describe("a ground", () => {
  it("follows its longest extent", () => {
    const slanted = groundWhere(200, 200, 1, (x, y) => (Math.abs(x + y - 200) < 12 ? 0 : -1));
    expect((longestAxis(slanted, 0, extentsOf(slanted)[0]!) * 180) / Math.PI).toBeCloseTo(45, 0);
  });
  it("made coarser keeps its size on the sheet and all of its areas that are wide enough", () => {
    const { ground } = halfBall(100);
    const small = coarser(ground, 4);
    expect(small.width * small.mmPerPixel).toBeCloseTo(ground.width * ground.mmPerPixel, 5);
    expect(extentsOf(small)[0]!.pixels * 16).toBeGreaterThan(0.97 * extentsOf(ground)[0]!.pixels);
  });
});
