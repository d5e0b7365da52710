import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab } from "@/core/colour/lab";
import { labOf } from "@/core/colour/lab-of";
import { parseCgats } from "@/core/formats/cgats";
import { layDesk, seenLab, type Desk } from "@/core/ink/desk";
import { underLight } from "@/core/ink/under-light";
import { planGroups } from "@/core/group/plan";
import { matchTarget } from "@/core/match/match";
import { coatsOf } from "@/core/match/recipe";
import { finish } from "@/core/progress";
import { benchInks, byD50, byD65, bySpectrum, misread } from "@/fixtures/bench-read";
import { scanInks } from "@/fixtures/scanned-desk";
import { strangeInks } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { benchtop, cgatsFile } from "@/sim/spectrophotometer";
import { layOut, reachableTargets } from "./groups";
import { papers } from "./prediction";

const STACKS = 300;
const inks = strangeInks(120, 5);
const SAMPLES = 20_000;

const WAYS = [
  ["8-bit colours of a scanner", (stock) => layDesk(...scanInks(stock, inks, 31))],
  ["Lab under D65", (stock) => layDesk(...benchInks(stock, inks, byD65))],
  ["Lab under D50", (stock) => layDesk(...benchInks(stock, inks, byD50))],
  ["Lab under D50, taken for D65", (stock) => layDesk(...benchInks(stock, inks, misread))],
  ["spectra", (stock) => layDesk(...benchInks(stock, inks, bySpectrum))],
] as const satisfies readonly (readonly [string, (stock: (typeof papers)[number]) => Desk])[];

/** Places to match and groups to plan a paper. */
const PLACES = 60;
const GROUPS = 24;
const GAINERS = ["8-bit colours of a scanner", "Lab under D65", "spectra"] as const;

/**
 * What matches and groups gain by how the inks were read: the first answer for colours that inks of the rack truly make, and groups of five
 * tones, laid on the sheet and seen there.
 */
function judgeGain(): string[] {
  const random = seeded(78);
  const rows = papers.flatMap((stock) => {
    const truly = (stack: readonly number[]) =>
      xyzToLab(
        look(
          colourSheet(
            stock,
            stack.map((i) => inks[i]!.recipe),
          ),
        ),
      );
    const stackOf = (most: number) =>
      Array.from({ length: 1 + Math.floor(random() * most) }, () => Math.floor(random() * inks.length));
    const places = Array.from({ length: PLACES }, () => truly(stackOf(3)));
    const targets = reachableTargets({ name: "", inks, desk: WAYS[1][1](stock) }, GROUPS, 79);
    return WAYS.filter(([name]) => (GAINERS as readonly string[]).includes(name)).map(([name, laid]) => {
      const desk = laid(stock);
      const matched = places.map((target) => {
        const { recipes } = finish(matchTarget(desk, target, { maxInks: 3, maxCoats: 4, top: 1 }, "pruned"));
        return [deltaE00(truly(coatsOf(recipes[0]!.layers)), target), recipes[0]!.deltaE00] as const;
      });
      const groups = targets.flatMap((target) => {
        const wish = {
          target,
          wish: {},
          paper: desk.paper.lab,
          tones: 5,
          mostTones: 5,
          school: "light first" as const,
          shadow: "best" as const,
          capacity: 5,
        };
        const [g] = finish(planGroups(desk, wish, 1));
        return g ? [layOut(stock, inks, g, target)] : [];
      });
      const cells = [
        quantile(
          matched.map((m) => m[0]),
          0.5,
        ),
        quantile(
          matched.map((m) => m[0]),
          0.95,
        ),
        quantile(
          matched.map((m) => Math.abs(m[0] - m[1])),
          0.5,
        ),
        ...(["localBest", "light", "shadow"] as const).map((k) =>
          quantile(
            groups.map((g) => g[k]),
            0.5,
          ),
        ),
      ];
      return `| ${stock.name} | ${name} | ${cells.map((v) => v.toFixed(2)).join(" | ")} |`;
    });
  });
  return [
    `### What matches and groups gain by it (${PLACES} places that stacks of up to three inks truly make, ${GROUPS} groups of five tones; laid on the sheet, ΔE00 from what was wanted)`,
    "",
    "| paper | read as | first match, median | 95th | told wrongly by, median | local colour of a group | light | shadow |",
    "| --- | --- | --- | --- | --- | --- | --- | --- |",
    ...rows,
    "",
  ];
}

/** What inks that were read alone do over each other, by how they were read; and what they look like under a lamp. */
export function judgeSpectra(): string {
  const rows = papers.flatMap((stock) =>
    WAYS.map(([name, laid]) => {
      const desk = laid(stock);
      const random = seeded(77);
      const cells = [2, 3].flatMap((coats) => {
        const errors = Array.from({ length: STACKS }, () => {
          const picks = Array.from({ length: coats }, () => Math.floor(random() * inks.length));
          const sheet = colourSheet(
            stock,
            picks.map((i) => inks[i]!.recipe),
          );
          return deltaE00(xyzToLab(look(sheet)), seenLab(desk, picks));
        });
        return [0.5, 0.95].map((q) => quantile(errors, q).toFixed(2));
      });
      const lamp = underLight(desk, "A");
      const under = inks.map((ink, i) => {
        const sheet = colourSheet(stock, [ink.recipe]);
        const truth = labOf(
          Float64Array.from({ length: 36 }, (_, b) => sheet[2 * b]!),
          "A",
        );
        return deltaE00(truth, seenLab(lamp, [i]));
      });
      return `| ${stock.name} | ${name} | ${cells.join(" | ")} | ${quantile(under, 0.5).toFixed(2)} | ${quantile(under, 0.95).toFixed(2)} |`;
    }),
  );
  const text = cgatsFile(
    Array.from({ length: SAMPLES }, (_, i) => ({ name: `p${i}`, values: Array<number>(36).fill(0.4) })),
    benchtop,
  );
  const began = performance.now();
  const read = parseCgats(text).samples.length;
  const took = performance.now() - began;
  const plainly = performance.now();
  text.split("\n").forEach((line) => line.split("\t").map(Number));
  const plain = performance.now() - plainly;
  return [
    `### Overlays of inks seen only alone, by how they were read (${inks.length} inks, ${STACKS} stacks a row, ΔE00; wanted of spectra: 0.6 for two, 1.0 for three, 2.5 at the 95th)`,
    "",
    "| paper | read as | two inks, median | 95th | three, median | 95th | one coat under a lamp (A), median | 95th |",
    "| --- | --- | --- | --- | --- | --- | --- | --- |",
    ...rows,
    "",
    ...judgeGain(),
    `A CGATS.17 text of ${read} spectra is read in ${(took / plain).toFixed(1)} times the time that splitting it into numbers takes (${(took / 1000).toFixed(2)} s).`,
  ].join("\n");
}
