import { applyCommand } from "@/core/piece/commands";
import { newPiece } from "@/core/piece/piece";
import { interleave, pencilLines, pieceLines, stackLines } from "./compose";
import { inkLine } from "./layout";

describe("what goes on a chart", () => {
  const piece = ["Skin", "Hat"].reduce(
    (p, name, i) => {
      const with_ = applyCommand(p, { type: "add area", id: `a${i}`, name });
      return applyCommand(with_, {
        type: "keep group",
        id: `a${i}`,
        tones: ["clay1c", "clay4m", i ? "bark6m" : "clay7m"].map((code) => ({ code, coats: 1 })),
      });
    },
    newPiece("Test", null),
  );
  it("is a piece's inks once each, and the overlay of each tone with its next once", () => {
    const lines = pieceLines(piece);
    expect(lines.slice(0, 4).map((l) => l.label)).toEqual(["clay1c", "clay4m", "clay7m", "bark6m"]);
    expect(lines.slice(4).map((l) => l.label.replace("\n", " "))).toEqual([
      "clay1c + clay4m",
      "clay4m + clay7m",
      "clay4m + bark6m",
    ]);
  });
  it("puts known inks in between, spread over all of them, none that is there anyway", () => {
    const lines = ["a", "b", "c", "d", "e", "f"].map(inkLine);
    const mixed = interleave(lines, ["k1", "k2", "a", "k3", "k4"], 3);
    expect(mixed.map((l) => l.label)).toEqual(["a", "b", "c", "k1", "d", "e", "f", "k3"]);
    expect(interleave(lines, [])).toEqual(lines);
  });
  it("is stacks four to a line, and each pencil over each marker", () => {
    expect(
      stackLines(
        "trials",
        Array.from({ length: 6 }, (_, i) => ({ stack: [`s${i}`] })),
      ).map((l) => [l.label, l.cells.length]),
    ).toEqual([
      ["trials", 4],
      ["trials 2", 2],
    ]);
    const lines = pencilLines(["p1", "p2"], ["m1", "m2", "m3", "m4", "m5"]);
    expect(lines).toHaveLength(4);
    expect(lines[1]!.cells).toEqual([{ stack: ["m5", "p1"] }]);
  });
});
