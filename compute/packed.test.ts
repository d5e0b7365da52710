import fc from "fast-check";
import { sketched } from "@/fixtures/drawings";
import { packed, unpacked, type LookedAt } from "./packed";
import { regionsOf } from "@/core/picture/regions";

const drawingOf = (cells: readonly string[]): LookedAt => {
  const coverage = sketched(cells);
  return {
    line: { coverage, paper: [0.9, 0.8, 0.7], share: 0.25 },
    found: regionsOf(coverage, { gap: 0, speck: 0, under: 3 }),
  };
};
const plain = drawingOf([".....#....", ".....#....", "######....", ".....#...."]);

/** The bytes with another head. */
function withHead(change: (head: Record<string, unknown>) => void): Uint8Array {
  const bytes = packed(plain)!;
  const at = bytes.indexOf("{".charCodeAt(0));
  const long = new DataView(bytes.buffer).getUint32(at - 4, true);
  const head = JSON.parse(new TextDecoder().decode(bytes.subarray(at, at + long))) as Record<string, unknown>;
  change(head);
  const said = new TextEncoder().encode(JSON.stringify(head));
  const out = new Uint8Array(bytes.length - long + said.length);
  out.set(bytes.subarray(0, at));
  new DataView(out.buffer).setUint32(at - 4, said.length, true);
  out.set(said, at);
  out.set(bytes.subarray(at + long), at + said.length);
  return out;
}

describe("a packed drawing", () => {
  it("is the same drawing when it is unpacked", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom("#", ".", "."), { minLength: 8, maxLength: 8 }), {
          minLength: 3,
          maxLength: 12,
        }),
        (cells) => {
          const drawing = drawingOf(cells.map((r) => r.join("")));
          expect(unpacked(packed(drawing)!)).toEqual(drawing);
        },
      ),
      { numRuns: 60 },
    );
  });
  it("is none when it is cut off, longer, or of another kind", () => {
    const bytes = packed(plain)!;
    for (let long = 0; long < bytes.length; long += 7)
      expect(unpacked(bytes.subarray(0, long))).toBeUndefined();
    expect(unpacked(new Uint8Array([...bytes, 0]))).toBeUndefined();
    const other = bytes.slice();
    other[0] = 66;
    expect(unpacked(other)).toBeUndefined();
    expect(unpacked(new TextEncoder().encode('{"width":1e9}'.repeat(9)))).toBeUndefined();
  });
  it.each<[string, (head: Record<string, unknown>) => void]>([
    ["no width", (h) => delete h.width],
    ["a width that is no number", (h) => (h.width = "10")],
    ["a picture of nothing", (h) => (h.width = 0)],
    ["an endless one", (h) => (h.width = 1e308)],
    ["another size", (h) => (h.height = (h.height as number) * 2)],
    ["paper of two channels", (h) => (h.paper = [1, 1])],
    ["a share below nothing", (h) => (h.share = -1)],
    ["regions that are no list", (h) => (h.regions = { length: 2 })],
    ["a region that is null", (h) => ((h.regions as unknown[])[0] = null)],
    ["a box outside", (h) => ((h.regions as number[][])[0]![3] = 1e6)],
    ["a middle outside", (h) => ((h.regions as number[][])[0]![5] = 1e6)],
    ["half a pixel", (h) => ((h.regions as number[][])[0]![0] = 1.5)],
    ["a reach that is a word", (h) => ((h.regions as unknown[][])[0]![7] = "wide")],
    ["a border with nobody", (h) => ((h.borders as number[][])[0] = [1, 99, 3])],
    ["a border with itself", (h) => ((h.borders as number[][])[0] = [1, 1, 3])],
    ["fewer regions than are in the picture", (h) => ((h.regions as unknown[]).length = 1)],
  ])("is none with %s", (_, change) => {
    expect(unpacked(withHead(() => undefined))).toEqual(plain);
    expect(unpacked(withHead(change))).toBeUndefined();
  });
});
