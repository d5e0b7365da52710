import { blendPage } from "@/core/chart/compose";
import { layOutChart } from "@/core/chart/layout";
import type { Lab } from "@/core/colour/lab";
import { colourPage } from "@/sim/colouring";
import { demoRange } from "@/sim/demo-range";
import type { PaperStock } from "@/sim/paper-stock";
import { normal, seeded } from "@/sim/random";
import type { Blend } from "@/store/blends";
import { demoMarkers, demoReadings } from "./markers";
import { hexToLab } from "@/core/colour/display";
import { printedPage } from "./printed-page";
import { seenBy } from "./seen-by";

/** Two lines a pair: four pairs were coloured. */
const LINES = 8;
/** Noise of a scanner along a cell, in each of L*, a*, b*. */
const NOISE = 0.3;

/** A page of blends of the demo's own markers, coloured on a simulated paper and read along its long cells. */
export function demoBlends(stock: PaperStock): Blend[] {
  const random = seeded(12);
  const { coats } = demoReadings(stock);
  const ready = demoMarkers().filter((m) => m.owned && m.state !== "dry");
  const lines = blendPage(
    ready.map(({ code }) => ({
      code,
      family: code.replace(/\d.*$/, ""),
      lightness: hexToLab(coats.get(code)![0]!)![0],
    })),
  );
  const [page] = layOutChart({ serial: 1, sheet: "A4", lines: lines.slice(0, LINES) });
  const recipes = new Map(demoRange().map((i) => [i.code, i.recipe]));
  const { patches } = colourPage(printedPage(page!), stock, (code) => recipes.get(code));
  return page!.cells.flatMap(({ stack, meets, box }, i): Blend[] => {
    const along = patches[i]!.along;
    if (!meets || !along) return [];
    const labs = along.map(
      (r) => seenBy(r).map((v) => Math.round(100 * (v + NOISE * normal(random))) / 100) as unknown as Lab,
    );
    return [{ stack, ...meets, profile: { step: box.width / along.length, labs } }];
  });
}
