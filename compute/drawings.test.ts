import type { BadInput } from "@/border/problem";
import { box, drawnLines } from "@/fixtures/drawings";
import { givenDrawing, takeDrawing } from "./drawings";
import { keepPicture } from "./pictures";
import { runOperation } from "./run";

/** A box in a box, as black lines on white. */
const [WIDE, HIGH] = [300, 240];
const lines = drawnLines(WIDE, HIGH, [...box(20, 20, 260, 200), ...box(90, 70, 120, 90)]);
const rgb = Uint8Array.from({ length: WIDE * HIGH * 3 }, (_, i) => 255 - lines.data[Math.floor(i / 3)]!);
const drawn = {
  kind: "drawn",
  corners: null,
  aspect: null,
  width: 100,
  gap: 0.8,
  speck: 1,
  cuts: [],
} as const;
const { width, gap, speck, cuts, ...line } = drawn;
const sheet = { width, gap, speck, cuts };
const claims = [{ id: "middle", at: [[0.5, 0.5]] }];
const lightOf = async (handle: string) => {
  const { values } = await runOperation("light", { image: { picture: handle }, drawn, claims });
  return [...values.data];
};

describe("a drawing that was looked at elsewhere", () => {
  it("answers as the one that is looked at here, and needs no picture", async () => {
    keepPicture("here", { width: WIDE, height: HIGH, rgb });
    const here = await lightOf("here");
    const bytes = givenDrawing({ handle: "here", coarser: 1, ...line }, sheet)!;
    const without = () => lightOf("elsewhere");
    await expect(without()).rejects.toThrow(/picture/);
    expect(takeDrawing({ handle: "elsewhere", coarser: 1, ...line }, sheet, bytes)).toBe(true);
    expect(await without()).toEqual(here);
    const areas = (handle: string) => runOperation("setUp", { image: { picture: handle }, ...drawn, claims });
    const [a, b] = [await areas("here"), await areas("elsewhere")];
    expect({ ...b, drawing: a.drawing }).toEqual(a);
    // Its line is known, so that other areas can be looked for in it; another line is not.
    await runOperation("light", { image: { picture: "elsewhere" }, drawn: { ...drawn, gap: 2 }, claims });
    const other = { ...drawn, kind: "stamped" };
    const asked = runOperation("light", { image: { picture: "elsewhere" }, drawn: other, claims });
    expect(((await asked.catch((e: BadInput) => e)) as BadInput).problems[0]!.path).toBe("image.picture");
  });
  it("is left where it is none", () => {
    const bytes = givenDrawing({ handle: "here", coarser: 1, ...line }, sheet)!;
    expect(takeDrawing({ handle: "x", coarser: 1, ...line }, sheet, bytes.subarray(9))).toBe(false);
    expect(givenDrawing({ handle: "x", coarser: 1, ...line }, sheet)).toBeUndefined();
  });
});
