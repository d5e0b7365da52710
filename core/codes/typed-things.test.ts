import { readTypedThings } from "./typed-things";

const read = (text: string, most = 100) => readTypedThings(text, most, 40);

describe("things that are typed", () => {
  it("are one a line, each with its colour where one is given", () => {
    expect(read("chalk #F4F0E0\nsloe violet\n\n  brick red ; #a43\nink: #102040").things).toEqual([
      { code: "chalk", colour: "#f4f0e0" },
      { code: "sloe violet" },
      { code: "brick red", colour: "#aa4433" },
      { code: "ink", colour: "#102040" },
    ]);
  });
  it("are there once, and no more than may be", () => {
    expect(read("a\nb\na #123456").things.map((t) => t.code)).toEqual(["a", "b"]);
    const many = read(Array.from({ length: 9 }, (_, i) => `p${i}`).join("\n"), 4);
    expect([many.things.length, many.isCut]).toEqual([4, true]);
  });
  it("tell what is too long, or a colour of nothing, by its line", () => {
    const { things, problems } = read(`good\n${"x".repeat(41)}\n #fff`);
    expect(things).toEqual([{ code: "good" }, { code: "#fff" }]);
    expect(problems).toEqual([{ line: 2, text: "x".repeat(40) }]);
  });
});
