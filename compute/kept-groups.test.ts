import { clay, jar, marker, pieceOf, rackOf, skin } from "@/fixtures/studio";
import { newArea } from "@/core/piece/piece";
import { deskOfRack } from "./from-rack";
import { keptQuestions } from "./kept-groups";
import { runOperation } from "./run";

const rack = rackOf(clay, jar);
const piece = pieceOf(skin, newArea("sky", "Sky"));
const nameIn = (...of: Parameters<typeof keptQuestions>) => keptQuestions(...of).map((q) => q.name);

describe("what is asked of kept groups", () => {
  it("is asked of areas that have one, with what was read on the paper", () => {
    const [only, ...others] = keptQuestions(rack, piece);
    expect(others).toEqual([]);
    expect(only).toMatchObject({
      id: "skin",
      question: {
        tones: [
          { code: "clay1", coats: 1 },
          { code: "clay3", coats: 2 },
          { code: "clay7", coats: 1 },
        ],
        beneath: ["clay5", "clay5"],
        material: "skin",
      },
    });
    const unread = rackOf([clay[0]!, marker("clay3"), marker("clay7")]);
    expect(keptQuestions(unread, piece)).toEqual([]);
  });
  it("is answered by an operation", async () => {
    const [asked] = keptQuestions(rack, piece);
    const answer = await runOperation("assessAreas", {
      ...deskOfRack(rack),
      areas: [{ id: asked!.id, ...asked!.question }],
    });
    expect(answer.areas[0]!.group.tones.map((t) => t.code)).toEqual(["clay1", "clay3", "clay7"]);
    expect(answer.areas[0]!.group.strip.length).toBeGreaterThan(3);
  });
  it("has the same name for what the server has and what the browser was sent", () => {
    expect(nameIn(JSON.parse(JSON.stringify(rack)) as typeof rack, piece)).toEqual(nameIn(rack, piece));
  });
  it("has another name as soon as anything of it is another", () => {
    const names = [
      ...nameIn(rack, piece),
      ...nameIn(rackOf([marker("clay1", [87, 80, 74]), ...clay.slice(1)], jar), piece),
      ...nameIn(rackOf(clay, jar, { paper: { ...rack.paper, capacity: 5 } }), piece),
      ...nameIn(rackOf(clay, jar, { paper: { ...rack.paper, light: "A" } }), piece),
      ...nameIn(rack, pieceOf({ ...skin, material: "hair" })),
      ...nameIn(rack, pieceOf({ ...skin, layers: skin.layers.slice(1) })),
    ];
    expect(names).toHaveLength(6);
    expect(new Set(names).size).toBe(6);
  });
});
