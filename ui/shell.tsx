"use client";
import { Keyboard, Search, SunDim } from "lucide-react";
import { Link } from "@/ui/kit/link";
import dynamic from "next/dynamic";
import { usePathname } from "next/navigation";
import { createContext, useCallback, useContext, useEffect, useState, type ReactNode } from "react";
import type { RackMarker } from "@/store/rack";
import { DroppedNotice } from "./kit/dropping";
import { useKeptFocus } from "./kit/keep-focus";
import { fetchLater, later, useEver } from "./kit/later";
import { readyForAway } from "@/workers/away-paths";
import { StudioMenu } from "./studio/studio-menu";
import { switchSurround } from "./surround";
import { useKey } from "./use-keys";

export interface FinderRequest {
  readonly title: string;
  readonly markers: readonly RackMarker[];
  readonly onPick: (marker: RackMarker) => void;
}

const FinderContext = createContext<(request: FinderRequest) => void>(() => undefined);
/** Opens the finder for a purpose. */
export const useFinder = () => useContext(FinderContext);

/** Keys meant by what they print, wherever a layout has them. */
const PRINTED = { preventDefault: true, useKey: true, ignoreModifiers: true } as const;

const places = [
  { href: "/", name: "Bench", here: (path: string) => path === "/" || path.startsWith("/pieces") },
  { href: "/rack", name: "Rack", here: (path: string) => path.startsWith("/rack") },
  { href: "/swatchbook", name: "Swatchbook", here: (path: string) => path.startsWith("/swatchbook") },
  { href: "/groups", name: "Groups", here: (path: string) => path.startsWith("/groups") },
  // On a phone these stand in the menu: so many places would take a line of their own.
  { href: "/log", name: "Log", here: (path: string) => path.startsWith("/log"), isWide: true },
  { href: "/supplies", name: "Supplies", here: (path: string) => path.startsWith("/supplies"), isWide: true },
  {
    href: "/practice",
    name: "Practice",
    here: (path: string) => path.startsWith("/practice"),
    isWidest: true,
  },
];

// What is opened comes when the page is there.
const Finder = dynamic(
  later(() => import("./finder").then((m) => m.Finder)),
  { ssr: false },
);
const Shortcuts = dynamic(
  later(() => import("./shortcuts").then((m) => m.Shortcuts)),
  { ssr: false },
);

const NO_MARKERS: readonly RackMarker[] = [];

/** The frame of every place: where one is, the finder, the surround and the shortcuts. */
export function Shell({
  markers = NO_MARKERS,
  goTo,
  isReady = true,
  children,
}: {
  /** What the finder looks in; without, it is not there. */
  readonly markers?: readonly RackMarker[];
  readonly goTo?: (code: string) => void;
  /** Whether all that the page needs has come. */
  readonly isReady?: boolean;
  readonly children: ReactNode;
}) {
  const path = usePathname();
  const [request, setRequest] = useState<FinderRequest>();
  const [help, setHelp] = useState(false);
  const wasFinding = useEver(request !== undefined);
  const wasHelping = useEver(help);
  const find = useCallback(
    () => setRequest({ title: "Find a marker", markers, onPick: (m) => goTo?.(m.code) }),
    [markers, goTo],
  );
  useEffect(() => {
    // Says that the page listens: what is typed or clicked before would be lost.
    if (!isReady) return;
    document.documentElement.dataset.ready = "true";
    void fetchLater();
    readyForAway();
  }, [isReady]);
  useKeptFocus();
  useKey("/", () => markers.length > 0 && find(), PRINTED);
  useKey("?", () => setHelp(true), PRINTED);
  useKey("d", switchSurround);
  return (
    <FinderContext value={setRequest}>
      <a href="#main" className="button sr-only focus:not-sr-only focus:absolute focus:z-50">
        To the content
      </a>
      <header className="screen-only flex min-h-12 flex-wrap items-center gap-x-5 border-b border-line px-2 min-[760px]:px-4">
        <Link href="/" className="text-[22px] font-bold tracking-tight max-[759px]:sr-only">
          Blendt
        </Link>
        <nav aria-label="Places" className="flex flex-wrap min-[760px]:gap-1">
          {places.map(({ href, name, here, isWide, isWidest }) => (
            <Link
              key={href}
              href={href}
              aria-current={here(path) ? "page" : undefined}
              className={`${here(path) ? "" : isWidest ? "max-[959px]:hidden" : isWide ? "max-[759px]:hidden" : ""} px-1.5 py-2.5 text-[15px] min-[420px]:px-2.5 min-[420px]:text-[16px] ${here(path) ? "border-b-3 border-text font-semibold" : "border-b-3 border-transparent text-soft hover:border-line"}`}
            >
              {name}
            </Link>
          ))}
        </nav>
        <div className="ml-auto flex min-w-0 items-center justify-end gap-1">
          {markers.length > 0 && (
            <button
              className="button max-[759px]:border-transparent max-[759px]:bg-transparent max-[759px]:px-1.5"
              onClick={find}
            >
              <Search size={18} aria-hidden /> <span className="max-[759px]:sr-only">Find a marker</span>{" "}
              <span className="key max-[759px]:hidden" aria-hidden>
                /
              </span>
            </button>
          )}
          <button
            className="button-bare max-[759px]:hidden"
            onClick={switchSurround}
            aria-label="Bright or dim surround"
            title="Bright or dim surround (d)"
          >
            <SunDim size={20} aria-hidden />
          </button>
          <button
            className="button-bare max-[759px]:hidden"
            onClick={() => setHelp(true)}
            aria-label="Shortcuts"
            title="Shortcuts (?)"
          >
            <Keyboard size={20} aria-hidden />
          </button>
          <StudioMenu onShortcuts={() => setHelp(true)} />
        </div>
      </header>
      {children}
      <DroppedNotice />
      {wasFinding && <Finder request={request} onClose={() => setRequest(undefined)} />}
      {wasHelping && <Shortcuts open={help} onClose={() => setHelp(false)} />}
    </FinderContext>
  );
}
