import type { ReactNode } from "react";

/** A colour as large as a place on paper, with what it is. */
export const ColourSquare = ({ hex, children }: { readonly hex: string; readonly children: ReactNode }) => (
  <figure className="m-0 grid gap-1 text-[14px]">
    <span className="block h-16 w-full min-w-24 border border-line" style={{ background: hex }} />
    <figcaption className="leading-tight">{children}</figcaption>
  </figure>
);
