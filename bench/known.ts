import { quantile } from "@/core/algebra/median";
import { hexToLab, labToHex } from "@/core/colour/display";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { nameStack } from "@/core/formats/cgats";
import { demoColorimeter, demoSheet, readingsOf } from "@/demo/swatchbook";
import { seenBy } from "@/demo/seen-by";
import { demoRange } from "@/sim/demo-range";
import { thinMarker, warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";

const codes = demoRange().map((i) => i.code);
const truth = (stock: PaperStock, code: string): Lab => seenBy(demoSheet(stock, [code])!);

/** How near one coat is known by what one has at hand: an instrument, or a list of colours that were read elsewhere. */
export function judgeKnown(): string {
  const errors = (read: (code: string) => Lab) => {
    const all = codes.map((c) => deltaE00(read(c), truth(whiteCard, c)));
    return [0.5, 0.95].map((q) => quantile(all, q).toFixed(2)).join(" / ");
  };
  const stacks = codes.map((c) => [c]);
  const instrument = new Map(
    [1, 3].map((times) => [
      times,
      new Map(
        readingsOf(demoColorimeter(whiteCard, stacks, stacks.map(nameStack), 11, times)).map((r) => [
          r.stack[0]!,
          r.lab,
        ]),
      ),
    ]),
  );
  const rows = [
    ["colorimeter, one reading a cell", errors((c) => instrument.get(1)!.get(c)!)],
    ["colorimeter, three readings a cell", errors((c) => instrument.get(3)!.get(c)!)],
    ["hex of the same paper, eight bits", errors((c) => hexToLab(labToHex(truth(whiteCard, c)))!)],
    ["hex of another white paper", errors((c) => hexToLab(labToHex(truth(thinMarker, c)))!)],
    ["hex of a toned paper", errors((c) => hexToLab(labToHex(truth(warmToned, c)))!)],
  ];
  return [
    "### How near one coat of an ink is known (160 inks of the demo on smooth white card; charts and photos: above)",
    "",
    "| by | ΔE00 median / 95th |",
    "| --- | --- |",
    ...rows.map(([by, figure]) => `| ${by} | ${figure} |`),
  ].join("\n");
}
