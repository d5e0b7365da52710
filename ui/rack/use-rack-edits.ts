"use client";
import { useCallback, useState } from "react";
import type { Rack, RackChange, RackFacts, RackMarker } from "@/store/rack";
import { messageOf, send } from "@/ui/send";
import { useUndoKeys } from "@/ui/use-keys";
import { inTurn } from "./in-turn";

interface Edit {
  readonly forth: readonly RackChange[];
  readonly back: readonly RackChange[];
}

const change = (items: readonly RackMarker[], changes: ReadonlyMap<string, Partial<RackFacts>>) =>
  items.map((m) => (changes.has(m.code) ? { ...m, ...changes.get(m.code) } : m));

function applied(rack: Rack, changes: readonly RackChange[]): Rack {
  const byCode = new Map(changes.map((c) => [c.code, c.set]));
  return { ...rack, markers: change(rack.markers, byCode), others: change(rack.others, byCode) };
}

/** The same facts as they are now, so that a change can be taken back. */
function inverse(rack: Rack, changes: readonly RackChange[]): RackChange[] {
  const now = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  return changes.flatMap(({ code, set }) => {
    const item = now.get(code);
    const was = item && Object.keys(set).map((k) => [k, item[k as keyof RackFacts]]);
    return was ? [{ code, set: Object.fromEntries(was) as Partial<RackFacts> }] : [];
  });
}

interface State {
  readonly first: Rack;
  readonly rack: Rack;
  readonly done: readonly Edit[];
  readonly undone: readonly Edit[];
  /** Edits on their way to the store. */
  readonly sent: number;
}

/** The rack with edits that show at once, are stored one after the other as they are made, and can be undone. */
export function useRackEdits(first: Rack) {
  const [state, setState] = useState<State>({ first, rack: first, done: [], undone: [], sent: 0 });
  const [trouble, setTrouble] = useState<string>();
  const [queue] = useState(inTurn);
  // A page that was loaded anew knows what was stored; while edits are on their way, it may not know them yet.
  if (state.first !== first && !state.sent) setState({ ...state, first, rack: first });
  const { rack, done, undone } = state;

  const store = useCallback(
    (changes: readonly RackChange[], otherwise: (s: State) => State) => {
      setTrouble(undefined);
      setState((s) => ({ ...s, sent: s.sent + 1 }));
      queue(() => send("PATCH", "/api/rack", { changes }))
        .catch((e: unknown) => {
          setState(otherwise);
          setTrouble(messageOf(e));
        })
        .finally(() => setState((s) => ({ ...s, sent: s.sent - 1 })));
    },
    [queue],
  );
  const run = useCallback(
    (changes: readonly RackChange[]) => {
      if (!changes.length) return;
      const edit = { forth: changes, back: inverse(rack, changes) };
      setState((s) => ({ ...s, rack: applied(s.rack, changes), done: [...s.done, edit], undone: [] }));
      store(changes, (s) => ({
        ...s,
        rack: applied(s.rack, edit.back),
        done: s.done.filter((d) => d !== edit),
      }));
    },
    [rack, store],
  );
  const undo = useCallback(() => {
    const last = done.at(-1);
    if (!last) return;
    setState((s) => ({
      ...s,
      rack: applied(s.rack, last.back),
      done: s.done.slice(0, -1),
      undone: [...s.undone, last],
    }));
    store(last.back, (s) => ({ ...s, rack: applied(s.rack, last.forth), done: [...s.done, last] }));
  }, [done, store]);
  const redo = useCallback(() => {
    const last = undone.at(-1);
    if (!last) return;
    setState((s) => ({
      ...s,
      rack: applied(s.rack, last.forth),
      undone: s.undone.slice(0, -1),
      done: [...s.done, last],
    }));
    store(last.forth, (s) => ({ ...s, rack: applied(s.rack, last.back) }));
  }, [undone, store]);
  useUndoKeys(undo, redo);
  return {
    rack,
    run,
    undo,
    redo,
    canUndo: done.length > 0,
    canRedo: undone.length > 0,
    saving: state.sent > 0,
    trouble,
  };
}

export type RunEdits = ReturnType<typeof useRackEdits>["run"];
