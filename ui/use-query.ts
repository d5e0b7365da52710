"use client";
import { usePathname, useSearchParams } from "next/navigation";
import { useMemo, useSyncExternalStore } from "react";

const listeners = new Set<() => void>();

const watch = (changed: () => void) => {
  listeners.add(changed);
  return () => {
    listeners.delete(changed);
  };
};

/**
 * What the address of this page asks for, as soon as it is asked. The router tells it only when it has time for it: a panel that
 * follows the router may change under a person who types in it already.
 */
export function useQuery(): URLSearchParams {
  const path = usePathname();
  const told = useSearchParams();
  const toldText = told.size ? `?${told}` : "";
  const search = useSyncExternalStore(
    watch,
    // On the way to another page the address is that of the other one.
    () => (window.location.pathname === path ? window.location.search : toldText),
    () => toldText,
  );
  return useMemo(() => new URLSearchParams(search), [search]);
}

/** One part of what the address asks for: who uses it is not drawn again for another part. */
export function useQueryPart(name: string): string | null {
  const path = usePathname();
  const told = useSearchParams().get(name);
  return useSyncExternalStore(
    watch,
    () => (window.location.pathname === path ? new URLSearchParams(window.location.search).get(name) : told),
    () => told,
  );
}

/** Asks for something else on the same page, as one more step of the history, or in place of the last one. */
export function ask(url: string, inPlace = false): void {
  if (inPlace) window.history.replaceState(null, "", url);
  else window.history.pushState(null, "", url);
  listeners.forEach((changed) => changed());
}
