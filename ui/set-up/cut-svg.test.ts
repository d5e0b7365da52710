import { coarserToCut, cutSvg, sheetSvg } from "./cut-svg";

const lines = [
  [
    [-3, 0],
    [20, 0],
    [20, 10],
  ],
] as const;

describe("a cut line as a file", () => {
  it("is in true size, with room for what lies outside of the drawing", () => {
    const svg = cutSvg("Kite", { lines, width: 30, height: 20 }, { turned: false, filled: false });
    // From 5 mm left of the drawing to 2 mm right of it.
    expect(svg).toContain('width="37.00mm" height="24.00mm" viewBox="0 0 37.00 24.00"');
    expect(svg).toContain('d="M2.00 2.00L25.00 2.00L25.00 12.00Z" fill="none"');
  });
  it("is mirrored about its middle, filled as a mask, and well-formed whatever it is called", () => {
    const svg = cutSvg('<"&>', { lines, width: 30, height: 20 }, { turned: true, filled: true });
    expect(svg).toContain('d="M35.00 2.00L12.00 2.00L12.00 12.00Z" fill="#d9d9d9" fill-rule="evenodd"');
    expect(svg).toContain("<title>&lt;&quot;&amp;&gt;</title>");
  });
  it("is followed in no more pixels than a blade needs", () => {
    expect(coarserToCut({ width: 1000, height: 1000 })).toBe(1);
    expect(coarserToCut({ width: 2000, height: 1500 })).toBe(2);
    expect(coarserToCut({ width: 1e6, height: 1e6 })).toBe(16);
  });
  it("takes lines of many points", () => {
    const long = Array.from({ length: 200_000 }, (_, i) => [i / 1e4, 1] as const);
    expect(cutSvg("", { lines: [long], width: 20, height: 2 }, { turned: false, filled: false })).toContain(
      "24.00mm",
    );
  });
  it("is a sheet of parts in true size, each called as it is; their names stand in what is printed", () => {
    const parts = [
      { name: "<Wing>", lines: [...lines] },
      { name: "Tail", lines: [...lines] },
    ];
    const paper = { width: 210, height: 297 };
    const cut = sheetSvg("Kite", { parts }, paper, { turned: false, filled: false });
    expect(cut).toContain('width="210.00mm" height="297.00mm"');
    expect(cut.match(/<path /g)).toHaveLength(2);
    expect(cut).toContain("<title>&lt;Wing&gt;</title>");
    expect(cut).not.toContain("<text");
    const printed = sheetSvg("Kite", { parts }, paper, { turned: true, filled: true });
    // Mirrored about the middle of the sheet, as the back of it.
    expect(printed).toContain('d="M213.00 0.00L190.00 0.00L190.00 10.00Z"');
    // The name stands inside: where the triangle is widest, near its short side.
    const [, x, y] = /<text x="([\d.]+)" y="([\d.]+)"/.exec(printed)!.map(Number);
    expect(x! > 190 && x! < 213 && y! > 0 && y! < 5).toBe(true);
  });
});
