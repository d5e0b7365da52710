import { box, drawnLines, printed, sketched } from "@/fixtures/drawings";
import { lineOf } from "./line";
import type { Bytes, Pixels } from "./plane";

const WHITE = [250, 250, 248] as const;
const BLACK = [25, 24, 26] as const;
const art = drawnLines(320, 240, [...box(40, 40, 120, 100), [200, 60, 290, 200], [200, 200, 290, 60]], 3);

/** Shares of what is line that was found, and of what is bare that was not taken for line. */
function agreement(found: Bytes, truth: Bytes): { line: number; bare: number } {
  let [line, hit, bare, clear] = [0, 0, 0, 0];
  for (let p = 0; p < truth.data.length; p++)
    if (truth.data[p]! > 180) {
      line++;
      if (found.data[p]! >= 100) hit++;
    } else if (truth.data[p]! === 0) {
      bare++;
      if (found.data[p]! < 100) clear++;
    }
  return { line: hit / line, bare: clear / bare };
}

const good = (picture: Pixels, truth = art, kind: Parameters<typeof lineOf>[1] = "drawn") => {
  const { line, bare } = agreement(lineOf(picture, kind).coverage, truth);
  expect(line).toBeGreaterThan(0.985);
  expect(bare).toBeGreaterThan(0.995);
};

describe("the line of a picture", () => {
  it("is found on white and on toned paper, black, coloured and grey", () => {
    good(printed(art, WHITE, BLACK));
    good(printed(art, [196, 178, 150], [40, 36, 34]));
    good(printed(art, WHITE, [120, 150, 230]));
    good(printed(art, WHITE, [178, 178, 178]));
  });

  it("is found under light that falls off to a third, with noise", () => {
    let state = 7;
    const noise = () => ((state = (state * 1103515245 + 12345) % 2147483648) / 2147483648 - 0.5) * 14;
    const lit = printed(art, WHITE, BLACK, (x, y) => 1 - 0.45 * x - 0.15 * y * y);
    const noisy = lit.data.map((v) => Math.min(255, Math.max(0, v + noise())));
    good({ ...lit, data: Uint8Array.from(noisy) });
  });

  it("leaves nothing on bare paper in a photo's dark corner", () => {
    const drawn = drawnLines(1300, 1000, [...box(500, 400, 300, 200), [520, 420, 780, 580]], 4);
    let state = 11;
    const even = () => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
    const photo = printed(drawn, WHITE, BLACK, (x, y) => {
      const [u, v] = [2 * x - 1, 2 * y - 1];
      return (1 - 0.28 * (u * u + v * v)) * (0.78 + 0.14 * (u + v));
    });
    const data = photo.data.map((v) => Math.min(255, Math.max(0, v + 4 * (even() + even() + even() - 1.5))));
    const { coverage } = lineOf({ ...photo, data }, "stamped");
    expect(agreement(coverage, drawn).line).toBeGreaterThan(0.985);
    let specks = 0;
    for (let y = 0; y < 1000; y++)
      for (let x = 0; x < 1300; x++)
        if ((x < 490 || x > 810 || y < 390 || y > 610) && coverage.data[y * 1300 + x]) specks++;
    expect(specks).toBe(0);
  });

  it("of a pale sketch is found when it is said to be lineless", () => {
    const pale = printed(art, WHITE, [226, 226, 226]);
    good(pale, art, "lineless");
  });

  it("is found on transparent ground, whatever its colour would be", () => {
    const data = new Uint8Array(art.data.length * 4);
    for (let p = 0; p < art.data.length; p++) data.set([20, 20, 20, art.data[p]!], 4 * p);
    good({ width: art.width, height: art.height, channels: 4, data });
  });

  it("keeps filled blacks, and leaves washes and colour fills out", () => {
    const shapes = drawnLines(320, 240, [...box(20, 20, 130, 180), ...box(170, 20, 130, 180)], 3);
    const picture = printed(shapes, WHITE, BLACK);
    const data = Uint8Array.from(picture.data);
    const fill = (x0: number, y0: number, x1: number, y1: number, colour: readonly number[]) => {
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x1; x++) if (!shapes.data[y * 320 + x]) data.set(colour, 3 * (y * 320 + x));
    };
    fill(23, 23, 148, 198, [206, 120, 96]);
    fill(210, 60, 260, 160, BLACK);
    const found = lineOf({ ...picture, data }, "drawn").coverage;
    expect(found.data[100 * 320 + 80]).toBe(0);
    expect(found.data[110 * 320 + 235]).toBeGreaterThan(200);
    expect(agreement(found, shapes).line).toBeGreaterThan(0.97);
  });

  it("is nothing on an empty sheet, and nearly everything in the dark", () => {
    const empty = sketched(["........", "........"], 30);
    expect(lineOf(printed(empty, WHITE, BLACK), "drawn").share).toBe(0);
    expect(
      lineOf(
        printed(empty, [252, 252, 252], BLACK, (x) => 1 - 0.2 * x),
        "lineless",
      ).share,
    ).toBeLessThan(0.001);
  });

  it("says the colour of the bare paper in linear light", () => {
    const { paper } = lineOf(printed(art, [196, 178, 150], BLACK), "drawn");
    expect(paper[0]).toBeCloseTo(0.552, 1);
    expect(paper[2]).toBeLessThan(paper[0]);
  });
});
