import { runOperation } from "@/compute/run";
import { scannedDesk } from "@/fixtures/scanned-desk";

/**
 * Light, tone map and colouring of the largest drawing there is, in a process of its own: tsx bench/huge.ts says time and most memory. A picture of 40
 * megapixels is worked on as a copy of 2400 pixels, and the border takes no more than 6 megapixels.
 */
const [W, H] = [2828, 2121];
const labels = new Uint16Array(W * H);
for (let y = 0, p = 0; y < H; y++)
  for (let x = 0; x < W; x++, p++) labels[p] = 1 + Math.floor((x * 8) / W) + 8 * Math.floor((y * 5) / H);
let plane: object | undefined = {
  width: W,
  height: H,
  data: Buffer.from(labels.buffer).toString("base64"),
};
const [paper, inks] = scannedDesk(8, 3);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const areas = Array.from({ length: 40 }, (_, i) => ({
  id: i + 1,
  layers: [0, 2, 5].map((k) => ({ medium: "tone", code: inks[(i + k) % 8]!.code, coats: 1 })),
}));
const start = performance.now();
const said = (what: string) =>
  console.log(
    `${what}: ${((performance.now() - start) / 1000).toFixed(1)} s, ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB at most`,
  );
said("labels at hand");
const { field } = await runOperation("light", { labels: plane, mmPerPixel: 0.07 });
plane = undefined;
said("light");
await runOperation("toneMap", { field });
said("tone map");
await runOperation("render", { ...desk, field, areas });
said("colouring");
