import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import type { Bytes, Pixels } from "@/core/picture/plane";
import { finish } from "@/core/progress";
import { finishedSheet, PX_PER_MM, trialArt, type Sheet } from "@/fixtures/finished-sheet";
import { photograph, type Photo, type Shot } from "@/sim/camera";
import type { LineArt } from "@/sim/line-art";
import { seeded } from "@/sim/random";
import { cameraColour, linearOfLab } from "./few-colours";
import { type KnownPlace, readSheet, SheetUnread, type SheetWish } from "./read-sheet";
import { sheetLight } from "./sheet-light";

const SHOT: Shot = {
  width: 900,
  height: 675,
  turn: 8,
  tilt: 25,
  lean: 60,
  fill: 0.78,
  shift: [0.01, -0.01],
  lamp: 3800,
  uneven: 0.25,
  lampFrom: 120,
  vignette: 0.15,
  exposure: 0.7,
  noise: 2,
  blur: 0.6,
  quality: 88,
};

const sheet = finishedSheet(3, true, true);
const line = ({ width, height, line: cover }: LineArt): Bytes => ({
  width,
  height,
  data: Uint8Array.from(cover, (v: number) => Math.round(255 * v)),
});
const shoot = (own: Sheet, with_: Partial<Shot> = {}) =>
  photograph(own.drawing, { ...SHOT, ...with_ }, seeded(4));
const pixels = ({ width, height, rgb }: Photo): Pixels => ({ width, height, channels: 3, data: rgb });
const strip = (own: Sheet): KnownPlace[] => [
  ...own.strip.map(({ at, lab }) => ({ at, lab })),
  ...bareOf(own).map((area) => ({ area, lab: own.paper })),
];
const bareOf = (own: Sheet) =>
  Array.from({ length: own.art.count }, (_, i) => i + 1).filter(
    (a) => deltaE00(own.truth(a), own.paper) < 0.01,
  );
const wish = (own: Sheet, photo: Photo, more: Partial<SheetWish> = {}): SheetWish => ({
  photo: pixels(photo),
  line: line(own.art),
  labels: { width: own.art.width, height: own.art.height, data: own.art.areas },
  mmPerPixel: 1 / PX_PER_MM,
  known: strip(own),
  corners: null,
  zones: null,
  ...more,
});
const whyNot = (w: SheetWish): string => {
  try {
    finish(readSheet(w));
    return "read";
  } catch (e) {
    if (e instanceof SheetUnread) return e.why.kind;
    throw e;
  }
};
const offOf = (own: Sheet, areas: readonly { readonly area: number; readonly lab: Lab }[]) =>
  areas.map((a) => deltaE00(a.lab, own.truth(a.area))).sort((a, b) => a - b);

describe("a finished sheet read from a photo", () => {
  // Photographs take longer than reading them: one serves all but what asks for another.
  const plain = shoot(sheet);

  it.each([
    ["a little turned", plain],
    ["turned by a quarter and curling", shoot(sheet, { turn: 97, curl: 4 })],
  ])("is found and its areas have their colours, %s", async (_, taken) => {
    const photo = await taken;
    const read = finish(readSheet(wish(sheet, photo)));
    const [w, h] = [sheet.art.width / PX_PER_MM, sheet.art.height / PX_PER_MM];
    const frame = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ] as const;
    frame.forEach(([x, y], i) => {
      const [tx, ty] = photo.truth(sheet.margin + x, sheet.margin + y);
      const [px, py] = read.corners[i]!;
      // Six to eight pixels of these photos are a millimetre.
      expect(Math.hypot(px * photo.width - tx, py * photo.height - ty)).toBeLessThan(6);
    });
    const off = offOf(sheet, read.areas);
    expect(off[off.length >> 1]!).toBeLessThan(2);
    expect(read.offMm.median).toBeLessThan(0.4);
    expect(read.camera.from).toBe("many known colours");
    for (const a of read.areas) expect(a.trust).toBeGreaterThan(0);
  });
  it("is read by corners that were pointed at, from the sheet's margin alone, with more doubt", async () => {
    const photo = await plain;
    const { corners, areas } = finish(readSheet(wish(sheet, photo)));
    const read = finish(readSheet(wish(sheet, photo, { known: [], paper: sheet.paper, corners })));
    expect(read.camera.from).toBe("bare paper");
    expect(read.doubts.map((d) => d.kind)).toContain("few known colours");
    const [own, bare] = [offOf(sheet, areas), offOf(sheet, read.areas)];
    expect(bare[bare.length >> 1]!).toBeGreaterThan(own[own.length >> 1]!);
    expect(bare[bare.length >> 1]!).toBeLessThan(8);
    const trust = (some: typeof areas) => some.reduce((sum, a) => sum + a.trust, 0);
    expect(trust(read.areas)).toBeLessThan(trust(areas));
  });
  it("knows its paper by the margin that was set up with it, whatever lies round the sheet", async () => {
    const own = finishedSheet(5, false, true);
    const { art } = own.drawing;
    const MARGIN = 12;
    const by = MARGIN * PX_PER_MM;
    const [width, height] = [own.art.width + 2 * by, own.art.height + 2 * by];
    const padded = <T extends Uint16Array | Uint8Array>(into: T, from: ArrayLike<number>): T => {
      for (let y = 0; y < own.art.height; y++)
        for (let x = 0; x < own.art.width; x++)
          into[(y + by) * width + x + by] = from[y * own.art.width + x]!;
      return into;
    };
    const photo = await photograph(
      {
        ...own.drawing,
        width: width / PX_PER_MM,
        height: height / PX_PER_MM,
        art: { ...art!, x: MARGIN, y: MARGIN },
      },
      SHOT,
      seeded(4),
    );
    const read = finish(
      readSheet(
        wish(own, photo, {
          line: { width, height, data: padded(new Uint8Array(width * height), line(own.art).data) },
          labels: { width, height, data: padded(new Uint16Array(width * height), own.art.areas) },
          known: [],
          paper: own.paper,
        }),
      ),
    );
    expect(read.camera.from).toBe("bare paper");
    const off = offOf(own, read.areas);
    expect(off.length).toBeGreaterThan(5);
    expect(off[off.length >> 1]).toBeLessThan(6);
  });

  it("has zones with their ground, and leaves a mirrored lamp out and says so", async () => {
    const { width, height } = sheet.art;
    const half = Uint8Array.from({ length: width * height }, (_, p) => (p % width < width / 2 ? 1 : 2));
    const photo = await shoot(sheet, { glare: { x: 50, y: 40, radius: 7, strength: 0.7 } });
    const read = finish(readSheet(wish(sheet, photo, { zones: { width, height, data: half } })));
    for (const { zones: own } of read.areas) {
      // A sliver that no pixel was read of is left out, its share is not.
      own.forEach((z, i) => expect(z.from).toBeGreaterThanOrEqual(i ? own[i - 1]!.to : 0));
      for (const z of own) expect(z.to).toBeLessThanOrEqual(1 + 1e-9);
    }
    const ground = read.areas.reduce((sum, a) => sum + a.zones.reduce((s, z) => s + z.mm2, 0), 0);
    expect(ground).toBeLessThanOrEqual((width * height) / PX_PER_MM ** 2);
    expect(ground).toBeGreaterThan((0.5 * width * height) / PX_PER_MM ** 2);
    expect(read.doubts.map((d) => d.kind)).toContain("glare");
  });
  it("is refused with the reason: another drawing, too dark, overexposed, nothing drawn, half of it, no line", async () => {
    const photo = await plain;
    const all = (level: (v: number) => number): Photo => ({ ...photo, rgb: photo.rgb.map(level) });
    const other = trialArt(77, true);
    const labels = { width: other.width, height: other.height, data: other.areas };
    expect(whyNot(wish(sheet, photo, { line: line(other), labels }))).toBe("another drawing");
    expect(
      whyNot(
        wish(
          sheet,
          all((v) => v / 10),
        ),
      ),
    ).toBe("too dark");
    expect(
      whyNot(
        wish(
          sheet,
          all((v) => Math.min(255, 60 + 3 * v)),
        ),
      ),
    ).toBe("too bright");
    expect(
      whyNot(
        wish(
          sheet,
          all(() => 140),
        ),
      ),
    ).toBe("blurred");
    const height = Math.floor(photo.height * 0.42);
    const half = { ...photo, height, rgb: photo.rgb.slice(0, photo.width * height * 3) };
    expect(["too little of it", "another drawing"]).toContain(whyNot(wish(sheet, half)));
    const none = { ...line(sheet.art), data: new Uint8Array(sheet.art.width * sheet.art.height) };
    expect(whyNot(wish(sheet, photo, { line: none }))).toBe("no line");
  });
});

describe("light over a sheet", () => {
  const lit = (x: number, y: number) => 0.8 * Math.exp(0.3 * x - 0.15 * y);
  const samples = Array.from({ length: 25 }, (_, i) => {
    const [x, y] = [(i % 5) / 2 - 1, Math.floor(i / 5) / 2 - 1];
    const level = lit(x, y);
    return { x, y, truly: [0.9, 0.88, 0.8] as const, rgb: [0.9 * level, 0.8 * level, 0.6 * level] as const };
  });
  it("is found where known places say it, whatever the camera's gains", () => {
    const light = sheetLight(samples);
    for (const { x, y } of samples) {
      const [r, g, b] = light.at(x, y);
      expect(r).toBeCloseTo(lit(x, y), 1);
      expect(g! / r!).toBeCloseTo(0.8 / 0.88, 2);
      expect(b! / r!).toBeCloseTo(0.75, 2);
    }
    expect(light.residual).toBeLessThan(0.02);
  });
  it("is not taken in by a shadow over a few of them, and tells of it", () => {
    const shaded = samples.map((s, i) =>
      i % 6 ? s : { ...s, rgb: s.rgb.map((v) => 0.6 * v) as unknown as typeof s.rgb },
    );
    const light = sheetLight(shaded);
    expect(light.at(0.2, 0.2)[0]).toBeCloseTo(lit(0.2, 0.2), 1);
    expect(light.shaded).toBeCloseTo(5 / 25, 1);
  });
});

describe("a camera that few colours tell of", () => {
  const paper: Lab = [94, 0, 3];
  const white = linearOfLab(paper);
  const colours: Lab[] = [
    [60, 40, 20],
    [50, -30, 30],
    [45, 10, -40],
    [75, 5, 50],
    [30, 5, 5],
  ];
  const through = (lab: Lab) => {
    const [r, g, b] = linearOfLab(lab).map((v, c) => v / white[c]!) as [number, number, number];
    return [0.86 * r + 0.14 * g, 0.06 * r + 0.9 * g + 0.04 * b, 0.12 * g + 0.88 * b] as const;
  };
  it("is brought nearer by them, and paper stays paper", () => {
    const off = (known: readonly Lab[]) => {
      const camera = cameraColour(
        paper,
        known.map((lab) => ({ lab, rgb: through(lab) })),
      );
      expect(deltaE00(camera.toLab([1, 1, 1]), paper)).toBeLessThan(1.5);
      return colours.slice(-2).reduce((sum, lab) => sum + deltaE00(camera.toLab(through(lab)), lab), 0);
    };
    expect(off(colours.slice(0, 3))).toBeLessThan(0.7 * off([]));
  });
});
