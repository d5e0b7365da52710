import { quantile } from "@/core/algebra/median";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Bytes, Labels, Pixels } from "@/core/picture/plane";
import { finish } from "@/core/progress";
import { finishedSheet, PX_PER_MM, trialArt, type Sheet } from "@/fixtures/finished-sheet";
import { readSheet, SheetUnread, type KnownPlace, type ReadSheet } from "@/core/sheet/read-sheet";
import { harshShot, photograph, type Photo, type Shot } from "@/sim/camera";
import type { LineArt } from "@/sim/line-art";
import { seeded } from "@/sim/random";

const SHEETS = 20;
/** Areas of known colour where there is no strip. */
const KNOWN = 4;

const shotOf = (seed: number, megapixels = 3): Shot => {
  const random = seeded(seed * 977 + 5);
  const width = Math.round(Math.sqrt((megapixels * 4e6) / 3));
  return {
    ...harshShot(random, width, Math.round(0.75 * width)),
    turn: random() < 0.5 ? 360 * random() : 24 * random() - 12,
    tilt: 10 + 35 * random(),
    curl: 5 * random(),
    ...(random() < 0.3 && {
      glare: { x: 40 + 60 * random(), y: 30 + 50 * random(), radius: 8, strength: 0.5 },
    }),
  };
};

const asPixels = ({ width, height, rgb }: Photo): Pixels => ({ width, height, channels: 3, data: rgb });
const asLine = ({ width, height, line }: LineArt): Bytes => ({
  width,
  height,
  data: Uint8Array.from(line, (v: number) => Math.round(255 * v)),
});
const asLabels = ({ width, height, areas }: LineArt): Labels => ({ width, height, data: areas });

function knownOf(sheet: Sheet, withStrip: boolean): KnownPlace[] {
  const bare = Array.from({ length: sheet.art.count }, (_, i) => i + 1).filter(
    (a) => deltaE00(sheet.truth(a), sheet.paper) < 0.01,
  );
  const coloured = Array.from({ length: sheet.art.count }, (_, i) => i + 1).filter((a) => !bare.includes(a));
  return [
    ...bare.map((area) => ({ area, lab: sheet.paper })),
    ...(withStrip
      ? sheet.strip.map(({ at, lab }) => ({ at, lab }))
      : coloured.slice(0, KNOWN).map((area) => ({ area, lab: sheet.truth(area) }))),
  ];
}

const ask = (
  sheet: Sheet,
  photo: Photo,
  known: readonly KnownPlace[],
  drawn = sheet.art,
): ReadSheet | string => {
  try {
    return finish(
      readSheet({
        photo: asPixels(photo),
        line: asLine(drawn),
        labels: asLabels(drawn),
        mmPerPixel: 1 / PX_PER_MM,
        known,
        corners: null,
        zones: null,
      }),
    );
  } catch (e) {
    if (e instanceof SheetUnread) return e.why.kind;
    throw e;
  }
};

/** How far the drawing's corners and middle were laid from where they truly are, mm: the worst of nine places. */
function offMm(sheet: Sheet, photo: Photo, { corners }: ReadSheet): number {
  const [w, h] = [sheet.art.width / PX_PER_MM, sheet.art.height / PX_PER_MM];
  return Math.max(
    ...(
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map(([u, v], i) => {
      const [x, y] = [sheet.margin + u * w, sheet.margin + v * h];
      const [tx, ty] = photo.truth(x, y);
      const [ax, ay] = photo.truth(x + 1, y);
      const [px, py] = corners[i]!;
      return Math.hypot(px * photo.width - tx, py * photo.height - ty) / Math.hypot(ax - tx, ay - ty);
    }),
  );
}

async function judge(withStrip: boolean): Promise<string> {
  const off: number[] = [];
  const colour: number[] = [];
  const seconds: number[] = [];
  const refused: string[] = [];
  const wrong: string[] = [];
  for (let n = 1; n <= SHEETS; n++) {
    const sheet = finishedSheet(n, withStrip);
    const photo = await photograph(sheet.drawing, shotOf(n), seeded(n));
    const known = knownOf(sheet, withStrip);
    const began = performance.now();
    const read = ask(sheet, photo, known);
    seconds.push((performance.now() - began) / 1000);
    if (typeof read === "string") {
      refused.push(`${n} ${read}`);
      continue;
    }
    off.push(offMm(sheet, photo, read));
    const told = new Set(known.flatMap((k) => ("area" in k ? [k.area] : [])));
    const own = read.areas.filter((a) => !told.has(a.area)).map((a) => deltaE00(a.lab, sheet.truth(a.area)));
    colour.push(own.reduce((a, b) => a + b, 0) / Math.max(1, own.length));
    if (n % 4 === 0) {
      const other = ask(sheet, photo, known, trialArt(n + 1000));
      if (typeof other !== "string") wrong.push(String(n));
    }
  }
  return `| ${withStrip ? "a strip of cells" : "bare paper and four areas"} | ${off.length} of ${SHEETS}${refused.length ? ` (${refused.join(", ")})` : ""} | ${quantile(off, 0.5).toFixed(2)} | ${quantile(off, 0.95).toFixed(2)} | **${quantile(colour, 0.5).toFixed(2)}** | ${quantile(colour, 0.95).toFixed(1)} | ${wrong.length} of ${Math.floor(SHEETS / 4)} | ${quantile(seconds, 0.5).toFixed(1)} |`;
}

/** Photos of finished sheets, read against what truly lies on them. */
export async function judgeSheets(): Promise<string> {
  const rows = [await judge(true), await judge(false)];
  return `### Finished sheets read from a photo: ${SHEETS} drawings a row, coloured at random, 10–45° aslant, any turn, curling, a third with a mirrored lamp, 3 megapixels\n\n| known | read | corners off, mm: median | 95th | an area's colour, ΔE00: median of sheets | 95th | wrong drawings taken | s |\n| --- | --- | --- | --- | --- | --- | --- | --- |\n${rows.join("\n")}`;
}
