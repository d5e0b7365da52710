"use client";

/** How values are looked at: in colour, as greys, or in so many steps. */
export const VALUE_VIEWS = ["colour", "grey", "3 steps", "5 steps"] as const;
export type ValueView = (typeof VALUE_VIEWS)[number];

/** Levels of a posterised view, evenly spaced in lightness. */
const stepsOf = (view: ValueView) => (view === "3 steps" ? 3 : view === "5 steps" ? 5 : 0);

/** The filter that sets a reference's light right and shows its values; its name. */
export function LightFilter({
  id,
  gains,
  view,
}: {
  readonly id: string;
  readonly gains: readonly number[];
  readonly view: ValueView;
}) {
  const [r, g, b] = gains as [number, number, number];
  const steps = stepsOf(view);
  const table = Array.from({ length: steps }, (_, i) => (steps > 1 ? i / (steps - 1) : 0)).join(" ");
  return (
    <svg width="0" height="0" className="absolute" aria-hidden>
      <filter id={id} colorInterpolationFilters="linearRGB" x="0" y="0" width="1" height="1">
        <feColorMatrix values={`${r} 0 0 0 0  0 ${g} 0 0 0  0 0 ${b} 0 0  0 0 0 1 0`} />
        {view !== "colour" && (
          <feColorMatrix values="0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0.2126 0.7152 0.0722 0 0  0 0 0 1 0" />
        )}
        {steps > 0 && (
          <feComponentTransfer colorInterpolationFilters="sRGB">
            <feFuncR type="discrete" tableValues={table} />
            <feFuncG type="discrete" tableValues={table} />
            <feFuncB type="discrete" tableValues={table} />
          </feComponentTransfer>
        )}
      </filter>
    </svg>
  );
}
