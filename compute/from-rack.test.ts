import { validate } from "./validate";
import { PencilDeskInput } from "./inputs/planning";
import { PredictInput } from "./inputs/operations";
import { deskOfRack, pencilDeskOfRack } from "./from-rack";
import type { MarkerState } from "./inputs/desk";

const lab = (L: number) => [L, 5, 5] as const;
const marker = (code: string, change: object = {}) => ({
  code,
  owned: true,
  state: "full" as MarkerState,
  swatches: [{ lab: lab(80) }, { lab: lab(70), hex: "#c09080" }],
  ...change,
});
const rack = {
  paper: { lab: lab(96), grain: 0.4 },
  markers: [
    marker("a"),
    marker("b", { owned: false }),
    marker("unread", { swatches: [] }),
    marker("low", { state: "low" }),
  ],
  overlays: [{ stack: ["a", "low"], lab: lab(60) }],
  others: [],
  strips: [],
};

describe("a rack as a desk", () => {
  it("has what is owned and read, with its state", () => {
    const desk = deskOfRack(rack, true);
    expect(desk.inks.map((i) => i.code)).toEqual(["a", "low"]);
    expect(desk.inks[1]!.state).toBe("low");
    expect(desk.inks.every((i) => !("cost" in i))).toBe(true);
  });

  it("lets unowned markers in at a price", () => {
    const b = deskOfRack(rack, false).inks.find((i) => i.code === "b")!;
    expect(b.cost).toBeGreaterThan(0);
    expect(deskOfRack(rack, false).inks.map((i) => i.code)).not.toContain("unread");
  });

  it("gives a reading its own hex where it was 8-bit, so that clipped channels are known", () => {
    expect(deskOfRack(rack, true).inks[0]!.coats).toEqual([{ lab: lab(80) }, "#c09080"]);
  });

  it("brings overlays along, and leaves them out when there are none", () => {
    expect(deskOfRack(rack, true).overlays).toEqual([{ stack: ["a", "low"], color: { lab: lab(60) } }]);
    expect("overlays" in deskOfRack({ ...rack, overlays: [] }, true)).toBe(false);
  });

  it("passes the border of the operations as it is", () => {
    expect(() => validate(PredictInput, { ...deskOfRack(rack, false), stacks: [["a", "b"]] })).not.toThrow();
    expect(() => validate(PencilDeskInput, pencilDeskOfRack(rack, true))).not.toThrow();
  });

  it("says the grain only when it is known", () => {
    expect(pencilDeskOfRack(rack, true)).toMatchObject({ grain: 0.4, pencils: [], strips: [] });
    expect("grain" in pencilDeskOfRack({ ...rack, paper: { ...rack.paper, grain: null } }, true)).toBe(false);
  });
});
