"use client";
import { createContext, useContext, useEffect, useState, type ReactNode } from "react";
import { createStore, useStore } from "zustand";
import type { Command } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";
import { createAutosave, unsavedDraft, type Autosave, type SaveState } from "./autosave";
import { createPieceStore, type PieceStore } from "./piece-store";

interface Handles {
  readonly id: string;
  readonly store: PieceStore;
  readonly autosave: Autosave | undefined;
}

const PieceContext = createContext<Handles | undefined>(undefined);

/** Pieces opened in this tab: their undo and what is known of their saving outlive a view, whichever page the history brings back. */
const opened = new Map<string, Handles>();

/** Holds the piece at hand for the views of it, and saves it. Give it the piece's id as key. */
export function PieceProvider({
  id,
  revision,
  document,
  children,
}: {
  id: string;
  revision: number;
  document: Piece;
  children: ReactNode;
}) {
  // The server's copy is only the start; later renders of the page must not throw away what was done since.
  const [handles] = useState<Handles>(() => {
    const store = createPieceStore(document);
    if (typeof window === "undefined") return { id, store, autosave: undefined };
    const known = opened.get(id);
    if (known) return known;
    // Changes that never reached the store were made to their own revision; if it is no longer the stored one, the save will say so.
    const handles = {
      id,
      store,
      autosave: createAutosave(id, unsavedDraft(id)?.revision ?? revision, store),
    };
    opened.set(id, handles);
    return handles;
  });
  useEffect(() => {
    const stop = handles.autosave?.start();
    handles.autosave?.catchUp(revision, document);
    const draft = unsavedDraft(id);
    if (draft && JSON.stringify(draft.document) !== JSON.stringify(handles.store.getState().piece))
      handles.store.getState().replace(draft.document);
    return stop;
  }, [handles, id, revision, document]);
  return <PieceContext value={handles}>{children}</PieceContext>;
}

export function usePieceHandles(): Handles {
  const handles = useContext(PieceContext);
  if (!handles) throw new Error("a piece's view stands outside its PieceProvider");
  return handles;
}

export const usePiece = (): Piece => useStore(usePieceHandles().store, (s) => s.piece);
export const useRun = (): ((command: Command) => void) => useStore(usePieceHandles().store, (s) => s.run);

const alwaysSaved = createStore<SaveState>(() => ({ kind: "saved" }));
export const useSaveState = (): SaveState => useStore(usePieceHandles().autosave?.state ?? alwaysSaved);

export function useHistory() {
  const { store } = usePieceHandles();
  const { pastStates, futureStates, undo, redo } = useStore(store.temporal);
  return { undo, redo, canUndo: pastStates.length > 0, canRedo: futureStates.length > 0 };
}
