import type { Purchases } from "@/core/stock/purchases";
import { placesInWords, purchasesInWords } from "./purchases";

const plan = (more: Partial<Purchases>): Purchases => ({
  buy: [{ offer: 0, adds: 0.2, meets: [0] }],
  spent: 3,
  before: 0.5,
  after: 0.7,
  atMost: 0.7,
  exact: true,
  proven: 1,
  curve: [],
  ...more,
});

describe("purchases in words", () => {
  it("claim the best only where every other choice was ruled out", () => {
    expect(purchasesInWords(plan({}), 30)).toContain(
      "1 marker for 3.00 of 30.00 make it 70 %. No other choice",
    );
    const open = purchasesInWords(plan({ exact: false, atMost: 0.8, proven: 0.667 }), 30);
    expect(open).toContain("more than 80 %");
    expect(open).toContain("at least 67 %");
    expect(open).not.toContain("No other choice");
  });
  it("say what it means when there is nothing to buy", () => {
    expect(purchasesInWords(plan({ buy: [], after: 1, before: 1 }), 30)).toContain("Nothing is missing");
    expect(purchasesInWords(plan({ buy: [], after: 0.5 }), 30)).toContain("takes a blend");
  });
  it("name a few places and count the rest", () => {
    const wanted = ["a", "b", "c", "d", "e"].map((p) => ({
      lab: [50, 0, 0] as const,
      weight: 1,
      places: [p, "a"],
    }));
    expect(placesInWords(wanted)).toBe("a, b, c and 2 other places");
    expect(placesInWords(wanted.slice(0, 1))).toBe("a");
  });
});
