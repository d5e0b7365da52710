import { finish, part } from "./progress";

function* counting(steps: number): Generator<number, string> {
  for (let i = 1; i <= steps; i++) yield i / steps;
  return `${steps} steps`;
}

describe("long work", () => {
  it("is run to its end", () => expect(finish(counting(3))).toBe("3 steps"));
  it("reports as a part of longer work, and gives its answer on", () => {
    const work = part(counting(2), 0.5, 0.4);
    expect(work.next().value).toBeCloseTo(0.7);
    expect(work.next().value).toBeCloseTo(0.9);
    expect(work.next()).toEqual({ done: true, value: "2 steps" });
  });
});
