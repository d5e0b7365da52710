import sharp from "sharp";
import { BookletInput } from "@/border/booklet";
import { readAs } from "@/border/read-as";
import { pdfPages } from "@/fixtures/pdf-pages";
import type { Rack } from "@/store/rack";
import { bookletPdf } from "./booklet-pdf";

const codes = ["sand2m", "sand4m", "bark6m", "plum3c"];
const rack = {
  paper: { id: "p", name: "Test card", capacity: 6 },
  markers: codes.map((code) => ({ code, swatches: [{ lab: [60, 10, 10], hex: "#d9b48f", coats: 1 }] })),
  others: [],
} as unknown as Rack;
const steps = (count: number, how = "all over; small circles") =>
  Array.from({ length: count }, (_, i) => ({
    code: codes[Math.floor(i / 3) % codes.length]!,
    area: `Area ${i + 1}`,
    part: i % 5 ? "" : "1 of 2",
    how,
    start: 20 * i,
    seconds: 15,
    wetUntil: i % 4 ? 20 * i + 105 : null,
  }));
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#cbb" } })
    .png()
    .toBuffer();

describe("a booklet of the order of work", () => {
  it("has every step once, on pages of the studio's paper, none of them empty", async () => {
    const pictures = [await picture(300, 200), await picture(300, 200), await picture(200, 300)];
    for (const sheet of ["A4", "Letter"] as const) {
      const order = { sum: "Two markers", steps: steps(90), moments: [20, 55, 90] };
      const { sizes, lines, images } = pdfPages(
        await bookletPdf({ name: "Kite", rack, order, pictures, sheet }),
      );
      const [width, height] = sheet === "A4" ? [595.28, 841.89] : [612, 792];
      for (const [w, h] of sizes) {
        expect(w).toBeCloseTo(width, 0);
        expect(h).toBeCloseTo(height, 0);
      }
      expect(Math.min(...lines)).toBeGreaterThan(3);
      // Time, area and what is done of each step, names of thirty stretches; what is to be laid ready, and the words of the first page.
      expect(lines.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(3 * 90 + 30 + 2 * codes.length);
      // The finished piece in front, and two moments on the way.
      expect(images).toBe(3);
    }
  });
  it("is made without pictures, and of steps whose words fill lines", async () => {
    const order = { sum: "One", steps: steps(40, "w".repeat(40).concat(" ").repeat(12)), moments: [] };
    const { sizes, images } = pdfPages(await bookletPdf({ name: "Kite", rack, order, pictures: [] }));
    expect(sizes.length).toBeGreaterThan(4);
    expect(images).toBe(0);
  });
  it("refuses what is no order, by field", () => {
    const problems = (said: unknown) => {
      try {
        readAs(BookletInput, said);
        return [];
      } catch (e) {
        return (e as { problems: { path: string }[] }).problems.map((p) => p.path);
      }
    };
    expect(problems({ sum: "x", steps: steps(2), moments: [1, 2] })).toEqual([]);
    expect(problems({ sum: "x", steps: steps(2) })).toEqual([]);
    expect(problems({ sum: "", steps: [], moments: [2, 1] })).toEqual(["sum", "steps", "moments"]);
    expect(problems({ sum: "x", steps: steps(3001) })).toEqual(["steps"]);
    expect(
      problems({
        sum: "x",
        steps: [{ ...steps(1)[0], start: 1e308, seconds: null, how: "h".repeat(601), wetUntil: -1 }],
      }).sort(),
    ).toEqual(["steps[0].how", "steps[0].seconds", "steps[0].start", "steps[0].wetUntil"]);
    expect(
      problems({ sum: "x", steps: steps(1), moments: Array.from({ length: 9 }, (_, i) => i + 1) }),
    ).toEqual(["moments"]);
  });
});
