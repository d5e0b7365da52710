import type { ReactNode } from "react";

/** Something to know, set off by a bar; what went wrong is read out at once. */
export function Notice({
  children,
  alert = false,
  action,
}: {
  readonly children: ReactNode;
  readonly alert?: boolean;
  readonly action?: ReactNode;
}) {
  return (
    <div
      role={alert ? "alert" : undefined}
      className="flex items-center gap-3 border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
    >
      <span className="min-w-0 flex-1">{children}</span>
      {action}
    </div>
  );
}

/** What stands where there is nothing yet, and the way to something. */
export const Empty = ({ children }: { readonly children: ReactNode }) => (
  <div className="max-w-[52ch] border border-dashed border-strong p-4 text-[16px]">{children}</div>
);
