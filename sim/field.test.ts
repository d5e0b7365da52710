import { xyzToLab } from "@/core/colour/lab";
import { deltaE00 } from "@/core/colour/delta-e00";
import { strangeInks } from "./demo-range";
import { colourField } from "./field";
import { look } from "./observer";
import { whiteCard } from "./paper-stock";
import { colourSheet, layOnSheet } from "./sheet";

const byDepth = strangeInks(6, 4).sort(
  (a, b) => look(colourSheet(whiteCard, [b.recipe]))[1] - look(colourSheet(whiteCard, [a.recipe]))[1],
);
const [light, dark] = [byDepth[0]!, byDepth.at(-1)!];
const seen = (reflectance: Float64Array) => xyzToLab(look(reflectance));
const COLUMNS = 12;
const all = new Float64Array(COLUMNS * 6).fill(1);
const inside = new Uint8Array(all.length).fill(1);
const half = all.map((_, p) => (p % COLUMNS < 6 ? 1 : 0));

describe("a field of the simulated sheet", () => {
  it("that is coloured evenly is the sheet itself, wet or dry", () => {
    const passes = [
      { ink: light.recipe, coats: 1, wet: false },
      { ink: dark.recipe, coats: 1, wet: true },
    ];
    const laid = colourField(
      whiteCard,
      passes.map((p) => ({ ...p, cover: all })),
      COLUMNS,
      inside,
      0.5,
    );
    const sheet = seen(layOnSheet(whiteCard, passes));
    for (const r of laid) expect(deltaE00(seen(r), sheet)).toBeLessThan(0.05);
  });
  it("runs further on wet paper than on dry, and never past the line", () => {
    const edge = (wet: boolean, walled: boolean) => {
      const open = walled ? inside.map((_, p) => (p % COLUMNS < 6 ? 1 : 0)) : inside;
      const laid = colourField(
        whiteCard,
        [
          { ink: light.recipe, coats: 1, wet: false, cover: walled ? half : all },
          { ink: dark.recipe, coats: 1, wet, cover: half },
        ],
        COLUMNS,
        open,
        0.5,
      );
      return laid.map((r) => seen(r)[0]).slice(2 * COLUMNS, 3 * COLUMNS);
    };
    const [wet, dry, walled] = [edge(true, false), edge(false, false), edge(true, true)];
    // Just beyond the edge the dark ink has darkened what lies there.
    expect(wet[11]! - wet[6]!).toBeGreaterThan(dry[11]! - dry[6]! + 1);
    expect(walled[7]).toBeCloseTo(seen(colourSheet(whiteCard, []))[0], 5);
    expect(walled[5]).toBeCloseTo(walled[2]!, 5);
  });
});
