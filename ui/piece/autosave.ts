"use client";
import { createStore } from "zustand/vanilla";
import type { Piece } from "@/core/piece/piece";
import { upgradePiece } from "@/core/piece/upgrade";
import { messageOf, send, SendFailed } from "@/ui/send";
import type { PieceStore } from "./piece-store";

export type SaveState =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  | { readonly kind: "waiting"; readonly message: string }
  | { readonly kind: "conflict"; readonly theirs: { readonly revision: number; readonly document: Piece } }
  | { readonly kind: "gone" }
  | { readonly kind: "refused"; readonly message: string };

const SETTLE_MS = 250;
const RETRY_MS = [1000, 2000, 4000, 8000];
const draftKey = (id: string) => `blendt-unsaved-${id}`;

interface Draft {
  readonly revision: number;
  readonly document: Piece;
}

/** Changes that did not reach the store before the page went away. */
export function unsavedDraft(id: string): Draft | undefined {
  try {
    const text = localStorage.getItem(draftKey(id));
    if (!text) return undefined;
    const draft = JSON.parse(text) as Draft;
    return { ...draft, document: upgradePiece(draft.document) as Piece };
  } catch {
    return undefined;
  }
}

function keepDraft(id: string, draft: Draft | undefined): void {
  try {
    if (draft) localStorage.setItem(draftKey(id), JSON.stringify(draft));
    else localStorage.removeItem(draftKey(id));
  } catch {
    // A browser without storage still saves to the server.
  }
}

/**
 * Saves every change of a piece as it is made. What cannot be saved stays in this browser and is tried again; what was changed elsewhere is
 * never overwritten.
 */
export function createAutosave(id: string, firstRevision: number, store: PieceStore) {
  const state = createStore<SaveState>(() => ({ kind: "saved" }));
  let revision = firstRevision;
  let saved = store.getState().piece;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let failures = 0;

  const schedule = (ms: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), ms);
  };
  const set = (next: SaveState) => state.setState(next, true);
  const held = () => ["conflict", "gone"].includes(state.getState().kind);

  async function save(): Promise<void> {
    const { piece } = store.getState();
    if (busy || held()) return;
    if (piece === saved) {
      // Undone or redone to what is stored.
      keepDraft(id, undefined);
      return set({ kind: "saved" });
    }
    busy = true;
    set({ kind: "saving" });
    const answer = await send<{ revision: number }>("PUT", `/api/pieces/${id}`, {
      revision,
      document: piece,
    }).catch((e: unknown) => (e instanceof SendFailed ? e : new SendFailed(messageOf(e), 0)));
    busy = false;
    if (!(answer instanceof SendFailed)) {
      revision = answer.revision;
      saved = piece;
      failures = 0;
      if (store.getState().piece !== piece) return schedule(0);
      keepDraft(id, undefined);
      return set({ kind: "saved" });
    }
    notSaved(piece, answer);
  }

  function notSaved(piece: Piece, { status, message, body }: SendFailed): void {
    const theirs = (body as { theirs?: Draft } | undefined)?.theirs;
    if (status === 409 && theirs) {
      // The answer to an earlier try may have been lost on the way: then what is stored is what was sent.
      if (JSON.stringify(theirs.document) === JSON.stringify(piece)) {
        revision = theirs.revision;
        saved = piece;
        return schedule(0);
      }
      return set({ kind: "conflict", theirs });
    }
    if (status === 404) return set({ kind: "gone" });
    if (status >= 400 && status < 500) return set({ kind: "refused", message });
    set({ kind: "waiting", message: status ? message : "The server cannot be reached." });
    schedule(RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]!);
  }

  const onChange = (now: Piece, before: Piece) => {
    if (now === before) return;
    keepDraft(id, { revision, document: now });
    if (!held() && state.getState().kind !== "waiting") set({ kind: "saving" });
    if (!held()) schedule(SETTLE_MS);
  };
  const tryNow = () => !held() && schedule(0);

  return {
    state,
    /** Begins to watch the piece; the answer ends it. */
    start(): () => void {
      const unsubscribe = store.subscribe((now, before) => onChange(now.piece, before.piece));
      window.addEventListener("online", tryNow);
      if (store.getState().piece !== saved) schedule(0);
      return () => {
        window.removeEventListener("online", tryNow);
        unsubscribe();
        // What was changed a moment ago is saved now: the view goes away, the change does not wait.
        clearTimeout(timer);
        if (store.getState().piece !== saved) void save();
      };
    },
    /** Takes what a freshly loaded page brings, unless this tab knows better: a page from the history may be older. */
    catchUp(theirs: number, document: Piece): void {
      if (theirs <= revision || busy || held() || store.getState().piece !== saved) return;
      revision = theirs;
      saved = document;
      store.getState().replace(document);
    },
    /** Takes what is stored now; this tab's changes are dropped from the plan but can still be undone to. */
    takeTheirs(): void {
      const now = state.getState();
      if (now.kind !== "conflict") return;
      revision = now.theirs.revision;
      saved = now.theirs.document;
      store.getState().replace(now.theirs.document);
      keepDraft(id, undefined);
      set({ kind: "saved" });
    },
    /** Stores this tab's piece as one of its own and gives its id. */
    async keepAsCopy(): Promise<string> {
      const { piece } = store.getState();
      const name = `${piece.name} (copy)`.slice(0, 80);
      const copy = await send<{ id: string }>("POST", "/api/pieces", { ...piece, name });
      keepDraft(id, undefined);
      return copy.id;
    },
    tryNow,
  };
}

export type Autosave = ReturnType<typeof createAutosave>;
