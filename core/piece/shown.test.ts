import { newArea, newPiece, type Piece } from "./piece";
import { pieceShown, SHOWN, USUALLY_SHOWN } from "./shown";

const area = {
  ...newArea("a", "Skin"),
  note: "too red last time",
  readings: { local: { lab: [60, 10, 10] as const, spread: 1, at: { x: 0.2, y: 0.2, width: 0, height: 0 } } },
  layers: [{ medium: "tone", code: "rust2c", coats: 1 }] as const,
};
const blank = newPiece("Kite", null);
const piece: Piece = {
  ...blank,
  areas: [area],
  pictureId: "photo",
  references: [{ pictureId: "photo", pairs: [], gains: [1, 1, 1] }],
  setUp: {
    ...blank.setUp,
    line: { pictureId: "line", kind: "drawn", proof: null, corners: null, width: 100 },
  },
  light: { ...blank.light, fromReference: 0.4 },
  whole: { ...blank.whole, underlay: ["dusk2c"] },
};
const said = (shows: readonly (typeof SHOWN)[number][]) => JSON.stringify(pieceShown(piece, shows));

describe("a piece as a link shows it", () => {
  it("has nothing in it that is not ticked, whatever else is", () => {
    const only = (tick: (typeof SHOWN)[number]) => SHOWN.filter((s) => s !== tick);
    expect(said(only("notes"))).not.toContain("too red");
    expect(said(only("photos"))).not.toContain("photo");
    expect(said(only("steps"))).not.toContain('"pictureId":"line"');
    for (const shows of [["picture"], ["notes", "photos"], []] as const) {
      expect(said(shows)).not.toContain("rust2c");
      expect(said(shows)).not.toContain("dusk2c");
    }
  });
  it("has what is ticked", () => {
    expect(said(["notes"])).toContain("too red");
    expect(said(["photos"])).toContain("photo");
    expect(pieceShown(piece, ["steps"]).setUp).toEqual(piece.setUp);
    for (const planned of ["combinations", "steps", "supplies"] as const) {
      expect(said([planned])).toContain("rust2c");
      expect(said([planned])).toContain("dusk2c");
    }
  });
  it("keeps to itself, unless one says so, what was noted and what it is coloured after", () => {
    expect(said(USUALLY_SHOWN)).not.toMatch(/too red|photo/);
    expect(said(USUALLY_SHOWN)).toContain("rust2c");
    expect(said(SHOWN)).not.toContain('"at":{"x":0.2');
  });
});
