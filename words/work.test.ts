import { movedInWords, brokenInWords, clockInWords, durationInWords, orderInSum, waitInWords } from "./work";

describe("time at the desk", () => {
  it("is said as people say it", () => {
    expect([7.4, 99, 130, 3540, 3600, 4000].map(durationInWords)).toEqual([
      ...["7 s", "99 s", "2 min", "59 min", "1 h", "1 h 7 min"],
    ]);
    expect([-3, 5, 65, 3725].map(clockInWords)).toEqual(["0:00", "0:05", "1:05", "1:02:05"]);
  });
  it("sums an order up", () => {
    expect(orderInSum({ changes: 12, leastChanges: 9, seconds: 900, waiting: 0 }, 30)).toBe(
      "A marker is taken up 12 times instead of 30, about 15 min, no waiting",
    );
    expect(orderInSum({ changes: 1, leastChanges: 1, seconds: 30, waiting: 20 }, 1)).toBe(
      "A marker is taken up 1 time, as few as can be, about 30 s, 20 s of it waiting",
    );
  });
  it("says what cannot be had, and what waiting is good for", () => {
    const wet = { rule: "wet" as const, area: "a", pass: 1, needs: 150, has: 60 };
    expect(brokenInWords(wet, "Sea")).toMatch(
      /^Pass 2 of Sea .* takes 3 min and the ink stays open for 60 s: an edge/,
    );
    expect(brokenInWords({ ...wet, rule: "too late" }, "Sea")).toContain("comes at 2:30");
    expect(brokenInWords({ ...wet, rule: "wet and dry" }, "Sea")).toContain("laid when it is dry");
    expect(waitInWords(80, "Sea")).toBe("80 s: nothing can be laid. Look whether the edge of Sea is even.");
    expect(waitInWords(80, undefined)).toBe("80 s: nothing can be laid.");
  });
});

test("a step that was put elsewhere is said with what it costs", () => {
  const before = { changes: 12, seconds: 600 };
  expect(movedInWords(before, { changes: 14, seconds: 780 })).toBe("2 changes of marker more, 3 min longer");
  expect(movedInWords(before, { changes: 11, seconds: 590 })).toBe("1 change of marker fewer, 10 s shorter");
  expect(movedInWords(before, before)).toBe("as many changes and as long as before");
});
