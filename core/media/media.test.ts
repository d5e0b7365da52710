import { SCHOOLS, type School } from "@/core/group/school";
import type { ShadowKind } from "@/core/shadow/shadow";
import { passStroke, passWhere } from "@/words/pass";
import type { FinishLayer, Layer, LayerPlace, PencilLayer, ShadowLayer, ToneLayer } from "./layer";
import { courseOf } from "@/core/course/course";
import { codesOf, inkOf, inOrder, MEDIA, overfull } from "./registry";
import { laidAs } from "./tone";

const tone = (code: string, coats = 1): ToneLayer => ({ medium: "tone", code, coats });
const tones = ["pale", "mid", "deep", "dark"].map((c) => tone(c));
const shadow = (kind: ShadowKind, code: string, coats = 1, place: LayerPlace = "shadow"): ShadowLayer => ({
  medium: "shadow",
  kind,
  code,
  coats,
  place,
});
const finish = (code: string): FinishLayer => ({ medium: "finish", code, place: "light" });
const drawn = (code: string, layers: number, part: "dark beneath" | "over all") => ({
  code,
  layers,
  pressure: "light" as const,
  part,
});
const pencil: PencilLayer = {
  medium: "pencil",
  base: "sand",
  place: "all",
  steps: [
    { lightness: 80, onPaper: false, layers: [drawn("ochre", 2, "over all")] },
    {
      lightness: 40,
      onPaper: false,
      layers: [drawn("ink", 3, "dark beneath"), drawn("ochre", 4, "over all")],
    },
  ],
};
const laid = (layers: readonly Layer[], school: School = "light first", capacity = 6) =>
  courseOf(layers, { school, capacity }).passes;
const codes = (passes: readonly { code: string }[]) => passes.map((p) => p.code);

describe("passes of tones", () => {
  it("are laid light first and blended back to the lightest", () => {
    const passes = laid(tones);
    expect(codes(passes)).toEqual(["pale", "mid", "deep", "dark", "deep", "mid", "pale"]);
    expect(passes.slice(4).every((p) => p.kind === "blend back" && p.coats < 1)).toBe(true);
    expect(passes[0]).toMatchObject({ role: "highlight", dry: false });
  });
  it("blend back no further than the paper holds, what lies beneath counted", () => {
    expect(laid(tones, "light first", 4).some((p) => p.kind === "blend back")).toBe(true);
    const full = laid([shadow("underlay", "violet", 2), ...tones], "light first", 4);
    expect(full.filter((p) => p.kind === "lay").length).toBe(5);
    expect(laid(tones, "light first", 1).filter((p) => p.kind === "blend back")).toEqual([]);
  });
  it("keep an order that was chosen by hand, roles still by depth", () => {
    const passes = laid(laidAs(tones, [tones[3]!, tones[0]!, tones[1]!, tones[2]!]));
    expect(codes(passes)).toEqual(["dark", "pale", "mid", "deep", "deep", "mid", "pale"]);
    expect(passes[0]!.role).toBe("shadow");
  });
  it.each(SCHOOLS)("use every tone in the school %s", (school) =>
    expect(new Set(codes(laid(tones, school)))).toEqual(new Set(codes(tones))),
  );
  it("follow the school: dark second puts the darkest right after the flood, layered dries between", () => {
    expect(codes(laid(tones, "dark second")).slice(0, 2)).toEqual(["pale", "dark"]);
    expect(codes(laid(tones, "dark first"))[0]).toBe("dark");
    const layered = laid(tones, "layered");
    expect(layered.slice(1).every((p) => p.dry)).toBe(true);
    expect(layered.some((p) => p.kind === "blend back")).toBe(false);
  });
  it("keep darker tones inside the shadow", () =>
    expect(laid(tones).slice(0, 4).map(passWhere)).toEqual([
      "all over; map the shadows with it",
      "all but the highlight",
      "the shadow side",
      "deepest shadows only",
    ]));
});

describe("passes of an area with everything in it", () => {
  const layers = inOrder([
    finish("gel white"),
    pencil,
    shadow("warm hint", "cream", 1, "light"),
    shadow("cool hint", "ice"),
    ...tones.slice(0, 2),
    shadow("underlay", "violet", 2),
  ]);
  const passes = laid(layers);

  it("go from the underlay over group, shadows and pencil to the finish", () =>
    expect(codes(passes)).toEqual([
      "violet",
      "pale",
      "mid",
      "pale",
      "cream",
      "ice",
      "sand",
      "ink",
      "ochre",
      "gel white",
    ]));
  it("wait for dry ink wherever something else lies beneath", () =>
    expect(passes.filter((p) => p.dry).map((p) => p.code)).toEqual(
      expect.arrayContaining(["pale", "cream", "ice", "sand", "ink", "ochre", "gel white"]),
    ));
  it("say where each goes and how", () => {
    expect(passWhere(passes[0]!)).toBe("in the shadow, bolder than feels right; let it dry");
    expect(passWhere(passes[4]!)).toBe("in the light only, over dry ink");
    expect(passWhere(passes[6]!)).toBe("all over, flat: it fills the tooth");
    expect(passWhere(passes[8]!)).toBe("over all: lightness 80 to lightness 40");
    expect(passStroke(passes[8]!)).toContain("2–4 layers");
    expect(passStroke(passes.at(-1)!)).toContain("last");
  });
  it("use exactly what is taken in hand for it", () =>
    expect(new Set(codes(passes))).toEqual(new Set(codesOf(layers))));
});

describe("layers", () => {
  it("of ink are counted a coat each, bottom to top; finish is none", () =>
    expect(inkOf(inOrder([finish("gel white"), tone("a", 2), shadow("underlay", "v", 2), pencil]))).toEqual([
      "v",
      "v",
      "a",
      "a",
      "sand",
    ]));
  it("of one order stay as they were put", () =>
    expect(
      codesOf(inOrder([shadow("overlay", "grey"), shadow("cool hint", "ice"), shadow("overlay", "slate")])),
    ).toEqual(["grey", "ice", "slate"]));
  it("may be too many of a medium", () => {
    const many = Array.from({ length: MEDIA.finish.most + 1 }, (_, i) => finish(`f${i}`));
    expect(overfull(many)).toBe("finish");
    expect(overfull(many.slice(1))).toBeUndefined();
  });
  it("without anything make no passes", () => expect(laid([])).toEqual([]));
});
