import { roomFor } from "@/core/picture/cut-line";
import { coarseness } from "./operations/cut-lines";
import { runOperation } from "./run";

const side = 60;
const bytes = (values: Uint16Array) => Buffer.from(values.buffer).toString("base64");
/** A square of 30 pixels in the middle, and a frame round it. */
const labels = {
  width: side,
  height: side,
  data: bytes(
    Uint16Array.from({ length: side * side }, (_, p) => {
      const [x, y] = [p % side, Math.floor(p / side)];
      return x >= 15 && x < 45 && y >= 15 && y < 45 ? 1 : 2;
    }),
  ),
};
const ask = (more: object) =>
  runOperation("cutLines", { labels, mmPerPixel: 0.5, areas: [{ id: 1 }], ...more });

describe("cut lines of a drawing", () => {
  it("go round what is meant, by its size and margin", async () => {
    const tight = await ask({});
    expect(tight.lines).toHaveLength(1);
    expect([tight.width, tight.height]).toEqual([30, 30]);
    expect(Math.sqrt(tight.mm2)).toBeCloseTo(15, 0);
    const wide = await ask({ offset: 3 });
    expect(Math.sqrt(wide.mm2)).toBeGreaterThan(19.5);
    expect(Math.sqrt(wide.mm2)).toBeLessThan(21.5);
    const frame = await ask({ areas: [{ id: 2 }], holes: true });
    expect(frame.lines).toHaveLength(2);
    expect((await ask({ areas: [{ id: 9 }] })).lines).toEqual([]);
  });
  it("go round each area by itself as if it were asked alone", async () => {
    const ids = [{ id: 2 }, { id: 9 }, { id: 1 }];
    const each = await ask({ areas: ids, holes: true, apart: true });
    const alone = await Promise.all(ids.map((id) => ask({ areas: [id], holes: true })));
    expect(each.lines).toEqual(alone.flatMap((a) => a.lines));
    expect(each.of).toEqual([0, 0, 2]);
    expect(each.mm).toBeCloseTo(
      alone.reduce((sum, a) => sum + a.mm, 0),
      6,
    );
    await expect(ask({ areas: Array(81).fill({ id: 1 }), apart: true })).rejects.toThrow(/areas/);
  });
  it("are looked at no finer than there is room for, whatever their pixels and margin", async () => {
    for (const mmPerPixel of [0.001, 0.01, 0.1, 1, 50])
      for (const offset of [0, 3, 50])
        for (const long of [16, 600, 6000]) {
          const ground = { width: long, height: long, mmPerPixel };
          if (offset > 2 * long * mmPerPixel) continue;
          const by = coarseness(ground, offset);
          const coarse = { width: long / by, height: long / by, mmPerPixel: mmPerPixel * by };
          const room = 2 * roomFor({ offset }, coarse);
          expect((coarse.width + room) * (coarse.height + room)).toBeLessThan(8e6);
        }
    await expect(ask({ mmPerPixel: 0.001, offset: 50 })).rejects.toThrow(/offset/);
    // The largest margin of a drawing of small pixels is worked out as well.
    const far = await ask({ mmPerPixel: 0.5, offset: 50 });
    expect(far.mm2).toBeGreaterThan(Math.PI * 50 * 50);
  });
});
