import { pdfPages } from "@/fixtures/pdf-pages";
import { clay, jar, marker, rackOf } from "@/fixtures/studio";
import { rackChartPdf, shelfLabelsPdf } from "./rack-pdf";

const sum = (n: readonly number[]) => n.reduce((a, b) => a + b, 0);

describe("the rack to pin up", () => {
  it("has every marker once under its family, on pages of the studio's paper", async () => {
    const rack = rackOf(clay, jar);
    const { sizes, lines } = pdfPages(await rackChartPdf(rack, "A4"));
    expect(sizes).toHaveLength(1);
    // Title, what it is in one line or two, a family, and a code each.
    const families = new Set(rack.markers.map((m) => m.family)).size;
    expect(sum(lines)).toBeGreaterThanOrEqual(2 + families + rack.markers.length);
    expect(sum(lines)).toBeLessThanOrEqual(3 + families + rack.markers.length);
  });
  it("goes on over pages, none of them empty, with a thousand markers and names as long as may be", async () => {
    const many = Array.from({ length: 1000 }, (_, i) =>
      marker(`m${i}${"x".repeat(30)}`, [60, 50], {
        family: `family ${i % 40} ${"y".repeat(40)}`,
        name: "z".repeat(120),
        owned: i % 3 > 0,
      }),
    );
    const rack = rackOf(many);
    for (const made of [await rackChartPdf(rack, "Letter"), await shelfLabelsPdf(rack, "Letter")]) {
      const { sizes, lines } = pdfPages(made);
      expect(sizes.length).toBeGreaterThan(5);
      expect(Math.min(...lines)).toBeGreaterThan(3);
      for (const [w, h] of sizes) expect([Math.round(w!), Math.round(h!)]).toEqual([612, 792]);
    }
    expect(sum(pdfPages(await rackChartPdf(rack, "Letter")).lines)).toBeGreaterThanOrEqual(1000 + 40);
  });
  it("has a label for what is owned only, and says where nothing is", async () => {
    const rack = rackOf(clay, jar);
    const owned = rack.markers.filter((m) => m.owned).length;
    expect(sum(pdfPages(await shelfLabelsPdf(rack, "A4")).lines)).toBe(2 * owned);
    expect(sum(pdfPages(await shelfLabelsPdf(rackOf([]), "A4")).lines)).toBe(1);
  });
});
