import { groundWhere } from "@/fixtures/forms";
import { DEFAULT_LIGHT, type LightPlan } from "./light";
import { shadeOf } from "./shade";

const SIDE = 160;
const plan = (from: number, softness: number, height = 35): LightPlan => ({
  ...DEFAULT_LIGHT,
  main: { from, height, behind: false, strength: 1 },
  shade: { strength: 1, length: 4, softness },
});
/** A round thing before a wall. */
const disc = groundWhere(
  SIDE,
  SIDE,
  2,
  (x, y) => (Math.hypot(x + 0.5 - SIDE / 2, y + 0.5 - SIDE / 2) < 22 ? 0 : 1),
  0.2,
);
const onWall = (shade: Float32Array, value: (v: number, x: number, y: number) => number) => {
  let sum = 0;
  for (let p = 0; p < shade.length; p++)
    if (disc.own[p] === 1) sum += value(shade[p]!, (p % SIDE) - SIDE / 2, Math.floor(p / SIDE) - SIDE / 2);
  return sum;
};

describe("the shade of what passes before", () => {
  it("is as large and as soft wherever the light stands", () => {
    const of = (from: number) => {
      const shade = shadeOf(disc, plan(from, 1), [1, 0]);
      return {
        whole: onWall(shade, (v) => v),
        half: onWall(shade, (v) => (v > 0.15 && v < 0.6 ? 1 : 0)),
      };
    };
    const [straight, aslant] = [of(0), of(45)];
    expect(aslant.whole / straight.whole).toBeGreaterThan(0.9);
    expect(aslant.whole / straight.whole).toBeLessThan(1.1);
    expect(aslant.half / straight.half).toBeGreaterThan(0.75);
    expect(aslant.half / straight.half).toBeLessThan(1.33);
  });
  it("spreads to its sides alike wherever the light stands", () => {
    // A pin throws a shade that is all spread.
    const pin = groundWhere(
      SIDE,
      SIDE,
      2,
      (x, y) => (Math.hypot(x + 0.5 - SIDE / 2, y + 0.5 - SIDE / 2) < 5 ? 0 : 1),
      0.2,
    );
    const sideways = (from: number) => {
      const shade = shadeOf(pin, plan(from, 1, 20), [1, 0]);
      const turn = (from * Math.PI) / 180;
      let [sum, spread] = [0, 0];
      for (let p = 0; p < shade.length; p++) {
        const [x, y] = [(p % SIDE) + 0.5 - SIDE / 2, Math.floor(p / SIDE) + 0.5 - SIDE / 2];
        // Only what lies away from it, where the looks have parted.
        if (pin.own[p] !== 1 || y * Math.cos(turn) - x * Math.sin(turn) < 12) continue;
        sum += shade[p]!;
        spread += shade[p]! * (x * Math.cos(turn) + y * Math.sin(turn)) ** 2;
      }
      return Math.sqrt(spread / sum);
    };
    for (const from of [45, 135, 225, 315]) {
      expect(sideways(from) / sideways(0)).toBeGreaterThan(0.85);
      expect(sideways(from) / sideways(0)).toBeLessThan(1.18);
    }
  });
  it("falls away from the light", () => {
    for (const from of [0, 60, 135, 220, 300]) {
      const shade = shadeOf(disc, plan(from, 0.5), [1, 0]);
      const whole = onWall(shade, (v) => v);
      const [x, y] = [onWall(shade, (v, x) => v * x) / whole, onWall(shade, (v, _, y) => v * y) / whole];
      const turn = (from * Math.PI) / 180;
      // The lamp stands at (sin, −cos); the middle of the shade lies opposite.
      const along = x * Math.sin(turn) - y * Math.cos(turn);
      expect(along).toBeLessThan(-4);
      expect(Math.abs(x * Math.cos(turn) + y * Math.sin(turn))).toBeLessThan(2);
    }
  });
  it("is half where only some of a broad light is hidden, and nowhere more than whole", () => {
    const soft = shadeOf(disc, plan(90, 1), [1, 0]);
    const hard = shadeOf(disc, plan(90, 0), [1, 0]);
    const between = (s: Float32Array) => onWall(s, (v) => (v > 0.1 && v < 0.6 ? 1 : 0));
    expect(Math.max(...soft)).toBeLessThanOrEqual(1);
    expect(between(soft)).toBeGreaterThan(1.5 * between(hard));
    // A broad light fills its own shade: there is less of it in all.
    expect(onWall(soft, (v) => v)).toBeLessThan(0.8 * onWall(hard, (v) => v));
  });
});
