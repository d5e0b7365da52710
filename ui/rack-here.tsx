"use client";
import {
  createContext,
  startTransition,
  use,
  useContext,
  useEffect,
  useState,
  type ComponentType,
  type ReactNode,
} from "react";
import { preload } from "react-dom";
import type { Rack } from "@/store/rack";
import { knowFit } from "@/ui/jobs/desk-fits";
import { useKeepFits } from "@/ui/jobs/use-keep-fits";
import { rackName, racksAtHand, type RackAt } from "@/ui/racks-at-hand";
import { send } from "@/ui/send";

const RETRY_MS = 2500;
/** Racks as they were last fetched, by paper. */
const known = new Map<
  string,
  { readonly version: string; readonly rack: Rack; readonly come: Promise<Rack> }
>();
/** Racks on their way. */
const coming = new Map<string, Promise<Rack>>();

const urlOf = ({ paperId, version }: RackAt) => `/api/papers/${paperId}?version=${version}`;

/** Fetches a rack once for all who ask; the browser keeps each version. */
function fetched(at: RackAt): Promise<Rack> {
  const key = rackName(at);
  const there = coming.get(key);
  if (there) return there;
  const asked = send<Rack>("GET", urlOf(at))
    .then((rack) => {
      // In the form in which React knows at once that there is nothing to wait for.
      const come = Object.assign(Promise.resolve(rack), { status: "fulfilled", value: rack });
      known.set(at.paperId, { version: at.version, rack, come });
      return rack;
    })
    .finally(() => coming.delete(key));
  coming.set(key, asked);
  return asked;
}

/** Racks that views wait for, by name. */
const awaited = new Map<string, Promise<Rack>>();

/** A rack as soon as the server gives it, however often it must be asked. */
function comes(at: RackAt): Promise<Rack> {
  const key = rackName(at);
  const there = awaited.get(key);
  if (there) return there;
  const asked = (async () => {
    for (;;)
      try {
        return await fetched(at);
      } catch {
        await new Promise((again) => setTimeout(again, RETRY_MS));
      }
  })().finally(() => awaited.delete(key));
  awaited.set(key, asked);
  return asked;
}

/**
 * The rack of what is drawn: on the server as it is at hand, so that the page comes with what it shows; in the browser as soon as it has
 * come. Until then what the server has drawn stays as it is, and nothing of the page is taken over. (A Suspense boundary around it would
 * have the server send the words of the waiting first, and what they wait for behind them.) Undefined on a server that has it no more.
 */
export function useRackDrawn(at: RackAt): Rack | undefined {
  const { rack } = useRackAt(at);
  if (typeof window === "undefined") return racksAtHand().recall(rackName(at));
  const come = use(known.get(at.paperId)?.come ?? comes(at));
  return rack ?? come;
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
          // What the server has drawn is taken over bit by bit, and what is typed meanwhile goes first.
          if (!gone) startTransition(() => setState({ rack, trouble: false }));
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
  if (at.fitted) knowFit(at.fitted);
  const rack = useRackDrawn(at);
  useKeepFits(rack);
  preload(urlOf(at), { as: "fetch", crossOrigin: "anonymous", fetchPriority: "low" });
  return <RackContext value={{ at, rack }}>{children}</RackContext>;
}

/** The page's rack, once it is there. */
export const useRackHere = (): Rack | undefined => useContext(RackContext)?.rack;

/** Version of the readings that the page was made with; none on a page without. */
export const useRackVersion = (): string => useContext(RackContext)?.at.version ?? "";

const Bare = ({ children }: { readonly children: ReactNode }) => children;

/**
 * A view of the page's rack: the server draws it, the browser takes it over when the rack has come.
 * @param Frame what stands around it where there is none
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
