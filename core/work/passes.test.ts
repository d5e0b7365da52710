import { passesOf, whereToLay } from "./passes";

const tones = ["a1", "b2", "c3", "d4"].map((code, depth) => ({ code, coats: depth === 3 ? 2 : 1, depth }));

describe("the passes of the light-first school", () => {
  it("lay light to dark, then go back from the second darkest to the lightest over all", () => {
    const passes = passesOf(tones);
    expect(passes.map((p) => p.code)).toEqual(["a1", "b2", "c3", "d4", "c3", "b2", "a1"]);
    expect(passes.map((p) => p.kind)).toEqual([...Array(4).fill("lay"), ...Array(3).fill("blend back")]);
    expect(passes.at(-1)!.where).toBe("over all, while wet");
    expect(passes[4]!.where).toBe("over the edge of the shadow");
    expect(passes[3]!.coats).toBe(2);
  });
  it("keep an order that was chosen by hand, roles still by depth", () => {
    const passes = passesOf([tones[3]!, tones[0]!, tones[1]!, tones[2]!]);
    expect(passes[0]).toMatchObject({ code: "d4", role: "shadow" });
    expect(passes.slice(4).map((p) => p.code)).toEqual(["c3", "b2", "a1"]);
  });
  it("say where each tone goes", () => {
    expect([0, 1, 2, 3].map((d) => whereToLay(d, 4))).toEqual(["all over", "all but the highlight", "the shadow side", "deepest shadows only"]);
    expect(whereToLay(1, 2)).toBe("deepest shadows only");
  });
});
