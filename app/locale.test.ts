import { localeFrom } from "./locale";

describe("the language of dates", () => {
  it("is the first that is known", () => {
    expect(localeFrom("de-AT,de;q=0.9,en;q=0.8")).toBe("de-AT");
    expect(localeFrom("tlh;q=1, fr;q=0.5")).toMatch(/^(tlh|fr)$/);
  });
  it("is English for what is none", () => {
    for (const header of [null, "", "*", "*;q=0.1", "x_%", ",,,", "-", "\u0000", "a".repeat(100_000), "<b>"])
      expect(localeFrom(header)).toBe("en");
    expect(localeFrom("*, fr")).toBe("fr");
  });
});
