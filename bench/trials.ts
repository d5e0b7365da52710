import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { layDesk, seenLab, withOverlays, type Stack } from "@/core/ink/desk";
import { hexToLab } from "@/core/colour/display";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";
import { colourSheet } from "@/sim/sheet";
import { scanInks } from "@/fixtures/scanned-desk";

const TRIALS = 60;

/** Stacks near a trial: the other way round, one coat more of either ink, and either ink exchanged for its neighbour on the rack. */
function near([a, b]: readonly [number, number], count: number): Stack[] {
  const beside = (i: number) => (i + 1 < count ? i + 1 : i - 1);
  return [
    [b, a],
    [a, a, b],
    [a, b, b],
    [beside(a), b],
    [a, beside(b)],
  ];
}

function judge(stock: PaperStock, inks: readonly SimulatedInk[], name: string): string {
  const desk = layDesk(...scanInks(stock, inks, 31));
  const random = seeded(5);
  const sheet = (s: Stack) =>
    colourSheet(
      stock,
      s.map((i) => inks[i]!.recipe),
    );
  const truth = (s: Stack): Lab => xyzToLab(look(sheet(s)));
  const trials = Array.from(
    { length: TRIALS },
    () => [Math.floor(random() * inks.length), Math.floor(random() * inks.length)] as const,
  ).filter(([a, b]) => a !== b);
  const known = new Set(trials.map(String));
  const leaning = withOverlays(
    desk,
    trials.map((stack) => ({ stack, lab: hexToLab(scan(sheet(stack), random))! })),
  );
  const near_ = trials
    .flatMap((t) => near(t, inks.length))
    .filter((s) => !known.has(String(s)) && new Set(s).size > 1);
  const far = Array.from({ length: 200 }, () => [0, 1].map(() => Math.floor(random() * inks.length)));
  const errors = (d: typeof desk, stacks: readonly Stack[]) =>
    stacks.map((s) => deltaE00(truth(s), seenLab(d, s)));
  const cells = [near_, far]
    .flatMap((stacks) =>
      [desk, leaning].flatMap((d) => [quantile(errors(d, stacks), 0.5), quantile(errors(d, stacks), 0.95)]),
    )
    .map((v) => v.toFixed(2));
  return `| ${stock.name} | ${name} | ${cells.join(" | ")} |`;
}

/** Whether overlays that were tried and read make the predictions of stacks near them better, and others no worse. */
export function judgeTrials(): string {
  const rows = [whiteCard, warmToned].flatMap((p) => [
    judge(p, demoRange(), "demo range"),
    judge(p, strangeInks(120, 5), "random mixtures"),
  ]);
  return `### Trials: ${TRIALS} overlays of two inks tried and scanned; unseen stacks near them, and 200 stacks anywhere (ΔE00)\n\n| paper | inks | near, median | near, 95th | with trials, median | with trials, 95th | anywhere, median | 95th | with trials, median | 95th |\n| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`;
}
