import { DeskInput } from "@/border/desk";
import { readAs } from "@/border/read-as";
import type { MarkerState } from "@/core/stock/kinds";
import { deskOfRack, type ReadRack } from "./from-rack";

const lab = (L: number) => [L, 5, 5] as const;
const marker = (code: string, change: object = {}) => ({
  code,
  owned: true,
  state: "full" as MarkerState,
  swatches: [{ lab: lab(80) }, { lab: lab(70), hex: "#c09080" }],
  ...change,
});
const pencil = (code: string, change: object = {}) => ({
  code,
  kind: "pencil",
  owned: true,
  state: "full" as MarkerState,
  drawdowns: { white: lab(60), black: lab(20) },
  ...change,
});
const rack: ReadRack = {
  paper: { lab: lab(96), grain: 0.4, light: "D65" },
  markers: [
    marker("a"),
    marker("b", { owned: false }),
    marker("unread", { swatches: [] }),
    marker("low", { state: "low" }),
  ],
  overlays: [{ stack: ["a", "low"], lab: lab(60) }],
  others: [
    pencil("p"),
    pencil("undrawn", { drawdowns: { white: lab(60) } }),
    pencil("lent", { owned: false }),
  ],
  blends: [
    {
      how: "dark over wet light" as const,
      stack: ["a"],
      over: ["low"],
      profile: { step: 0.5, labs: Array.from({ length: 20 }, (_, i) => lab(80 - i)) },
    },
  ],
  strips: [
    { stack: ["a", "p", "p"], pressure: "light", lab: lab(55) },
    { stack: ["p", "a"], pressure: "light", lab: lab(55) },
    { stack: ["unread", "p"], pressure: "firm", lab: lab(55) },
  ],
};

describe("a rack as a desk", () => {
  const desk = deskOfRack(rack);

  it("has every marker that was read, with its state", () => {
    expect(desk.inks.map((i) => [i.code, i.state])).toEqual([
      ["a", "full"],
      ["b", "full"],
      ["low", "low"],
    ]);
  });

  it("puts a price on what is not owned, and on nothing else", () => {
    expect(desk.inks.map((i) => "cost" in i)).toEqual([false, true, false]);
  });

  it("gives a reading its own hex where it was 8-bit, so that clipped channels are known", () => {
    expect(desk.inks[0]!.coats).toEqual([{ lab: lab(80) }, "#c09080"]);
  });

  it("has the owned pencils of which a colour is known, those drawn down over black too with what they cover", () => {
    expect(desk.pencils.map((p) => [p.code, "black" in p])).toEqual([
      ["p", true],
      ["undrawn", false],
    ]);
  });

  it("takes a strip apart into markers beneath and pencil above, and leaves out what it cannot tell apart", () => {
    expect(desk.strips).toEqual([
      { stack: ["a"], layers: [{ code: "p", layers: 2, pressure: "light" }], color: { lab: lab(55) } },
    ]);
  });

  it("has the long cells, as colours along them", () => {
    expect(desk.blends).toMatchObject([
      { how: "dark over wet light", stack: ["a"], over: ["low"], step: 0.5 },
    ]);
    expect(desk.blends![0]!.colors[3]).toEqual({ lab: lab(77) });
  });

  it("passes the border of the operations as it is", () => {
    expect(() => readAs(DeskInput, desk)).not.toThrow();
    const bare = {
      ...rack,
      paper: { ...rack.paper, grain: null },
      others: [],
      strips: [],
      overlays: [],
      blends: [],
    };
    expect(() => readAs(DeskInput, deskOfRack(bare))).not.toThrow();
  });
});
