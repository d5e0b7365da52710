"use client";
import { useEffect, useState } from "react";
import { STORE_AWAY } from "@/border/store-away";

const RETRY_MS = 3000;

/** Whether the store answers; undefined until it is known. */
async function isStoreThere(): Promise<boolean> {
  const answer = await fetch("/api/health").catch(() => undefined);
  return answer?.ok ?? false;
}

/**
 * Shown when a page cannot be made. When the store is away it tries again by itself; when the store is there, the page itself has a defect,
 * and trying again would go on for ever.
 */
export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  const [isDefect, setIsDefect] = useState(false);
  useEffect(() => {
    // A store that only stalled is back before anybody asks for it.
    let wasAway = error.digest === STORE_AWAY;
    let gone = false;
    const look = async () => {
      const there = await isStoreThere();
      if (gone) return;
      if (!there) wasAway = true;
      else if (wasAway) location.reload();
      else setIsDefect(true);
    };
    if (!wasAway) void look();
    const timer = setInterval(() => void look(), RETRY_MS);
    return () => {
      gone = true;
      clearInterval(timer);
    };
  }, [error.digest]);
  return (
    <main id="main" className="mx-auto max-w-[60ch] p-8">
      {isDefect ? (
        <>
          <h1 className="text-[24px]">This page has a defect</h1>
          <p className="text-[17px]">
            The studio itself is well: nothing that was saved is lost, and the other pages work.
            {error.digest && ` The server's log has more under ${error.digest}.`}
          </p>
          <p>
            <button className="button button-main" onClick={reset}>
              Try this page again
            </button>{" "}
            <a className="button" href="/">
              To the bench
            </a>
          </p>
        </>
      ) : (
        <>
          <h1 className="text-[24px]">The studio cannot be reached just now</h1>
          <p className="text-[17px]">
            Its store does not answer. Nothing that was saved is lost, and unsaved changes stay in this
            browser. This page looks again every few seconds.
          </p>
          <button className="button button-main" onClick={reset}>
            Look again now
          </button>
        </>
      )}
    </main>
  );
}
