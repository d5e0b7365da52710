import type { ReactNode } from "react";

/** One matter of the settings. */
export function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="grid gap-3 border-t border-line pt-3">
      <h2 className="m-0 text-[19px]">{title}</h2>
      {children}
    </section>
  );
}
