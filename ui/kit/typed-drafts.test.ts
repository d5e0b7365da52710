import "fake-indexeddb/auto";
import { keepTyped, typedBefore } from "./typed-drafts";

const DAY = 86_400_000;

describe("what is typed and not kept yet", () => {
  it("is there again for its field only, until it is done with", async () => {
    await keepTyped("a codes", "clay 2-4 c", 1000);
    expect(await typedBefore("a codes", 2000)).toBe("clay 2-4 c");
    expect(await typedBefore("b codes", 2000)).toBeUndefined();
    await keepTyped("a codes", "clay 2-5 c", 3000);
    expect(await typedBefore("a codes", 4000)).toBe("clay 2-5 c");
    await keepTyped("a codes", "", 5000);
    expect(await typedBefore("a codes", 6000)).toBeUndefined();
  });
  it("is nothing where it is blank or without end", async () => {
    await keepTyped("a blank", "  \n ", 1000);
    await keepTyped("a long", "x".repeat(1_000_001), 1000);
    expect(await typedBefore("a blank", 1000)).toBeUndefined();
    expect(await typedBefore("a long", 1000)).toBeUndefined();
  });
  it("goes after a month, and the oldest where there are very many", async () => {
    await keepTyped("a old", "old", 1000);
    expect(await typedBefore("a old", 1000 + 31 * DAY)).toBeUndefined();
    for (let i = 0; i < 230; i++) await keepTyped(`a ${i}`, `text ${i}`, 40 * DAY + i);
    const left = await Promise.all(
      Array.from({ length: 230 }, (_, i) => typedBefore(`a ${i}`, 40 * DAY + 300)),
    );
    expect(left.filter((t) => t !== undefined)).toHaveLength(200);
    expect(left.slice(0, 30).every((t) => t === undefined)).toBe(true);
    expect(left.at(-1)).toBe("text 229");
  });
});
