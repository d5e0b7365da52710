"use client";
import { temporal } from "zundo";
import { createStore } from "zustand/vanilla";
import { applyCommand, type Command } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";

export interface PieceState {
  readonly piece: Piece;
  /** What the last change was, for the undo button and the log. */
  readonly last: Command["type"] | undefined;
  readonly run: (command: Command) => void;
  /** A change that follows from another one, such as what was measured after it: no step of undo. */
  readonly follow: (command: Command) => void;
  /** Puts another document in place, as when it was changed elsewhere. */
  readonly replace: (piece: Piece) => void;
}

const MOST_UNDO = 300;

/** The piece at hand: changed by named commands only, each of which can be undone. */
export function createPieceStore(piece: Piece) {
  const store = createStore<PieceState>()(
    temporal(
      (set) => ({
        piece,
        last: undefined,
        run: (command) => set((s) => ({ piece: applyCommand(s.piece, command), last: command.type })),
        follow: (command) => {
          const { pause, resume } = store.temporal.getState();
          pause();
          set((s) => ({ piece: applyCommand(s.piece, command) }));
          resume();
        },
        replace: (next) => set({ piece: next, last: undefined }),
      }),
      {
        limit: MOST_UNDO,
        partialize: ({ piece: p, last }) => ({ piece: p, last }),
        equality: (a, b) => a.piece === b.piece || JSON.stringify(a.piece) === JSON.stringify(b.piece),
      },
    ),
  );
  return store;
}

export type PieceStore = ReturnType<typeof createPieceStore>;
