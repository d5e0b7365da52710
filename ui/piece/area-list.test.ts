import { applyCommand } from "@/core/piece/commands";
import { newArea, newPiece } from "@/core/piece/piece";
import { readAreaList } from "./area-list";

const areas = ["Sky", "Area 2", "Area 3", "Area 4", "Area 5"].map((name, i) => newArea(`a${i + 1}`, name));
const lab = (L: number) => ({ lab: [L, 0, 0] as const, spread: 0, from: "typed" });
/** One colour by its lightness, or three. */
const colours = (text: string) => {
  const parts = text.split(/\s+/).map(Number);
  if (parts.some((p) => !(p >= 0 && p <= 100))) return undefined;
  const [light, local, shadow] = parts;
  return parts.length === 3
    ? { light: lab(light!), local: lab(local!), shadow: lab(shadow!) }
    : parts.length === 1
      ? { local: lab(light!) }
      : undefined;
};
const read = (text: string, of = areas) => readAreaList(text, of, colours);

describe("areas in a list", () => {
  it("are meant by number, range or name, named by the way, and get one colour or three", () => {
    const { areas: found, problems } = read("1: 80\n2-3 petal: 90 70 40\n\n 5 , 4\tleaf\nSKY: 60");
    // What stands after a tab is a colour: "leaf" is none.
    expect(problems).toEqual([{ line: 4, why: "“leaf” is no colour" }]);
    expect(found).toEqual([
      { id: "a1", readings: { local: lab(60) } },
      { id: "a2", name: "petal 1", readings: { light: lab(90), local: lab(70), shadow: lab(40) } },
      { id: "a3", name: "petal 2", readings: { light: lab(90), local: lab(70), shadow: lab(40) } },
    ]);
    expect(read("4, 5 leaf").areas).toEqual([
      { id: "a4", name: "leaf 1" },
      { id: "a5", name: "leaf 2" },
    ]);
    expect(read("4 a wall").areas).toEqual([{ id: "a4", name: "a wall" }]);
  });

  it("say which line is not understood, and why; what is understood is taken all the same", () => {
    const { areas: found, problems } = read("9: 50\n0: 50\n3-2: 50\nMoon: 50\n2: red\n2\n3: 40");
    expect(found.map((a) => a.id)).toEqual(["a3"]);
    expect(problems.map((p) => p.line)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(problems[3]!.why).toBe("there is no area “Moon”");
    expect(problems[5]!.why).toContain("neither");
  });

  it("may go by an area that has its colours already", () => {
    const lit = [{ ...areas[0]!, readings: { local: lab(70) } }, ...areas.slice(1)];
    expect(read("2: like Sky but 10 darker", lit).areas[0]!.readings!.local!.lab).toEqual([60, 0, 0]);
    const { areas: found, problems } = read("2 body: 50\n3: like body but 8 lighter");
    expect(problems).toEqual([]);
    expect(found[1]!.readings!.local!.lab).toEqual([58, 0, 0]);
  });

  it("are a bounded number of lines of bounded length", () => {
    const { areas: found, problems } = read(`${"1: 50\n".repeat(100_000)}2: 50`);
    expect(found).toHaveLength(1);
    expect(problems).toEqual([{ line: 501, why: "at most 500 lines" }]);
    expect(read(`1: ${"9".repeat(100_000)}`).problems).toHaveLength(1);
  });

  it("change names and colours in one go, and leave the rest", () => {
    const piece = { ...newPiece("Meadow", null), areas: [...areas] };
    const lit = applyCommand(piece, {
      type: "describe areas",
      areas: [
        { id: "a2", readings: { light: lab(90) } },
        { id: "nobody", name: "x" },
      ],
    });
    const done = applyCommand(lit, { type: "describe areas", areas: read("2 petal: 70").areas });
    expect(done.areas[1]).toMatchObject({ name: "petal", readings: { light: lab(90), local: lab(70) } });
    expect(done.areas[0]).toEqual(areas[0]);
  });
});
