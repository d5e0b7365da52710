import { drawn, wordsOf } from "@/fixtures/drawn";
import { clay, jar, marker, paper, rackOf } from "@/fixtures/studio";
import { Findings } from "./findings";
import { ImportPanel } from "./import-dialog";
import { MarkerCard } from "./marker-card";
import { rackColumns, standingFacts, standingOf } from "./rack-columns";
import { RackTable } from "./rack-table";
import { RackView } from "./rack-view";
import { RangeSubstitution } from "./range-substitution";

const rack = rackOf(clay, jar);
const nothing = () => undefined;
const view = (address: string) =>
  drawn(<RackView papers={[paper]} rack={rack} studio="Saltmarsh Studio" />, address);

describe("the rack", () => {
  it("says how much of it is owned", () =>
    expect(wordsOf(view("/rack"))).toContain("Saltmarsh Studio: 3 markers owned of 4"));
  it("has its views as tabs, the asked one open", () => {
    for (const [view_, name] of [
      ["tracks", "Tracks"],
      ["table", "Table"],
      ["findings", "Gaps and twins"],
      ["ranges", "Ranges and codes"],
      ["import", "Bring in"],
    ] as const)
      expect(view(`/rack?view=${view_}`)).toMatch(new RegExp(`aria-selected="true"[^>]*>${name}`));
  });
  it("shows tracks to begin with, and what the strokes mean until a marker is chosen", () => {
    expect(view("/rack")).toMatch(/aria-selected="true"[^>]*>Tracks/);
    expect(wordsOf(view("/rack"))).toContain("Choose a marker");
    expect(wordsOf(view("/rack?marker=clay5"))).not.toContain("Choose a marker");
  });
  it("keeps kinds apart and says what to know of them", () => {
    const pens = wordsOf(view("/rack?view=table&kind=Water-based pens"));
    expect(pens).toContain("must not be mixed into a blend group");
    expect(pens).toContain("1 row.");
    expect(wordsOf(view("/rack?view=table&kind=Finishers"))).toContain("3 rows.");
  });
  it("shows what stands as is asked", () => {
    for (const [standing, rows] of [
      ["owned", "3 rows."],
      ["wished", "1 row."],
      ["low or dry", "2 rows."],
      ["all", "4 rows."],
    ] as const)
      expect(wordsOf(view(`/rack?view=table&standing=${encodeURIComponent(standing)}`))).toContain(rows);
  });
  it("says how to begin where there is nothing of a kind, and that a filter leaves nothing", () => {
    const bare = (url: string) =>
      wordsOf(
        drawn(<RackView papers={[paper]} rack={{ ...rack, markers: [], others: [] }} studio="Mine" />, url),
      );
    expect(bare("/rack")).toContain("No markers yet.");
    expect(bare("/rack?view=table&kind=Pencils")).toMatch(/No pencils yet\..*Type your pencils/);
    expect(wordsOf(view("/rack"))).not.toContain("yet.");
    expect(wordsOf(view("/rack?view=table&kind=Pencils&standing=wished"))).toContain(
      "Nothing on the rack is like that",
    );
  });
  it("offers every format as a file", () => expect(view("/rack")).toContain("Save as"));
});

describe("a marker's card", () => {
  const card = (code: string, uses: Parameters<typeof MarkerCard>[0]["uses"] = []) =>
    wordsOf(
      drawn(
        <MarkerCard
          marker={[...clay, ...jar].find((m) => m.code === code)!}
          rack={rack}
          uses={uses}
          onChoose={nothing}
          run={nothing}
        />,
      ),
    );
  it("has its coats as they were read", () => {
    expect(card("clay5")).toContain("1 coat L* 55 a* 12 b* 18");
    expect(card("clay5")).toContain("3 coats L* 38");
  });
  it("says what would miss it", () => {
    expect(card("clay5")).toContain("Nothing in your pieces uses it.");
    const use = {
      piece: "Kite",
      pieceId: "p",
      area: "Skin",
      areaId: "a",
      medium: "shadow" as const,
      coats: 2,
    };
    expect(card("clay5", [use])).toContain("Used in Skin (Kite, shadow).");
  });
  it("says of a liner and a water-based pen what matters", () => {
    expect(card("liner brown")).toContain("Not alcohol-proof");
    expect(card("liner 03")).toContain("Alcohol-proof: ink may go over it.");
    expect(card("wash blue")).toContain("never part of a blend group");
  });
  it("shows a pencil's drawdowns", () =>
    expect(card("pencil brick")).toMatch(/over white L\* 55.*over black L\* 30/));
  it("sends one that was not read to be read", () => {
    const unread = marker("silt1");
    const words = wordsOf(
      drawn(
        <MarkerCard marker={unread} rack={rackOf([unread])} uses={[]} onChoose={nothing} run={nothing} />,
      ),
    );
    expect(words).toContain("Not read on Card yet. Print a chart");
  });
});

describe("the table's columns", () => {
  const column = (id: string) => rackColumns.find((c) => c.id === id)!;
  const cell = (id: string, m = clay[0]!) => drawn(column(id).cell(m, nothing));
  it("sort by what they show", () => {
    expect(clay.map(column("lightness").by)).toEqual([88, 72, 55, 36]);
    expect(clay.map(column("state").by)).toEqual([0, 0, 2, 3]);
    expect(column("price").by(marker("a", [], { price: "4.50 each" }))).toBe(4.5);
    expect(column("lightness").by(marker("a"))).toBeLessThan(0);
  });
  it("say what has not been read, and leave the state of what is not owned open", () => {
    expect(cell("stroke", marker("a"))).toContain("not read");
    expect(cell("state", clay[1])).toBe("");
    expect(cell("state", clay[2])).toMatch(/<option selected="">low/);
    expect(cell("refills", clay[2])).toContain('value="2"');
  });
  it("name every field for those who cannot see it", () => {
    for (const id of ["standing", "state", "refills", "name", "nib", "place", "price", "notes"])
      expect(cell(id)).toMatch(/aria-label="[^"]*clay1[^"]*"/);
  });
  it("know a standing both ways", () => {
    for (const m of clay) expect(standingFacts(standingOf(m))).toEqual({ owned: m.owned, wished: m.wished });
  });
  it("stand in a table whose rows can be chosen", () => {
    const table = drawn(<RackTable markers={clay} run={nothing} onOpen={nothing} />);
    expect(table).toContain("Choose all rows");
    expect(wordsOf(table)).toContain("4 rows. Edit any cell in place");
    for (const c of rackColumns) expect(wordsOf(table)).toContain(c.title);
  });
});

describe("findings", () => {
  it("count gaps among what is owned, and say when codes cannot be compared", () => {
    const words = wordsOf(drawn(<Findings rack={rack} onChoose={nothing} />));
    expect(words).toMatch(/Gaps \(\d+\)/);
    expect(words).toContain("Twins you own (0)");
    expect(words).toContain("Ranges without a code key are not compared.");
  });
});

describe("bringing in", () => {
  it("says what may come, and changes nothing before one has seen it", () => {
    const words = wordsOf(drawn(<ImportPanel rack={rack} onDone={nothing} />));
    expect(words).toContain("Nothing changes until you have seen how it is read.");
    expect(words).toContain("never doubled");
    expect(words).toContain("Drop a file here");
  });
});

describe("substitution", () => {
  it("offers the ranges there are", () => {
    const markup = drawn(<RangeSubstitution rack={rack} />);
    expect(markup).toContain("<option");
    expect(wordsOf(markup)).toContain("Paste the codes of a group or a whole supply list");
  });
});
