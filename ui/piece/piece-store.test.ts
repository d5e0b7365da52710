import { newPiece } from "@/core/piece/piece";
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
