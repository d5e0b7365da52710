"use client";
import { createContext, useContext, useEffect, useState, type ReactNode } from "react";
import { createStore, useStore } from "zustand";
import type { JudgedGroups } from "@/compute/kept-groups";
import type { Command } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";
import { JudgedProvider } from "./group/judged";
import { createAutosave, type Autosave, type SaveState } from "./autosave";
import type { Draft } from "./drafts";
import { createPieceStore, type PieceStore } from "./piece-store";
import { useMayChange } from "@/ui/studio/studio-context";

interface Handles {
  readonly id: string;
  readonly store: PieceStore;
  readonly autosave: Autosave | undefined;
}

const NONE_JUDGED: JudgedGroups = [];

const PieceContext = createContext<Handles | undefined>(undefined);

/** Pieces opened in this tab: their undo and what is known of their saving outlive a view, whichever page the history brings back. */
const opened = new Map<string, Handles>();

/** Holds the piece at hand for the views of it, and saves it. Give it the piece's id as key. */
export function PieceProvider({
  id,
  revision,
  document,
  savedBy,
  judged = NONE_JUDGED,
  children,
}: {
  id: string;
  revision: number;
  document: Piece;
  /** The save that made this revision. */
  savedBy: string | null;
  /** What the server knows of its kept groups. */
  judged?: JudgedGroups;
  children: ReactNode;
}) {
  const mayChange = useMayChange();
  // The server's copy is only the start; later renders of the page must not throw away what was done since.
  const [handles] = useState<Handles>(() => {
    const store = createPieceStore(document);
    if (typeof window === "undefined") return { id, store, autosave: undefined };
    const known = opened.get(id);
    if (known) return known;
    const autosave = createAutosave(id, revision, store, mayChange);
    void autosave.restore({ revision, document, savedBy });
    const handles = { id, store, autosave };
    opened.set(id, handles);
    return handles;
  });
  useEffect(() => {
    const stop = handles.autosave?.start();
    handles.autosave?.catchUp(revision, document);
    return stop;
  }, [handles, revision, document]);
  return (
    <PieceContext value={handles}>
      <JudgedProvider judged={judged}>{children}</JudgedProvider>
    </PieceContext>
  );
}

export function usePieceHandles(): Handles {
  const handles = useContext(PieceContext);
  if (!handles) throw new Error("a piece's view stands outside its PieceProvider");
  return handles;
}

export const usePiece = (): Piece => useStore(usePieceHandles().store, (s) => s.piece);
export const useRun = (): ((command: Command) => void) => useStore(usePieceHandles().store, (s) => s.run);

const noDrafts = createStore<readonly Draft[]>(() => []);
/** What tabs that are gone did not save of this piece. */
export const useLeftDrafts = (): readonly Draft[] => useStore(usePieceHandles().autosave?.left ?? noDrafts);

const alwaysSaved = createStore<SaveState>(() => ({ kind: "saved" }));
export const useSaveState = (): SaveState => useStore(usePieceHandles().autosave?.state ?? alwaysSaved);

export function useHistory() {
  const { store } = usePieceHandles();
  const { pastStates, futureStates, undo, redo } = useStore(store.temporal);
  return { undo, redo, canUndo: pastStates.length > 0, canRedo: futureStates.length > 0 };
}
