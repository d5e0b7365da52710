import { strokesOf } from "./use-marks";
import { claimsOf, lightQuestion, toneMapQuestion } from "@/compute/piece-questions";
import type { Layer } from "@/core/media/layer";
import type { ReactNode } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { ToneMapOutput } from "@/compute/operations/tone-map";
import { DEFAULT_FORM, NO_GROWTH } from "@/core/light/form";
import { DEFAULT_LIGHT, moonBehind } from "@/core/light/light";
import { DEFAULT_AREA_TONES } from "@/core/piece/zones";
import { newArea, type Area, type Piece } from "@/core/piece/piece";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { pieceOf } from "@/fixtures/studio";
import { PieceProvider } from "@/ui/piece/piece-context";
import { lampInWords } from "@/words/light";
import { AreaMarks } from "./area-marks";
import { Dial } from "./dial";
import { FormTab } from "./form-tab";
import { inGreys } from "./greys";
import { HairTab } from "./hair-tab";
import { LightTab } from "./light-tab";
import { tintOf } from "./tints";
import { ToneNumbers } from "./tone-layer";
import { TonesTab } from "./tones-tab";
import type { LightStage } from "./use-light-stage";

const nothing = () => undefined;
const place = { at: [[0.5, 0.5]] as const, mm2: 200, part: 200, width: 9 };
const area = (id: string, more: Partial<Area> = {}): Area => ({ ...newArea(id, id), place, ...more });
const tones = ["clay1c", "clay3m", "clay7m"].map((code) => ({ medium: "tone", code, coats: 1 }) as const);
const skin = area("Skin", { layers: tones });
const group = {
  local: 1,
  tones: tones.map(({ code }) => ({ code })),
  shade: [],
  places: ["#ffeedd", "#eeddcc", "#bb9977", "#664433", "#553322"].map((hex) => ({ hex })),
} as unknown as GroupOutput;
const map = {
  areas: [{ id: "Skin", mm2: [40.2, 110, 8.26], whiteMm2: 3, shares: [] }],
  marks: [
    { area: 0, zone: 2, at: [0.5, 0.5], room: 6, stroke: 0.4 },
    { area: 0, zone: 3, at: [0.2, 0.2], room: 0.2, stroke: null },
  ],
} as unknown as ToneMapOutput;

/** The stage as a tab sees it. */
const stage = (piece: Piece, chosen: readonly Area[], more: object = {}): LightStage =>
  ({
    piece,
    run: nothing,
    setPassing: nothing,
    state: { output: undefined },
    judged: { groupOf: (id: string) => (id === "Skin" ? group : undefined) },
    map,
    areas: chosen,
    area: chosen[0],
    chosen: new Set(chosen.map((a) => a.id)),
    setChosen: nothing,
    change: nothing,
    tool: "pick",
    start: nothing,
    radius: 4,
    setRadius: nothing,
    picture: undefined,
    forms: { look: nothing, take: nothing },
    ...more,
  }) as unknown as LightStage;
const shown = (piece: Piece, tab: ReactNode) =>
  drawn(
    <PieceProvider id="p" revision={1} savedBy={null} document={piece}>
      {tab}
    </PieceProvider>,
  );
const words = (piece: Piece, tab: ReactNode) => wordsOf(shown(piece, tab));

describe("where a light stands", () => {
  it("is said as people say it", () => {
    const lamp = (from: number, height: number, behind = false) => lampInWords({ from, height, behind });
    expect(lamp(315, 45)).toBe("from the upper left");
    expect(lamp(91, 10)).toBe("from the right, raking");
    expect(lamp(359, 60)).toBe("from above, nearly from the front");
    expect(lamp(0, 90)).toBe("straight from the front");
    expect(lamp(180, 85, true)).toBe("straight from behind");
    expect(lamp(225, 30, true)).toBe("from behind, from the lower left");
  });
  it("is a slider with its words, hollow when it is behind", () => {
    const dial = (behind: boolean) =>
      drawn(
        <Dial
          label="Main light"
          lamp={{ ...DEFAULT_LIGHT.main, behind }}
          onChange={nothing}
          onMove={nothing}
        />,
      );
    expect(dial(false)).toMatch(
      /role="slider"[^>]*aria-valuetext="from the upper left, 315° round, 45° high"/,
    );
    expect(dial(true)).toContain("stroke-dasharray");
    expect(dial(false)).not.toContain("stroke-dasharray");
  });
});

describe("the tab Light", () => {
  it("shows the second light only where there is one, and the reference's values where there is a reference", () => {
    const plain = pieceOf(skin);
    expect(words(plain, <LightTab own={stage(plain, [])} />)).not.toMatch(/Strength|Taken from it/);
    const moon = { ...plain, light: { ...plain.light, second: moonBehind(plain.light.main) } };
    const said = words(moon, <LightTab own={stage(moon, [], { picture: { id: "r" } })} />);
    expect(said).toContain("It leaves a glowing rim: from behind, from the upper left");
    expect(said).toContain("Taken from it none");
  });
});

describe("the tab Form", () => {
  it("asks for an area first, then offers every form with what it suits", () => {
    const piece = pieceOf(skin, area("Hair"));
    expect(words(piece, <FormTab own={stage(piece, [])} />)).toContain("Click an area in the picture");
    const said = words(piece, <FormTab own={stage(piece, [skin])} />);
    for (const form of ["Ball", "Tube", "Flat", "Folded", "Like its neighbour"]) expect(said).toContain(form);
    expect(said).toContain("Bulges softly");
    expect(said).toContain("Takes shade 100 %");
  });
  it("shows what belongs to a form alone: an axis, valleys, a neighbour", () => {
    const shaped = (form: object) => {
      const own = area("Skin", { form: { ...DEFAULT_FORM, ...form } });
      const piece = pieceOf(own, area("Hair"));
      return words(piece, <FormTab own={stage(piece, [own])} />);
    };
    expect(shaped({ kind: "tube", axis: 30 })).toMatch(/Axis 30° .*Follow its longest extent/);
    expect(shaped({ kind: "tube" })).toContain("Axis along it");
    expect(
      shaped({
        kind: "folded",
        creases: [
          [
            [0, 0],
            [1, 1],
          ],
        ],
      }),
    ).toMatch(/Draw a valley.* 1 valley/);
    expect(shaped({ kind: "like", like: "Hair" })).toMatch(/Goes on with Hair/);
    expect(shaped({ kind: "flat" })).not.toContain("Bulges");
  });
});

describe("forms that are proposed", () => {
  it("are said with their reasons, taken one by one or all at once; none where all is well", () => {
    const piece = pieceOf(skin, area("Mast"));
    const [on, mast] = piece.areas;
    const proposed = [
      { area: on!, set: { kind: "folded", shine: 0.6 }, reason: "material" },
      { area: mast!, set: { kind: "tube" }, reason: "slender" },
    ];
    const said = (of: readonly object[] | undefined, chosen: readonly Area[] = []) =>
      words(piece, <FormTab own={stage(piece, chosen, { forms: { look: nothing, proposed: of } })} />);
    expect(said(undefined)).toContain("Propose forms");
    const both = said(proposed);
    expect(both).toContain("2 forms proposed");
    expect(both).toContain("Take all");
    expect(both).toContain("Skin: folded, with reflections by what it is made of");
    expect(both).toContain("Mast: tube it is long and narrow");
    expect(said([proposed[1]!])).not.toContain("Take all");
    expect(said([])).toContain("Every area has the form that suits");
    expect(said([], [skin])).toContain("is the one it has");
  });
});

describe("the tab Hair and fur", () => {
  it("counts what was drawn, and lets nothing be taken away that is not there", () => {
    const own = area("Skin", {
      form: {
        ...DEFAULT_FORM,
        growth: {
          ...NO_GROWTH,
          strokes: [
            [
              [0, 0],
              [1, 1],
            ],
            [
              [0, 1],
              [1, 0],
            ],
          ],
          gathered: [[0.5, 0.5]],
          band: 0,
        },
      },
    });
    const piece = pieceOf(own);
    const markup = shown(piece, <HairTab own={stage(piece, [own])} />);
    expect(wordsOf(markup)).toMatch(/2 strokes .*0 partings.*1 place/);
    expect(wordsOf(markup)).toContain("none: short hair");
    expect(markup).toMatch(/disabled=""[^>]*aria-label="Take the last away: parting"/);
    expect(markup).not.toMatch(/disabled=""[^>]*aria-label="Take the last away: stroke"/);
  });
});

describe("the tab Tones", () => {
  it("says of each tone its marker and its mm², and where it ends by hand", () => {
    const piece = pieceOf(skin);
    const markup = shown(piece, <TonesTab own={stage(piece, [skin])} />);
    expect(wordsOf(markup)).toMatch(/1 clay1c 40 .*2 clay3m 110 .*3 clay7m 8\.3 the darkest end/);
    expect(wordsOf(markup)).toContain("161 mm² in all, 3.0 mm² of it stay white");
    expect(markup).toContain('aria-label="Tone 2 ends at, share of Skin"');
    expect(wordsOf(markup)).not.toContain("As the group is planned");
    const moved = area("Skin", { layers: tones, zones: { ...DEFAULT_AREA_TONES, shares: [0.4, 0.8] } });
    const after = shown(pieceOf(moved), <TonesTab own={stage(pieceOf(moved), [moved])} />);
    expect(wordsOf(after)).toContain("As the group is planned");
    expect(after).toContain('value="0.4"');
  });
  it("says what is missing: no area, no group, or that it stays white", () => {
    const bare = area("Bare");
    const white = area("White", { white: true });
    const piece = pieceOf(bare, white);
    expect(words(piece, <TonesTab own={stage(piece, [])} />)).toContain("Lighter here");
    expect(words(piece, <TonesTab own={stage(piece, [bare])} />)).toContain("Bare has no group yet");
    expect(words(piece, <TonesTab own={stage(piece, [white])} />)).toContain("White stays white");
  });
});

describe("what is shown over and in the picture", () => {
  it("marks of the chosen areas: growth with its tip, touches with their sign; growth steps back while one touches", () => {
    const own = area("Skin", {
      form: {
        ...DEFAULT_FORM,
        growth: {
          ...NO_GROWTH,
          strokes: [
            [
              [0, 0],
              [1, 1],
            ],
          ],
        },
      },
      zones: {
        shares: null,
        touches: [{ at: [0.2, 0.2], radius: 2, by: 0.5 }],
        whites: [{ at: [0.4, 0.4], radius: 1 }],
      },
    });
    const marks = (tool: "pick" | "lighter") =>
      drawn(
        <svg>
          <AreaMarks areas={[own]} tool={tool} place={([x, y]) => [x * 100, y * 100]} pixelsPerMm={2} />
        </svg>,
      );
    expect(marks("pick")).toContain('marker-end="url(#tip)"');
    expect(marks("lighter")).not.toContain('marker-end="url(#tip)"');
    expect(wordsOf(marks("pick")).trim()).toBe("− ○");
    expect(marks("pick")).toContain('r="4"');
  });
  it("numbers of tones stand where there is room, with the way of the strokes", () => {
    const numbers = drawn(
      <svg>
        <ToneNumbers map={map} place={([x, y]) => [x * 400, y * 300]} pixelsPerMm={3} />
      </svg>,
    );
    expect(wordsOf(numbers).trim()).toBe("2");
    expect(numbers).toContain("<path");
  });
  it("tones have the colours that they will have, or greys, or none while nothing is planned", () => {
    const bare = area("Bare");
    const piece = pieceOf(skin, bare, area("Kept", { layers: tones }));
    const tint = tintOf(piece, (id) => (id === "Skin" ? group : undefined));
    expect(tint("Skin", 1, 3)).toEqual([0xee, 0xdd, 0xcc]);
    expect(tint("Skin", 3, 3)).toEqual([0x66, 0x44, 0x33]);
    expect(new Set(tint("Bare", 1, 1)).size).toBe(1);
    expect(tint("Kept", 1, 3)[0]).toBeGreaterThan(tint("Kept", 3, 3)[0]);
  });
  it("planes of bytes become greys without any colour", () => {
    const { rgba } = inGreys({ width: 2, height: 1, data: Uint8Array.of(0, 255) }, (b) => 255 - b);
    expect([...rgba]).toEqual([255, 255, 255, 255, 0, 0, 0, 255]);
  });
});

describe("what the operations are asked", () => {
  const piece = {
    ...pieceOf(skin, area("Hair", { form: { ...DEFAULT_FORM, kind: "tube" } }), {
      ...newArea("Lost", "Lost"),
    }),
  };
  it("is only of areas that lie somewhere, with forms that somebody gave", () => {
    expect(claimsOf(piece).map((c) => c.id)).toEqual(["Skin", "Hair"]);
    const asked = lightQuestion(piece);
    expect(asked.forms.map((f) => [f.id, f.kind])).toEqual([["Hair", "tube"]]);
    expect("order" in asked).toBe(false);
  });
  it("is told where tones end as planned, by the tone that carries the local colour", () => {
    const carrying = (local: number) => ({
      ...piece,
      areas: piece.areas.map((a) => ({
        ...a,
        layers: a.layers.map((l, i) => (i === local ? { ...l, carries: true as const } : l) as Layer),
      })),
    });
    const borders = (local: number) => toneMapQuestion(carrying(local)).areas[0]!.borders;
    expect(borders(0)).toHaveLength(4);
    expect(borders(0)).not.toEqual(borders(1));
    expect(toneMapQuestion(piece).areas[1]!.borders).toEqual([0, 1]);
  });
});

describe("a line around areas", () => {
  it("is strokes that meet, none with more points than a mark may have, within the drawing", () => {
    const ring = Array.from({ length: 150 }, (_, i): readonly [number, number] => [
      50 + 55 * Math.cos((i * 2 * Math.PI) / 150),
      25 + 20 * Math.sin((i * 2 * Math.PI) / 150),
    ]);
    const strokes = strokesOf([ring], { width: 100, height: 50 }, 0.8);
    expect(strokes).toHaveLength(3);
    expect(strokes.every((s) => s.points.length >= 2 && s.points.length <= 64)).toBe(true);
    strokes.slice(1).forEach((s, i) => expect(s.points[0]).toEqual(strokes[i]!.points.at(-1)));
    expect(strokes.at(-1)!.points.at(-1)).toEqual(strokes[0]!.points[0]);
    expect(
      strokes
        .flatMap((s) => s.points)
        .flat()
        .every((v) => v >= 0 && v <= 1),
    ).toBe(true);
    expect(strokesOf([], { width: 1, height: 1 }, 1)).toEqual([]);
  });
});
