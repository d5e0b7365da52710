import { deltaE00 } from "@/core/colour/delta-e00";
import { rgb8ToLab } from "@/core/colour/display";
import { labToXyz, xyzToLab, type Lab } from "@/core/colour/lab";
import type { Xyz } from "@/core/colour/observer";
import { layArea } from "@/core/course/laid-area";
import { layDesk } from "@/core/ink/desk";
import type { Ground } from "@/core/light/ground";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { paint, screenColours } from "./paint";
import { toneMeans } from "./tone-means";
import { tOf, zoneAt } from "./tone-map";

const desk = layDesk(...scannedDesk(12, 4));
const byL = desk.inks
  .map((_, i) => i)
  .sort((a, b) => desk.inks[b]!.coats[0]!.lab[0] - desk.inks[a]!.coats[0]!.lab[0]);
const borders = [0, 0.4, 0.7, 1];
const laid = layArea(
  desk,
  {
    ink: [1, 5, 9].map((n, i) => ({ ink: byL[n]!, coats: 1, wet: i > 0, from: borders[i]!, to: 1 })),
    pencil: [],
    opaque: [],
  },
  { wet: 1.3, dry: 0.2 },
);
const [width, height] = [120, 80];
/** A large field from light to dark, one of a few mm, and ground that is nobody's. */
const own = Int16Array.from({ length: width * height }, (_, p) =>
  p % width < 80 ? 0 : p % width >= 90 && p % width < 102 && p < width * 20 ? 1 : -1,
);
const places = Uint8Array.from(own, (a, p) =>
  a < 0 ? 0 : 1 + Math.round(254 * (a ? ((p % width) - 90) / 11 : (p % width) / 79)),
);
const ground = { width, height, own, mmPerPixel: 0.25, count: 2 } as unknown as Ground;

it("tones have the mean colour that is painted, in small areas and in large ones", () => {
  const means = toneMeans(ground, { places }, [laid, laid], [borders, borders]);
  const colours = screenColours(laid);
  const rgba = paint(ground, places, [colours, colours], new Map(), { paper: desk.paper.lab, texture: 0 });
  for (const area of [0, 1])
    for (const tone of [0, 1, 2]) {
      const sum = [0, 0, 0];
      let pixels = 0;
      own.forEach((a, p) => {
        if (a !== area || zoneAt(borders, tOf(places[p]!)) !== tone) return;
        labToXyz(rgb8ToLab(rgba[4 * p]!, rgba[4 * p + 1]!, rgba[4 * p + 2]!)).forEach(
          (v, c) => (sum[c]! += v),
        );
        pixels++;
      });
      const painted: Lab = xyzToLab(sum.map((v) => v / pixels) as unknown as Xyz);
      const mean = means[area]![tone]!;
      expect(deltaE00(mean.lab, painted)).toBeLessThan(0.8);
      expect(mean.mm2).toBeCloseTo(pixels / 16, 6);
      expect(mean.from).toBeGreaterThanOrEqual(borders[tone]! - 1e-9);
      expect(mean.from).toBeLessThan(mean.middle);
      expect(mean.middle).toBeLessThan(mean.to);
    }
  // What is small runs together: its ends are nearer to each other.
  const span = (area: number) => deltaE00(means[area]![0]!.lab, means[area]![2]!.lab);
  expect(span(1)).toBeLessThan(0.9 * span(0));
});

it("what nothing lies on has no tones, and a tone without room no colour", () => {
  const [none, flat] = toneMeans(
    ground,
    { places: places.map((p, i) => (own[i] === 1 ? 128 : p)) },
    [undefined, laid],
    [[0, 1], borders],
  );
  expect(none).toEqual([]);
  expect(flat!.map((t) => t && Math.round(t.mm2))).toEqual([undefined, 15, undefined]);
});
