import type { Rack, RackMarker } from "@/store/rack";
import { standInFor } from "./shelf";

const marker = (
  code: string,
  labs: readonly (readonly [number, number, number])[],
  change: Partial<RackMarker> = {},
): RackMarker => ({
  code,
  range: "r",
  family: "f",
  kind: "marker",
  name: "",
  owned: true,
  wished: false,
  state: "full",
  refills: 0,
  nib: "",
  price: "",
  place: "",
  notes: "",
  proof: null,
  swatches: labs.map((lab) => ({ lab })),
  ...change,
});

const rackOf = (...markers: RackMarker[]) => ({ markers }) as unknown as Rack;

describe("a stand-in for a tone", () => {
  const dry = marker(
    "dry",
    [
      [60, 20, 20],
      [50, 22, 20],
    ],
    { state: "dry" },
  );

  it("is the nearest owned and ready marker, in the coats that come nearest", () => {
    const rack = rackOf(
      dry,
      marker("near", [
        [75, 10, 10],
        [61, 20, 21],
      ]),
      marker("far", [[30, 0, 0]]),
    );
    const found = standInFor(rack, [60, 20, 20], [{ code: "dry", coats: 1 }])!;
    expect(found.tone).toEqual({ code: "near", coats: 2 });
    expect(found.deltaE00).toBeLessThan(2);
  });

  it("stands for the coats that were meant", () => {
    const rack = rackOf(dry, marker("light", [[60, 20, 20]]), marker("deep", [[50, 22, 20]]));
    expect(standInFor(rack, [60, 20, 20], [])!.tone.code).toBe("light");
    expect(standInFor(rack, [50, 22, 20], [])!.tone.code).toBe("deep");
  });

  it("is nothing that is dry, not owned, or in the group already", () => {
    const rack = rackOf(
      dry,
      marker("empty", [[60, 20, 20]], { state: "dry" }),
      marker("wished", [[60, 20, 20]], { owned: false }),
      marker("used", [[60, 20, 20]]),
    );
    expect(standInFor(rack, [60, 20, 20], [{ code: "used", coats: 1 }])).toBeUndefined();
  });
});
