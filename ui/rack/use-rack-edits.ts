"use client";
import { useCallback, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Rack, RackChange, RackFacts, RackMarker } from "@/store/rack";
import { messageOf, send } from "@/ui/send";

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
    return item
      ? [
          {
            code,
            set: Object.fromEntries(
              Object.keys(set).map((k) => [k, item[k as keyof RackFacts]]),
            ) as Partial<RackFacts>,
          },
        ]
      : [];
  });
}

/** The rack with edits that show at once, are stored as they are made, and can be undone. */
export function useRackEdits(first: Rack) {
  const [state, setState] = useState({ first, rack: first, done: [] as Edit[], undone: [] as Edit[] });
  const [trouble, setTrouble] = useState<string>();
  if (state.first !== first) setState({ first, rack: first, done: [], undone: [] });
  const { rack, done, undone } = state;

  const store = useCallback((changes: readonly RackChange[], otherwise: () => void) => {
    setTrouble(undefined);
    send("PATCH", "/api/rack", { changes }).catch((e: unknown) => {
      otherwise();
      setTrouble(messageOf(e));
    });
  }, []);
  const run = useCallback(
    (changes: readonly RackChange[]) => {
      if (!changes.length) return;
      const edit = { forth: changes, back: inverse(rack, changes) };
      setState((s) => ({ ...s, rack: applied(s.rack, changes), done: [...s.done, edit], undone: [] }));
      store(changes, () =>
        setState((s) => ({ ...s, rack: applied(s.rack, edit.back), done: s.done.filter((d) => d !== edit) })),
      );
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
    store(last.back, () =>
      setState((s) => ({ ...s, rack: applied(s.rack, last.forth), done: [...s.done, last] })),
    );
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
    store(last.forth, () => setState((s) => ({ ...s, rack: applied(s.rack, last.back) })));
  }, [undone, store]);
  useHotkeys("mod+z", undo, { preventDefault: true }, [undo]);
  useHotkeys("mod+shift+z, mod+y", redo, { preventDefault: true }, [redo]);
  return { rack, run, undo, redo, canUndo: done.length > 0, canRedo: undone.length > 0, trouble };
}

export type RunEdits = ReturnType<typeof useRackEdits>["run"];
