import { BadInput } from "@/border/problem";
import { finish } from "@/core/progress";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { deskFor, openDesk, questionOf, UnknownDesk } from "./desks";
import { runOperation } from "./run";

const [paper, inks] = scannedDesk(6, 2);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const code = inks[0]!.code;
const stacks = [[code], [code, code]];

describe("an opened desk", () => {
  it("answers by its handle as it does when it comes along", async () => {
    const { desk: handle } = await runOperation("open", desk);
    expect(await runOperation("predict", { desk: handle, stacks })).toEqual(
      await runOperation("predict", { ...desk, stacks }),
    );
  });
  it("has the same handle whenever it is the same, and another when anything is", async () => {
    const { desk: handle } = await runOperation("open", desk);
    expect((await runOperation("open", structuredClone(desk))).desk).toBe(handle);
    expect((await runOperation("open", { ...desk, grain: 0.2 })).desk).not.toBe(handle);
  });
  it("is opened once and kept: what is asked later finds the very same", () => {
    const handle = finish(openDesk(desk));
    const first = finish(deskFor({ desk: handle }));
    expect(finish(deskFor({ desk: handle }))).toBe(first);
    expect(finish(deskFor({ ...desk, stacks }))).toBe(finish(deskFor({ ...desk, stacks: [] })));
  });
  it("that is unknown, or comes in two ways, is said", () => {
    expect(() => finish(deskFor({ desk: "nobody" }))).toThrow(UnknownDesk);
    expect(() => finish(deskFor({ desk: 7 }))).toThrow(/desk: expected the handle/);
    const handle = finish(openDesk(desk));
    expect(() => finish(deskFor({ desk: handle, inks: [] }))).toThrow(/inks: expected nothing here/);
    expect(() => finish(deskFor([]))).toThrow(BadInput);
  });
  it("is put away when many others were opened since", () => {
    const handle = finish(openDesk({ ...desk, grain: 0.5 }));
    for (let i = 0; i < 7; i++) finish(openDesk({ ...desk, inks: desk.inks.slice(0, 2), grain: i / 10 }));
    expect(() => finish(deskFor({ desk: handle }))).toThrow(UnknownDesk);
  });
  it("leaves the question as it was asked", () => {
    expect(questionOf({ ...desk, overlays: [], strips: [], stacks, spoon: 1 })).toEqual({ stacks, spoon: 1 });
    expect(questionOf({ desk: "h", stacks })).toEqual({ stacks });
    expect(questionOf("text")).toBe("text");
  });
});

describe("a light", () => {
  const seen = async (light: string) =>
    (await runOperation("predict", { ...desk, paper: { ...desk.paper, light }, stacks })).stacks;
  it("changes what is seen, and daylight is what was read", async () => {
    const [day, lamp] = [await seen("D65"), await seen("A")];
    expect(day[0]!.lab).toEqual(inks[0]!.coats[0]!.lab);
    expect(day[0]!.measured).toBe(true);
    expect(lamp[0]!.lab).not.toEqual(day[0]!.lab);
    expect(Math.abs(lamp[0]!.lab[0] - day[0]!.lab[0])).toBeLessThan(12);
  });
  it("must be one that is known", async () =>
    expect(await seen("C").catch((e: unknown) => (e as Error).message)).toMatch(
      /paper\.light: expected one of D65, D50, A/,
    ));
});
