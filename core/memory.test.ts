import { memory } from "./memory";

describe("a memory", () => {
  it("forgets what was not asked for longest", () => {
    const m = memory<number>(2);
    expect(m.keep("a", 1)).toBe(1);
    m.keep("b", 2);
    expect(m.recall("a")).toBe(1);
    m.keep("c", 3);
    expect([m.recall("a"), m.recall("b"), m.recall("c")]).toEqual([1, undefined, 3]);
  });
});
