import { DeskFitInput, KeepFitInput } from "@/border/desk-fit";
import { BadInput } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { type MEETINGS } from "@/core/chart/layout";
import { finish } from "@/core/progress";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { deskFit } from "@/fixtures/desk-fit";
import { openDesk, openDeskOf } from "./desks";
import { fitOf, pencilsOf } from "./pencil-desk";
import { runOperation } from "./run";

const [paper, inks] = scannedDesk(8, 4);
const [light, dark] = [inks[0]!.code, inks[1]!.code];
/** A long cell whose colour goes from one ink's to the other's. */
const cell = (how: (typeof MEETINGS)[number]) => ({
  how,
  stack: [light],
  over: [dark],
  step: 0.5,
  colors: Array.from({ length: 60 }, (_, i) => ({
    lab: inks[0]!.coats[0]!.lab.map((v, c) => {
      const share = 1 / (1 + Math.exp((30 - i) / 4));
      return v + share * (inks[1]!.coats[0]!.lab[c]! * 0.8 - v);
    }),
  })),
});
const desk = {
  paper: { color: { lab: paper }, light: "A" },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
  overlays: [
    { stack: [light, dark], color: "#7d6a55" },
    { stack: [dark, light], color: "#7a6850" },
  ],
  blends: (["dark over wet light", "dark over dry light"] as const).map(cell),
  pencils: [
    { code: "rust", white: "#b5532f", black: "#6e3a26" },
    { code: "milk", white: "#f4f3f0", black: "#c9c8c6" },
  ],
  strips: [
    { stack: [], layers: [{ code: "rust", layers: 2, pressure: "medium" }], color: "#d8a98f" },
    { stack: [dark], layers: [{ code: "milk", layers: 3, pressure: "light" }], color: "#9a8d80" },
  ],
};
const all = (handle: string) =>
  Promise.all([
    runOperation("predict", { desk: handle, stacks: inks.map((i) => [light, i.code, dark]) }),
    runOperation("pencilPlan", {
      desk: handle,
      light: "#e0b090",
      local: "#b07858",
      shadow: "#6a4030",
      values: 5,
    }),
  ]);

describe("what was fitted to a desk", () => {
  it("opens it again as it was, to the last digit, after a way through JSON", async () => {
    const first = await runOperation("open", desk);
    expect(first.fit.pencils).toBeUndefined();
    expect(first.fit.blending.mixing).toBeDefined();
    const open = openDeskOf(first.desk)!;
    const drawn = finish(pencilsOf(open));
    const fit = readAs(DeskFitInput, JSON.parse(JSON.stringify(fitOf(open))));
    expect(fit.pencils).toHaveLength(drawn.posterior.x.length);
    const again = await runOperation("open", { ...desk, fit });
    expect(again.desk).not.toBe(first.desk);
    expect(again.fit).toEqual(fitOf(open));
    expect(openDeskOf(again.desk)!.desk.inks).toEqual(open.desk.inks);
    expect(openDeskOf(again.desk)!.desk.paper).toEqual(open.desk.paper);
    const redrawn = finish(pencilsOf(openDeskOf(again.desk)!));
    expect(redrawn.pencils).toEqual(drawn.pencils);
    expect(redrawn.fit).toEqual(drawn.fit);
    expect(redrawn.posterior.covariance).toEqual(drawn.posterior.covariance);
    expect(await all(again.desk)).toEqual(await all(first.desk));
  });
  it("fits nothing again: what it is told stands, whatever the readings would say", async () => {
    const { desk: handle, fit } = await runOperation("open", { ...desk, fit: { ...deskFit, pencils: [] } });
    expect(fit).toEqual({ ...deskFit, pencils: [] });
    // Parameters of other pencils are none of these.
    expect(finish(pencilsOf(openDeskOf(handle)!)).posterior.x.some((v) => v !== 0)).toBe(true);
  });
  it("is a desk of its own, so that nobody is given what somebody else has made up", () => {
    const plain = finish(openDesk(desk));
    expect(finish(openDesk({ ...desk, fit: deskFit }))).not.toBe(plain);
  });
  it.each([
    ["paper", null],
    ["paper", { ...deskFit.paper, k1: 1e308 }],
    ["paper", { ...deskFit.paper, uptake: [1, 1, 2] }],
    ["paper", { ...deskFit.paper, uptake: Array<number>(100_000).fill(1) }],
    ["overlays", { crowding: "<b>", lifting: 0 }],
    ["blending", { mixing: { value: -1, residual: 0, cells: 1 } }],
    ["pencils", Array<number>(100_000).fill(0)],
    ["pencils", [Number.NaN]],
    ["pencils", [51]],
  ])("is refused by its field: %s", (field, value) => {
    const read = () => readAs(KeepFitInput, { name: "12-a-b", fit: { ...deskFit, [field]: value } });
    expect(read).toThrow(BadInput);
    expect(read).toThrow(new RegExp(`fit\\.${field}`));
  });
});
