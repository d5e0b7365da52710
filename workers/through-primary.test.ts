import { EventEmitter } from "node:events";
import type { Worker } from "node:cluster";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { closePool } from "./server-pool";
import { computeFor, type Answer, type Question } from "./through-primary";

const [paper, inks] = scannedDesk(8, 3);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const many = Array.from({ length: 40 }, (_, i) => ({ ...desk.inks[i % 3]!, code: `ink${i}` }));
const endless = { ...desk, inks: many, target: { lab: [50, 10, 10] }, search: "exhaustive", maxCoats: 6 };

/** A process that answers people, without the process. */
class Stub extends EventEmitter {
  readonly answers: Answer[] = [];
  connected = true;
  send(answer: Answer): boolean {
    this.answers.push(answer);
    this.emit("answer");
    return true;
  }
  isConnected = () => this.connected;
  ask = (question: Question) => this.emit("message", question);
  async answer(ask: number): Promise<Answer> {
    for (;;) {
      const there = this.answers.find((a) => a.ask === ask);
      if (there) return there;
      await new Promise((r) => this.once("answer", r));
    }
  }
}
const begun = () => {
  const stub = new Stub();
  computeFor(stub as unknown as Worker);
  return stub;
};

afterAll(closePool);

describe("the process that computes for others", () => {
  it("answers each question under its number, wrong ones with what is wrong", async () => {
    const one = begun();
    one.ask({ ask: 1, name: "predict", input: { ...desk, stacks: [[inks[0]!.code]] } });
    one.ask({ ask: 2, name: "predict", input: { ...desk, stacks: [["nobody"]] } });
    expect(await one.answer(1)).toMatchObject({ output: { stacks: [{ measured: true }] } });
    expect(await one.answer(2)).toMatchObject({
      problems: [{ path: expect.stringMatching(/^stacks/) as string }],
    });
  });
  it("keeps a desk for all of them", async () => {
    const [one, other] = [begun(), begun()];
    one.ask({ ask: 1, name: "open", input: desk });
    const opened = (await one.answer(1)) as unknown as { output: { desk: string } };
    other.ask({ ask: 1, name: "predict", input: { desk: opened.output.desk, stacks: [[inks[1]!.code]] } });
    expect(await other.answer(1)).toHaveProperty("output.stacks");
  });
  it("stops what is not wanted any more, and what a dead process had asked", async () => {
    const one = begun();
    one.ask({ ask: 1, name: "match", input: endless });
    setTimeout(() => one.ask({ stop: 1 }), 300);
    expect(await one.answer(1)).toEqual({ ask: 1, cancelled: true });
    const dead = begun();
    dead.ask({ ask: 1, name: "match", input: endless });
    setTimeout(() => {
      dead.connected = false;
      dead.emit("exit");
    }, 300);
    // The thread is free again long before it would have been stopped for its length.
    one.ask({ ask: 2, name: "predict", input: { ...desk, stacks: [[inks[0]!.code]] } });
    expect(await one.answer(2)).toHaveProperty("output");
    expect(dead.answers).toEqual([]);
  });
});
