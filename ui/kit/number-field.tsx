"use client";
import { useId, useState } from "react";

/** Reads a number as people type it, with a comma or a point; undefined when it is none. */
export function typedNumber(text: string): number | undefined {
  const plain = text.trim().replace(",", ".").replace("−", "-");
  const value = Number(plain);
  return plain !== "" && Number.isFinite(value) ? value : undefined;
}

/**
 * A field for a number: what is typed counts when one leaves it or presses Enter, so that half a number is never taken; Escape takes it
 * back. Empty is null where that is allowed.
 */
export function NumberField({
  label,
  value,
  least,
  most,
  whole = false,
  empty,
  width = "w-16",
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  /** What stands in the empty field; none means that it must not be empty. */
  readonly empty?: string;
  readonly width?: string;
  readonly onChange: (value: number | null) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const [refused, setRefused] = useState(false);
  const says = useId();
  const take = () => {
    if (typed === undefined) return;
    const isEmpty = typed.trim() === "";
    const read = typedNumber(typed);
    // What is no number stays as it was typed, and says so; an empty field goes back to what it was.
    setRefused(read === undefined && !isEmpty);
    if (read === undefined && !isEmpty) return;
    setTyped(undefined);
    if (isEmpty && empty !== undefined) return value !== null && onChange(null);
    if (read === undefined) return;
    const next = Math.min(most, Math.max(least, whole ? Math.round(read) : read));
    if (next !== value) onChange(next);
  };
  const drop = () => {
    setTyped(undefined);
    setRefused(false);
  };
  return (
    <span className={`relative inline-block ${width}`}>
      <input
        className={`field w-full ${refused ? "border-2 border-text" : ""}`}
        aria-invalid={refused || undefined}
        aria-describedby={refused ? says : undefined}
        inputMode={whole ? "numeric" : "decimal"}
        aria-label={label}
        placeholder={empty}
        title={`from ${least} to ${most}`}
        value={typed ?? (value === null ? "" : String(value))}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === "Enter") take();
          if (e.key === "Escape") drop();
        }}
      />
      {refused && (
        <span
          id={says}
          role="alert"
          className="absolute top-full left-0 z-20 border border-text bg-panel px-1.5 text-[13px] whitespace-nowrap"
        >
          “{typed}” is no number: from {least} to {most}
        </span>
      )}
    </span>
  );
}
