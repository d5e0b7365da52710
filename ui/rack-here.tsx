"use client";
import { createContext, useContext, useEffect, useState, type ComponentType, type ReactNode } from "react";
import type { Rack } from "@/store/rack";
import { send } from "@/ui/send";

/** Names a rack: the paper it was read on, and the version of the studio's readings. */
export interface RackAt {
  readonly paperId: string;
  readonly version: string;
}

const RETRY_MS = 2500;
/** Racks as they were last fetched, by paper. */
const known = new Map<string, { readonly version: string; readonly rack: Rack }>();
/** Racks on their way. */
const coming = new Map<string, Promise<Rack>>();

/** Fetches a rack once for all who ask; the browser keeps each version. */
function fetched({ paperId, version }: RackAt): Promise<Rack> {
  const key = `${paperId} ${version}`;
  const there = coming.get(key);
  if (there) return there;
  const asked = send<Rack>("GET", `/api/papers/${paperId}?version=${version}`).finally(() =>
    coming.delete(key),
  );
  coming.set(key, asked);
  return asked;
}

/**
 * The rack as read on a paper. While it comes, or the server is away, what was fetched of that paper before stands in; undefined when there
 * is none.
 */
export function useRackAt({ paperId, version }: RackAt): {
  readonly rack: Rack | undefined;
  readonly trouble: boolean;
} {
  const [state, setState] = useState<{ readonly rack?: Rack; readonly trouble: boolean }>({ trouble: false });
  const there = typeof window === "undefined" ? undefined : known.get(paperId);
  const isCurrent = there?.version === version;
  useEffect(() => {
    if (isCurrent) return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const load = () => {
      fetched({ paperId, version }).then(
        (rack) => {
          known.set(paperId, { version, rack });
          if (!gone) setState({ rack, trouble: false });
        },
        () => {
          if (gone) return;
          setState((s) => ({ ...s, trouble: true }));
          timer = setTimeout(load, RETRY_MS);
        },
      );
    };
    load();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [paperId, version, isCurrent]);
  const own = state.rack?.paper.id === paperId ? state.rack : undefined;
  return { rack: there?.rack ?? own, trouble: state.trouble && !isCurrent };
}

const RackContext = createContext<{ readonly at: RackAt; readonly rack: Rack | undefined } | undefined>(
  undefined,
);

/** Fetches the rack of a page for all that stands on it. */
export function RackProvider({ at, children }: { readonly at: RackAt; readonly children: ReactNode }) {
  const { rack } = useRackAt(at);
  return <RackContext value={{ at, rack }}>{children}</RackContext>;
}

/** The page's rack, once it is there. */
export const useRackHere = (): Rack | undefined => useContext(RackContext)?.rack;

/** Version of the readings that the page was made with; none on a page without. */
export const useRackVersion = (): string => useContext(RackContext)?.at.version ?? "";

const Bare = ({ children }: { readonly children: ReactNode }) => children;

/**
 * A view that is drawn when the page's rack has come.
 * @param Frame what stands around it meanwhile
 */
export function withRack<P extends { readonly rack: Rack }>(
  View: ComponentType<P>,
  Frame: ComponentType<{ readonly children: ReactNode; readonly isReady: boolean }> = Bare,
) {
  return function WithRack(props: Omit<P, "rack">) {
    const rack = useRackHere();
    if (rack) return <View {...(props as P)} rack={rack} />;
    return (
      <Frame isReady={false}>
        <main id="main" aria-busy className="p-8 text-[16px] text-soft">
          Fetching the rack…
        </main>
      </Frame>
    );
  };
}
