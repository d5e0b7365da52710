import { newArea, newPiece, type Piece } from "@/core/piece/piece";
import { MOST_AREAS, readPiece } from "./piece";
import { BadInput } from "./problem";
import { readAs } from "./read-as";
import { TracingInput } from "./tracing";

const ID = "0b0e7d3c-8a53-4f19-9c56-1f5b7d1c2a10";
const whole: Piece = {
  ...newPiece("Kite", null),
  pictureId: ID,
  references: [
    {
      pictureId: ID,
      pairs: [
        { line: [0, 0], reference: [0.1, 0.1] },
        { line: [1, 1], reference: [0.9, 0.9] },
      ],
      gains: [1.2, 1, 0.8],
    },
  ],
  setUp: {
    line: {
      pictureId: ID,
      kind: "stamped",
      proof: false,
      corners: [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ],
      width: 120,
    },
    sheet: { width: 210, height: 148, at: [4, 5], cut: "margin", margin: 2 },
    gap: 0.8,
    speck: 1,
    cuts: [
      {
        points: [
          [0, 0],
          [1.1, 1],
        ],
        closed: false,
        curved: true,
      },
    ],
    order: ["a"],
    touches: [["a", "b", 12.5]],
  },
  areas: [
    {
      ...newArea("a", "Skin"),
      place: { at: [[0.5, 0.5]], mm2: 12.5, part: 12.5, width: 2 },
      joints: "white",
      past: true,
    },
  ],
};

const paths = (value: unknown): readonly string[] => {
  try {
    readPiece(value);
    return [];
  } catch (e) {
    if (e instanceof BadInput) return e.problems.map((p) => p.path);
    throw e;
  }
};
const setUp = (set: object) => paths({ ...whole, setUp: { ...whole.setUp, ...set } });
const line = (set: object) => setUp({ line: { ...whole.setUp.line, ...set } });
const sheet = (set: object) => setUp({ sheet: { ...whole.setUp.sheet, ...set } });
const area = (set: object) => paths({ ...whole, areas: [{ ...whole.areas[0], ...set }] });
const reference = (set: object) => paths({ ...whole, references: [{ ...whole.references[0], ...set }] });

it("how a piece is set up comes through unchanged", () =>
  expect(readPiece(JSON.parse(JSON.stringify(whole)))).toEqual(whole));

describe("how a piece is set up is refused with the path of what is wrong", () => {
  const odd = [[], {}, "", "<b>", "\0", 1e308, -1, true];
  it.each([
    ["line.kind", (v: unknown) => line({ kind: v })],
    ["line.corners", (v: unknown) => line({ corners: v })],
    ["line.pictureId", (v: unknown) => line({ pictureId: v })],
    ["sheet.cut", (v: unknown) => sheet({ cut: v })],
    ["sheet.width", (v: unknown) => sheet({ width: v })],
    ["gap", (v: unknown) => setUp({ gap: v })],
    ["speck", (v: unknown) => setUp({ speck: v })],
  ] as const)("setUp.%s", (field, given) => {
    for (const v of odd) expect(given(v)).toEqual([`setUp.${field}`]);
  });

  it("what is null stays what it is where nobody need say", () => {
    expect(line({ width: null, proof: null, corners: null })).toEqual([]);
    expect(setUp({ line: null, order: null })).toEqual([]);
    expect(sheet({ at: null })).toEqual([]);
    expect(area({ place: null, joints: null })).toEqual([]);
  });

  it("cuts, order and borders", () => {
    const cut = whole.setUp.cuts[0]!;
    expect(setUp({ cuts: null })).toEqual(["setUp.cuts"]);
    expect(setUp({ cuts: [{ ...cut, points: [[0, 0]] }] })).toEqual(["setUp.cuts[0].points"]);
    expect(
      setUp({
        cuts: [
          {
            ...cut,
            points: [
              [0, 0],
              [9, 9],
            ],
          },
        ],
      }),
    ).toEqual(["setUp.cuts[0].points"]);
    expect(setUp({ cuts: [{ ...cut, points: Array.from({ length: 65 }, () => [0, 0]) }] })).toEqual([
      "setUp.cuts[0].points",
    ]);
    expect(setUp({ cuts: Array.from({ length: 401 }, () => cut) })).toEqual(["setUp.cuts"]);
    expect(setUp({ order: [7] })).toEqual(["setUp.order"]);
    expect(setUp({ touches: [["a", "b"]] })).toEqual(["setUp.touches"]);
    expect(setUp({ touches: [["a", "b", 1e308]] })).toEqual(["setUp.touches"]);
  });

  it("places and marks of areas", () => {
    const place = whole.areas[0]!.place!;
    expect(area({ place: { ...place, at: [] } })).toEqual(["areas[0].place.at"]);
    expect(area({ place: { ...place, at: [[0.5, 1.5]] } })).toEqual(["areas[0].place.at"]);
    expect(area({ place: { ...place, mm2: -1, part: 1e308 } })).toEqual([
      "areas[0].place.mm2",
      "areas[0].place.part",
    ]);
    expect(area({ white: 1, past: null, joints: "grey" })).toEqual([
      "areas[0].white",
      "areas[0].past",
      "areas[0].joints",
    ]);
    const many = Array.from({ length: MOST_AREAS + 1 }, (_, i) => ({ ...whole.areas[0], id: `a${i}` }));
    expect(paths({ ...whole, areas: many })).toEqual(["areas"]);
  });

  it("references, and a picture at hand that is none of them", () => {
    expect(reference({ gains: [1, 1] })).toEqual(["references[0].gains"]);
    expect(reference({ gains: [0, 1, 1] })).toEqual(["references[0].gains"]);
    expect(reference({ pairs: [{ line: [0, 0], reference: [2, 0] }] })).toEqual([
      "references[0].pairs[0].reference",
    ]);
    expect(paths({ ...whole, references: Array.from({ length: 13 }, () => whole.references[0]) })).toEqual([
      "references",
    ]);
    expect(paths({ ...whole, references: [] })).toEqual(["pictureId"]);
  });
});

it("a sheet to trace says its size in mm", () => {
  const sound = {
    name: "Kite",
    sheetWidth: 210,
    sheetHeight: 148,
    width: 162,
    height: 135,
    left: 24,
    top: 6,
    mirrored: true,
  };
  expect(readAs(TracingInput, sound)).toEqual(sound);
  const wrong = { ...sound, name: " ", sheetWidth: 1e308, left: null, mirrored: "yes" };
  expect(() => readAs(TracingInput, wrong)).toThrow(/name.*sheetWidth.*left.*mirrored/s);
});
