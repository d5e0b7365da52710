import { median, quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { layDesk, seenLab, type Stack } from "@/core/ink/desk";
import { DEFAULT_LIFTING } from "@/core/ink/paper";
import { finish } from "@/core/progress";
import { remediesFor } from "@/core/repair/remedies";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { thinMarker, warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { BLENDER, layOnSheet, type SheetPass } from "@/sim/sheet";

const FAULTS = ["a coat too many", "a wrong ink", "a lost highlight", "a dried edge"] as const;
const CASES = 200;
const CAPACITY = 6;

/** What lies where a plan of light, mid and dark went wrong. */
function faultOf(kind: (typeof FAULTS)[number], plan: Stack, other: number): Stack {
  switch (kind) {
    case "a coat too many":
      return [...plan, plan.at(-1)!];
    case "a wrong ink":
      return [...plan.slice(0, -1), other];
    // The mid ran over what should have shown the lightest alone.
    case "a lost highlight":
      return plan;
    // Both tones lie over each other where they should have met.
    case "a dried edge":
      return [...plan, plan[1]!, plan[2]!];
  }
}

function judge(stock: PaperStock, inks: readonly SimulatedInk[], name: string): string {
  const desk = layDesk(...scanInks(stock, inks, 41));
  const random = seeded(13);
  const pick = (n: number) => Math.floor(random() * n);
  const truth = (passes: readonly SheetPass[]): Lab => xyzToLab(look(layOnSheet(stock, passes)));
  const dry = (stack: Stack): SheetPass[] =>
    stack.map((i) => ({ ink: inks[i]!.recipe, coats: 1, wet: false }));
  const byL = desk.inks.map((_, i) => i).sort((a, b) => seenLab(desk, [b])[0] - seenLab(desk, [a])[0]);
  let [better, none] = [0, 0];
  const [off, gains]: [number[], number[]] = [[], []];
  for (let n = 0; n < CASES; n++) {
    const kind = FAULTS[n % FAULTS.length]!;
    const at = [pick(byL.length / 3), pick(byL.length / 3), pick(byL.length / 3)];
    const [light, mid, dark] = at.map((p, i) => byL[Math.floor((i * byL.length) / 3) + p]!);
    const plan: Stack = kind === "a lost highlight" ? [light!, mid!] : [light!, mid!, dark!];
    const meant = kind === "a lost highlight" ? [light!] : plan;
    const stack = faultOf(kind, plan, pick(inks.length));
    const wet = n % 3 === 0;
    const fault = { stack, wanted: seenLab(desk, meant), wet, coatsLeft: CAPACITY - stack.length };
    const [first] = finish(remediesFor(desk, fault, () => true, DEFAULT_LIFTING.blender));
    if (!first) {
      none++;
      continue;
    }
    const added: SheetPass[] = first.blender
      ? [{ ink: BLENDER, coats: 1, wet: false }]
      : first.add.map((i, k) => ({ ink: inks[i]!.recipe, coats: 1, wet: k === 0 && first.onWet }));
    const aim = truth(dry(meant));
    const after = truth([...dry(stack), ...added]);
    const [was, is] = [deltaE00(truth(dry(stack)), aim), deltaE00(after, aim)];
    if (is < was) better++;
    gains.push(was - is);
    off.push(deltaE00(first.lab, after));
  }
  const given = CASES - none;
  return `| ${stock.name} | ${name} | ${given} | **${((100 * better) / given).toFixed(1)} %** | ${median(gains).toFixed(1)} | **${median(off).toFixed(2)}** | ${quantile(off, 0.95).toFixed(2)} |`;
}

/** The first remedy of random faults, laid on the simulated desk. */
export function judgeRepairs(): string {
  const range = demoRange().filter((_, i) => i % 2 === 0);
  const rows = [whiteCard, warmToned, thinMarker].flatMap((stock) => [
    judge(stock, range, `half of the demo range (${range.length})`),
    judge(stock, strangeInks(60, 5), "strange inks (60)"),
  ]);
  return `### Repair: the first remedy of ${CASES} random faults (a coat too many, a wrong ink, a lost highlight, a dried edge; a third of them still wet), laid on the simulated desk\n\n| paper | inks | with a remedy | nearer to the plan | median gain, ΔE00 | predicted colour off: median | 95th |\n| --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`;
}
