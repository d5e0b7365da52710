import { useEffect, useState } from "react";
import type { Use } from "@/core/stock/losses";
import { send } from "@/ui/send";

/** Where pieces use a thing on the rack; undefined until the server has said so, or while it cannot be reached. */
export function useUses(code: string | undefined): readonly Use[] | undefined {
  const [known, setKnown] = useState<{ readonly code: string; readonly uses: readonly Use[] }>();
  useEffect(() => {
    if (code === undefined) return;
    const gone = new AbortController();
    send<readonly Use[]>(
      "GET",
      `/api/rack/uses?${new URLSearchParams({ code })}`,
      undefined,
      gone.signal,
    ).then(
      (uses) => setKnown({ code, uses }),
      () => undefined,
    );
    return () => gone.abort();
  }, [code]);
  return known?.code === code ? known?.uses : undefined;
}
