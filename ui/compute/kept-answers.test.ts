import "fake-indexeddb/auto";
import { forgetAnswers, keepAnswers, recallAnswers } from "./kept-answers";

describe("answers of an earlier visit", () => {
  it("are found by what was asked, and by nothing else", async () => {
    await keepAnswers(new Map([["group a", { deltaE00: 1.2 }]]));
    expect([...(await recallAnswers(["group a", "group b"]))]).toEqual([["group a", { deltaE00: 1.2 }]]);
  });
  it("are forgotten when there are too many, the oldest first", async () => {
    const now = jest.spyOn(Date, "now");
    for (let i = 0; i < 7; i++) {
      now.mockReturnValue(1000 + i);
      await keepAnswers(new Map(Array.from({ length: 100 }, (_, n) => [`${i} ${n}`, n])));
    }
    now.mockRestore();
    const keys = Array.from({ length: 7 }, (_, i) => Array.from({ length: 100 }, (_, n) => `${i} ${n}`));
    const counts = await Promise.all(keys.map(async (k) => (await recallAnswers(k)).size));
    // One of the 600 is that of the test before, which is the newest.
    expect(counts).toEqual([0, 99, 100, 100, 100, 100, 100]);
  });
  it("are all gone when they are thrown away, and can be kept again", async () => {
    await keepAnswers(new Map([["group z", 1]]));
    await forgetAnswers();
    expect((await recallAnswers(["group z"])).size).toBe(0);
    await keepAnswers(new Map([["group z", 2]]));
    expect((await recallAnswers(["group z"])).get("group z")).toBe(2);
  });
});
