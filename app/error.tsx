"use client";
import { useEffect } from "react";

const RETRY_MS = 3000;

/** Shown when a page cannot be made, as when the store is away; it tries again by itself. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  useEffect(() => {
    const timer = setInterval(() => {
      fetch("/api/health").then(
        (r) => r.ok && location.reload(),
        () => undefined,
      );
    }, RETRY_MS);
    return () => clearInterval(timer);
  }, []);
  return (
    <main id="main" className="mx-auto max-w-[60ch] p-8">
      <h1 className="text-[24px]">The studio cannot be reached just now</h1>
      <p className="text-[17px]">
        Its store does not answer. Nothing that was saved is lost, and unsaved changes stay in this browser.
        This page looks again every few seconds.
      </p>
      <button className="button button-main" onClick={reset}>
        Look again now
      </button>
    </main>
  );
}
