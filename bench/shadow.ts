import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import { xyzToLab, type Lab } from "@/core/colour/lab";
import { layDesk, seenLab } from "@/core/ink/desk";
import { rankShadows, SHADOW_ORDER, SHADOW_KINDS, wantedShadow, type ShadowKind } from "@/core/shadow/shadow";
import { demoRange } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { scanInks } from "@/fixtures/scanned-desk";

const COVERS = 60;

/** Shadows that the planner proposes for random covers, laid on the simulated desk: colour and deepening against what was predicted. */
function judge(stock: PaperStock): string {
  const inks = demoRange();
  const desk = layDesk(...scanInks(stock, inks, 41));
  const random = seeded(8);
  const truth = (stack: readonly number[]): Lab =>
    xyzToLab(
      look(
        colourSheet(
          stock,
          stack.map((i) => inks[i]!.recipe),
        ),
      ),
    );
  const off = new Map<ShadowKind, number[]>(SHADOW_KINDS.map((k) => [k, []]));
  const deepening: number[] = [];
  for (let n = 0; n < COVERS; n++) {
    const first = Math.floor(random() * inks.length);
    const near = desk.inks
      .map((_, i) => i)
      .filter((i) => inks[i]!.family === inks[first]!.family && i !== first);
    const cover = [first, near[Math.floor(random() * near.length)] ?? first];
    const local = seenLab(desk, cover);
    if (local[0] < 35) continue;
    for (const s of rankShadows(
      desk,
      SHADOW_KINDS,
      { cover, shadow: wantedShadow(local, 15), grey: false, capacity: 6, usable: () => true },
      3,
    )) {
      const own = Array<number>(s.coats).fill(s.ink);
      const seen = truth(SHADOW_ORDER[s.kind] === "under" ? [...own, ...cover] : [...cover, ...own]);
      off.get(s.kind)!.push(deltaE00(seen, s.covered));
      deepening.push(Math.abs(truth(cover)[0] - seen[0] - s.deepening));
    }
  }
  const all = [...off.values()].flat();
  const cells = SHADOW_KINDS.map((k) =>
    off.get(k)!.length ? `${quantile(off.get(k)!, 0.5).toFixed(2)} (${off.get(k)!.length})` : "none",
  );
  return `| ${stock.name} | **${quantile(all, 0.5).toFixed(2)}** | ${quantile(all, 0.95).toFixed(2)} | ${quantile(deepening, 0.5).toFixed(1)} L* | ${cells.join(" | ")} |`;
}

export const judgeShadows = (): string =>
  `### Shadows as proposed, three coats and more, laid on the simulated desk (ΔE00 from the prediction; at most 2.0 wanted in the median; in brackets how many)\n\n| paper | all, median | 95th | deepening off, median | ${SHADOW_KINDS.join(" | ")} |\n| --- | --- | --- | --- |${" --- |".repeat(SHADOW_KINDS.length)}\n${[whiteCard, warmToned].map(judge).join("\n")}`;
