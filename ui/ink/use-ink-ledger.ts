"use client";
import { useMemo } from "react";
import { hashOf } from "@/compute/hash";
import type { InkUseOutput } from "@/compute/operations/ink-use";
import { eventsOf, type InkLedger } from "@/core/stock/ink-ledger";
import type { InkStep } from "@/core/stock/ink-use";
import type { MarkerState } from "@/core/stock/kinds";
import { useFetched } from "@/ui/jobs/use-fetched";
import { useCompute, type Work } from "@/ui/jobs/use-job";

/** What is known of the ink in the studio's markers; fetched anew by `again`. */
export const useInkLedger = (): Work<InkLedger> => useFetched<InkLedger>("/api/ink");

/** As many as the operation takes. */
const MOST_EVENTS = 20_000;

/**
 * How much ink markers have by all that is known, and what steps take of it: the one place that says so.
 * @param markers with the words for their levels, which stand alone where the ledger has not come
 */
export function useInkUse(
  markers: readonly { readonly code: string; readonly state: MarkerState }[] | undefined,
  ledger: InkLedger | undefined,
  steps: readonly InkStep[] = [],
): Work<InkUseOutput> {
  const question = useMemo(() => {
    if (!markers?.length) return null;
    const codes = new Set(markers.map((m) => m.code));
    const events = ledger ? eventsOf(ledger, codes).slice(-MOST_EVENTS) : [];
    // The word as it is now, which a page's rack may not know yet.
    const words = new Map(ledger?.markers.map((m) => [m.code, m.state]));
    return {
      markers: markers.map(({ code, state }) => ({ code, state: words.get(code) ?? state })),
      events,
      steps,
    };
  }, [markers, ledger, steps]);
  // Long: it is named by a short name, found once.
  const key = useMemo(() => (question ? hashOf(question) : undefined), [question]);
  return useCompute("inkUse", question, key, { about: "inkUse" });
}
