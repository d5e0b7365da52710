import type { ReactNode } from "react";
import type { GroupOutput } from "@/compute/group-output";
import { newArea, type Area } from "@/core/piece/piece";
import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, jar, paper, picked, pieceOf, rackOf, skin } from "@/fixtures/studio";
import { AreaPanel } from "./area-panel";
import { ColourView } from "./colour-view";
import { FinishTab } from "./finish-tab";
import type { useJudged } from "./group/use-groups";
import { PencilTab } from "./pencil/pencil-tab";
import { PieceProvider } from "./piece-context";
import { SchoolTab } from "./school-tab";
import { LaidShadows } from "./shadow/laid-shadows";
import { ShadowTab } from "./shadow/shadow-tab";
import { StepsView } from "./steps-view";

const rack = rackOf(clay, jar);
const bare = newArea("sky", "Sky");
const within = (screen: ReactNode, ...areas: Area[]) => (
  <PieceProvider id={`piece-${Math.random()}`} revision={1} savedBy={null} document={pieceOf(...areas)}>
    {screen}
  </PieceProvider>
);
const says = (screen: ReactNode, address?: string, ...areas: Area[]) =>
  wordsOf(drawn(within(screen, ...(areas.length ? areas : [skin])), address));
const tone = (code: string, role: string, L: number) => ({
  code,
  coats: 1,
  role,
  measured: true,
  lab: [L, 12, 18],
  hex: "#aabbcc",
});
const group = {
  tones: [tone("clay1", "highlight", 88), tone("clay3", "mid", 72), tone("clay7", "shadow", 36)],
  steps: [],
  build: [],
  advice: [],
} as unknown as GroupOutput;
const judged = {
  work: { output: undefined, error: undefined },
  groupOf: () => undefined,
} as unknown as ReturnType<typeof useJudged>;

describe("the plan of an area", () => {
  const panel = (area: Area, tab = "group") =>
    drawn(within(<AreaPanel area={area} rack={rack} judged={judged} />, area), `/pieces/x/colour?tab=${tab}`);
  it("has a tab a stage, and marks those that something is kept in", () => {
    const markup = panel(skin);
    const marked = [...markup.matchAll(/role="tab"[^>]*>([^<]+)(<svg)?/g)].map((m) => [m[1], !!m[2]]);
    expect(marked).toEqual([
      ["Group", true],
      ["School", false],
      ["Shadow", true],
      ["Pencil", false],
      ["Finish", true],
    ]);
  });
  it("says what to do first", () => expect(wordsOf(panel(bare))).toContain("Give Sky its local colour"));
  it("lets its name be written where it stands", () =>
    expect(panel(skin)).toMatch(/aria-label="Name of this area"[^>]*value="Skin"/));
});

describe("shadows", () => {
  it("need a group", () =>
    expect(says(<ShadowTab area={bare} rack={rack} group={undefined} />)).toContain(
      "Keep a group for Sky first",
    ));
  it("list what lies in the area, bottom to top, each with its place", () => {
    const markup = drawn(within(<LaidShadows area={skin} rack={rack} cover={[]} />, skin));
    expect(wordsOf(markup)).toContain("bottom to top, 2 of at most 8");
    expect([...markup.matchAll(/data-laid="([^"]+)"/g)].map((m) => m[1])).toEqual([
      "underlay clay5",
      "warm hint clay1",
    ]);
    expect(markup).toMatch(/aria-label="Place of clay1".*<option value="light" selected="">in the light/s);
  });
  it("are none where there are none", () =>
    expect(says(<LaidShadows area={bare} rack={rack} cover={[]} />)).toBe(""));
  it("ask for depth and lean until a shadow was read", () => {
    expect(says(<ShadowTab area={skin} rack={rack} group={group} />)).toContain("Deeper by 16 in lightness");
    const read = { ...skin, readings: { ...skin.readings, shadow: picked } };
    expect(says(<ShadowTab area={read} rack={rack} group={group} />)).toContain(
      "Wanted: the shadow as read.",
    );
  });
});

describe("pencil", () => {
  it("says how many are ready, and sends those that are not to be drawn down", () => {
    expect(says(<PencilTab area={skin} rack={rack} group={group} />)).toContain("1 pencil drawn down");
    const undrawn = rackOf(clay, jar.slice(1));
    expect(says(<PencilTab area={skin} rack={undrawn} group={group} />)).toContain(
      "No pencil drawn down, 1 guessed from a colour",
    );
    const nameless = rackOf(clay, [{ ...jar[1]!, swatches: [], drawdowns: undefined } as never]);
    expect(says(<PencilTab area={skin} rack={nameless} group={group} />)).toContain("Enter drawdowns");
    expect(says(<PencilTab area={skin} rack={rackOf(clay)} group={group} />)).toContain(
      "No pencil is on the rack.",
    );
  });
  it("needs a colour to draw", () =>
    expect(says(<PencilTab area={bare} rack={rack} group={undefined} />)).toContain(
      "Point at Sky in the picture, or keep a group",
    ));
});

describe("finish", () => {
  it("lists what lies in the area, and what each finisher at hand is for", () => {
    const words = says(<FinishTab area={skin} rack={rack} />);
    expect(words).toContain("sparks in eyes");
    expect(words).toContain("White sparks on the nose tip and the lips only");
    expect(words).toContain("liner brown is not alcohol-proof");
    expect(words).not.toContain("wash blue");
  });
  it("says what is set at its spot, and leads there", () => {
    const marks = [1, 2].map((n) => ({
      kind: "spark" as const,
      points: [[0.1 * n, 0.2]] as const,
      width: 0.8,
    }));
    const layers = [{ medium: "finish", code: "gel white", place: "light", marks } as const];
    const words = says(<FinishTab area={{ ...skin, layers }} rack={rack} />);
    expect(words).toContain("2 sparks, 0.8 mm wide");
    expect(words).not.toContain("in the light");
  });
  it("speaks of the sheet on toned paper", () => {
    const toned = rackOf(clay, jar, { paper: { ...paper, lab: [70, 5, 15] } });
    expect(says(<FinishTab area={skin} rack={toned} />)).toContain("the sheet itself is a middle value");
    expect(says(<FinishTab area={skin} rack={rack} />)).not.toContain("middle value");
  });
  it("says so when the jar is empty", () =>
    expect(says(<FinishTab area={bare} rack={rackOf(clay)} />)).toContain("No finisher is on the rack"));
});

describe("schools", () => {
  it("lay a kept group", () => {
    expect(says(<SchoolTab area={bare} rack={rack} />)).toContain("A school lays a kept group.");
    expect(says(<SchoolTab area={skin} rack={rack} />)).toContain("skin is usually laid");
  });
});

describe("steps", () => {
  const steps = (...areas: Area[]) =>
    says(<StepsView papers={[paper]} laid={0} rack={rack} />, "/pieces/x/steps", ...areas);
  it("go from what lies beneath to the finish, with the caution of the solvent", () => {
    const words = steps(skin, bare);
    expect(words).toContain("flammable solvent");
    expect(words).toMatch(/1 clay5 underlay, 2 coats in the shadow, bolder than feels right/);
    expect(words.indexOf("warm hint")).toBeGreaterThan(words.indexOf("highlight"));
    expect(words).toMatch(/gel white when dry: finish in the light; last, on dry ink/);
    expect(words).toContain("Without a kept group: Sky.");
  });
  it("lay ready everything that is taken in hand, with what is to be done about it", () => {
    const words = steps(skin);
    expect(words).toContain("Lay ready: 5 things");
    expect(words).toMatch(/clay3 Skin to buy/);
    expect(words).toMatch(/clay7 Skin refill: dry/);
    expect(words).toMatch(/clay5 Skin running low/);
  });
  it("say what to do first when there are none", () =>
    expect(steps(bare)).toContain("There are no steps yet"));
});

describe("a piece in colour", () => {
  const colour = (...areas: Area[]) =>
    says(<ColourView papers={[paper]} rack={rack} picture={undefined} />, "/pieces/x/colour", ...areas);
  it("asks for a picture, and shows all areas below", () => {
    const words = colour(skin, bare);
    expect(words).toContain("Bring the picture whose colours you want");
    expect(words).toContain("All areas");
    expect(words).toContain("not planned yet");
    expect(words).toContain("3 tones");
  });
});
