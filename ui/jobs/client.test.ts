import { MessageChannel } from "node:worker_threads";
import { expose, type Endpoint } from "comlink";
import type { BadInput } from "@/border/problem";
import type { ReadRack } from "@/compute/from-rack";
import { scannedDesk } from "@/fixtures/scanned-desk";
import { computeApi } from "@/workers/compute-api";
import type * as Client from "./client";

const [paper, inks] = scannedDesk(8, 3);
const rackWith = (own: typeof inks): ReadRack => ({
  paper: { lab: paper, grain: null, light: "D65" },
  markers: own.map(({ code, coats }) => ({
    code,
    owned: true,
    state: "full",
    swatches: coats.map(({ lab }) => ({ lab })),
  })),
  overlays: [],
  others: [],
  strips: [],
  blends: [],
});
const rack = rackWith(inks);
/** Large enough that trying every stack takes far longer than it takes to stop it. */
const large = rackWith(scannedDesk(30, 3)[1]);
const code = inks[0]!.code;
const target = { lab: inks[3]!.coats[0]!.lab };

/** A worker as a browser has it, with the real operations behind a real channel. */
class FakeWorker {
  static readonly all: FakeWorker[] = [];
  /** What was asked of it, by name. */
  readonly asked: string[] = [];
  onerror: (() => void) | null = null;
  onmessageerror: (() => void) | null = null;
  ended = false;
  private readonly ids: number[] = [];
  private readonly channel = new MessageChannel();

  constructor() {
    FakeWorker.all.push(this);
    const run: typeof computeApi.run = (id, name, input, onProgress) => {
      this.asked.push(name);
      this.ids.push(id);
      return computeApi.run(id, name, input, onProgress);
    };
    const takeField: typeof computeApi.takeField = (field) => {
      this.asked.push("takeField");
      return computeApi.takeField(field);
    };
    expose({ ...computeApi, run, takeField }, this.channel.port2 as unknown as Endpoint);
  }
  postMessage(...args: Parameters<Endpoint["postMessage"]>): void {
    (this.channel.port1 as unknown as Endpoint).postMessage(...args);
  }
  addEventListener(...args: Parameters<Endpoint["addEventListener"]>): void {
    (this.channel.port1 as unknown as Endpoint).addEventListener(...args);
    this.channel.port1.start();
  }
  removeEventListener(...args: Parameters<Endpoint["removeEventListener"]>): void {
    (this.channel.port1 as unknown as Endpoint).removeEventListener(...args);
  }
  terminate(): void {
    this.ended = true;
    // A real one takes its work with it.
    this.ids.forEach((id) => computeApi.stop(id));
    this.channel.port1.close();
  }
}

let client: typeof Client;

beforeEach(async () => {
  FakeWorker.all.length = 0;
  (globalThis as unknown as { Worker: unknown }).Worker = FakeWorker;
  jest.resetModules();
  client = await import("./client");
});
afterEach(() => FakeWorker.all.forEach((w) => w.terminate()));

const worker = () => FakeWorker.all.at(-1)!;
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => undefined,
    (e: unknown) => e as BadInput,
  );

describe("the way to the worker", () => {
  it("opens a rack's desk once, whatever is asked of it", async () => {
    const { stacks } = await client.ask("predict", rack, { stacks: [[code]] });
    expect(stacks[0]!.measured).toBe(true);
    await client.ask("predict", rack, { stacks: [[code, code]] });
    await client.ask("match", { ...rack }, { target, maxInks: 1, maxCoats: 2 });
    expect(worker().asked).toEqual(["open", "predict", "predict", "match"]);
    expect(FakeWorker.all).toHaveLength(1);
  });

  it("opens another desk when what the rack says has changed, and again when it was put away", async () => {
    const changed = (i: number): ReadRack => ({ ...rack, paper: { ...rack.paper, grain: i / 100 } });
    for (let i = 1; i <= 8; i++) await client.ask("predict", changed(i), { stacks: [] });
    expect(worker().asked.filter((n) => n === "open")).toHaveLength(8);
    // Only a few stay open; the first must be opened anew, and nobody notices.
    await client.ask("predict", changed(1), { stacks: [] });
    expect(worker().asked.slice(-3)).toEqual(["predict", "open", "predict"]);
  });

  it("looks at drawings in a worker of their own, and hands them to the desk once", async () => {
    const labels = { width: 16, height: 16, data: Buffer.alloc(512, 1).toString("base64") };
    const { field } = await client.compute("light", { labels });
    const areas = [{ id: "257", layers: [{ medium: "tone", code, coats: 1 }] }];
    const { rgba } = await client.ask("render", rack, { field, areas });
    await client.ask("render", rack, { field, areas, texture: 0 });
    const [drawing, desk] = FakeWorker.all;
    expect(rgba).toHaveLength(16 * 16 * 4);
    expect(drawing!.asked).toEqual(["light"]);
    expect(desk!.asked).toEqual(["open", "takeField", "render", "render"]);
  });

  it("hands values over again that the desk has put away, and says which are nowhere", async () => {
    const labels = { width: 16, height: 16, data: Buffer.alloc(512, 1).toString("base64") };
    const lit = (height: number) =>
      client.compute("light", { labels, light: { main: { from: 0, height, behind: false, strength: 1 } } });
    const { field } = await lit(40);
    await client.ask("render", rack, { field, areas: [] });
    // Twelve are kept.
    for (let h = 41; h < 54; h++) await lit(h);
    const gone = await refusal(client.ask("render", rack, { field, areas: [] }));
    expect(gone!.problems.map((p) => p.path)).toEqual(["field"]);
    await lit(40);
    const { width } = await client.ask("render", rack, { field, areas: [] });
    expect(width).toBe(16);
  });

  it("brings every problem back with its path", async () => {
    const refused = await refusal(client.ask("match", rack, { target: "red", maxInks: 9 }));
    expect(refused!.name).toBe("BadInput");
    expect(refused!.problems.map((p) => p.path)).toEqual(["target", "maxInks"]);
  });

  it("tells progress, and stops when it is told to", async () => {
    const shares: number[] = [];
    const controller = new AbortController();
    const work = client.ask(
      "match",
      large,
      { target, search: "exhaustive", maxCoats: 6 },
      {
        signal: controller.signal,
        onProgress: (s) => {
          shares.push(s);
          controller.abort();
        },
      },
    );
    const stopped = await refusal(work);
    expect(stopped!.name).toBe("AbortError");
    expect(shares.length).toBeGreaterThan(0);
  });

  it("is not begun when it was stopped before", async () => {
    const stopped = await refusal(client.compute("predict", {}, { signal: AbortSignal.abort() }));
    expect(stopped!.name).toBe("AbortError");
    expect(FakeWorker.all).toHaveLength(0);
  });

  it.each(["onerror", "onmessageerror"] as const)(
    "says in words that the worker died (%s), and starts another for the next question",
    async (way) => {
      const waiting = refusal(client.ask("match", large, { target, search: "exhaustive", maxCoats: 6 }));
      while (!worker()?.asked.includes("match")) await new Promise((r) => setTimeout(r, 5));
      const first = worker();
      first[way]!();
      expect((await waiting)!.message).toMatch(/computing part of this page stopped/);
      expect(first.ended).toBe(true);
      const { stacks } = await client.ask("predict", rack, { stacks: [[code]] });
      expect(stacks).toHaveLength(1);
      expect(FakeWorker.all).toHaveLength(2);
    },
  );
});
