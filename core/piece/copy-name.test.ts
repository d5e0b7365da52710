import { copyName } from "./copy-name";

describe("the name of a copy", () => {
  it("counts on from copy to copy", () => {
    expect(copyName("Kite")).toBe("Kite, copy");
    expect(copyName("Kite, copy")).toBe("Kite, copy 2");
    expect(copyName("Kite, copy 9")).toBe("Kite, copy 10");
  });
  it("is never longer than a name may be, and cuts no sign in two", () => {
    expect(copyName("x".repeat(80))).toHaveLength(80);
    const long = copyName("🪁".repeat(60));
    expect(long.length).toBeLessThanOrEqual(80);
    expect(long).toMatch(/^(🪁)+, copy$/u);
  });
});
