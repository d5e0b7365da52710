import { inkTrial } from "@/fixtures/inked-pieces";
import { INK_LAWS } from "@/sim/ink-bottle";

const PIECES = 60;
const SEEDS = [1, 2, 3, 4, 5, 6];

/** Ink that was said to be left, against what was left, by three laws of how it goes. */
export function judgeInk(): string {
  const rows = Object.entries(INK_LAWS).map(([name, law]) => {
    const trials = SEEDS.map((seed) => inkTrial(law, PIECES, seed));
    const sum = (of: (t: (typeof trials)[number]) => number) => trials.reduce((s, t) => s + of(t), 0);
    const held = sum((t) => t.held * t.asked) / sum((t) => t.asked);
    return `| ${name} | **${(100 * held).toFixed(1)} %** | ${(sum((t) => t.wide) / trials.length).toFixed(2)} ml | ${sum((t) => t.dry)} | **${sum((t) => t.unwarned)}** | ${((100 * sum((t) => t.warnings)) / sum((t) => t.asked)).toFixed(0)} % |`;
  });
  return [
    `### Ink left in markers (${SEEDS.length} desks of 24 markers and ${PIECES} pieces on two papers each; every third piece is weighed before and after with a scale of 0.1 g, and what will not last is filled up; three laws that the model does not know)`,
    "",
    "| how ink goes | left within the stated 90 % range | half of it | ran dry | unsaid before the first step | uses warned of |",
    "| --- | --- | --- | --- | --- | --- |",
    ...rows,
  ].join("\n");
}
