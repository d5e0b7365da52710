import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { hexToLab, rgb8ToLab } from "@/core/colour/display";
import { layDesk, seenLab } from "@/core/ink/desk";
import { fitToOverlays } from "@/core/ink/fit-overlays";
import { demoRange, strangeInks, type SimulatedInk } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";
import { colourSheet } from "@/sim/sheet";
import { scanInks } from "@/fixtures/scanned-desk";

const STACKS = 300;
/** Overlays of two inks that are read beforehand, as from three lines of a chart. */
const OVERLAYS = 12;

/** The demo's two papers, and others that sink, push and drink otherwise. */
export const papers: readonly PaperStock[] = [
  whiteCard,
  warmToned,
  { ...whiteCard, name: "Card that drinks deep", sinkDepth: 25, push: 0.05 },
  { ...whiteCard, name: "Plate finish, ink near the top", sinkDepth: 6, push: 0.1 },
  { ...whiteCard, name: "Paper that soon has enough", thirst: 0.9 },
];

const bytes = (hex: string) => [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16));

/** The plain baseline: each ink takes its share of every 8-bit channel. */
function rgbProduct(bare: string, coats: readonly string[]): Lab {
  const paper = bytes(bare);
  const [r, g, b] = paper.map((p, c) => coats.reduce((v, hex) => (v * bytes(hex)[c]!) / Math.max(1, p), p));
  return rgb8ToLab(r!, g!, b!);
}

function judge(stock: PaperStock, inks: readonly SimulatedInk[], name: string): string[] {
  const desk = layDesk(...scanInks(stock, inks, 31));
  const random = seeded(77);
  const bare = scan(colourSheet(stock, []), random);
  const overlays = Array.from({ length: OVERLAYS }, () => {
    const stack = [0, 1].map(() => Math.floor(random() * inks.length));
    const sheet = colourSheet(
      stock,
      stack.map((i) => inks[i]!.recipe),
    );
    return { stack, lab: hexToLab(scan(sheet, random))! };
  });
  const told = fitToOverlays(desk, overlays);
  const single = inks.map((i) => scan(colourSheet(stock, [i.recipe]), random));
  return [2, 3].map((n) => {
    const errors = Array.from({ length: STACKS }, () => {
      const picks = Array.from({ length: n }, () => Math.floor(random() * inks.length));
      const truth = xyzToLab(
        look(
          colourSheet(
            stock,
            picks.map((i) => inks[i]!.recipe),
          ),
        ),
      );
      return {
        model: deltaE00(truth, seenLab(desk, picks)),
        told: deltaE00(truth, seenLab(told, picks)),
        plain: deltaE00(
          truth,
          rgbProduct(
            bare,
            picks.map((i) => single[i]!),
          ),
        ),
      };
    });
    const cells = (["model", "told", "plain"] as const).flatMap((by) =>
      [0.5, 0.95].map((q) =>
        quantile(
          errors.map((e) => e[by]),
          q,
        ).toFixed(2),
      ),
    );
    return `| ${stock.name} | ${name} | ${n} | ${cells.join(" | ")} |`;
  });
}

/** Held-out overlays of inks that were read alone, against the simulated desk and beside the plain RGB product. */
export function judgePrediction(): string {
  const demo = demoRange();
  const rows = papers.flatMap((p) => [
    ...judge(p, demo, `demo range, ${demo.length}`),
    ...judge(p, strangeInks(120, 5), "random mixtures, 120"),
  ]);
  return `### Overlays of inks seen only alone (${STACKS} stacks a row, ΔE00)\n\n| paper | inks | coats of different inks | median | 95th percentile | with ${OVERLAYS} overlays read, median | 95th | RGB product, median | 95th |\n| --- | --- | --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`;
}
