import { deltaE00 } from "@/core/colour/delta-e00";
import { hexToLab } from "@/core/colour/display";
import { xyzToLab } from "@/core/colour/lab";
import { strangeInks } from "@/sim/demo-range";
import { look } from "@/sim/observer";
import { warmToned, whiteCard, type PaperStock } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { scan } from "@/sim/scanner";
import { colourSheet } from "@/sim/sheet";
import { fitPaper } from "./fit-paper";
import { DEFAULT_FIT, makePaper, uptakeOf } from "./paper";
import { hexReading } from "./reading";
import { inkedLab } from "./sheet";
import { stackLab } from "./stack";
import { fitInkSpectrum, spectrumOf } from "./fit-ink";

const median = (v: number[]) => [...v].sort((a, b) => a - b)[v.length >> 1]!;

function scanned(stock: PaperStock, count: number) {
  const random = seeded(count);
  const inks = strangeInks(count, 900 + count);
  const readings = inks.map((ink) =>
    [1, 2, 3].map((n) =>
      hexReading(scan(colourSheet(stock, Array<typeof ink.recipe>(n).fill(ink.recipe)), random))!,
    ),
  );
  return {
    inks,
    readings,
    random,
    fitted: fitPaper(hexToLab(scan(colourSheet(stock, []), random))!, readings),
  };
}

describe("a fitted paper", () => {
  it("finds its own values again in swatches made by its own model", () => {
    const truth = { ...DEFAULT_FIT, k1: 0.035, k2: 0.42, depth: 1.6, uptake: [1, 1.82, 2.5] };
    const sheet = makePaper([95, 0, 4], truth);
    const readings = Array.from({ length: 40 }, (_, i) => {
      const lab = hexToLab(
        `#${[60 + ((i * 53) % 180), 60 + ((i * 97) % 180), 60 + ((i * 31) % 180)].map((v) => v.toString(16)).join("")}`,
      )!;
      const spectrum = spectrumOf(fitInkSpectrum([{ lab }], sheet));
      return [1, 2, 3].map((n) => ({
        lab: inkedLab(
          sheet,
          spectrum.map((k) => k * uptakeOf(truth, n)),
        ),
      }));
    });
    const { paper, inks, residual } = fitPaper([95, 0, 4], readings);
    expect(residual).toBeLessThan(0.3);
    expect(Math.abs(paper.fit.uptake[1]! - 1.82)).toBeLessThan(0.2);
    const spectra = readings.map(([first]) => spectrumOf(fitInkSpectrum([first!], sheet)));
    const errors = spectra.map((s, i) =>
      deltaE00(
        stackLab(sheet, [s, spectra[(i * 7 + 3) % 40]!]),
        stackLab(paper, [inks[i]!, inks[(i * 7 + 3) % 40]!]),
      ),
    );
    expect(median(errors)).toBeLessThan(1);
  });

  it.each([whiteCard, warmToned])(
    "foretells overlays of inks that it has seen only alone: $name",
    (stock) => {
      const { inks, random, fitted } = scanned(stock, 48);
      const errorOf = (n: number) => {
        const picks = Array.from({ length: n }, () => Math.floor(random() * inks.length));
        const truth = xyzToLab(
          look(
            colourSheet(
              stock,
              picks.map((i) => inks[i]!.recipe),
            ),
          ),
        );
        return deltaE00(
          truth,
          stackLab(
            fitted.paper,
            picks.map((i) => fitted.inks[i]!),
          ),
        );
      };
      expect(median(Array.from({ length: 60 }, () => errorOf(2)))).toBeLessThan(1.5);
      expect(median(Array.from({ length: 60 }, () => errorOf(3)))).toBeLessThan(2.2);
    },
  );

  it("takes what it expects where swatches of one coat say nothing of uptake", () => {
    const { paper, inks, residual } = fitPaper(
      [96, 0, 2],
      [[{ lab: [60, 20, 20] }], [{ lab: [70, -20, 10] }]],
    );
    expect(paper.fit.uptake.slice(0, 3)).toEqual([1, expect.closeTo(1.75, 6), expect.closeTo(2.35, 6)]);
    expect(inks).toHaveLength(2);
    expect(residual).toBeLessThan(0.6);
  });

  it("of no inks is the bare sheet", () => expect(fitPaper([92, 1, 6], []).residual).toBe(0));

  it("is not led astray by a misread swatch", () => {
    const good = scanned(whiteCard, 30);
    const spoilt = good.readings.map((coats, i) =>
      i === 4 ? [coats[0]!, { lab: [90, -60, 60] as const }, { lab: [20, 60, -60] as const }] : coats,
    );
    const { paper } = fitPaper(good.fitted.paper.lab, spoilt);
    expect(paper.fit.uptake[1]! - good.fitted.paper.fit.uptake[1]!).toBeLessThan(0.08);
  });
});
