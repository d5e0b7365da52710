import { newPiece } from "@/core/piece/piece";
import { createAutosave } from "./autosave";
import { createPieceStore } from "./piece-store";

const piece = newPiece("Test", null);

describe("the piece at hand", () => {
  it("undoes and redoes named changes", () => {
    const store = createPieceStore(piece);
    const { run } = store.getState();
    run({ type: "add area", id: "a", name: "Skin" });
    run({ type: "set tones", id: "a", tones: 5 });
    const { undo, redo } = store.temporal.getState();
    undo();
    expect(store.getState()).toMatchObject({ last: "add area", piece: { areas: [{ tones: null }] } });
    undo();
    expect(store.getState().piece).toBe(piece);
    redo();
    redo();
    expect(store.getState().piece.areas[0]!.tones).toBe(5);
  });
  it("what follows from a change is no step of undo, and goes with the change it followed from", () => {
    const store = createPieceStore(piece);
    const { run, follow } = store.getState();
    const place = { at: [[0.5, 0.5]] as const, mm2: 0, part: 0, width: 0 };
    run({ type: "add areas", areas: [{ id: "a", name: "Skin", ...place }] });
    follow({ type: "measure areas", places: [{ id: "a", mm2: 40, part: 40, width: 3 }], touches: [] });
    expect(store.getState()).toMatchObject({ last: "add areas", piece: { areas: [{ place: { mm2: 40 } }] } });
    expect(store.temporal.getState().pastStates).toHaveLength(1);
    run({ type: "mark areas", ids: ["a"], set: { white: true } });
    store.temporal.getState().undo();
    expect(store.getState().piece.areas[0]).toMatchObject({ white: false, place: { mm2: 40 } });
    store.temporal.getState().undo();
    expect(store.getState().piece).toBe(piece);
  });
  it("remembers no change that changed nothing", () => {
    const store = createPieceStore(piece);
    store.getState().run({ type: "set tones", id: "gone", tones: 5 });
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });
});

describe("autosave", () => {
  const drafts = new Map<string, string>();
  const answers: (() => Response)[] = [];
  const sent: { revision: number; document: { name: string } }[] = [];
  const world = globalThis as unknown as Record<string, unknown>;

  beforeEach(() => {
    jest.useFakeTimers();
    drafts.clear();
    answers.length = sent.length = 0;
    world.window = { addEventListener: () => undefined, removeEventListener: () => undefined };
    world.localStorage = {
      getItem: (k: string) => drafts.get(k) ?? null,
      setItem: (k: string, v: string) => drafts.set(k, v),
      removeItem: (k: string) => drafts.delete(k),
    };
    world.fetch = async (_: string, init: { body: string }) => {
      sent.push(JSON.parse(init.body));
      const next = answers.shift();
      if (!next) throw new TypeError("no network");
      return next();
    };
  });
  afterEach(() => jest.useRealTimers());

  const saved = (revision: number) => () => Response.json({ revision });
  const start = () => {
    const store = createPieceStore(piece);
    const autosave = createAutosave("p", 7, store);
    autosave.start();
    return {
      store,
      autosave,
      rename: (name: string) => store.getState().run({ type: "rename piece", name }),
    };
  };

  it("saves once after a burst, and builds on what it saved", async () => {
    const { autosave, rename } = start();
    answers.push(saved(8), saved(9));
    rename("A");
    rename("B");
    await jest.advanceTimersByTimeAsync(1000);
    rename("C");
    await jest.advanceTimersByTimeAsync(1000);
    expect(sent.map((s) => [s.revision, s.document.name])).toEqual([
      [7, "B"],
      [8, "C"],
    ]);
    expect(autosave.state.getState()).toEqual({ kind: "saved" });
    expect(drafts.size).toBe(0);
  });
  it("has nothing to save after an undo to what is stored", async () => {
    const { store, autosave, rename } = start();
    rename("A");
    store.temporal.getState().undo();
    await jest.advanceTimersByTimeAsync(1000);
    expect(sent).toHaveLength(0);
    expect(autosave.state.getState()).toEqual({ kind: "saved" });
    expect(drafts.size).toBe(0);
  });
  it("keeps what it cannot save, says so, and tries again until it is saved", async () => {
    const { autosave, rename } = start();
    rename("A");
    await jest.advanceTimersByTimeAsync(300);
    expect(autosave.state.getState().kind).toBe("waiting");
    expect(JSON.parse([...drafts.values()][0]!)).toMatchObject({ revision: 7, document: { name: "A" } });
    answers.push(() => Response.json({ message: "The store cannot be reached." }, { status: 503 }));
    await jest.advanceTimersByTimeAsync(1100);
    expect(autosave.state.getState()).toEqual({ kind: "waiting", message: "The store cannot be reached." });
    answers.push(saved(8));
    await jest.advanceTimersByTimeAsync(2100);
    expect(autosave.state.getState()).toEqual({ kind: "saved" });
    expect(drafts.size).toBe(0);
  });
  it("never overwrites what was saved elsewhere, and can take it", async () => {
    const { store, autosave, rename } = start();
    const theirs = { revision: 12, document: { ...piece, name: "Theirs" } };
    answers.push(() => Response.json({ theirs }, { status: 409 }));
    rename("Mine");
    await jest.advanceTimersByTimeAsync(300);
    rename("Mine again");
    await jest.advanceTimersByTimeAsync(20_000);
    expect(sent).toHaveLength(1);
    autosave.takeTheirs();
    expect(store.getState().piece.name).toBe("Theirs");
    answers.push(saved(13));
    rename("Next");
    await jest.advanceTimersByTimeAsync(300);
    expect(sent.at(-1)!.revision).toBe(12);
  });
  it("knows its own change again when only the answer was lost", async () => {
    const { autosave, rename } = start();
    rename("A");
    await jest.advanceTimersByTimeAsync(300);
    answers.push(() =>
      Response.json({ theirs: { revision: 8, document: { ...piece, name: "A" } } }, { status: 409 }),
    );
    await jest.advanceTimersByTimeAsync(1100);
    rename("B");
    answers.push(saved(9));
    await jest.advanceTimersByTimeAsync(1000);
    expect(sent.at(-1)!.revision).toBe(8);
    expect(autosave.state.getState().kind).toBe("saved");
  });
});
