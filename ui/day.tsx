"use client";

/** A day in the reader's own way of writing dates. */
export function Day({ at }: { readonly at: Date | string }) {
  const date = new Date(at);
  return (
    <time dateTime={date.toISOString()} suppressHydrationWarning>
      {date.toLocaleDateString(undefined, { dateStyle: "medium" })}
    </time>
  );
}
