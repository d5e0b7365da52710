import { shortfallInWords } from "@/words/pencil";
import fc from "fast-check";
import { chroma, type Lab } from "@/core/colour/lab";
import { deltaE00 } from "@/core/colour/delta-e00";
import { BANDS } from "@/core/colour/observer";
import { layDesk, seenLab } from "@/core/ink/desk";
import { seenBy } from "@/demo/seen-by";
import { scanInks } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";
import { demoRange } from "@/sim/demo-range";
import { warmToned } from "@/sim/paper-stock";
import { drawdownOn, waxPencils } from "@/sim/wax";
import { adjustTone, pencilGreys } from "./adjust";
import { stackReflectance } from "@/core/ink/stack-reflectance";
import { chooseRoles, pencilsOn } from "./choose";
import {
  BLACK_BACKING,
  guessedFilm,
  layerFrom,
  overlaid,
  pencilFilm,
  scatterOf,
  USUAL_SCATTER,
  WHITE_BACKING,
  type PencilFilm,
} from "./film";
import { planPencil, planStep, REACHED, shortfallOf, valueScale, type Surface } from "./plan";
import { labOf } from "@/core/colour/lab-of";
import { covered, draw, drawAll, drawnLab, exposure, undrawn, usualTooth } from "./tooth";

const films = new Map(
  waxPencils.map((p) => [
    p.code,
    pencilFilm(p.code, seenBy(drawdownOn(p, "white")), seenBy(drawdownOn(p, "black"))),
  ]),
);
const film = (name: string): PencilFilm => films.get(`pencil ${name}`)!;
const inks = demoRange().filter((i) =>
  ["sand1m", "clay3m", "clay5m", "corn4m", "rust3m", "dusk3c"].includes(i.code),
);
const desk = layDesk(...scanInks(warmToned, inks, 4));
const paper = desk.paper.reflectance;
const fit = usualTooth(0.5);
const light = (name: string, layers: number) => ({ film: film(name), layers, pressure: "light" as const });

describe("a pencil's film", () => {
  it("comes back from what it shows over two backings (round trip)", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.6, noNaN: true }),
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        (over, share) => {
          const through2 = share * (1 - over) ** 2;
          const on = (g: number) => over + (through2 * g) / (1 - over * g);
          const [r, t2] = layerFrom(on(WHITE_BACKING), on(BLACK_BACKING));
          expect(r).toBeCloseTo(over, 6);
          expect(t2).toBeCloseTo(through2, 6);
        },
      ),
    ));
  it("at its drawdown's thickness shows the drawdown", () => {
    for (const name of ["chalk", "brick", "ochre"]) {
      const white = overlaid(film(name), 1, new Float64Array(BANDS).fill(WHITE_BACKING));
      const drawdown = seenBy(
        drawdownOn(
          waxPencils.find((p) => p.code === `pencil ${name}`)!,
          "white",
        ),
      );
      expect(deltaE00(labOf(white), drawdown)).toBeLessThan(1);
    }
  });
  it("of which only a colour is known shows that colour over white, whatever it scatters", () => {
    for (const [code, known] of films) {
      const white = labOf(overlaid(known, 1, new Float64Array(BANDS).fill(WHITE_BACKING)));
      for (const scatter of [0.15, USUAL_SCATTER, 2]) {
        const guess = guessedFilm(code, white, scatter);
        expect(guess.guessed).toBe(true);
        const shown = labOf(overlaid(guess, 1, new Float64Array(BANDS).fill(WHITE_BACKING)));
        expect([code, deltaE00(shown, white) < 1.5]).toEqual([code, true]);
      }
      expect(scatterOf(guessedFilm(code, white, 0.7))).toBeGreaterThanOrEqual(0.7);
    }
    expect(guessedFilm("void", [0, 0, 0]).absorb.every(Number.isFinite)).toBe(true);
    expect(guessedFilm("snow", [100, 0, 0]).absorb.every((k) => k >= 0)).toBe(true);
  });
  it("lets all light through when it has no thickness, and never gives more than it gets", () => {
    for (const f of films.values())
      for (const t of [0, 0.1, 1, 5]) {
        const [black, grey, full] = [0, 0.5, 1].map((g) => overlaid(f, t, new Float64Array(BANDS).fill(g)));
        for (let i = 0; i < BANDS; i++) {
          expect(full![i]!).toBeLessThanOrEqual(1 + 1e-9);
          expect(black![i]!).toBeGreaterThanOrEqual(0);
        }
        if (t === 0) expect(Math.max(...grey!.map((v) => Math.abs(v - 0.5)))).toBeLessThan(1e-9);
      }
  });
});

describe("pencil on tooth", () => {
  it("white on toned paper comes out lighter than the paper, more with each layer", () => {
    const L = [0, 2, 4, 8].map((n) => drawnLab(paper, n ? [light("chalk", n)] : [], fit)[0]);
    expect(L).toEqual([...L].sort((a, b) => a - b));
    expect(L[3]! - L[0]!).toBeGreaterThan(3);
  });
  it("violet over yellow ochre comes out greyer than either", () => {
    const ochre = drawnLab(paper, [{ ...light("ochre", 4), pressure: "medium" }], fit);
    const violet = drawnLab(paper, [{ ...light("heath", 2), pressure: "medium" }], fit);
    const both = drawnLab(
      paper,
      [
        { ...light("ochre", 4), pressure: "medium" },
        { ...light("heath", 2), pressure: "medium" },
      ],
      fit,
    );
    expect(chroma(both)).toBeLessThan(chroma(ochre));
    expect(chroma(both)).toBeLessThan(Math.max(chroma(violet), chroma(ochre)));
  });
  it("covers more with layers and with pressure", () => {
    const of = (layers: number, pressure: "light" | "firm") =>
      covered(draw(undrawn(paper), { film: film("brick"), layers, pressure }, fit));
    expect(of(6, "light")).toBeGreaterThanOrEqual(of(1, "light"));
    expect(of(1, "firm")).toBeGreaterThan(of(1, "light"));
    expect(exposure(fit, "firm").every((e, j) => e > exposure(fit, "light")[j]!)).toBe(true);
  });
  it("of no layers is the surface; wax that is there takes less wax", () => {
    expect(deltaE00(labOf(paper), drawnLab(paper, [], fit))).toBeLessThan(1e-9);
    const once = drawAll(paper, [light("moss", 3)], fit).wax;
    const more = drawAll(paper, [light("moss", 3), light("moss", 3)], fit).wax;
    more.forEach((w, j) => expect(w - once[j]!).toBeLessThanOrEqual(once[j]! + 1e-12));
  });
});

describe("a base", () => {
  it("has the colour that is seen of its stack", () => {
    for (const stack of [[], [0], [1, 2]])
      expect(deltaE00(labOf(stackReflectance(desk, stack)), seenLab(desk, stack))).toBeLessThan(0.3);
  });
});

describe("a pencil plan", () => {
  const pencils = pencilsOn([...films.values()], paper, fit);
  const surface = (i: number): Surface => ({
    base: i,
    lab: seenLab(desk, i < 0 ? [] : [i]),
    reflectance: stackReflectance(desk, i < 0 ? [] : [i]),
  });
  const [lightest, local, shadow]: Lab[] = [
    [74, 10, 20],
    [60, 16, 20],
    [40, 14, 10],
  ];
  const roles = chooseRoles(pencils, local!);
  const plan = finish(
    planPencil(
      {
        scale: valueScale(lightest!, local!, shadow!, 5),
        middle: local!,
        paper: surface(-1),
        bases: [surface(0), surface(1)],
        fit,
      },
      roles,
    ),
  );

  it("chooses neighbours of the hue, cool darks and a white", () => {
    expect(roles.white!.film.code).toBe("pencil chalk");
    for (const d of roles.darks) expect(d.own[0]).toBeLessThan(46);
    expect(plan.trio.length).toBe(3);
    expect(plan.trio.map((p) => p.own[0])).toEqual([...plan.trio.map((p) => p.own[0])].sort((a, b) => b - a));
  });
  it("draws what is beneath first, darkens along the scale, and reaches most values", () => {
    for (const s of plan.steps) {
      const parts = s.layers.map((l) => l.part === "over all");
      expect(parts).toEqual([...parts].sort());
    }
    expect(plan.steps.map((s) => s.lab[0])).toEqual(
      [...plan.steps.map((s) => s.lab[0])].sort((a, b) => b - a),
    );
    expect(plan.medianDeltaE00).toBeLessThan(3.5);
  });
  it("leaves out the base only where bare paper serves better by half a ΔE00", () => {
    for (const base of [0, 3]) {
      const own = finish(
        planPencil(
          {
            scale: valueScale([88, 4, 10], local!, shadow!, 7),
            middle: local!,
            paper: surface(-1),
            bases: [surface(base)],
            fit,
          },
          roles,
        ),
      );
      for (const step of own.steps) {
        const onBase = planStep(step.wanted, own.base, own.trio, roles, fit).deltaE00;
        const onPaper = planStep(step.wanted, surface(-1), own.trio, roles, fit).deltaE00;
        if (step.onPaper) expect(onPaper + 0.5).toBeLessThan(onBase);
        else if (step.wanted[0] > own.base.lab[0] - 4) expect(onPaper + 0.5).toBeGreaterThanOrEqual(onBase);
      }
    }
  });
  it("names the darkest pencil that is used, and tells too light from too little colour", () => {
    const missed = (lightness: number, wanted: number) =>
      shortfallOf(
        { ...plan.steps[0]!, lab: [lightness, 10, 10], wanted: [wanted, 10, 10], deltaE00: 9 },
        plan,
      )!;
    const used = [...plan.trio, ...plan.darks];
    const darkest = Math.min(...used.map((p) => p.own[0]));
    const code = used.find((p) => p.own[0] === darkest)!.film.code;
    expect(missed(darkest + 12, darkest - 6)).toEqual({
      kind: "darkest too light",
      code,
      lightness: darkest,
    });
    expect(missed(darkest + 20, darkest + 8)).toEqual({
      kind: "colour would go",
      code,
      lightness: darkest + 20,
    });
    expect(missed(60, 80).kind).toBe("white stops");
    expect(missed(60, 61).kind).toBe("hue out of reach");
  });
  it("says what is out of reach, and why", () => {
    const black = planStep([8, 0, 0], surface(0), plan.trio, roles, fit);
    expect(black.deltaE00).toBeGreaterThan(REACHED);
    expect(shortfallInWords(shortfallOf(black, plan)!)).toMatch(
      /darkest pencil at hand, .* gives lightness|take its colour away/,
    );
    expect(shortfallOf({ ...black, deltaE00: 1 }, plan)).toBeUndefined();
    const without = planStep([95, 0, 0], surface(-1), [], { darks: [], white: undefined }, fit);
    expect(shortfallInWords(shortfallOf(without, { ...plan, white: undefined })!)).toContain(
      "no white pencil",
    );
  });
  it("has a scale that is even in lightness and runs through the local colour", () => {
    const scale = valueScale([90, 0, 0], [60, 20, 20], [30, 10, 0], 7);
    const L = scale.map((s) => s[0]);
    L.slice(1).forEach((v, i) => expect(L[i]! - v).toBeCloseTo(10, 9));
    expect(scale[3]).toEqual([60, 20, 20]);
  });
  it("softens a tone with light pencils and deepens it with dark ones", () => {
    const tone = surface(2);
    for (const a of adjustTone(tone.reflectance, tone.lab, 6, pencils, fit))
      expect(a.deltaL).toBeGreaterThan(0);
    for (const a of adjustTone(tone.reflectance, tone.lab, -6, pencils, fit))
      expect(a.deltaL).toBeLessThan(0);
  });
  it("makes greys of opposite pencils", () => {
    const greys = pencilGreys(paper, pencils, fit);
    expect(greys.map((g) => g.chroma)).toEqual([...greys.map((g) => g.chroma)].sort((a, b) => a - b));
    expect(greys[0]!.chroma).toBeLessThan(chroma(desk.paper.lab));
  });
});
