"use client";
import type { Work } from "./use-job";

/** Bar and Cancel of slow work; what went wrong, and a way to try again. */
export function Progress({
  work,
  doing,
}: {
  readonly work: Omit<Work<unknown>, "output" | "old">;
  readonly doing: string;
}) {
  if (work.error)
    return (
      <p role="alert" className="m-0 border border-strong p-2 text-[14px]">
        {work.error}{" "}
        <button className="button ml-2" onClick={work.again}>
          Try again
        </button>
      </p>
    );
  if (work.cancelled)
    return (
      <p className="m-0 flex items-center gap-2 text-[14px]">
        Stopped.{" "}
        <button className="button" onClick={work.again}>
          {doing} again
        </button>
      </p>
    );
  if (work.progress === undefined) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 text-[14px]" role="status">
      <span>{doing}…</span>
      <progress
        className="h-2 min-w-12 flex-1"
        max={1}
        value={work.progress || undefined}
        aria-label={`${doing}, progress`}
      />
      <button className="button" onClick={work.cancel}>
        Cancel
      </button>
    </div>
  );
}
