import { BadInput } from "@/border/problem";
import { Cancelled } from "@/core/progress";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { askInThread, Busy, closePool } from "./server-pool";

const [paper, inks] = scannedDesk(8, 3);
const desk = {
  paper: { color: { lab: paper } },
  inks: inks.map(({ code, coats }) => ({ code, coats: coats.map((c) => ({ lab: c.lab })) })),
};
const code = inks[0]!.code;
const going = new AbortController().signal;

afterAll(closePool);

describe("the server's threads", () => {
  it("answer as the operations do", async () => {
    const { stacks } = (await askInThread("predict", { ...desk, stacks: [[code]] }, going)) as {
      stacks: { measured: boolean; lab: number[] }[];
    };
    expect(stacks[0]).toMatchObject({ measured: true, lab: inks[0]!.coats[0]!.lab });
  });
  it("bring every problem back with its path", async () => {
    const refused = await askInThread("predict", { ...desk, stacks: [["nobody"]], spoon: 1 }, going).then(
      () => undefined,
      (e: unknown) => e,
    );
    expect(refused).toBeInstanceOf(BadInput);
    expect((refused as BadInput).problems.map((p) => p.path)).toContain("spoon");
  });
  it("are stopped in the middle of whatever they do, and the next question has another; pages have one that waits for nobody", async () => {
    const controller = new AbortController();
    const many = Array.from({ length: 40 }, (_, i) => ({
      ...desk.inks[i % desk.inks.length]!,
      code: `ink${i}`,
    }));
    const work = askInThread(
      "match",
      { ...desk, inks: many, target: { lab: [50, 10, 10] }, search: "exhaustive", maxCoats: 6 },
      controller.signal,
    );
    const stopped = expect(work).rejects.toBeInstanceOf(Cancelled);
    const ofPages = (await askInThread("predict", { ...desk, stacks: [[code]] }, going, {
      asker: "pages",
      longest: 30_000,
    })) as { stacks: unknown[] };
    expect(ofPages.stacks).toHaveLength(1);
    controller.abort();
    await stopped;
    const { stacks } = (await askInThread("predict", { ...desk, stacks: [[code]] }, going)) as {
      stacks: unknown[];
    };
    expect(stacks).toHaveLength(1);
  });
  it("are stopped when they take too long, and say so; who has gone before the start costs nothing", async () => {
    const many = Array.from({ length: 40 }, (_, i) => ({
      ...desk.inks[i % desk.inks.length]!,
      code: `ink${i}`,
    }));
    const heavy = { ...desk, inks: many, target: { lab: [50, 10, 10] }, search: "exhaustive", maxCoats: 6 };
    const start = performance.now();
    await expect(askInThread("match", heavy, going, { longest: 1500 })).rejects.toThrow(
      /takes longer than 1.5 s here/,
    );
    expect(performance.now() - start).toBeLessThan(20_000);
    await expect(askInThread("match", heavy, AbortSignal.abort())).rejects.toBeInstanceOf(Cancelled);
  });
  it("go on with those who wait when what was asked before is stopped, and send more of them away than fit", async () => {
    const many = Array.from({ length: 40 }, (_, i) => ({
      ...desk.inks[i % desk.inks.length]!,
      code: `ink${i}`,
    }));
    const heavy = { ...desk, inks: many, target: { lab: [50, 10, 10] }, search: "exhaustive", maxCoats: 6 };
    const [stops, refusals] = [new AbortController(), [] as unknown[]];
    // As many as there are threads, and then as many as may wait.
    const going = Array.from({ length: 4 }, () =>
      askInThread("match", heavy, stops.signal).catch((e: unknown) => e),
    );
    const waiting = Array.from({ length: 40 }, () =>
      askInThread("predict", { ...desk, stacks: [[code]] }, new AbortController().signal).catch(
        (e: unknown) => {
          refusals.push(e);
        },
      ),
    );
    await new Promise((r) => setTimeout(r, 300));
    stops.abort();
    for (const one of await Promise.all(going)) expect(one).toBeInstanceOf(Cancelled);
    const answers = (await Promise.all(waiting)).filter(Boolean);
    expect(answers.length).toBeGreaterThanOrEqual(20);
    expect(answers.length + refusals.length).toBe(40);
    expect(refusals.length).toBeGreaterThan(0);
    for (const one of refusals) expect(one).toBeInstanceOf(Busy);
  });
  it("know a desk by its handle, also a thread that has not opened it", async () => {
    const { desk: handle } = (await askInThread("open", desk, going)) as { desk: string };
    // The thread that opened it may be gone by now; the answer is the same.
    await closePool();
    const { stacks } = (await askInThread("predict", { desk: handle, stacks: [[code]] }, going)) as {
      stacks: unknown[];
    };
    expect(stacks).toHaveLength(1);
    await expect(askInThread("predict", { desk: "nobody", stacks: [] }, going)).rejects.toThrow(
      /desk: expected the handle/,
    );
  });
});
