import { BadInput } from "@/border/problem";
import { spoilt } from "@/fixtures/malformed";
import { questions } from "@/fixtures/sound";
import { seeded } from "@/sim/random";
import { runOperation } from "./run";
import { operationNames } from "./table";

const TRIES = 16;

it("has a sound question of every operation to spoil", () =>
  expect(Object.keys(questions).sort()).toEqual([...operationNames].sort()));

describe.each(Object.keys(questions))("%s", (name) => {
  it("answers, or refuses by field and in words, whatever is put into its question", async () => {
    const random = seeded(name.length * 97);
    for (let i = 0; i < TRIES; i++) {
      const input = spoilt(questions[name]!, random);
      const said = await runOperation(name, input).then(
        () => "an answer",
        (e: unknown) =>
          e instanceof BadInput ? "a refusal" : `${String(e)} at ${JSON.stringify(input).slice(0, 400)}`,
      );
      expect(["an answer", "a refusal"]).toContain(said);
    }
  });
});
