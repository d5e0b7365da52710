/** A colour as a small field. */
export const Chip = ({
  hex,
  label,
  wide = false,
}: {
  readonly hex: string;
  readonly label?: string;
  readonly wide?: boolean;
}) => (
  <span
    className={`inline-block shrink-0 border border-strong ${wide ? "h-7 w-12" : "h-6 w-9"}`}
    style={{ background: hex }}
    {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
  />
);
