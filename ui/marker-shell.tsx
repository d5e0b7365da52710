"use client";
import { useRouter } from "next/navigation";
import { useCallback, type ReactNode } from "react";
import type { RackMarker } from "@/store/rack";
import { Shell } from "./shell";

/** The shell of places where a found marker is shown in the rack. */
export function MarkerShell({
  markers,
  paperId,
  children,
}: {
  readonly markers: readonly RackMarker[];
  readonly paperId: string;
  readonly children: ReactNode;
}) {
  const router = useRouter();
  const goTo = useCallback(
    (code: string) => router.push(`/rack?paper=${paperId}&marker=${encodeURIComponent(code)}`),
    [router, paperId],
  );
  return (
    <Shell markers={markers} goTo={goTo}>
      {children}
    </Shell>
  );
}
