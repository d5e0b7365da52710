"use client";
import { createStore } from "zustand/vanilla";
import { upgradePiece, type Piece } from "@/core/piece/piece";
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
    let answer: Response | undefined;
    let body: { revision?: number; message?: string; theirs?: Draft } = {};
    try {
      answer = await fetch(`/api/pieces/${id}`, {
        method: "PUT",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ revision, document: piece }),
      });
      body = (await answer.json()) as typeof body;
    } catch {
      answer = undefined;
    }
    busy = false;
    if (answer?.ok && body.revision) {
      revision = body.revision;
      saved = piece;
      failures = 0;
      const more = store.getState().piece !== piece;
      if (more) return schedule(0);
      keepDraft(id, undefined);
      return set({ kind: "saved" });
    }
    if (answer?.status === 409 && body.theirs) {
      // The answer to an earlier try may have been lost on the way: then what is stored is what was sent.
      if (JSON.stringify(body.theirs.document) === JSON.stringify(piece)) {
        revision = body.theirs.revision;
        saved = piece;
        return schedule(0);
      }
      return set({ kind: "conflict", theirs: body.theirs });
    }
    if (answer?.status === 404) return set({ kind: "gone" });
    if (answer?.status === 422)
      return set({ kind: "refused", message: body.message ?? "The change was refused." });
    set({
      kind: "waiting",
      message: answer ? (body.message ?? "The server has trouble.") : "The server cannot be reached.",
    });
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
      const answer = await fetch("/api/pieces", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ ...piece, name: `${piece.name} (copy)`.slice(0, 80) }),
      });
      const body = (await answer.json()) as { id?: string; message?: string };
      if (!body.id) throw new Error(body.message ?? "The copy could not be stored.");
      keepDraft(id, undefined);
      return body.id;
    },
    tryNow,
  };
}

export type Autosave = ReturnType<typeof createAutosave>;
