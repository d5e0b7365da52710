import type { ReactNode } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { PlanPieceOutput } from "@/compute/operations/plan-piece";
import { seenAreas } from "@/core/piece/overview";
import { applyCommand } from "@/core/piece/commands";
import { asLayers, neighboursOf, newArea, type Area, type Piece } from "@/core/piece/piece";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, jar, paper, picked, pieceOf, rackOf, skin } from "@/fixtures/studio";
import { PieceProvider } from "@/ui/piece/piece-context";
import { AreaRows } from "./area-rows";
import { Changes } from "./changes";
import { Monochrome } from "./monochrome";
import { Limits } from "./limits";
import { Touching } from "./touching";
import { ValueLanes } from "./value-lanes";
import { WholeView } from "./whole-view";

const rack = rackOf(clay, jar);
const hat: Area = {
  ...newArea("hat", "Hat"),
  readings: { local: picked },
  layers: asLayers([
    { code: "clay1", coats: 1 },
    { code: "clay5", coats: 1 },
  ]),
};
const sky = newArea("sky", "Sky");
const base = pieceOf(skin, hat, sky);
const piece: Piece = { ...base, whole: { ...base.whole, neighbours: [["skin", "hat"]] } };
const labOf = (code: string, coats: number) => clay.find((m) => m.code === code)?.swatches[coats - 1]?.lab;
const seen = seenAreas(piece.areas, () => undefined, labOf);
const within = (screen: ReactNode, document = piece) => (
  <PieceProvider id={`whole-${Math.random()}`} revision={1} savedBy={null} document={document}>
    {screen}
  </PieceProvider>
);
const nothing = () => undefined;

describe("all areas", () => {
  const whole = (document = piece) => {
    const markup = drawn(within(<WholeView papers={[paper]} rack={rack} />, document), "/pieces/x/whole");
    return { markup, words: wordsOf(markup) };
  };
  it("count everything that is taken in hand, and what is shared", () => {
    expect(whole().words).toContain("5 markers and pencils, 2 used more than once; 2 groups of 3 areas");
    expect(whole().words).toMatch(/Shared markers.*clay1 Skin, Hat/);
  });
  it("warn of neighbours that merge", () => {
    const near = { ...piece, whole: { ...piece.whole, apart: 60 } };
    expect(whole(near).words).toMatch(/Skin and Hat ?: a visible difference, 6\.3 ΔE00 where 60 is wished/);
    expect(whole({ ...piece, whole: { ...piece.whole, apart: 0 } }).words).not.toContain("run together");
  });
  it("have their wishes as fields with limits", () => {
    expect(whole().markup).toMatch(
      /aria-label="Least difference between neighbours"[^>]*title="from 0 to 60"/,
    );
    expect(whole().markup).toMatch(/aria-label="At most so many markers" placeholder="any"/);
  });
  it("say what to do when there are none", () =>
    expect(whole(pieceOf()).words).toContain("There is nothing to plan together yet."));
});

describe("limits of a joint plan", () => {
  const said = (document: Piece) =>
    drawn(within(<Limits piece={document} />, document)).match(/No longer: [^"]*/g) ?? [];
  it("are sentences, each with what takes it back", () => {
    expect(said(piece)).toEqual([]);
    const held = [
      { type: "lock group", id: "hat", locked: true },
      { type: "set emphasis", id: "sky", emphasis: true },
    ] as const;
    const limited = held.reduce<Piece>(applyCommand, {
      ...piece,
      setUp: { ...piece.setUp, touches: [["skin", "hat", 12]] },
      whole: {
        ...piece.whole,
        neighbours: [
          ["skin", "hat"],
          ["hat", "sky"],
        ],
      },
    });
    expect(said(limited)).toEqual([
      "No longer: Hat stays as it is",
      "No longer: Sky stands out",
      "No longer: Hat and Sky stand apart",
    ]);
    expect(said(applyCommand(limited, { type: "lock group", id: "hat", locked: false }))).not.toContain(
      "No longer: Hat stays as it is",
    );
  });
});

describe("areas in rows", () => {
  it("say what each touches, and what it may touch yet", () => {
    const markup = drawn(
      <AreaRows
        seen={seen}
        offOf={() => 2.34}
        pieceId="x"
        neighbours={neighboursOf(piece)}
        onNeighbours={nothing}
        onPoint={nothing}
      />,
    );
    expect(markup).toContain('aria-label="Skin touches 1 area"');
    expect(markup).toContain('aria-label="Sky touches none"');
    const touching = (area: Area) =>
      drawn(<Touching area={area} seen={seen} neighbours={neighboursOf(piece)} onNeighbours={nothing} />);
    expect(touching(skin)).toContain('aria-label="Skin does not touch Hat"');
    expect(touching(hat)).toContain('aria-label="Hat does not touch Skin"');
    expect(touching(sky)).toContain('aria-label="Sky touches another area"');
    expect(wordsOf(markup)).toContain("Sky no group kept");
    expect(wordsOf(markup)).toContain("2.3 ΔE");
    expect(markup).toContain('aria-label="Order of the list"');
  });
});

describe("a joint plan", () => {
  const group = (...codes: string[]) =>
    ({
      tones: codes.map((code, i) => ({
        code,
        coats: 1,
        role: "mid",
        lab: [80 - 20 * i, 10, 10],
        hex: "#aabbcc",
      })),
      steps: [],
      strip: ["#aabbcc"],
      shade: [],
      places: ["light", ...codes, "shadow"].map((_, i) => ({ lab: [80 - 20 * i, 10, 10] })),
    }) as unknown as GroupOutput;
  const figures = { markers: 4, fit: 2, localDeltaE00: 2.5, crowding: 0, objective: 8 };
  const plan = (...areas: [string, GroupOutput][]): PlanPieceOutput => ({
    areas: areas.map(([id, g]) => ({ id, group: g })),
    markers: [],
    together: figures,
    apart: { ...figures, markers: 6 },
    limitMet: true,
  });
  const words = (p: PlanPieceOutput) =>
    wordsOf(drawn(within(<Changes onProposal={nothing} plan={p} piece={piece} seen={seen} />)));
  it("lists what would change, with what is new in it", () => {
    const said = words(plan(["hat", group("clay1", "clay7")], ["skin", group("clay1", "clay3", "clay7")]));
    expect(said).toContain("4 markers , 2 fewer than area by area");
    expect(said).toContain("Hat");
    expect(said).toContain("clay1 +clay7");
    expect(said).toMatch(/Take \d changes?/);
  });
  it("says when the limit cannot be met, and when nothing would change", () => {
    expect(words({ ...plan(["hat", group("clay1", "clay7")]), limitMet: false })).toContain(
      "cannot be met with these tones",
    );
    expect(words(plan(["hat", group("clay1", "clay5")]))).toContain("better for the whole was found");
  });
});

describe("values and underlays", () => {
  it("stand a lane an area", () => {
    const markup = drawn(<ValueLanes areas={seen.filter((s) => s.tones.length)} />);
    for (const name of ["Skin", "Hat"]) expect(markup).toContain(name);
    expect(markup).toMatch(/role="img"/);
  });
  it("offer violets where nothing lies beneath, and each ink to be taken away again", () => {
    const under = (codes: readonly string[]) => {
      const document = { ...piece, whole: { ...piece.whole, underlay: codes } };
      return drawn(
        <Monochrome
          piece={document}
          rack={rack}
          seen={seen.filter((s) => s.tones.length)}
          onChange={nothing}
        />,
      );
    };
    expect(wordsOf(under([]))).toContain("Try three violets");
    expect(under(["clay5"])).toContain('aria-label="Do without clay5"');
    expect(under(["not on the rack"])).not.toContain("Do without");
  });
});
