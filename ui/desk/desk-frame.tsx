"use client";
import dynamic from "next/dynamic";
import { useEffect, useState, type ReactNode } from "react";
import { useKeptFocus } from "@/ui/kit/keep-focus";
import { fetchLater, later, useEver } from "@/ui/kit/later";
import { RackProvider, useRackHere } from "@/ui/rack-here";
import type { RackAt } from "@/ui/racks-at-hand";
import { switchSurround } from "@/ui/surround";
import { useKey } from "@/ui/use-keys";
import { keepDesk, readyForAway } from "@/workers/away-paths";

const Shortcuts = dynamic(
  later(() => import("@/ui/shortcuts").then((m) => m.Shortcuts)),
  { ssr: false },
);

/** What stands around the desk: its rack, and nothing else. */
export const DeskFrame = ({ at, children }: { readonly at: RackAt; readonly children: ReactNode }) => (
  <RackProvider at={at}>
    <Listening>{children}</Listening>
  </RackProvider>
);

function Listening({ children }: { readonly children: ReactNode }) {
  const isReady = useRackHere() !== undefined;
  useEffect(() => {
    // Says that the page listens: what is typed or clicked before would be lost.
    if (!isReady) return;
    document.documentElement.dataset.ready = "true";
    void fetchLater();
    readyForAway();
    void keepDesk();
  }, [isReady]);
  const [help, setHelp] = useState(false);
  const wasHelping = useEver(help);
  useKeptFocus();
  useKey("d", switchSurround);
  useKey("?", () => setHelp(true), { preventDefault: true, useKey: true, ignoreModifiers: true });
  return (
    <>
      {children}
      {wasHelping && <Shortcuts open={help} onClose={() => setHelp(false)} />}
    </>
  );
}
