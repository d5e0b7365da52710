import { colourTyped } from "@/ui/swatchbook/typed-colour";
import { readColourList } from "./colour-list";

const known = new Set(["reed4c", "clay3m", "lake6m"]);
const read = (text: string) => readColourList(text, known, colourTyped);
const coats = (text: string) => read(text).found.map((f) => [f.code, f.coats] as const);

describe("a list of colours", () => {
  it("gives one, two and three coats in a line, as hex or as numbers", () => {
    expect(coats("reed4c #A9B77C\nclay3m #d8a889 c09070\nLAKE6M: #102030, #203040, #304050")).toEqual([
      ["reed4c", ["#a9b77c"]],
      ["clay3m", ["#d8a889", "#c09070"]],
      ["lake6m", ["#102030", "#203040", "#304050"]],
    ]);
    expect(coats("clay3m 72 14 24 64 18 28")).toEqual([
      ["clay3m", [{ lab: [72, 14, 24] }, { lab: [64, 18, 28] }]],
    ]);
    expect(coats("clay3m 72, -14.5, 24")[0]![1]).toEqual([{ lab: [72, -14.5, 24] }]);
  });
  it("takes what is pasted from a spreadsheet: tabs, quotes, commas for points, a heading", () => {
    const pasted = 'Code\tL*\ta*\tb*\n"reed4c"\t72,5\t−14,25\t24\nclay3m\t60\t1\t2\t50\t3\t4\t40\t5\t6\n';
    expect(read(pasted).unknown).toEqual([]);
    expect(coats(pasted)).toEqual([
      ["reed4c", [{ lab: [72.5, -14.25, 24] }]],
      ["clay3m", [{ lab: [60, 1, 2] }, { lab: [50, 3, 4] }, { lab: [40, 5, 6] }]],
    ]);
    expect(coats("reed4c\t#a9b77c\t#99a76c\t\n")).toEqual([["reed4c", ["#a9b77c", "#99a76c"]]]);
  });
  it("names each line that it does not understand, and takes the others", () => {
    const { found, unknown } = read(
      "nobody #ffffff\nreed4c #a9b77c\nclay3m\nclay3m #12\nlake6m 1 2 3 4\nlake6m #111111 #222222 #333333 #444444",
    );
    expect(found.map((f) => f.code)).toEqual(["reed4c"]);
    expect(unknown.map((u) => u.line)).toEqual([1, 3, 4, 5, 6]);
    expect(unknown[0]!.why).toBe("“nobody” is not on the rack");
  });
  it("stands what is large and odd", () => {
    expect(read("\u0000\n".repeat(100_000)).found).toEqual([]);
    expect(read(`reed4c ${"#a9b77c ".repeat(100_000)}`).found).toEqual([]);
    expect(read("reed4c 1e308 0 0").found).toEqual([]);
    expect(read("").unknown).toEqual([]);
  });
});
