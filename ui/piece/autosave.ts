"use client";
import { shortName } from "@/border/names";
import stable from "safe-stable-stringify";
import { createStore } from "zustand/vanilla";
import type { Piece } from "@/core/piece/piece";
import { messageOf, send, SendFailed } from "@/ui/send";
import { draftKeeper, draftsOf, dropDraft, type Draft } from "./drafts";
import type { PieceStore } from "./piece-store";

export type SaveState =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  | { readonly kind: "waiting"; readonly message: string }
  | { readonly kind: "conflict"; readonly theirs: Stored }
  | { readonly kind: "gone" }
  /** One looks only: nothing is saved, and nothing is drafted. */
  | { readonly kind: "looking" }
  | { readonly kind: "refused"; readonly message: string };

/** Stores a document as a piece of its own. */
const copied = async (piece: Piece): Promise<string> =>
  (
    await send<{ id: string }>("POST", "/api/pieces", {
      ...piece,
      name: shortName(`${piece.name} (copy)`, 80),
    })
  ).id;

/** Whether two documents say the same, in whatever order their fields come: the store has its own. */
const isSame = (a: Piece, b: Piece): boolean => stable(a) === stable(b);

/** Lost answers that are remembered; more are not in doubt at once. */
const MOST_UNKNOWN = 20;
const SETTLE_MS = 250;
const RETRY_MS = [1000, 2000, 4000, 8000];

interface Stored {
  readonly revision: number;
  readonly document: Piece;
  /** The save that made this revision. */
  readonly savedBy: string | null;
}

/**
 * Saves every change of a piece as it is made. What cannot be saved stays in this browser and is tried again; what was changed elsewhere is
 * never overwritten.
 */
export function createAutosave(id: string, firstRevision: number, store: PieceStore, mayChange = true) {
  const state = createStore<SaveState>(() => ({ kind: mayChange ? "saved" : "looking" }));
  let revision = firstRevision;
  let saved = store.getState().piece;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let failures = 0;
  /** Saves on their way, or whose answers were lost: the studio may have any of them. */
  let unknown: readonly { readonly save: string; readonly piece: Piece | undefined }[] = [];
  /** What tabs that are gone did not save. */
  const left = createStore<readonly Draft[]>(() => []);
  const keep = draftKeeper(id);
  const isClean = () => store.getState().piece === saved && unknown.length === 0;
  const draft = () =>
    keep(
      isClean()
        ? undefined
        : { revision, saves: unknown.map((u) => u.save), document: store.getState().piece },
    );

  const schedule = (ms: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), ms);
  };
  const set = (next: SaveState) => state.setState(next, true);
  const held = () => ["conflict", "gone", "looking"].includes(state.getState().kind);

  async function save(): Promise<void> {
    const { piece } = store.getState();
    if (busy || held()) return;
    if (isClean()) {
      // Undone or redone to what is stored.
      draft();
      return set({ kind: "saved" });
    }
    busy = true;
    set({ kind: "saving" });
    const own = { save: crypto.randomUUID(), piece };
    unknown = [...unknown.slice(-MOST_UNKNOWN), own];
    draft();
    const answer = await send<{ revision: number }>("PUT", `/api/pieces/${id}`, {
      revision,
      save: own.save,
      document: piece,
    }).catch((e: unknown) => (e instanceof SendFailed ? e : new SendFailed(messageOf(e), 0)));
    busy = false;
    if (!(answer instanceof SendFailed)) {
      failures = 0;
      return isStored(answer.revision, piece);
    }
    notSaved(own, answer);
  }

  /** The studio has this piece as this revision; what was changed since is saved next. */
  function isStored(now: number, piece: Piece): void {
    revision = now;
    saved = piece;
    unknown = [];
    draft();
    if (store.getState().piece !== piece) return schedule(0);
    set({ kind: "saved" });
  }

  function notSaved(own: { save: string; piece: Piece }, { status, message, body }: SendFailed): void {
    const theirs = (body as { theirs?: Stored } | undefined)?.theirs;
    if (status === 409 && theirs) {
      // The answer to an earlier save was lost on the way: what is stored is this tab's own, whatever was changed since.
      const mine = unknown.find((u) => u.save === theirs.savedBy);
      if (mine) return isStored(theirs.revision, mine.piece ?? theirs.document);
      if (isSame(theirs.document, own.piece)) return isStored(theirs.revision, own.piece);
      return set({ kind: "conflict", theirs });
    }
    // Only a save whose fate is unknown can still turn out to be stored.
    if (status >= 400 && status < 500) unknown = unknown.filter((u) => u.save !== own.save);
    if (status === 401) {
      set({ kind: "waiting", message: "You are signed out. Sign in again in another tab." });
      return schedule(RETRY_MS.at(-1)!);
    }
    if (status === 404) return set({ kind: "gone" });
    if (status >= 400 && status < 500) return set({ kind: "refused", message });
    set({ kind: "waiting", message: status ? message : "The server cannot be reached." });
    schedule(RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]!);
  }

  const onChange = (now: Piece, before: Piece) => {
    if (now === before || state.getState().kind === "looking") return;
    draft();
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
      if (!isClean()) schedule(0);
      return () => {
        window.removeEventListener("online", tryNow);
        unsubscribe();
        // What was changed a moment ago is saved now: the view goes away, the change does not wait.
        clearTimeout(timer);
        if (!isClean()) void save();
      };
    },
    /**
     * Takes up what this tab had not saved when it was reloaded, and finds what tabs that are gone left behind.
     * @param stored what the page brought
     */
    async restore(stored: Stored): Promise<void> {
      if (!mayChange) return;
      const found = await draftsOf(id);
      const isStoredAlready = (d: Draft) => isSame(d.document, stored.document);
      const { own } = found;
      const rest = found.left.filter((d) => !isStoredAlready(d));
      for (const d of found.left) if (isStoredAlready(d)) void dropDraft(d);
      if (own && !isStoredAlready(own)) {
        // Made to a revision that is no longer the stored one, the next save says so, unless that one is this tab's own.
        if (!own.saves.includes(stored.savedBy ?? "")) revision = own.revision;
        if (isClean()) store.getState().replace(own.document);
        else rest.unshift(own);
      } else if (own) draft();
      left.setState(rest, true);
    },
    /** What tabs that are gone did not save. */
    left,
    /** Puts a left draft in place of the piece; it can be undone. */
    takeUp(taken: Draft): void {
      store.getState().replace(taken.document);
      this.drop(taken);
    },
    drop(dropped: Draft): void {
      left.setState(
        left.getState().filter((d) => d !== dropped),
        true,
      );
      void dropDraft(dropped);
    },
    /** Stores a left draft as a piece of its own and gives its id. */
    async copyOf(taken: Draft): Promise<string> {
      const copy = await copied(taken.document);
      this.drop(taken);
      return copy;
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
      draft();
      set({ kind: "saved" });
    },
    /** Stores this tab's piece as one of its own and gives its id. */
    async keepAsCopy(): Promise<string> {
      const copy = await copied(store.getState().piece);
      keep(undefined);
      return copy;
    },
    tryNow,
  };
}

export type Autosave = ReturnType<typeof createAutosave>;
