import sharp from "sharp";
import { newArea, newPiece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import type { SharedPiece } from "../shared-piece";
import { CARD, cardOf } from "./card";

const shared = (name: string, areas: readonly string[], studio = "Saltmarsh"): SharedPiece => ({
  studio: { id: "s", name: studio },
  pieceId: "p",
  shows: ["combinations"],
  piece: { ...newPiece(name, null), areas: areas.map((a, i) => newArea(String(i), a)) },
  rack: {} as Rack,
  kept: undefined,
  ramps: Object.fromEntries(areas.map((_, i) => [String(i), ["#f0d0b0", "#a06040", "#503020"]])),
});
const pixels = async (png: Buffer) => {
  const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  return (x: number, y: number) => [...data.subarray(info.channels * (y * info.width + x)).subarray(0, 3)];
};

describe("the card of a link", () => {
  it.each(["Kite", "<b>&amp;", "\u200b", " ", "W".repeat(80), "\ud800", "風 🪁", "a\u0000b", "two\nlines"])(
    "is as large as cards are, whatever the piece is called: %j",
    async (name) => {
      const { width, height, format } = await sharp(await cardOf(shared(name, [name], name))).metadata();
      expect([width, height, format]).toEqual([CARD.width, CARD.height, "png"]);
    },
  );
  it("shows the ramps of its areas from light to dark, and no more than have room", async () => {
    const at = await pixels(
      await cardOf(
        shared(
          "Kite",
          Array.from({ length: 30 }, (_, i) => `Area ${i}`),
        ),
      ),
    );
    const row = Array.from({ length: CARD.width }, (_, x) => at(x, CARD.height - 40 - 17).join());
    const [light, mid, dark] = ["240,208,176", "160,96,64", "80,48,32"].map((c) => row.indexOf(c));
    expect(light).toBeGreaterThan(0);
    expect(mid).toBeGreaterThan(light!);
    expect(dark).toBeGreaterThan(mid!);
    // The name stands above the first of them.
    const first = Array.from({ length: CARD.height }, (_, y) => at(row.indexOf("240,208,176") + 2, y).join());
    expect(first.indexOf("240,208,176")).toBeGreaterThan(180);
  });
  it("is made once", async () => {
    const piece = shared("Once", ["Skin"]);
    expect(await cardOf(piece)).toBe(await cardOf(shared("Once", ["Skin"])));
    expect(await cardOf(shared("Twice", ["Skin"]))).not.toBe(await cardOf(piece));
  });
});
