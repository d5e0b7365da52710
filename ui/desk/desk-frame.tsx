"use client";
import { useEffect, type ReactNode } from "react";
import { fetchLater } from "@/ui/kit/later";
import { RackProvider, useRackHere } from "@/ui/rack-here";
import type { RackAt } from "@/ui/racks-at-hand";
import { switchSurround } from "@/ui/surround";
import { useKey } from "@/ui/use-keys";

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
  }, [isReady]);
  useKey("d", switchSurround);
  return children;
}
