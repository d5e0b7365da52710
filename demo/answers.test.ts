import { readFileSync } from "node:fs";
import { answerOf, workedOut } from "./answers";

const kept = JSON.parse(readFileSync(new URL("./answers.json", `file://${__dirname}/`), "utf8")) as {
  readonly build: string;
  readonly answers: Readonly<Record<string, unknown>>;
};
const desk = {
  paper: { color: "#f4f5ec" },
  inks: [{ code: "a", coats: ["#ecd0c0"] }],
};

describe("the demo's answers", () => {
  it("are kept by what was asked, each once", () => {
    expect(Object.keys(kept.answers).length).toBeGreaterThan(30);
    for (const key of Object.keys(kept.answers)) expect(key).toMatch(/^[0-9a-z]+-[0-9a-z]+-[0-9a-z]+$/);
  });
  it("are worked out when something else is asked, and then known", async () => {
    const before = workedOut();
    const answer = await answerOf("predict", { ...desk, stacks: [["a"]] }, (o) => o.stacks[0]!.hex);
    expect(answer).toBe("#ecd0c0");
    expect(workedOut()).toBe(before + 1);
  });
});
