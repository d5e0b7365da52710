import { SCHOOLS } from "@/core/group/school";
import { passesOf } from "./passes";

const tones = ["pale", "mid", "deep", "dark"].map((code, depth) => ({ code, coats: 1, depth }));
const codes = (passes: readonly { code: string }[]) => passes.map((p) => p.code);

describe("passes of an area", () => {
  it("are laid light first and blended back to the lightest", () => {
    const passes = passesOf(tones);
    expect(codes(passes)).toEqual(["pale", "mid", "deep", "dark", "deep", "mid", "pale"]);
    expect(passes.slice(4).every((p) => p.kind === "blend back" && p.coats < 1)).toBe(true);
    expect(passes[0]).toMatchObject({ role: "highlight", dry: false });
  });
  it("keep an order that was chosen by hand, roles still by depth", () => {
    const passes = passesOf([tones[3]!, tones[0]!, tones[1]!, tones[2]!]);
    expect(codes(passes)).toEqual(["dark", "pale", "mid", "deep", "deep", "mid", "pale"]);
    expect(passes[0]!.role).toBe("shadow");
  });
  it.each(SCHOOLS)("use every tone in the school %s", (school) =>
    expect(new Set(codes(passesOf(tones, school)))).toEqual(new Set(codes(tones))),
  );
  it("follow the school: dark second puts the darkest right after the flood, layered dries between", () => {
    expect(codes(passesOf(tones, "dark second")).slice(0, 2)).toEqual(["pale", "dark"]);
    expect(codes(passesOf(tones, "dark first"))[0]).toBe("dark");
    expect(
      passesOf(tones, "layered")
        .slice(1)
        .every((p) => p.dry),
    ).toBe(true);
    expect(passesOf(tones, "layered").some((p) => p.kind === "blend back")).toBe(false);
  });
  it("put an underlay first, and what goes over the shadow after the group", () => {
    expect(passesOf(tones, "light first", { kind: "underlay", code: "violet", coats: 2 })[0]).toMatchObject({
      code: "violet",
      coats: 2,
      role: "underlay",
    });
    expect(passesOf(tones, "light first", { kind: "cool hint", code: "ice", coats: 1 }).at(-1)).toMatchObject(
      { code: "ice", role: "overlay", dry: true },
    );
  });
  it("end with pencil: base, what goes beneath, then what goes over all", () => {
    const layer = (code: string, layers: number, part: "dark beneath" | "over all") => ({
      code,
      layers,
      pressure: "light" as const,
      part,
    });
    const pencil = {
      base: "sand",
      steps: [
        { lightness: 80, onPaper: false, layers: [layer("ochre", 2, "over all")] },
        {
          lightness: 40,
          onPaper: false,
          layers: [layer("ink", 3, "dark beneath"), layer("ochre", 4, "over all")],
        },
      ],
    };
    const drawn = passesOf(tones, "light first", null, pencil).slice(7);
    expect(drawn.map((p) => [p.code, p.kind])).toEqual([
      ["sand", "lay"],
      ["ink", "draw"],
      ["ochre", "draw"],
    ]);
    expect(drawn[2]).toMatchObject({
      where: "over all: L* 80 to L* 40",
      stroke: expect.stringContaining("2–4 layers"),
    });
  });
  it("keep darker tones inside the shadow", () =>
    expect(
      passesOf(tones)
        .slice(0, 4)
        .map((p) => p.where),
    ).toEqual([
      "all over; map the shadows with it",
      "all but the highlight",
      "the shadow side",
      "deepest shadows only",
    ]));
});
