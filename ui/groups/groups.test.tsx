import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, jar, paper, rackOf } from "@/fixtures/studio";
import type { LibraryGroup } from "@/store/groups";
import { PieceCard } from "@/ui/bench/piece-card";
import { GroupCard } from "./group-card";
import { GroupsView } from "./groups-view";

const rack = rackOf(clay, jar);
const group = (name: string, change: Partial<LibraryGroup> = {}): LibraryGroup => ({
  id: name,
  name,
  tags: ["skin"],
  tones: [
    { code: "clay1", coats: 1 },
    { code: "clay3", coats: 2 },
  ],
  material: "skin",
  school: null,
  underlay: null,
  results: [],
  notes: "",
  ...change,
});
const groups = [
  group("Skin, pale", { results: [{ paperId: paper.id, verdict: "works", note: "" }] }),
  group("Hair, fox", {
    tags: ["hair"],
    tones: [
      { code: "clay5", coats: 1 },
      { code: "clay7", coats: 1 },
    ],
    material: "hair",
  }),
  group("From elsewhere", {
    tags: [],
    tones: [
      { code: "far1", coats: 1 },
      { code: "far2", coats: 1 },
    ],
  }),
];
const view = (address: string, list: readonly LibraryGroup[] = groups) =>
  wordsOf(
    drawn(
      <GroupsView groups={list} papers={[paper]} rack={rack} uses={{}} studio="Saltmarsh Studio" />,
      address,
    ),
  );

describe("kept groups", () => {
  it("say how they came out here, and how much of them is not owned", () => {
    const words = view("/groups");
    expect(words).toContain("Saltmarsh Studio: 3 kept groups");
    expect(words).toContain("Skin, pale works, 1 not owned");
    expect(words).toContain("From elsewhere 2 not owned not read on Card");
  });
  it("have their tags to choose from, each once", () => {
    expect(view("/groups")).toMatch(/hair skin/);
  });
  it("show the asked one, else the first", () => {
    expect(view("/groups?group=Hair, fox")).toContain("hair, laid");
    expect(view("/groups")).toContain("skin, laid");
  });
  it("say how to begin when there are none", () =>
    expect(view("/groups", [])).toContain("No group is kept yet."));
});

describe("a kept group", () => {
  type Shown = Parameters<typeof GroupCard>[0];
  const card = (g: LibraryGroup, uses: Shown["uses"] = [], laid: Shown["laid"] = []) => {
    const labs = g.tones.map((t) => clay.find((m) => m.code === t.code)?.swatches[t.coats - 1]?.lab);
    return wordsOf(
      drawn(
        <GroupCard group={g} labs={labs} rack={rack} papers={[paper]} uses={uses} laid={laid} />,
        "/groups",
      ),
    );
  };
  it("has its tones with roles, coats and lightness on this paper", () => {
    expect(card(groups[0]!)).toContain("clay1 highlight, 1 coat, lightness 88");
    expect(card(groups[0]!)).toContain("clay3 shadow, 2 coats, lightness 62");
    expect(card(groups[2]!)).toContain("not on the rack far1 highlight, 1 coat, not read here");
  });
  it("says what lies beneath, and where it is used", () => {
    const under = group("Deep", { underlay: { code: "clay7", coats: 2 }, school: "layered" });
    expect(card(under)).toContain("laid layered; clay7 2 coats beneath the shadow");
    const use = { piece: "Kite", pieceId: "p", area: "Skin", areaId: "a", share: 1 };
    expect(card(groups[0]!, [use])).toContain("Kite");
    const laid = { paperId: paper.id, times: 4, asPlanned: 3 };
    expect(card(groups[0]!, [use], [laid])).toContain(`Laid 4 times on ${paper.name}, 3 as planned.`);
    expect(card(groups[0]!, [use], [{ paperId: null, times: 1, asPlanned: 1 }])).toContain(
      "Laid once on a paper that is not told, as planned.",
    );
  });
});

describe("a piece on the bench", () => {
  const words = (change: Partial<Parameters<typeof PieceCard>[0]> = {}) =>
    wordsOf(
      drawn(
        <PieceCard
          id="p"
          name="Kite"
          picture={undefined}
          paper="Card"
          changed="today"
          areas={12}
          planned={1}
          done={false}
          archived={false}
          shared={false}
          ramps={[]}
          {...change}
        />,
      ),
    );
  it("shows what is known of it, without its document", () => {
    expect(words()).toContain("Kite Card; 12 areas, 1 planned; changed today");
    expect(words()).toContain("no picture yet");
    expect(words({ done: true, shared: true })).toContain("done; shared by a link");
  });
  it("shows so many ramps and counts the others", () => {
    const ramps = Array.from({ length: 12 }, (_, i) => ({
      id: `${i}`,
      name: `Petal ${i}`,
      colours: ["#aabbcc"],
    }));
    expect(words({ ramps })).toContain("Petal 9");
    expect(words({ ramps })).not.toContain("Petal 10");
    expect(words({ ramps })).toContain("and 2 more areas");
  });
});
