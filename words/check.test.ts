import { noticedInWords, noticedTogether, type Noticed } from "./check";

const nameOf = (id: string) => id.toUpperCase();
const said = (...list: Noticed[]) =>
  noticedTogether(
    list.map((n) => ({ ...n, ...noticedInWords(n, nameOf) })),
    nameOf,
  );
const off = (area: string, deltaE00: number): Noticed => ({ kind: "off target", area, deltaE00 });

describe("what Check says", () => {
  it("says the same of many areas once, with every figure, worst first", () => {
    const [one, ...more] = said(off("a", 5), off("b", 7.25), off("c", 6));
    expect(more).toEqual([]);
    expect(one!.says).toBe("3 areas will come out in other colours than you picked");
    expect(one!.figure).toBe("B 7.3, C 6.0, A 5.0 ΔE00 over all of it");
  });
  it("says of one or two what is to be done with each", () =>
    expect(said(off("a", 5), off("b", 7)).map((n) => n.says)).toEqual([
      "A will come out a different colour from the one you picked",
      "B will come out a different colour from the one you picked",
    ]));
  it("tells the smallest room for a highlight first, and keeps what is said of pairs and of the whole", () => {
    const small = (area: string, mm2: number): Noticed => ({ kind: "small highlight", area, mm2 });
    const list = said(
      small("a", 2),
      { kind: "merging", areas: ["a", "b"], share: 0.9, deltaE00: 4 },
      small("b", 0.5),
      small("c", 1),
      { kind: "flat", span: 30 },
    );
    expect(list).toHaveLength(3);
    expect(list[0]!.figure).toBe("B 0.5, C 1.0, A 2.0 mm²");
    expect(list[1]!.says).toContain("A and B run together along all");
  });
});
