import { shownQuestion } from "@/compute/piece-questions";
import { usedOf } from "@/app/used-rack";
import { guideChapters } from "@/app/print/guide-pdf";
import { deskOfRack } from "@/compute/from-rack";
import { keptQuestions } from "@/compute/kept-groups";
import { runOperation } from "@/compute/run";
import { SCHOOLS } from "@/core/group/school";
import { LAYER_PLACES, type Layer } from "@/core/media/layer";
import { laidAs } from "@/core/media/tone";
import { areaCourse } from "@/core/piece/area-course";
import { asLayers, newArea, newPiece, type Area, type Piece } from "@/core/piece/piece";
import { suppliesOf } from "@/core/stock/supplies";
import { seeded } from "@/sim/random";
import { drawn } from "@/fixtures/drawn";
import { marker, paper, rackOf } from "@/fixtures/studio";
import { PieceProvider } from "@/ui/piece/piece-context";
import { Steps } from "@/ui/piece/steps-view";
import { passAmount, passInWords, passStroke, passWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";

/** Inks of which one, two or three coats were read, or none; dark before light, so that no order is that of the rack. */
const DEPTHS = [34, 92, 58, 77, 45, 86, 66, 25, 71, 52];
const inks = DEPTHS.map((L, i) =>
  marker(`ink${i}`, [L, L - 9, L - 15].slice(0, i % 4 === 3 ? 0 : 1 + (i % 3))),
);
const others = [
  marker("pencil brick", [], { kind: "pencil", drawdowns: { white: [55, 30, 25], black: [30, 15, 12] } }),
  marker("gel white", [96], { kind: "gel pen" }),
];
const rack = rackOf(inks, others);

const next = seeded(20261129);
const pick = <T,>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
const some = <T,>(list: readonly T[], n: number): T[] => [...list].sort(() => next() - 0.5).slice(0, n);

/** An area as it may come about: planned, changed by hand, laid in another order, with anything beneath and over it. */
function randomArea(n: number): Area {
  const codes = some(
    inks.map((i) => i.code),
    2 + Math.floor(next() * 5),
  );
  const tones = codes.map((code, i) => ({
    code,
    coats: 1 + Math.floor(next() * 3),
    ...(i === n % codes.length && { carries: true as const }),
  }));
  const laid = next() < 0.4 ? laidAs(tones, some(tones, tones.length)) : tones;
  const coated = { code: pick(inks).code, coats: 1 + Math.floor(next() * 2) };
  const extras: Layer[] = [
    ...(next() < 0.3 ? [{ medium: "shadow", kind: "underlay", place: "shadow", ...coated } as const] : []),
    ...(next() < 0.3 ? [{ medium: "shadow", kind: "overlay", place: "shadow", ...coated } as const] : []),
    ...(next() < 0.3
      ? [{ medium: "shadow", kind: "warm hint", place: pick(LAYER_PLACES), ...coated } as const]
      : []),
    ...(next() < 0.2
      ? [
          {
            medium: "pencil",
            base: null,
            place: "all",
            steps: [80, 40].map((lightness) => ({
              lightness,
              onPaper: false,
              layers: [{ code: "pencil brick", layers: 2, pressure: "light", part: "over all" } as const],
            })),
          } as const,
        ]
      : []),
    ...(next() < 0.2 ? [{ medium: "finish", code: "gel white", place: "light" } as const] : []),
  ];
  const under = extras.filter((l) => l.medium === "shadow" && l.kind === "underlay");
  const over = extras.filter((l) => !under.includes(l));
  return {
    ...newArea(`a${n}`, `Area ${n}`),
    school: SCHOOLS[n % SCHOOLS.length]!,
    readings: next() < 0.5 ? { local: { lab: [60, 12, 18], spread: 0.4 } } : {},
    place: { at: [[0.5, 0.5]], mm2: 400, part: 400, width: 10 },
    layers: [...under, ...asLayers(laid), ...over],
  };
}

const AREAS = 200;
const piece: Piece = {
  ...newPiece("Kite", paper.id),
  areas: Array.from({ length: AREAS }, (_, n) => randomArea(n)),
  whole: { ...newPiece("", null).whole, underlay: ["ink0", "ink4"] },
};

/** The steps of each area as a page shows them: code and words of each. */
function stepsOn(page: string): Map<string, string[]> {
  const out = new Map<string, string[]>();
  for (const [, name, list] of page.matchAll(
    /<section[^>]*aria-label="(Area \d+)"[^>]*>(.*?)<\/section>/gs,
  )) {
    const rows = [...list!.matchAll(/<li[^>]*>(.*?)<\/li>/gs)].map(([, row]) =>
      row!
        .replaceAll(/<svg.*?<\/svg>/gs, "")
        .replaceAll(/<[^>]*>/g, " ")
        .replaceAll(/\s+/g, " ")
        .replaceAll("&#x27;", "'"),
    );
    out.set(name!, rows);
  }
  return out;
}

const stepsPage = (of: typeof rack) =>
  stepsOn(
    drawn(
      <PieceProvider id="p" revision={1} document={piece} savedBy={null}>
        <Steps piece={piece} rack={of} />
      </PieceProvider>,
    ),
  );

describe("one course of an area", () => {
  const courses = piece.areas.map((a) => areaCourse(a, rack.paper, piece.whole));
  const own = courses.map(({ passes }) => passes.filter((p) => !p.ofWhole));

  it.each([
    ["Steps", rack],
    ["the page of a link", usedOf(rack, piece)],
  ])("is what %s says, in its words", (_, of) => {
    const page = stepsPage(of);
    piece.areas.forEach((area, n) => {
      const rows = page.get(area.name)!;
      expect(rows).toHaveLength(own[n]!.length);
      rows.forEach((row, i) => {
        const pass = own[n]![i]!;
        expect(row).toContain(` ${pencilName(pass.code)} `);
        expect(row.includes("when dry: ")).toBe(pass.dry);
        for (const words of [passAmount(pass), passWhere(pass), passStroke(pass)])
          expect(row).toContain(words);
      });
    });
  });
  it("is what the guide says", () => {
    const [whole, ...chapters] = guideChapters(piece, rack.paper);
    expect(whole!.steps.map((s) => s.code)).toEqual(piece.whole.underlay);
    expect(chapters.map((c) => c.steps.map(({ code, says }) => [code, says]))).toEqual(
      own.map((passes) => passes.map((p) => [p.code, passInWords(p)])),
    );
  });
  it("is what the colouring lays", async () => {
    const data = Uint16Array.from({ length: AREAS * 4 }, (_, p) => 1 + (p >> 2));
    const labels = { width: 4, height: AREAS, data: Buffer.from(data.buffer).toString("base64") };
    const ids = piece.areas.map((a) => a.id);
    const numbered = shownQuestion(piece, rack);
    const { areas } = await runOperation("render", {
      ...deskOfRack(rack),
      labels,
      mmPerPixel: 1,
      values: { width: 4, height: AREAS, data: Buffer.alloc(AREAS * 4, 128).toString("base64") },
      ...numbered,
      areas: numbered.areas.map((a) => ({ ...a, id: ids.indexOf(a.id) + 1 })),
    });
    const plain = (passes: readonly unknown[]) => JSON.parse(JSON.stringify(passes)) as unknown;
    areas.forEach(({ id, passes }) => expect(plain(passes)).toEqual(plain(courses[Number(id) - 1]!.passes)));
    expect(areas).toHaveLength(AREAS);
  });
  it("is what Colour is told of the group, where all of it was read", async () => {
    const read = new Set(inks.filter((i) => i.swatches.length).map((i) => i.code));
    const asked = keptQuestions(rack, piece).filter(({ id }) =>
      piece.areas
        .find((a) => a.id === id)!
        .layers.every((l) => (l.medium !== "tone" && l.medium !== "shadow" ? true : read.has(l.code))),
    );
    expect(asked.length).toBeGreaterThan(20);
    const answer = await runOperation("assessAreas", {
      ...deskOfRack(rack),
      areas: asked.map(({ id, question }) => ({ id, ...question })),
    });
    for (const { id, group } of answer.areas) {
      const n = piece.areas.findIndex((a) => a.id === id);
      const tones = courses[n]!.passes.filter((p) => group.tones.some((t) => t.role === p.role));
      const said = group.passes.filter((p) => group.tones.some((t) => t.role === p.role));
      expect(group.local).toBe(courses[n]!.local);
      expect(said.map((p) => [p.code, p.coats, p.role, p.where, p.from, p.to])).toEqual(
        tones.map((p) => [p.code, p.coats, p.role, p.where, p.from, p.to]),
      );
    }
  });
  it("takes in hand what the supply list names, and nothing else", () => {
    const listed = new Set(suppliesOf(piece, [...rack.markers, ...rack.others]).map((s) => s.code));
    expect(new Set(courses.flatMap((c) => c.passes.map((p) => p.code)))).toEqual(listed);
  });
});
