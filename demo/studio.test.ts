import sharp from "sharp";
import { deltaE00 } from "@/core/colour/delta-e00";
import { hexToLab } from "@/core/colour/display";
import { demoRange } from "@/sim/demo-range";
import { lineArt, paintedReference } from "./art";
import { kiteMender } from "./kite-mender";
import { mothLantern } from "./moth-lantern";
import { DRAWING } from "./pieces";
import { demoFamilies, demoMarkers, demoPapers, demoReadings } from "./markers";

describe("the demo studio", () => {
  const markers = demoMarkers();

  it("owns about two thirds of its range, a few of them low or dry, with gaps in some families", () => {
    const owned = markers.filter((m) => m.owned);
    expect(owned.length / markers.length).toBeGreaterThan(0.58);
    expect(owned.length / markers.length).toBeLessThan(0.75);
    for (const state of ["low", "dry"]) {
      const count = owned.filter((m) => m.state === state).length;
      expect(count).toBeGreaterThan(2);
      expect(count).toBeLessThan(owned.length / 6);
    }
    expect(
      markers.filter((m) => m.family === "tarn" && /^tarn[56]/.test(m.code)).every((m) => !m.owned),
    ).toBe(true);
    expect(new Set(markers.map((m) => m.family))).toEqual(new Set(demoFamilies));
    expect(demoMarkers()).toEqual(markers);
  });

  it("has a few twins", () => {
    const { coats } = demoReadings(demoPapers[0]!.stock);
    const labs = [...coats.values()].map((c) => hexToLab(c[0]!)!);
    let twins = 0;
    for (let i = 0; i < labs.length; i++)
      for (let j = 0; j < i; j++) if (deltaE00(labs[i]!, labs[j]!) < 2) twins++;
    expect(twins).toBeGreaterThan(2);
    expect(twins).toBeLessThan(labs.length / 4);
  });

  it("has every ink read in one, two and three coats on a white and on a toned paper", () => {
    expect(demoPapers).toHaveLength(3);
    for (const { stock } of demoPapers.slice(0, 2)) {
      const { coats } = demoReadings(stock);
      expect(coats.size).toBe(demoRange().length);
      for (const c of coats.values()) expect(c).toHaveLength(3);
    }
  });
});

describe.each([kiteMender, mothLantern])("$name", (piece) => {
  it("is picked inside its picture, at places of an even colour", async () => {
    const { data, info } = await sharp(await paintedReference(piece.art))
      .raw()
      .toBuffer({ resolveWithObject: true });
    const scale = info.width / DRAWING.width;
    for (const { name, picks } of piece.areas)
      for (const [x, y] of Object.values(picks)) {
        const at = (dx: number, dy: number) => {
          const offset =
            (Math.round((y + dy) * scale) * info.width + Math.round((x + dx) * scale)) * info.channels;
          return [...data.subarray(offset, offset + 3)].join();
        };
        const corners = [at(0, 0), at(-4, -4), at(4, -4), at(-4, 4), at(4, 4)];
        const same = corners.filter((c) => c === corners[0]).length;
        expect([name, same >= 3]).toEqual([name, true]);
      }
  });
  it("has line art: black lines on white, nothing in between but their edges", async () => {
    const { data, info } = await sharp(await lineArt(piece.art))
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const share = (test: (v: number) => boolean) => data.filter(test).length / (info.width * info.height);
    expect(share((v) => v > 250)).toBeGreaterThan(0.85);
    expect(share((v) => v < 70)).toBeGreaterThan(0.01);
  });
});
