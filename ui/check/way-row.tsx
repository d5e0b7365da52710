"use client";
import { useMayChange } from "@/ui/studio/studio-context";

/** A way to mend something: what it is, what it changes, and the button that takes it. */
export function WayRow({
  says,
  figure,
  take,
  label,
  onTake,
}: {
  readonly says: string;
  readonly figure: string;
  /** What the button says, and what it is called. */
  readonly take: string;
  readonly label: string;
  readonly onTake: () => void;
}) {
  const may = useMayChange();
  return (
    <div className="flex items-center justify-between gap-3">
      <span>
        {says} <strong className="whitespace-nowrap">{figure}</strong>
      </span>
      {may && (
        <button className="button shrink-0" aria-label={label} onClick={onTake}>
          {take}
        </button>
      )}
    </div>
  );
}
