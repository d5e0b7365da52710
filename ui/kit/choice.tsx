"use client";

/** One of a few, each a button. */
export function Choice<T extends string>({
  says,
  from,
  at,
  onChoose,
}: {
  readonly says: string;
  readonly from: readonly (readonly [T, string])[];
  readonly at: T;
  readonly onChoose: (one: T) => void;
}) {
  return (
    <div
      className="screen-only mb-1 flex flex-wrap items-center gap-2 text-[14px]"
      role="group"
      aria-label={says}
    >
      <span className="text-soft">{says}</span>
      {from.map(([one, name]) => (
        <button
          key={one}
          className={`button min-h-8 py-0 ${at === one ? "button-main" : ""}`}
          aria-pressed={at === one}
          onClick={() => onChoose(one)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
