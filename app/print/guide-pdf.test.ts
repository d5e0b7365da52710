import sharp from "sharp";
import { asLayers, newArea, newPiece, type Piece } from "@/core/piece/piece";
import { pdfPages } from "@/fixtures/pdf-pages";
import type { Rack } from "@/store/rack";
import { guidePdf } from "./guide-pdf";

const swatch = (hex: string) => ({ lab: [60, 10, 10] as const, hex, coats: 1 });
const rack = {
  paper: { id: "p", name: "Test card", capacity: 6 },
  markers: ["sand2m", "sand4m", "bark6m"].map((code) => ({
    code,
    owned: true,
    state: "full",
    swatches: [swatch("#d9b48f"), swatch("#b08860")],
  })),
  others: [],
} as unknown as Rack;

const pieceOf = (areas: number): Piece => ({
  ...newPiece("Many areas", "p"),
  areas: Array.from({ length: areas }, (_, i) => ({
    ...newArea(`a${i}`, `Area number ${i + 1}`),
    layers: asLayers([
      { code: "sand2m", coats: 1 },
      { code: "sand4m", coats: 1 + (i % 2), carries: true as const },
      { code: "bark6m", coats: 1 },
    ]),
  })),
});

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#cbb" } })
    .png()
    .toBuffer();

const guide = async (piece: Piece, how: Partial<Parameters<typeof guidePdf>[0]> = {}) =>
  pdfPages(
    await guidePdf({
      piece,
      rack,
      colouring: await picture(300, 200),
      tones: await picture(200, 300),
      ...how,
    }),
  );

describe("the printed guide", () => {
  it("has a page for each picture that lies as the picture does, on the studio's paper", async () => {
    const [a4, letter] = [await guide(pieceOf(2)), await guide(pieceOf(2), { sheet: "Letter" })];
    const round = (s: readonly number[]) => s.map(Math.round);
    expect(a4.sizes.slice(0, 3).map(round)).toEqual([
      [842, 595],
      [595, 842],
      [595, 842],
    ]);
    expect(round(letter.sizes[0]!)).toEqual([792, 612]);
    expect(round(letter.sizes[2]!)).toEqual([612, 792]);
  });
  it("leaves no page with a line or two, however many areas there are", async () => {
    for (const areas of [1, 3, 4, 7, 8, 13, 21, 34]) {
      const { lines } = await guide(pieceOf(areas), {
        boxes: new Map(pieceOf(areas).areas.map((a, i) => [a.id, [0.1, 0.1, 0.5, 0.3 + 0.02 * i] as const])),
      });
      // The two pictures have their titles alone.
      for (const n of lines.slice(2)) expect(n).toBeGreaterThan(4);
    }
  });
  it("shows no part of a picture that is not there, and stands areas of no extent", async () => {
    const boxes = new Map([
      ["a0", [0, 0, 1, 1] as const],
      ["a1", [0.5, 0.5, 0.5, 0.5] as const],
      ["nobody", [0.2, 0.2, 0.4, 0.4] as const],
      ["a2", [0.9, 0.9, 0.1, 0.1] as const],
    ]);
    const { lines } = await guide(pieceOf(3), { boxes });
    expect(lines.length).toBeGreaterThan(2);
  });
  it("has only what is to be shown", async () => {
    const made = async (how: object) =>
      pdfPages(await guidePdf({ piece: pieceOf(3), rack, ...how } as Parameters<typeof guidePdf>[0]));
    const colouring = await picture(300, 200);
    expect((await made({ colouring, steps: false, ready: false })).sizes).toHaveLength(1);
    const bare = await made({});
    expect(bare.images).toBe(0);
    const steps = await made({ ready: false });
    expect(bare.lines.reduce((a, b) => a + b, 0)).toBeGreaterThan(steps.lines.reduce((a, b) => a + b, 0));
    expect((await made({ steps: false, ready: false })).sizes).toHaveLength(1);
  });
});
