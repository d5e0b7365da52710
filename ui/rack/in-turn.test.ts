import { inTurn } from "./in-turn";

describe("work in turn", () => {
  it("does not overtake, however long each takes", async () => {
    const queue = inTurn();
    const done: number[] = [];
    const work = (n: number, ms: number) =>
      queue(async () => {
        await new Promise((r) => setTimeout(r, ms));
        done.push(n);
        return n;
      });
    expect(await Promise.all([work(1, 30), work(2, 0), work(3, 10)])).toEqual([1, 2, 3]);
    expect(done).toEqual([1, 2, 3]);
  });

  it("goes on after one has failed, and tells only the one who asked for it", async () => {
    const queue = inTurn();
    const failing = queue(() => Promise.reject(new Error("no network")));
    const next = queue(() => Promise.resolve("stored"));
    await expect(failing).rejects.toThrow("no network");
    expect(await next).toBe("stored");
  });
});
