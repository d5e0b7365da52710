import type { ReactNode } from "react";
import type { Gathering } from "@/core/picture/gatherings";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { NO_GAINS } from "@/core/picture/balance";
import { newArea, type Area, type Piece } from "@/core/piece/piece";
import type { LineArt, Reference } from "@/core/piece/set-up";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { pieceOf } from "@/fixtures/studio";
import { PieceProvider } from "@/ui/piece/piece-context";
import { AreasTab } from "./areas-tab";
import { CornerPane } from "./corner-pane";
import { FirstLine } from "./first-line";
import { LineTab } from "./line-tab";
import { OrderTab } from "./order-tab";
import { ReferenceTab, type ReferenceLook } from "./reference-tab";
import { SheetTab } from "./sheet-tab";

const line: LineArt = { pictureId: "p", kind: "stamped", proof: null, corners: null, width: null };
const area = (id: string, more: Partial<Area> = {}): Area => ({
  ...newArea(id, id),
  place: { at: [[0.5, 0.5]], mm2: 200, part: 200, width: 9 },
  ...more,
});
const region = (id: number, more: object = {}) => ({
  id,
  path: "M0 0L9 0L9 9Z",
  mm2: 120,
  width: 4,
  middle: [0.5, 0.5],
  edge: 0,
  ...more,
});
const placed = (id: string, regions: number[], width = 9) => ({
  id,
  regions,
  points: regions,
  mm2: 200,
  part: 200,
  width,
  middle: [0.5, 0.5],
  box: [0, 0, 1, 1],
});
const output = {
  width: 400,
  height: 300,
  mmPerPixel: 0.5,
  share: 0.05,
  paper: [0.9, 0.9, 0.9],
  regions: [region(1), region(2), region(3, { name: "Sail" }), region(4, { edge: 0.8 })],
  areas: [placed("Hull", [1]), placed("Mast", [2], 0.9)],
  lost: [{ id: "Flag", to: ["Hull"] }],
  free: [3, 4],
  touches: [{ a: "Hull", b: "Mast", mm: 12 }],
  gaps: 2,
  specks: 5,
  stacking: { order: ["Mast", "Hull"], pairs: [{ front: "Mast", back: "Hull", confidence: 0.9 }] },
} as unknown as SetUpOutput;
const ferry = (...areas: Area[]): Piece => {
  const piece = pieceOf(...areas);
  return { ...piece, setUp: { ...piece.setUp, line } };
};
const piece = ferry(
  area("Hull"),
  area("Mast", { white: true, joints: "dark" }),
  area("Flag"),
  area("Gull", { place: null }),
);
const within = (screen: ReactNode, own = piece) => (
  <PieceProvider id={`piece-${Math.random()}`} revision={1} savedBy={null} document={own}>
    {screen}
  </PieceProvider>
);
const says = (screen: ReactNode, own?: Piece) => wordsOf(drawn(within(screen, own)));
const nothing = () => undefined;

describe("the line", () => {
  const tab = (set: Partial<LineArt>, found = output) => (
    <LineTab
      line={{ ...line, ...set }}
      output={found}
      sheetSaid="The sheet was found."
      searching={false}
      onTake={nothing}
      onFindSheet={nothing}
      onCorners={nothing}
    />
  );
  it("asks what kind it is, whether it stands alcohol, and where it lies", () => {
    const words = says(tab({}));
    for (const word of [
      "Stamped",
      "Drawn",
      "Lineless",
      "Test the line before you colour",
      "The whole picture is the drawing",
      "The sheet was found.",
    ])
      expect(words).toContain(word);
    expect(words).not.toContain("Take the whole picture");
  });
  it("warns of ink that is not alcohol-proof; a pale sketch has none", () => {
    expect(says(tab({ proof: false }))).toContain("dissolves ink");
    expect(says(tab({ proof: true }))).not.toContain("dissolves ink");
    expect(says(tab({ kind: "lineless", proof: false }))).not.toContain("alcohol-proof");
  });
  it("says when nothing was found, or all is dark", () => {
    expect(says(tab({}, { ...output, share: 0 }))).toContain("No line was found");
    expect(says(tab({}, { ...output, share: 0.9 }))).toContain("Nearly everything is dark");
  });
  it("of a photo has its corners set, turned, or given up", () =>
    expect(
      says(
        tab({
          corners: [
            [0, 0],
            [1, 0],
            [1, 1],
            [0, 1],
          ],
        }),
      ),
    ).toContain("Take the whole picture"));
});

describe("the sheet", () => {
  it("says that a size is a guess, until somebody says it", () => {
    expect(says(<SheetTab piece={piece} output={output} onMeasure={nothing} />)).toContain(
      "Nobody has said how large it is yet",
    );
    const sized: Piece = { ...piece, setUp: { ...piece.setUp, line: { ...line, width: 100 } } };
    expect(says(<SheetTab piece={sized} output={output} onMeasure={nothing} />)).not.toContain(
      "Nobody has said",
    );
  });
  it("says when the drawing does not fit on it, and what is cut off", () => {
    const large: Piece = { ...piece, setUp: { ...piece.setUp, line: { ...line, width: 900 } } };
    expect(says(<SheetTab piece={large} output={output} onMeasure={nothing} />)).toContain(
      "larger than the sheet",
    );
    const moved: Piece = {
      ...piece,
      setUp: {
        ...piece.setUp,
        line: { ...line, width: 100 },
        sheet: { ...piece.setUp.sheet, at: [150, 0], cut: "margin" },
      },
    };
    const words = says(<SheetTab piece={moved} output={output} onMeasure={nothing} />);
    expect(words).toContain("beyond the sheet");
    expect(words).toContain("Cut away from your hand");
  });
});

describe("the areas", () => {
  const still = {
    output: undefined,
    old: false,
    progress: undefined,
    error: undefined,
    cancelled: false,
    cancel: nothing,
    again: nothing,
  };
  const tab = (
    chosen: readonly string[] = [],
    own = piece,
    found = output,
    proposed?: readonly Gathering[],
  ) => (
    <AreasTab
      piece={own}
      output={found}
      bleed={0.5}
      chosen={new Set(chosen)}
      onChoose={nothing}
      several={false}
      onSeveral={nothing}
      tool="pick"
      onTool={nothing}
      onPassing={nothing}
      gatherings={{ ...still, output: proposed }}
      onGrow={nothing}
      onPropose={nothing}
      readSaid={undefined}
      onPlaceByPicks={nothing}
    />
  );
  it("are counted, and so is what was closed, merged, lost or has no place", () => {
    const words = says(tab());
    expect(words).toContain(
      "2 areas on the sheet, 1 shape is not an area yet; 2 gaps closed, 5 specks merged",
    );
    expect(words).toContain(
      "Flag has no place of its own any more: it runs together with Hull. Its plan is kept.",
    );
    expect(words).toContain("Take Hull’s place");
    expect(words).toContain("1 area without a place on the sheet: Gull");
    expect(words).toContain("ink creeps right across");
    expect(words).toContain("stays white; dark joints");
    expect(words).toContain("Nothing is chosen");
  });
  it("chosen, can be joined, marked, locked; what is locked changes by no accident", () => {
    const markup = drawn(within(tab(["Hull", "Mast"])));
    expect(markup).toMatch(/<button(?![^>]*disabled)[^>]*>Join<\/button>/);
    const locked = ferry(area("Hull", { fixed: true }), area("Mast"));
    expect(drawn(within(tab(["Hull", "Mast"], locked), locked))).toMatch(
      /<button[^>]*disabled[^>]*>Join<\/button>/,
    );
  });
  it("that belong together are offered as one, each to be looked at before it is taken", () => {
    const words = says(
      tab(["region 3"], piece, output, [
        { kind: "alike", regions: [1, 2] },
        { kind: "hatching", regions: [3] },
      ]),
    );
    expect(words).toContain("3 shapes would make 2 areas");
    expect(words).toContain("Take all 2");
    expect(words).toContain("2 shapes alike, side by side");
  });
  it("are named and given a material several at once", () => {
    const words = says(tab(["Hull", "Mast"]));
    expect(words).toContain("call them");
    expect(words).toContain("Name 2");
    expect(says(tab(["Hull"]))).not.toContain("call them");
  });
});

describe("the order", () => {
  it("says what each lies before, and how sure that is", () => {
    const words = says(
      <OrderTab
        piece={piece}
        output={output}
        chosen={new Set()}
        onChoose={nothing}
        pointing={false}
        onPoint={nothing}
      />,
    );
    expect(words).toContain("As the line shows it.");
    expect(words).toContain("before Hull (clear)");
  });
});

describe("the reference", () => {
  const look: ReferenceLook = { where: "under", opacity: null, wipe: 1, values: "colour" };
  const of = (reference?: Reference, doubts?: Parameters<typeof ReferenceTab>[0]["doubts"]) => {
    const own: Piece = {
      ...piece,
      references: reference ? [reference] : [],
      pictureId: reference?.pictureId ?? null,
    };
    return says(
      <ReferenceTab
        piece={own}
        pictures={new Map()}
        look={look}
        onLook={nothing}
        onTake={nothing}
        doubts={doubts}
        tool="pick"
        onTool={nothing}
        alignPoints={0}
      />,
      own,
    );
  };
  const reference: Reference = { pictureId: "r", pairs: [], gains: NO_GAINS };
  it("may be none", () => expect(of()).toContain("A piece may have several, or none"));
  it("says how it lies and how its light was set", () => {
    expect(of(reference)).toContain("Edge on edge");
    const pair = { line: [0, 0] as const, reference: [0, 0] as const };
    expect(of({ ...reference, pairs: [pair, pair] })).toContain("By two points");
    expect(of({ ...reference, pairs: [pair, pair, pair, pair] })).toContain("By four points");
    expect(of({ ...reference, gains: [2, 2, 2] })).toContain("+1.0");
    expect(of(reference)).not.toContain("As it was taken");
  });
  it("is doubted when it is tinted or clipped", () => {
    const words = of(reference, { clipped: 0.12, tint: [0.4, 0, -0.4], tinted: true });
    expect(words).toContain("strongly tinted");
    expect(words).toContain("12 % of the photo is clipped");
  });
});

it("without a line one brings it in, takes one of the studio's, or goes on without", () => {
  const words = says(
    <FirstLine onTake={nothing} onPicture={nothing} onReference={nothing} withoutHref="/pieces/x/colour" />,
  );
  for (const word of [
    "Choose the picture of the line",
    "The outlines of the reference will do",
    "Go on without a drawing",
  ])
    expect(words).toContain(word);
});

it("corners have names and say where they are", () => {
  const markup = drawn(
    <CornerPane
      picture={{ id: "p", name: "p.jpg", width: 400, height: 300 }}
      corners={[
        [0.1, 0.2],
        [0.9, 0.2],
        [0.9, 0.8],
        [0.1, 0.8],
      ]}
      onChange={nothing}
      onDone={nothing}
    />,
  );
  expect(markup).toContain("Drag the corners");
});
