import type { Lab } from "@/core/colour/lab";
import { layDesk, seenLab } from "@/core/ink/desk";
import { matchTarget, type MatchResult, type Search } from "@/core/match/match";
import { demoRange, strangeInks } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scanInks } from "@/fixtures/scanned-desk";
import { finish } from "@/core/progress";

const INKS = 320;
const OPTIONS = { maxInks: 3, maxCoats: 4, top: 5 };
/** Targets tried both ways: each exhaustive run takes minutes. */
const BOTH_WAYS: readonly Lab[] = [
  [60, 15, 20],
  [40, 30, 15],
];
/** Further stacks of inks as targets, pruned only. */
const REACHABLE = 12;
const WANTED_RATIO = 50;

function timed(work: () => MatchResult): { result: MatchResult; seconds: number } {
  const start = performance.now();
  const result = work();
  return { result, seconds: (performance.now() - start) / 1000 };
}

/** The pruned search against trying everything, in the same run on the same desk. */
export function judgeMatch(): string {
  const inks = [...demoRange(), ...strangeInks(INKS, 4)].slice(0, INKS);
  const desk = layDesk(...scanInks(whiteCard, inks, 9));
  const run = (target: Lab, search: Search) =>
    timed(() => finish(matchTarget(desk, target, OPTIONS, search)));
  run([70, 5, 5], "pruned"); // warm up
  let seconds = Infinity;
  const rows = BOTH_WAYS.map((target) => {
    const pruned = run(target, "pruned");
    const all = run(target, "exhaustive");
    seconds = Math.min(seconds, all.seconds);
    const gap = Math.max(
      ...pruned.result.recipes.map((r, i) => Math.abs(r.deltaE00 - all.result.recipes[i]!.deltaE00)),
    );
    const ratio = all.seconds / pruned.seconds;
    return `| ${target.join(", ")} | ${all.result.stacksEvaluated.toLocaleString("en")} | ${all.seconds.toFixed(1)} s | ${pruned.result.stacksEvaluated.toLocaleString("en")} | ${pruned.seconds.toFixed(2)} s | **${ratio.toFixed(0)}×** | ${gap.toExponential(1)} |`;
  });
  const random = seeded(12);
  const reached = Array.from(
    { length: REACHABLE },
    () =>
      run(
        seenLab(
          desk,
          Array.from({ length: 3 }, () => Math.floor(random() * INKS)),
        ),
        "pruned",
      ).seconds,
  ).sort((a, b) => a - b);
  const outside = run([20, 30, -60], "pruned");
  return [
    `### Pruned against exhaustive search (${INKS} inks, up to 3 inks and 4 coats; at least ${WANTED_RATIO}× wanted)`,
    "| target L*, a*, b* | exhaustive stacks | time | pruned stacks | time | faster | largest ΔE00 gap of the top 5 |\n| --- | --- | --- | --- | --- | --- | --- |",
    ...[rows.join("\n")],
    `Over ${REACHABLE} random stacks of three inks as targets the pruned search takes ${reached[0]!.toFixed(2)}–${reached.at(-1)!.toFixed(2)} s, median ${reached[REACHABLE >> 1]!.toFixed(2)} s: ${(seconds / reached[REACHABLE >> 1]!).toFixed(0)}× by the shorter exhaustive time above. A target far outside what the inks can give (L* 20, a* 30, b* −60; best ${outside.result.recipes[0]!.deltaE00.toFixed(1)} ΔE00) takes ${outside.seconds.toFixed(1)} s: nothing near prunes the rest, so the gain is only ${(seconds / outside.seconds).toFixed(0)}×.`,
  ]
    .join("\n\n")
    .replace("|\n\n|", "|\n|");
}
