"use client";
import { useRouter } from "next/navigation";
import { useCallback, type ReactNode } from "react";
import { RackProvider, useRackHere } from "./rack-here";
import type { RackAt } from "./racks-at-hand";
import { Shell } from "./shell";

/** The shell of places where a found marker is shown in the rack; it fetches the rack for what stands in it. */
export const MarkerShell = ({ at, children }: { readonly at: RackAt; readonly children: ReactNode }) => (
  <RackProvider at={at}>
    <Found paperId={at.paperId}>{children}</Found>
  </RackProvider>
);

function Found({ paperId, children }: { readonly paperId: string; readonly children: ReactNode }) {
  const router = useRouter();
  const rack = useRackHere();
  const goTo = useCallback(
    (code: string) => router.push(`/rack?paper=${paperId}&marker=${encodeURIComponent(code)}`),
    [router, paperId],
  );
  return (
    <Shell markers={rack?.markers} goTo={goTo} isReady={rack !== undefined}>
      {children}
    </Shell>
  );
}
