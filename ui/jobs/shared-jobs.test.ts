import { sharedJobs } from "./shared-jobs";

/** A job that ends when it is told to. */
function manual() {
  const started: {
    signal: AbortSignal;
    progress: (share: number, soFar?: unknown) => void;
    end: (v: unknown) => void;
    fail: () => void;
  }[] = [];
  const start = (signal: AbortSignal, progress: (share: number, soFar?: unknown) => void) =>
    new Promise<unknown>((end, reject) =>
      started.push({ signal, progress, end, fail: () => reject(new Error("broken")) }),
    );
  return { started, start };
}
const nothing = () => undefined;
const settle = () => new Promise((r) => setTimeout(r, 0));

describe("shared jobs", () => {
  it("answer the same question asked twice with one job, and keep the answer", async () => {
    const jobs = sharedJobs();
    const { started, start } = manual();
    const [one, two] = [jobs.join("q", start, nothing), jobs.join("q", start, nothing)];
    expect(started).toHaveLength(1);
    started[0]!.end(42);
    expect(await Promise.all([one.answer, two.answer])).toEqual([42, 42]);
    expect(jobs.known("q")).toBe(42);
  });

  it("tell everyone who waits what is known so far", () => {
    const jobs = sharedJobs();
    const { started, start } = manual();
    const heard: unknown[] = [];
    jobs.join("q", start, (_, soFar) => heard.push(soFar));
    jobs.join("q", start, (_, soFar) => heard.push(soFar));
    started[0]!.progress(0.2, "near");
    expect(heard).toEqual(["near", "near"]);
    expect(jobs.known("q")).toBeUndefined();
  });

  it("tell everyone who waits how far they are", () => {
    const jobs = sharedJobs();
    const { started, start } = manual();
    const heard: string[] = [];
    jobs.join("q", start, (s) => heard.push(`a ${s}`));
    jobs.join("q", start, (s) => heard.push(`b ${s}`));
    started[0]!.progress(0.5);
    expect(heard).toEqual(["a 0.5", "b 0.5"]);
  });

  it("go on while one still waits, and stop when the last has left", () => {
    const jobs = sharedJobs();
    const { started, start } = manual();
    const same = nothing;
    const [one, two] = [jobs.join("q", start, same), jobs.join("q", start, same)];
    one.leave();
    one.leave();
    expect(started[0]!.signal.aborted).toBe(false);
    two.leave();
    expect(started[0]!.signal.aborted).toBe(true);
    jobs.join("q", start, nothing);
    expect(started).toHaveLength(2);
  });

  it("are begun again after they failed, and keep nothing of it", async () => {
    const jobs = sharedJobs();
    const { started, start } = manual();
    const first = jobs.join("q", start, nothing);
    started[0]!.fail();
    await expect(first.answer).rejects.toThrow("broken");
    await settle();
    expect(jobs.known("q")).toBeUndefined();
    jobs.join("q", start, nothing);
    expect(started).toHaveLength(2);
  });

  it("forget the oldest answers first", async () => {
    const jobs = sharedJobs();
    for (let i = 0; i < 230; i++) await jobs.join(`q${i}`, () => Promise.resolve(i), nothing).answer;
    expect(jobs.known("q0")).toBeUndefined();
    expect(jobs.known("q229")).toBe(229);
  });
});
