import "fake-indexeddb/auto";
import type { WorkEvent } from "@/core/work/record";
import { keptEvents } from "./kept-events";
import { keptPhotos } from "./kept-photos";
import { createWorkLog, type WorkLog } from "./work-log";

const page = new EventTarget();
Object.assign(globalThis, {
  window: page,
  document: Object.assign(new EventTarget(), { visibilityState: "visible", querySelector: () => null }),
});

/** A studio that keeps what it is sent, and can be away or answer badly. */
function studio() {
  const there = new Map<string, WorkEvent>();
  const calls: number[] = [];
  const pictures: string[] = [];
  const state = { away: false, loseAnswers: 0, refuse: false, losePictures: 0, refusePictures: false };
  const said = (status: number, value: object) =>
    Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(value) });
  const fetch = jest.fn((_: string, { body }: { body?: string | FormData }) => {
    if (body instanceof FormData) {
      if (state.away) return Promise.reject(new TypeError("away"));
      if (state.refusePictures) return said(422, { message: "That is no picture." });
      const id = body.get("id") as string;
      pictures.push(id);
      return state.losePictures-- > 0 ? Promise.reject(new TypeError("torn")) : said(201, { id });
    }
    const sent = body ? (JSON.parse(body) as { events: WorkEvent[] }).events : [];
    calls.push(sent.length);
    if (state.away) return Promise.reject(new TypeError("away"));
    if (state.refuse)
      return Promise.resolve({ ok: false, status: 400, json: () => Promise.resolve({ message: "no" }) });
    for (const e of sent) if (!there.has(e.id)) there.set(e.id, e);
    if (state.loseAnswers-- > 0) return Promise.reject(new TypeError("torn"));
    return Promise.resolve({
      ok: true,
      status: 200,
      json: () => Promise.resolve({ events: [...there.values()] }),
    });
  });
  Object.assign(globalThis, { fetch });
  return { there, calls, state, pictures };
}
// What is sent again waits for seconds first, and longer on a busy machine.
jest.setTimeout(30_000);

const settled = async (of: () => boolean) => {
  for (let k = 0; k < 2000 && !of(); k++) await new Promise((r) => setTimeout(r, 10));
  expect(of()).toBe(true);
};
const ids = (log: WorkLog) => log.log.getState().events.map((e) => e.id);

describe("the log of a desk", () => {
  let n = 0;
  let piece = "";
  let stops: (() => void)[] = [];
  beforeEach(() => (piece = `piece-${++n}`));
  afterEach(() => {
    stops.forEach((s) => s());
    stops = [];
  });
  const begun = (known: readonly WorkEvent[] = []) => {
    const log = createWorkLog(piece, known, true);
    stops.push(log.start());
    return log;
  };

  it("shows at once what happened, and sends it once", async () => {
    const { there } = studio();
    const log = begun();
    const id = log.add({ kind: "begun" });
    expect(ids(log)).toEqual([id]);
    await settled(() => log.log.getState().state.kind === "saved");
    expect([...there.keys()]).toEqual([id]);
    expect((await keptEvents(piece)).unsent).toEqual([]);
  });
  const photo = new Blob(["a picture"], { type: "image/png" });
  it("keeps a photo that cannot be sent, tells of it once the studio has it, and sends it by one id", async () => {
    const { there, state, pictures } = studio();
    state.away = true;
    const first = begun();
    expect(await first.photograph(photo, "roof.png", "the roof")).toBe(true);
    await settled(() => first.log.getState().state.kind === "waiting");
    expect(first.log.getState()).toMatchObject({ unsent: 1, events: [] });
    stops.forEach((s) => s());
    // The tab was closed; another one finds the photo, and the answer to it is lost.
    Object.assign(state, { away: false, losePictures: 1 });
    const later = begun();
    await settled(() => there.size === 1);
    expect(new Set(pictures).size).toBe(1);
    expect(pictures).toHaveLength(2);
    expect([...there.values()]).toMatchObject([
      { kind: "photographed", note: "the roof", pictureId: pictures[0] },
    ]);
    await settled(() => later.log.getState().unsent === 0);
    expect(await keptPhotos(piece)).toEqual([]);
  });
  it("says of a photo that the studio will never take why, and goes on", async () => {
    const { there, state } = studio();
    state.refusePictures = true;
    const log = begun();
    await log.photograph(photo, "roof.png", "");
    log.add({ kind: "begun" });
    await settled(() => there.size === 2);
    expect([...there.values()].find((e) => e.kind === "noted")).toMatchObject({
      note: "(a photo was not taken: That is no picture.)",
    });
    expect(await keptPhotos(piece)).toEqual([]);
  });
  it("keeps what cannot be sent, and sends it in its order when the studio is back", async () => {
    const { there, state } = studio();
    state.away = true;
    const log = begun();
    const notes = ["one", "two", "three"].map((note) => log.add({ kind: "noted", note }));
    await settled(() => log.log.getState().state.kind === "waiting");
    expect((await keptEvents(piece)).unsent).toHaveLength(3);
    state.away = false;
    page.dispatchEvent(new Event("online"));
    await settled(() => log.log.getState().state.kind === "saved" && there.size === 3);
    expect([...there.keys()]).toEqual(notes);
  });
  it("sends again what a browser that was killed had not sent", async () => {
    const { there, state } = studio();
    state.away = true;
    const first = begun();
    const id = first.add({ kind: "noted", note: "kept" });
    await settled(() => first.log.getState().state.kind === "waiting");
    stops.forEach((s) => s());
    state.away = false;
    const second = begun();
    await settled(() => there.has(id));
    await settled(() => second.log.getState().state.kind === "saved");
    expect(ids(second)).toEqual([id]);
  });
  it("has once what was sent twice because the answer was lost", async () => {
    const { there, state, calls } = studio();
    state.loseAnswers = 1;
    const log = begun();
    log.add({ kind: "begun" });
    // What was kept is read meanwhile and sends again at once: the wait may be over before it is looked at.
    const again = () => calls.filter((c) => c === 1).length > 1;
    await settled(() => log.log.getState().state.kind === "waiting" || again());
    page.dispatchEvent(new Event("online"));
    await settled(() => log.log.getState().state.kind === "saved");
    expect(there.size).toBe(1);
    expect(again()).toBe(true);
    expect(ids(log)).toHaveLength(1);
  });
  it("puts what happens after a clock was set back behind what happened before", async () => {
    studio();
    const log = begun([{ id: "old", kind: "begun", at: Date.now() + 3_600_000 }]);
    const id = log.add({ kind: "paused" });
    expect(ids(log)).toEqual(["old", id]);
  });
  it("says what the studio will not take, and loses none of it", async () => {
    const { state } = studio();
    state.refuse = true;
    const log = begun();
    log.add({ kind: "begun" });
    await settled(() => log.log.getState().state.kind === "refused");
    expect((await keptEvents(piece)).unsent).toHaveLength(1);
  });
});
