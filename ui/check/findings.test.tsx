import type { LookOverOutput } from "@/compute/operations/look-over";
import type { Mend } from "@/compute/mend-one";
import type { WaysOutOutput } from "@/compute/operations/ways-out";
import { newArea, type Area, type Piece } from "@/core/piece/piece";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { pieceOf } from "@/fixtures/studio";
import { PieceProvider } from "@/ui/piece/piece-context";
import { noticedInWords, type Noticed } from "@/words/check";
import { Findings } from "./findings";
import type { Check } from "./use-check";

const place = { at: [[0.5, 0.5] as const], mm2: 200, part: 200, width: 9 };
const area = (id: string): Area => ({
  ...newArea(id, id),
  place,
  layers: [{ medium: "tone", code: "sand2m", coats: 1 }],
});
const piece: Piece = pieceOf(area("Sea"), area("Sky"), area("Wall"), area("Moon"));
const still = {
  old: false,
  progress: undefined,
  error: undefined,
  cancelled: false,
  cancel: () => undefined,
  again: () => undefined,
};

const off = (id: string, deltaE00: number): Noticed => ({ kind: "off target", area: id, deltaE00 });
const says = (
  noticed: readonly Noticed[],
  ways: WaysOutOutput["areas"],
  old = false,
  mends: readonly Mend[] = [],
) => {
  const own = {
    piece,
    over: {
      ...still,
      output: {
        noticed: noticed.map((n) => ({ ...n, ...noticedInWords(n, (i) => i) })),
      } as unknown as LookOverOutput,
    },
    ways: { ...still, old, output: { areas: ways } },
    mends: { ...still, output: { mends } },
    askedOut: noticed.flatMap((n) => (n.kind === "off target" ? [n.area] : [])),
  } as unknown as Check;
  return wordsOf(
    drawn(
      <PieceProvider id="p" revision={1} savedBy={null} document={piece}>
        <Findings own={own} />
      </PieceProvider>,
    ),
  );
};
const group = (after: number) => ({
  tones: [
    { code: "sand2m", coats: 1 },
    { code: "bark6m", coats: 2 },
  ],
  shade: [],
  school: "light first" as const,
  after,
});

describe("what was noticed, and the ways out of it", () => {
  it("mends a highlight where something does, with what it changes", () => {
    const mend: Mend = {
      kind: "small highlight",
      areas: ["Sea"],
      means: "border",
      off: [4.2, 4.1],
      figure: [0.3, 8],
      shares: { id: "Sea", shares: [0.1, 0.5] },
    };
    const noticed: Noticed[] = [{ kind: "small highlight", area: "Sea", mm2: 0.3 }];
    expect(says(noticed, [], false, [mend])).toMatch(
      /hardly any room.*Sea: its lightest tone gets more room\. 0\.3 → 8\.0 mm², 4\.2 → 4\.1 ΔE00/,
    );
    expect(says(noticed, [])).not.toMatch(/more room/);
  });
  it("names each way with what it changes, and folds what the rack cannot mend", () => {
    const words = says(
      [off("Sea", 7.3), off("Sky", 6), off("Wall", 9), off("Moon", 5.5)],
      [
        { id: "Sea", before: 7.3, group: group(3.1) },
        { id: "Sky", before: 6, buy: { code: "lake4c", after: 2.2 } },
        { id: "Wall", before: 9, white: 1.4 },
        { id: "Moon", before: 5.5 },
      ],
    );
    expect(words).toContain("4 areas will come out in other colours than you picked");
    expect(words).toContain("Sea: sand2m, bark6m come nearer. 7.3 → 3.1 ΔE00");
    expect(words).toContain("Wall: bare paper is nearer. 9.0 → 1.4 ΔE00");
    expect(words).toContain("2 areas are the best that this rack gives");
    expect(words).toContain("Sky, 6.0 ΔE00: with lake4c , which you do not own, 2.2.");
    expect(words).toContain("Moon, 5.5 ΔE00.");
  });
  it("offers nothing that belongs to an older plan, or to an area that is fine by now", () => {
    const ways = [{ id: "Sea", before: 7.3, group: group(3.1) }];
    expect(says([off("Sea", 7.3)], ways, true)).not.toContain("come nearer");
    expect(says([off("Sky", 7.3)], ways)).not.toContain("come nearer");
    expect(says([], ways)).toContain("Nothing runs together, no highlight is lost");
  });
  it("says one finding by itself, without a way where none was worked out", () => {
    const words = says([off("Sea", 7.3), { kind: "flat", span: 20 }], []);
    expect(words).toContain("Sea will come out a different colour from the one you picked");
    expect(words).toContain("little contrast");
    expect(words).not.toContain("best that this rack gives");
  });
});
