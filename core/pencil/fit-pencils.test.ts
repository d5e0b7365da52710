import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { BANDS } from "@/core/colour/observer";
import { finish } from "@/core/progress";
import { pencilTooth } from "@/fixtures/pencil-tooth";
import { seeded } from "@/sim/random";
import { TEETH } from "@/sim/teeth";
import { doubtOf } from "./doubt";
import { guessedFilm, overlaid, WHITE_BACKING } from "./film";
import { fitPencils, labAt, type NumberedLayer } from "./fit-pencils";
import { nextStrips } from "./next-strips";
import { mixedDesigns, stripDesigns } from "./strip-designs";
import { drawnLab, PRESSURES, usualTooth } from "./tooth";

const NAMES = ["white", "red", "blue", "umber"];
const [red, blue] = [1, 2];
const start = usualTooth(null);
const light = (pencil: number, layers = 3): NumberedLayer => ({ pencil, layers, pressure: "light" });

describe.each(TEETH.map((law) => [law.name, law] as const))("pencils on the tooth: %s", (_, law) => {
  const { films, paper, strip } = pencilTooth(law, NAMES);
  const random = seeded(5);
  const pick = (n: number) => Math.floor(random() * n);
  const heldOut = Array.from({ length: 14 }, () =>
    strip(
      Array.from({ length: 1 + pick(3) }, () => ({
        pencil: pick(films.length),
        layers: 1 + pick(4),
        pressure: PRESSURES[pick(3)]!,
      })),
    ),
  );
  const designs = stripDesigns([...films.keys()], 1, 24);
  const before = finish(fitPencils(films, [], start));
  const { chosen } = finish(
    nextStrips(
      before.posterior,
      mixedDesigns([...films.keys()], 1, 16, 3).map((d) => ({ under: paper, layers: d.layers })),
      designs.map((d) => ({ under: paper, layers: d.layers })),
      10,
    ),
  );
  const learnt = finish(
    fitPencils(
      films,
      chosen.map((c) => strip(designs[c.candidate]!.layers)),
      start,
    ),
  );
  const off = ({ films: own, tooth }: typeof learnt) =>
    heldOut.map((s) =>
      deltaE00(
        drawnLab(
          s.under,
          s.layers.map((l) => ({ ...l, film: own[l.pencil]! })),
          tooth,
        ),
        s.lab,
      ),
    );

  it("are learnt from ten strips: drawings that nobody read come out a third nearer to what is predicted", () => {
    expect(learnt.tooth.strips).toBe(10);
    expect(quantile(off(learnt), 0.5)).toBeLessThan(0.67 * quantile(off(before), 0.5));
    expect(quantile(off(learnt), 0.5)).toBeLessThan(3);
  });
  it("say how far they may be off, and most are not farther", () => {
    const held = off(learnt).filter((d, i) => d <= doubtOf(learnt.posterior, heldOut[i]!)).length;
    expect(held / heldOut.length).toBeGreaterThan(0.7);
  });
  it("of which only a colour is known are guesses: doubted more, and learnt from strips", () => {
    // The same pencils, each by its colour over white alone, as that is seen there.
    const guesses = films.map((f) =>
      guessedFilm(f.code, labOf(overlaid(f, 1, new Float64Array(BANDS).fill(WHITE_BACKING)))),
    );
    const guessed = finish(fitPencils(guesses, [], start));
    const drawing = { under: paper, layers: [light(red)] };
    expect(doubtOf(guessed.posterior, drawing)).toBeGreaterThan(doubtOf(before.posterior, drawing));
    const taught = finish(
      fitPencils(
        guesses,
        chosen.map((c) => strip(designs[c.candidate]!.layers)),
        start,
      ),
    );
    expect(quantile(off(taught), 0.5)).toBeLessThan(quantile(off(guessed), 0.5));
    expect(doubtOf(taught.posterior, drawing)).toBeLessThan(doubtOf(guessed.posterior, drawing));
    // What is said of a guess holds about as often as of what was drawn down.
    const within = heldOut.filter((s) => {
      const said = doubtOf(guessed.posterior, s);
      return deltaE00(labAt(guessed.posterior, guessed.posterior.x, s), s.lab) <= said;
    });
    expect(within.length / heldOut.length).toBeGreaterThan(0.7);
  });
  it("are surer of what was read, and surer with every strip", () => {
    for (const [i, s] of heldOut.entries())
      if (i < 8) expect(doubtOf(learnt.posterior, s)).toBeLessThan(doubtOf(before.posterior, s));
    const spreads = chosen.map((c) => c.spread);
    expect(spreads).toEqual([...spreads].sort((a, b) => b - a));
  });
});

describe("fitting pencils", () => {
  const { films, paper, strip } = pencilTooth(TEETH[0]!, NAMES);

  it("of nothing read leaves films and tooth as they were, and does not doubt bare paper", () => {
    const none = finish(fitPencils(films, [], start));
    expect(none.tooth).toEqual({ ...start, mix: expect.closeTo(start.mix, 9), residual: 0, strips: 0 });
    none.films.forEach((f, p) =>
      f.scatter.forEach((s, i) => expect(s).toBeCloseTo(films[p]!.scatter[i]!, 9)),
    );
    expect(doubtOf(none.posterior, { under: paper, layers: [] })).toBe(0);
  });
  it("predicts with the films it hands out what its parameters say", () => {
    const { films: own, tooth, posterior } = finish(fitPencils(films, [strip([light(red)])], start));
    for (const layers of [[light(red)], [light(blue), light(red, 2)]])
      expect(
        deltaE00(
          labAt(posterior, posterior.x, { under: paper, layers }),
          drawnLab(
            paper,
            layers.map((l) => ({ ...l, film: own[l.pencil]! })),
            tooth,
          ),
        ),
      ).toBeLessThan(1e-6);
  });
  it("lets one misread strip bend little, and passes over what is no colour", () => {
    const good = [red, blue].flatMap((p) => [
      strip([light(p)]),
      strip([{ pencil: p, layers: 2, pressure: "firm" }]),
    ]);
    const wrong = { ...good[0]!, lab: [100, 120, -120] as Lab };
    const sound = finish(fitPencils(films, good, start));
    const bent = finish(fitPencils(films, [...good, wrong], start));
    for (const s of good) expect(deltaE00(labAt(bent.posterior, bent.posterior.x, s), s.lab)).toBeLessThan(4);
    const broken = finish(fitPencils(films, [...good, { ...wrong, lab: [NaN, 0, 0] }], start));
    expect(broken.tooth).toEqual(sound.tooth);
    const odd = finish(fitPencils(films, [wrong], start)).tooth;
    for (const v of Object.values(odd)) expect(Number.isFinite(v)).toBe(true);
  });
});

describe("which strips to draw next", () => {
  const { films, paper } = pencilTooth(TEETH[1]!, NAMES);
  const { posterior } = finish(fitPencils(films, [], start));
  const on = (layers: readonly NumberedLayer[]) => ({ under: paper, layers });

  it("takes the one that brute force finds to tell most, and says the spread that is left", () => {
    const wanted = [on([light(red), light(blue)]), on([light(red, 2)])];
    const tries = stripDesigns([...films.keys()], 1, 12).map((d) => on(d.layers));
    const alone = tries.map(
      (t) => finish(nextStrips(posterior, wanted, [t], 1)).chosen[0]?.spread ?? Infinity,
    );
    const { now, chosen } = finish(nextStrips(posterior, wanted, tries, 3));
    expect(chosen[0]!.spread).toBeCloseTo(Math.min(...alone), 6);
    expect(chosen[0]!.spread).toBeLessThan(now);
    // The second, given the first: every pair that begins with it.
    const pairs = tries.map((t, i) =>
      i === chosen[0]!.candidate
        ? Infinity
        : Math.min(
            ...finish(nextStrips(posterior, wanted, [tries[chosen[0]!.candidate]!, t], 2)).chosen.map(
              (c) => c.spread,
            ),
          ),
    );
    expect(chosen[1]!.spread).toBeCloseTo(Math.min(...pairs), 6);
  });
  it("draws nothing that has no say in what is wanted", () => {
    const { chosen } = finish(nextStrips(posterior, [on([light(red)])], [on([light(red)])], 5));
    expect(chosen).toHaveLength(1);
    expect(finish(nextStrips(posterior, [on([])], [on([light(red)])], 5)).chosen).toHaveLength(0);
  });
  it("thinks of every pencil at every pressure, on paper and on another ground", () => {
    const designs = stripDesigns([0, 1, 2, 3], 3, 40);
    for (const pencil of [0, 1, 2, 3])
      for (const pressure of PRESSURES) {
        const own = designs.filter(
          (d) =>
            d.layers.length === 1 && d.layers[0]!.pencil === pencil && d.layers[0]!.pressure === pressure,
        );
        expect(new Set(own.map((d) => d.ground > 0)).size).toBe(2);
      }
    expect(
      new Set(mixedDesigns([0, 1, 2, 3], 3, 60, 4).flatMap((d) => d.layers.map((l) => l.pencil))).size,
    ).toBe(4);
    expect(stripDesigns([2], 1, 10).every((d) => d.layers.length === 1)).toBe(true);
  });
});
