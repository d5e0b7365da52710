import type { ComparedPlace } from "@/core/work/record";
import { seeded } from "@/sim/random";
import { habitsOf, type ComparedPiece } from "./habits";

interface Hand {
  readonly shadows?: number;
  readonly lights?: number;
}

/** A normal number by sums of even ones. */
const around = (random: () => number, spread: number) =>
  spread * (Array.from({ length: 12 }, random).reduce((a, b) => a + b, 0) - 6);

/** A piece of eight areas as a hand lays it, in a photo whose light is off by something of its own. */
function laid(random: () => number, n: number, hand: Hand): ComparedPiece {
  const photo = around(random, 1.2);
  const places = Array.from({ length: 8 }, (_, a) => {
    const of = 2 + Math.floor(4 * random());
    return Array.from({ length: of }, (__, z): ComparedPlace => {
      const L = 85 - (60 * z) / of;
      const by = (z === of - 1 ? (hand.shadows ?? 0) : 0) + (z === 0 ? (hand.lights ?? 0) : 0);
      return {
        area: `area ${a}`,
        zone: z + 1,
        of,
        planned: [L, 10, 5],
        lies: [L + photo + by + around(random, 2), 10, 5],
      };
    });
  }).flat();
  return { id: `piece ${n}`, name: `Piece ${n}`, at: n, places };
}

const pieces = (random: () => number, count: number, hand: Hand) =>
  Array.from({ length: count }, (_, n) => laid(random, n, hand));

it("tells a hand whose shadows stay pale, and what it does to the lights", () => {
  const random = seeded(3);
  let told = 0;
  for (let hand = 0; hand < 60; hand++) {
    const [habit] = habitsOf(pieces(random, 4, { shadows: 5 }), []);
    if (habit?.kind === "shadows" && habit.by > 0 && habit.exercise === "ball") told++;
  }
  expect(told).toBeGreaterThanOrEqual(57);
  const light = habitsOf(pieces(random, 5, { lights: -6 }), [])[0]!;
  expect(light).toMatchObject({ kind: "lights", exercise: "ramp4" });
  expect(light.kind === "lights" && light.by).toBeLessThan(-4);
});

it("tells a hand without a habit nothing", () => {
  const random = seeded(8);
  let told = 0;
  for (let hand = 0; hand < 300; hand++) told += habitsOf(pieces(random, 3 + (hand % 5), {}), []).length;
  expect(told).toBeLessThanOrEqual(6);
});

it("needs three pieces, each counted once as it was read last", () => {
  const random = seeded(5);
  const [one, two, three] = pieces(random, 3, { shadows: 7 }) as [
    ComparedPiece,
    ComparedPiece,
    ComparedPiece,
  ];
  expect(habitsOf([one, two], [])).toEqual([]);
  expect(habitsOf([one, two, { ...two, at: 9 }], [])).toEqual([]);
  const [habit] = habitsOf([one, two, three], []);
  expect(habit!.kind !== "sheets" && habit!.pieces.map((p) => p.id)).toEqual([
    "piece 2",
    "piece 1",
    "piece 0",
  ]);
  // What was laid better since is what counts.
  const better = laid(random, 0, {});
  const again = [two, three].map((p) => ({ ...better, id: p.id, at: 20 }));
  expect(habitsOf([one, two, three, ...again], [])).toEqual([]);
});

it("tells an exercise that came out poorly three times, until it comes out well", () => {
  const sheet = (at: number, score: number) => ({ at, exercise: "edge" as const, score });
  expect(habitsOf([], [sheet(1, 40), sheet(2, 50)])).toEqual([]);
  expect(habitsOf([], [sheet(1, 40), sheet(3, 60), sheet(2, 50)])).toEqual([
    { kind: "sheets", score: 50, of: 3, exercise: "edge" },
  ]);
  expect(habitsOf([], [sheet(1, 40), sheet(2, 50), sheet(3, 60), sheet(4, 80)])).toEqual([]);
});

it("takes no sheet that is half done for a hand with pale shadows", () => {
  const half = pieces(seeded(4), 5, {}).map((piece) => ({
    ...piece,
    // The darker half of the tones is still to come.
    places: piece.places.map((p) => (2 * p.zone > p.of ? { ...p, lies: [88, 3, 2] as const } : p)),
  }));
  expect(habitsOf(half, [])).toEqual([]);
});

it("is not misled by nothing at all", () => {
  const empty = { id: "a", name: "", at: 0, places: [] };
  expect(habitsOf([], [])).toEqual([]);
  expect(habitsOf([empty, { ...empty, id: "b" }, { ...empty, id: "c" }], [])).toEqual([]);
});
