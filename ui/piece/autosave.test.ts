import "fake-indexeddb/auto";
import { newPiece } from "@/core/piece/piece";
import { createAutosave } from "./autosave";
import { draftKeeper, draftsOf, dropDraft, thisTab, type Draft } from "./drafts";
import { createPieceStore } from "./piece-store";

const piece = newPiece("Test", null);
const world = globalThis as unknown as Record<string, unknown>;

/** Real time: the browser's store answers in its own. */
const { setImmediate: soon } = globalThis;
const settle = async () => {
  for (let i = 0; i < 40; i++) await new Promise((r) => soon(r));
};

/** Tabs that are open, by the names of their locks. */
const held = new Set<string>();
const answers: (() => Response)[] = [];
const sent: { revision: number; save: string; document: { name: string } }[] = [];
let count = 0;

beforeAll(() => {
  const kept = new Map<string, string>();
  world.sessionStorage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
  };
  Object.defineProperty(world, "navigator", {
    configurable: true,
    value: {
      locks: {
        request: (name: string, _: object, work: (lock: object | null) => unknown) => {
          const free = !held.has(name);
          if (free) held.add(name);
          return Promise.resolve(work(free ? {} : null));
        },
        query: async () => ({ held: [...held].map((name) => ({ name })) }),
      },
    },
  });
  world.window = { addEventListener: () => undefined, removeEventListener: () => undefined };
  world.document = { querySelector: () => null };
});
beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ["setImmediate", "nextTick", "queueMicrotask"] });
  answers.length = sent.length = 0;
  world.fetch = async (_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body));
    const next = answers.shift();
    if (!next) throw new TypeError("no network");
    return next();
  };
});
afterEach(() => jest.useRealTimers());

const saved = (revision: number) => () => Response.json({ revision });
const theirs =
  (revision: number, name: string, savedBy: string | null = null) =>
  () =>
    Response.json({ theirs: { revision, savedBy, document: { ...piece, name } } }, { status: 409 });
const pass = async (ms: number) => {
  await jest.advanceTimersByTimeAsync(ms);
  await settle();
};
/** A piece opened in this tab, as revision 7. */
const start = (id = `piece ${++count}`) => {
  const store = createPieceStore(piece);
  const autosave = createAutosave(id, 7, store);
  autosave.start();
  return {
    id,
    store,
    autosave,
    kind: () => autosave.state.getState().kind,
    rename: (name: string) => store.getState().run({ type: "rename piece", name }),
  };
};
const own = async (id: string) => (await draftsOf(id)).own;

describe("autosave", () => {
  it("saves once after a burst, and builds on what it saved", async () => {
    const { id, kind, rename } = start();
    answers.push(saved(8), saved(9));
    rename("A");
    rename("B");
    await pass(1000);
    rename("C");
    await pass(1000);
    expect(sent.map((s) => [s.revision, s.document.name])).toEqual([
      [7, "B"],
      [8, "C"],
    ]);
    expect(kind()).toBe("saved");
    expect(await own(id)).toBeUndefined();
  });
  it("has nothing to save after an undo to what is stored", async () => {
    const { id, store, kind, rename } = start();
    rename("A");
    store.temporal.getState().undo();
    await pass(1000);
    expect(sent).toHaveLength(0);
    expect(kind()).toBe("saved");
    expect(await own(id)).toBeUndefined();
  });
  it("drafts a change at once, before anything is sent", async () => {
    const { id, rename } = start();
    rename("A");
    await settle();
    expect(sent).toHaveLength(0);
    expect(await own(id)).toMatchObject({ revision: 7, saves: [], document: { name: "A" } });
  });
  it("keeps what it cannot save, says so, and tries again until it is saved", async () => {
    const { id, autosave, kind, rename } = start();
    rename("A");
    await pass(300);
    expect(kind()).toBe("waiting");
    expect(await own(id)).toMatchObject({ revision: 7, saves: [sent[0]!.save], document: { name: "A" } });
    answers.push(() => Response.json({ message: "The store cannot be reached." }, { status: 503 }));
    await pass(1100);
    expect(autosave.state.getState()).toEqual({ kind: "waiting", message: "The store cannot be reached." });
    answers.push(saved(8));
    await pass(2100);
    expect(kind()).toBe("saved");
    expect(await own(id)).toBeUndefined();
  });
  it("takes an answer that was cut off on its way for lost, and asks again by the save's name", async () => {
    const { id, kind, rename } = start();
    const torn = () => new Response('{"revis', { headers: { "content-type": "application/json" } });
    answers.push(torn, () => theirs(8, "A", sent[0]!.save)(), saved(9));
    rename("A");
    await pass(500);
    expect(kind()).toBe("waiting");
    rename("B");
    await pass(8000);
    expect(kind()).toBe("saved");
    expect(sent.at(-1)).toMatchObject({ revision: 8, document: { name: "B" } });
    expect(await own(id)).toBeUndefined();
  });
  it("waits for somebody who has been signed out, and loses nothing", async () => {
    const { id, kind, rename } = start();
    answers.push(() => Response.json({ message: "Sign in first." }, { status: 401 }));
    rename("A");
    await pass(300);
    expect(kind()).toBe("waiting");
    expect(await own(id)).toMatchObject({ document: { name: "A" } });
    answers.push(saved(8));
    await pass(9000);
    expect(kind()).toBe("saved");
  });
  it("never overwrites what was saved elsewhere, and can take it", async () => {
    const { store, autosave, rename } = start();
    answers.push(theirs(12, "Theirs"));
    rename("Mine");
    await pass(300);
    rename("Mine again");
    await pass(20_000);
    expect(sent).toHaveLength(1);
    autosave.takeTheirs();
    expect(store.getState().piece.name).toBe("Theirs");
    answers.push(saved(13));
    rename("Next");
    await pass(300);
    expect(sent.at(-1)!.revision).toBe(12);
  });
  it("knows its own save again when only the answers were lost, whatever was changed since and however it is written", async () => {
    const { kind, rename } = start();
    rename("A");
    await pass(300);
    rename("B");
    await pass(1100);
    // Two answers are lost; the first of the two saves is what is stored.
    expect(sent.map((s) => s.document.name)).toEqual(["A", "B"]);
    answers.push(theirs(8, "A", sent[0]!.save), saved(9));
    rename("C");
    await pass(5000);
    expect(kind()).toBe("saved");
    expect(sent.at(-1)).toMatchObject({ revision: 8, document: { name: "C" } });
  });
  it("takes the same content for its own, in whatever order its fields come", async () => {
    const { kind, rename } = start();
    const reversed = Object.fromEntries(Object.entries({ ...piece, name: "A" }).reverse());
    answers.push(() =>
      Response.json({ theirs: { revision: 8, savedBy: null, document: reversed } }, { status: 409 }),
    );
    rename("A");
    await pass(300);
    expect(kind()).toBe("saved");
  });
  it("does not call saved what may be stored and has been undone since", async () => {
    const { store, kind, rename } = start();
    rename("A");
    await pass(300);
    store.temporal.getState().undo();
    answers.push(theirs(8, "A", sent[0]!.save), saved(9));
    await pass(5000);
    expect(sent.at(-1)).toMatchObject({ revision: 8, document: { name: "Test" } });
    expect(kind()).toBe("saved");
  });
  it("saves and drafts nothing for somebody who looks only", async () => {
    const store = createPieceStore(piece);
    const autosave = createAutosave("looked at", 7, store, false);
    autosave.start();
    store.getState().run({ type: "rename piece", name: "A" });
    await pass(1000);
    expect(sent).toHaveLength(0);
    expect(autosave.state.getState().kind).toBe("looking");
    expect(await own("looked at")).toBeUndefined();
  });
});

describe("drafts", () => {
  const stored = { revision: 7, document: piece, savedBy: null };
  const draft = (name: string, rest: Partial<Draft> = {}) => ({
    revision: 7,
    saves: [],
    document: { ...piece, name },
    ...rest,
  });
  /** What another tab, which is gone or not, left. */
  async function leave(pieceId: string, tab: string, name: string): Promise<void> {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open("blendt", 1);
      open.onsuccess = () => resolve(open.result);
    });
    const tx = db.transaction("drafts", "readwrite");
    const { document, ...rest } = draft(name);
    tx.objectStore("drafts").put({ ...rest, json: JSON.stringify(document), pieceId, tab, at: 5 });
    await new Promise((resolve) => (tx.oncomplete = resolve));
    db.close();
  }

  it("of this tab are taken up again after it was reloaded", async () => {
    const id = "reloaded";
    draftKeeper(id)(draft("Not saved"));
    await settle();
    const { store, autosave } = start(id);
    await autosave.restore(stored);
    expect(store.getState().piece.name).toBe("Not saved");
    answers.push(saved(8));
    await pass(300);
    expect(sent.at(-1)).toMatchObject({ revision: 7, document: { name: "Not saved" } });
  });
  it("go on from a save whose answer was lost when the browser was killed", async () => {
    const id = "killed";
    draftKeeper(id)(draft("Later still", { saves: ["s"] }));
    await settle();
    const store = createPieceStore({ ...piece, name: "Stored" });
    const autosave = createAutosave(id, 8, store);
    autosave.start();
    await autosave.restore({ revision: 8, document: store.getState().piece, savedBy: "s" });
    answers.push(saved(9));
    await pass(300);
    expect(sent.at(-1)).toMatchObject({ revision: 8, document: { name: "Later still" } });
  });
  it("of another tab that is open are left alone; of one that is gone they are offered", async () => {
    const id = "two tabs";
    await thisTab();
    await leave(id, "open", "Theirs");
    await leave(id, "gone", "Left behind");
    held.add("blendt-tab-open");
    const { store, autosave, rename } = start(id);
    await autosave.restore(stored);
    expect(store.getState().piece.name).toBe("Test");
    expect(autosave.left.getState().map((d) => d.document.name)).toEqual(["Left behind"]);
    // This tab's saving deletes neither.
    answers.push(saved(8));
    rename("Mine");
    await pass(1000);
    expect((await draftsOf(id)).left.map((d) => d.tab)).toEqual(["gone"]);
    held.delete("blendt-tab-open");
    expect((await draftsOf(id)).left.map((d) => d.tab).sort()).toEqual(["gone", "open"]);
    autosave.takeUp(autosave.left.getState()[0]!);
    expect(store.getState().piece.name).toBe("Left behind");
    store.temporal.getState().undo();
    expect(store.getState().piece.name).toBe("Mine");
    await settle();
    expect((await draftsOf(id)).left.map((d) => d.tab)).toEqual(["open"]);
  });
  it("that say what is stored already are dropped", async () => {
    const id = "the same";
    await leave(id, "gone", "Test");
    const { autosave } = start(id);
    await autosave.restore(stored);
    await settle();
    expect(autosave.left.getState()).toEqual([]);
    expect((await draftsOf(id)).left).toEqual([]);
  });
  it("can be dropped, and kept as a piece of their own", async () => {
    const id = "copied";
    await leave(id, "gone", "Left");
    const { autosave } = start(id);
    await autosave.restore(stored);
    answers.push(() => Response.json({ id: "new" }, { status: 201 }));
    expect(await autosave.copyOf(autosave.left.getState()[0]!)).toBe("new");
    expect(sent.at(-1)).toMatchObject({ name: "Left (copy)" });
    await settle();
    expect((await draftsOf(id)).left).toEqual([]);
    await dropDraft({ pieceId: id, tab: "nobody" });
  });
});
