"use client";
import type { Rack } from "@/store/rack";
import { useRackAt, useRackVersion } from "@/ui/rack-here";

/**
 * The rack as read on a paper: the page's own, or another paper's, which is fetched until the server answers. What was fetched before stands
 * in meanwhile.
 */
export function useRack(paperId: string, first: Rack): { readonly rack: Rack; readonly trouble: boolean } {
  const version = useRackVersion();
  const isFirst = paperId === first.paper.id;
  const { rack, trouble } = useRackAt({ paperId, version });
  if (isFirst) return { rack: first, trouble: false };
  return { rack: rack ?? first, trouble };
}
