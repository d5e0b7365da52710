import { readAs } from "@/border/read-as";
import { seenLab } from "@/core/ink/desk";
import { deskFor } from "@/compute/desks";
import { runOperation } from "@/compute/run";
import { table } from "@/compute/table";
import { finish } from "@/core/progress";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { whiteCard } from "@/sim/paper-stock";
import { quantile } from "@/core/algebra/median";

const TIMES = 60;
const WARM_UP = 6;

async function medianOf(work: () => unknown): Promise<number> {
  const took: number[] = [];
  for (let i = 0; i < WARM_UP; i++) await work();
  for (let i = 0; i < TIMES; i++) {
    const start = performance.now();
    await work();
    took.push(performance.now() - start);
  }
  return quantile(took, 0.5);
}

/** What a question costs beyond its own computation, on a desk of every ink of the demo's range. */
export async function judgeQuestions(): Promise<string> {
  const [paper, inks] = scanInks(whiteCard, demoRange(), 5);
  const desk = {
    paper: { color: { lab: paper } },
    inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
  };
  const start = performance.now();
  const { desk: handle } = await runOperation("open", desk);
  const opening = performance.now() - start;
  const stacks = [[inks[0]!.code], [inks[1]!.code, inks[2]!.code]];
  const question = { target: { lab: inks[40]!.coats[0]!.lab }, tones: 4, top: 5 };
  const opened = finish(deskFor({ desk: handle }));
  const own = {
    predict: () =>
      stacks.forEach((s) =>
        seenLab(
          opened.desk,
          s.map((c) => opened.placeOf(c, "")),
        ),
      ),
    group: () =>
      finish(table.group.run(readAs(table.group.question, question), opened) as Generator<number, unknown>),
  };
  const rows: string[] = [];
  for (const [name, asked] of [
    ["predict", { stacks }],
    ["group", question],
  ] as const) {
    const [computation, byHandle, inline] = [
      await medianOf(own[name]),
      await medianOf(() => runOperation(name, { desk: handle, ...asked })),
      await medianOf(() => runOperation(name, { ...desk, ...asked })),
    ];
    rows.push(
      `| ${name} | ${computation.toFixed(2)} | ${Math.max(0, byHandle - computation).toFixed(2)} | ${(inline - computation).toFixed(1)} |`,
    );
  }
  return `### A question beyond its own computation (desk of ${inks.length} inks, median of ${TIMES}, ms)

Opening the desk once took ${opening.toFixed(0)} ms.

| question | its computation | more, by handle | more, desk brought along |
| --- | --- | --- | --- |
${rows.join("\n")}`;
}
