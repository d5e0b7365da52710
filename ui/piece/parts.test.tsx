import { renderToStaticMarkup } from "react-dom/server";
import type { GroupOutput } from "@/compute/group-output";
import { drawn } from "@/fixtures/drawn";
import { clay, pieceOf, rackOf as studioRack } from "@/fixtures/studio";
import { PieceProvider } from "./piece-context";
import { GiveColour } from "./give-colour";
import { readingOf, readingsOf } from "./typed-readings";
import { newArea, type Area } from "@/core/piece/piece";
import type { Rack, RackMarker } from "@/store/rack";
import { Advice, Purchase, TonedPaper } from "./group/group-advice";

const thing = (code: string, kind: string, change: Partial<RackMarker> = {}) =>
  ({ code, kind, owned: true, state: "fine", proof: null, swatches: [], ...change }) as unknown as RackMarker;
const rackOf = (paperL: number, others: readonly RackMarker[] = [], markers: readonly RackMarker[] = []) =>
  ({ paper: { name: "Toned", lab: [paperL, 5, 15] }, others, markers }) as unknown as Rack;

describe("toned paper", () => {
  const reading = (lab: readonly [number, number, number]) => ({
    lab,
    spread: 0.2,
    at: { x: 0, y: 0, width: 0, height: 0 },
  });
  const area: Area = {
    ...newArea("a", "Wing"),
    readings: { light: reading([85, 2, 8]), local: reading([71, 5, 15]), shadow: reading([40, 5, 5]) },
  };

  it("says what only pencil can give and what the sheet gives already", () => {
    const markup = renderToStaticMarkup(<TonedPaper area={area} rack={rackOf(70)} />);
    expect(markup).toContain("The light (lightness 85) is lighter than Toned (70)");
    expect(markup).toMatch(/Bare Toned already gives the local colour: [a-z ]+ \(\d\.\d ΔE00\)/);
    expect(markup).not.toContain("shadow");
  });

  it("says nothing on white paper, and nothing where nothing was read", () => {
    expect(renderToStaticMarkup(<TonedPaper area={area} rack={rackOf(96)} />)).toBe("");
    expect(renderToStaticMarkup(<TonedPaper area={newArea("b", "B")} rack={rackOf(70)} />)).toBe("");
  });
});

const group = (score: number, codes: readonly string[], change: Partial<GroupOutput> = {}) =>
  ({
    tones: codes.map((code, i) => ({
      code,
      coats: 1,
      role: "mid",
      hex: "#aaaaaa",
      lab: [80 - 10 * i, 0, 0],
    })),
    steps: codes.slice(1).map(() => ({ blend: ["#999999"] })),
    strip: codes.map(() => "#aaaaaa"),
    shade: [],
    score,
    localColourDeltaE00: score / 2,
    advice: [],
    ...change,
  }) as unknown as GroupOutput;

describe("advice", () => {
  it("offers its fix only where the group may still grow or shrink", () => {
    const insert = {
      kind: "step too wide" as const,
      pair: ["a", "b"] as const,
      deltaL: 30,
      message: "Step 30 L*.",
      fix: { kind: "insert" as const, after: 0, code: "sand3m", coats: 1 },
    };
    const remove = {
      kind: "twins" as const,
      pair: ["a", "b"] as const,
      deltaE00: 1,
      message: "Twins.",
      fix: { kind: "remove" as const, tone: 1, code: "clay4m" },
    };
    const two = renderToStaticMarkup(
      <Advice group={group(4, ["a", "b"], { advice: [insert, remove] })} onFix={() => undefined} />,
    );
    expect(two).toContain("Put sand3m in");
    expect(two).not.toContain("Leave clay4m out");
    const six = renderToStaticMarkup(
      <Advice
        group={group(4, ["a", "b", "c", "d", "e", "f"], { advice: [insert, remove] })}
        onFix={() => undefined}
      />,
    );
    expect(six).not.toContain("Put sand3m in");
    expect(six).toContain("Leave clay4m out");
  });

  it("says so when there is nothing to warn of", () =>
    expect(renderToStaticMarkup(<Advice group={group(4, ["a", "b"])} onFix={() => undefined} />)).toContain(
      "Nothing to warn of",
    ));
});

describe("one purchase", () => {
  const rack = rackOf(95, [], [thing("a", "marker"), thing("b", "marker", { owned: false })]);

  it("names the marker and what it saves", () => {
    const markup = renderToStaticMarkup(
      <Purchase
        group={group(3, ["a", "b"])}
        best={group(8, ["a", "a"])}
        rack={rack}
        onShow={() => undefined}
      />,
    );
    expect(markup).toContain("63 % nearer to what is wished");
    expect(markup).toContain(">b</strong>");
  });

  it("is not advised when it saves nothing or nothing would be bought", () => {
    for (const g of [group(9, ["a", "b"]), group(3, ["a", "a"])])
      expect(
        renderToStaticMarkup(
          <Purchase group={g} best={group(8, ["a", "a"])} rack={rack} onShow={() => undefined} />,
        ),
      ).toContain("No single purchase");
    expect(
      renderToStaticMarkup(
        <Purchase group={undefined} best={group(8, ["a"])} rack={rack} onShow={() => undefined} />,
      ),
    ).toBe("");
  });
});

describe("a colour that comes from no picture", () => {
  const rack = studioRack(clay);
  it("is hex, three numbers of L* a* b*, or a marker as it was read, whatever its case", () => {
    expect(readingOf(" #C8A27A ", rack)).toMatchObject({ from: "#c8a27a", spread: 0 });
    expect(readingOf("72 14 24", rack)).toEqual({ lab: [72, 14, 24], spread: 0, from: "typed" });
    expect(readingsOf("#f6d860 #e3a51f, clay1", "shadow", rack)).toMatchObject({
      light: { from: "#f6d860" },
      local: { from: "#e3a51f" },
      shadow: { from: "clay1" },
    });
    expect(readingsOf("72 14 24", "shadow", rack)).toEqual({ shadow: readingOf("72 14 24", rack) });
    for (const odd of ["#f6d860 #e3a51f", "#f6d860 #e3a51f nought", "1 2 3 4", ""])
      expect(readingsOf(odd, "local", rack)).toBeUndefined();
    expect(readingOf("CLAY1", rack)).toEqual({ lab: clay[0]!.swatches[0]!.lab, spread: 0, from: "clay1" });
  });
  it.each(["", "blue", "clay99", "120 0 0", "=1+1", "\u0000"])("is not %j", (text) =>
    expect(readingOf(text, rack)).toBeUndefined(),
  );
  it("is asked for by a form that says what may be written", () => {
    const document = pieceOf(newArea("a", "Skin"));
    const words = drawn(
      <PieceProvider id="given" revision={1} savedBy={null} document={document}>
        <GiveColour area={document.areas[0]!} rack={rack} listed={false} onListed={() => undefined} />
      </PieceProvider>,
    );
    expect(words).toContain("#c8a27a, 72 14 24, clay3m; or three; or: like Skin but warmer");
    expect(words).toContain("local colour");
  });
});
