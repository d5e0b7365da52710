import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { seeded } from "@/sim/random";
import { inOtherRack } from "./in-other-rack";

const random = seeded(12);
const lab = (): Lab => [30 + 60 * random(), 80 * random() - 40, 80 * random() - 40];
const rack = Array.from({ length: 60 }, (_, i) => ({ code: `own${i}`, lab: lab() }));

describe("a supply list in somebody else's rack", () => {
  it("finds the nearest of all that are owned", () => {
    for (let i = 0; i < 40; i++) {
      const wanted = { code: "theirs", lab: lab() };
      const [found] = inOtherRack([wanted], rack);
      expect(found!.same).toBe(false);
      expect(found!.nearest!.deltaE00).toBe(Math.min(...rack.map((m) => deltaE00(m.lab, wanted.lab))));
    }
  });
  it("takes a marker for the same by its code, unless its colour says otherwise", () => {
    const [first] = rack;
    const near: Lab = [first!.lab[0] + 2, first!.lab[1], first!.lab[2]];
    const far: Lab = [100 - first!.lab[0], -first!.lab[1], -first!.lab[2]];
    const of = (l: Lab | undefined, owned = rack) => inOtherRack([{ code: "own0", lab: l }], owned)[0]!;
    expect(of(near).same).toBe(true);
    expect(of(undefined).same).toBe(true);
    expect(of(near, [{ code: "own0", lab: undefined as never }]).same).toBe(true);
    expect(of(far).same).toBe(false);
    expect(of(far).nearest).toBeDefined();
  });
  it("says nothing of a marker whose colour nobody knows, nor of an empty rack", () => {
    expect(inOtherRack([{ code: "x", lab: undefined }], rack)).toEqual([
      { code: "x", same: false, nearest: undefined },
    ]);
    expect(inOtherRack([{ code: "x", lab: lab() }], [])[0]!.nearest).toBeUndefined();
  });
});
