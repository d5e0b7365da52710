import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import type { LearnSheetOutput } from "@/compute/operations/learn-sheet";
import type { PredictOutput } from "@/compute/operations/predict";
import { runOperation } from "@/compute/run";
import { scanInks } from "@/fixtures/scanned-desk";
import { demoRange } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { thinMarker, warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { normal, seeded } from "@/sim/random";
import { layOnSheet } from "@/sim/sheet";

/** Finished pieces, areas of each; of its three tones two are stacks. */
const [PIECES, AREAS] = [3, 14] as const;
/** Coats of each ink that were read before. */
const READ = [1, 3] as const;
const UNSEEN = 150;
/** How a photo is wrong in each of L*, a*, b*: everywhere alike, and from place to place; what it makes of chroma; the median ΔE00 that it says of itself. */
const PHOTOS = [
  ["a strip of known cells", 0.5, 0.5, 1, 1],
  ["paper and four known areas", 0.9, 1, 1, 2],
  ["bare paper: an unknown camera", 0.9, 0.5, 0.82, 2.5],
] as const;

type Stack = readonly number[];
const range = demoRange();
/** Three tones of a family, light to dark, as groups have them: the lightest ink lies under all. */
function threeTones(random: () => number): Stack {
  const families = [...new Set(range.map((i) => i.family))];
  const family = families[Math.floor(random() * families.length)]!;
  const own = range
    .flatMap((ink, i) => (ink.family === family ? [i] : []))
    .sort((a, b) => range[a]!.depth - range[b]!.depth);
  const third = Math.floor(own.length / 3);
  return [0, 1, 2].map((k) => own[k * third + Math.floor(random() * third)]!);
}

/** What three finished sheets on a paper teach of stacks that nobody read. */
async function judge(
  stock: PaperStock,
  coats: number,
  [name, bias, noise, chroma, says]: (typeof PHOTOS)[number],
) {
  const random = seeded(23);
  const truth = (stack: Stack): Lab =>
    xyzToLab(
      look(
        layOnSheet(
          stock,
          stack.map((i) => ({ ink: range[i]!.recipe, coats: 1, wet: false })),
        ),
      ),
    );
  const [paper, inks] = scanInks(stock, range, 41);
  const desk = {
    paper: { color: { lab: paper } },
    inks: inks.map(({ code, coats: own }) => ({
      code,
      coats: own.slice(0, coats).map((c) => ({ lab: c.lab })),
    })),
  };
  const codes = (stack: Stack) => stack.map((i) => range[i]!.code);
  const predicted = async (stacks: readonly Stack[], overlays: readonly object[]): Promise<Lab[]> =>
    (
      (await runOperation("predict", { ...desk, overlays, stacks: stacks.map(codes) })) as PredictOutput
    ).stacks.map((s) => s.lab);
  let overlays: object[] = [];
  const laid = new Set<string>();
  for (let piece = 0; piece < PIECES; piece++) {
    const stacks = Array.from({ length: AREAS }, () => threeTones(random)).flatMap((s) =>
      [1, 2, 3].map((n) => s.slice(0, n)),
    );
    stacks.forEach((s) => laid.add(s.join()));
    const shift = [0, 1, 2].map(() => bias * normal(random));
    const planned = await predicted(stacks, overlays);
    const places = stacks.map((s, i) => ({
      stack: codes(s),
      planned: { lab: planned[i] },
      lies: { lab: truth(s).map((v, c) => (c ? chroma * v : v) + shift[c]! + noise * normal(random)) },
      mm2: 20 + 200 * random(),
    }));
    const { lessons } = (await runOperation("learnSheet", {
      ...desk,
      overlays,
      places,
      photo: says,
    })) as LearnSheetOutput;
    overlays = [...overlays, ...lessons.map((l) => ({ stack: l.stack, color: { lab: l.kept.lab } }))];
  }
  const unseen = Array.from({ length: UNSEEN }, () => threeTones(random)).filter((s) => !laid.has(s.join()));
  const off = async (known: readonly object[]) =>
    (await predicted(unseen, known)).map((lab, i) => deltaE00(lab, truth(unseen[i]!)));
  const [before, after] = [await off([]), await off(overlays)];
  const [b, a] = [quantile(before, 0.5), quantile(after, 0.5)];
  return `| ${stock.name} | ${coats} | ${name} | ${overlays.length} | ${b.toFixed(2)} | **${a.toFixed(2)}** | **${Math.round(100 * (1 - a / b))} %** | ${quantile(before, 0.95).toFixed(1)} | ${quantile(after, 0.95).toFixed(1)} |`;
}

/** What finished sheets teach the model of their paper. */
export async function judgeLearning(): Promise<string> {
  const rows: string[] = [];
  for (const stock of [whiteCard, warmToned, thinMarker])
    for (const coats of READ) for (const photo of PHOTOS) rows.push(await judge(stock, coats, photo));
  return `### What ${PIECES} finished pieces of ${AREAS} areas teach of ${UNSEEN} stacks of three tones that nobody read (ΔE00; a quarter less wanted)\n\n| paper | coats read of each ink | colour of the photo from | stacks learnt | before: median | after | less | before: 95th | after |\n| --- | --- | --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`;
}
