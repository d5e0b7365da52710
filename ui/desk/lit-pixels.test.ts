import { seeded } from "@/sim/random";
import { litPixels, mixedPixels, zoneOf } from "./lit-pixels";

const [W, H] = [9, 7];
const random = seeded(6);
const picture = () => ({
  width: W,
  height: H,
  rgba: Uint8ClampedArray.from({ length: 4 * W * H }, () => Math.floor(256 * random())),
  areas: [],
});
const at = (p: number) => [p % W, Math.floor(p / W)] as const;

describe("a zone", () => {
  it("is the pixels of an area, a section and places of it, and what holds them", () => {
    for (let run = 0; run < 200; run++) {
      const data = Int16Array.from({ length: W * H }, () => Math.floor(3 * random()));
      const places = Uint8Array.from({ length: W * H }, () =>
        random() < 0.2 ? 0 : 1 + Math.floor(255 * random()),
      );
      const sections = Uint16Array.from({ length: W * H }, () => 1 + Math.floor(2 * random()));
      const [from, to] = [0.3, 0.6];
      const zone = zoneOf({ width: W, data }, 1, places, run % 2 ? sections : undefined, 1, from, to);
      const own = Array.from(data.keys()).filter((p) => {
        const place = (places[p]! - 1) / 254;
        const isThere = data[p] === 1 && places[p]! > 0 && (run % 2 === 0 || sections[p] === 2);
        return isThere && place >= from - 0.002 && place <= to + 0.002;
      });
      if (!own.length) {
        expect(zone).toBeUndefined();
        continue;
      }
      expect([...zone!.lit.keys()].filter((p) => zone!.lit[p])).toEqual(own);
      const [xs, ys] = [own.map((p) => at(p)[0]), own.map((p) => at(p)[1])];
      expect(zone!.box).toEqual([Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]);
    }
  });
});

describe("a lit picture", () => {
  it("has in the zone what comes, a dark rim around it, and all else pale", () => {
    const [under, over] = [picture(), picture()];
    const lit = new Uint8Array(W * H);
    // One at the left edge: what is at the right end of the row before is no neighbour.
    for (const p of [2 * W, 3 * W + 4, 3 * W + 5]) lit[p] = 1;
    const { rgba } = litPixels(under, over, { lit, box: [0, 2, 5, 3] });
    for (let p = 0; p < W * H; p++) {
      const [x, y] = at(p);
      const beside = [
        [x - 1, y],
        [x + 1, y],
        [x, y - 1],
        [x, y + 1],
      ].some(([a, b]) => a! >= 0 && a! < W && b! >= 0 && b! < H && lit[b! * W + a!]);
      for (let c = 0; c < 3; c++) {
        const plain = Math.round((under.rgba[4 * p + c]! * 65 + 245 * 190) / 255);
        expect(rgba[4 * p + c]).toBe(lit[p] ? over.rgba[4 * p + c] : beside ? 20 : plain);
      }
    }
  });
  it("is as it lies without a zone, or with one of another size, and what it is made of stays", () => {
    const under = picture();
    const before = under.rgba.slice();
    expect(litPixels(under, undefined, undefined).rgba).toEqual(before);
    expect(litPixels(under, undefined, { lit: new Uint8Array(3), box: [0, 0, 1, 1] }).rgba).toEqual(before);
    expect(litPixels(under, undefined, { lit: new Uint8Array(W * H), box: [0, 0, 1, 1] }).rgba).not.toEqual(
      before,
    );
    expect(under.rgba).toEqual(before);
  });
  it("is mixed of two pixel by pixel", () => {
    const [under, over] = [picture(), picture()];
    const { rgba } = mixedPixels(under, over, (p) => p % 3 === 0);
    for (let p = 0; p < W * H; p++)
      expect(rgba.subarray(4 * p, 4 * p + 4)).toEqual(
        (p % 3 === 0 ? over : under).rgba.subarray(4 * p, 4 * p + 4),
      );
  });
});
