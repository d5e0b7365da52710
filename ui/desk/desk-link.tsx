"use client";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { isDeskKept } from "@/workers/away-paths";

/**
 * The way to the desk of a piece. The first time it is fetched as a page of its own, so that what it needs is kept for when the server is away;
 * after that what is worked out here already goes along.
 */
export function DeskLink({
  id,
  className,
  children,
}: {
  readonly id: string;
  readonly className: string;
  readonly children: ReactNode;
}) {
  const router = useRouter();
  const href = `/desk/${id}`;
  const near = () => isDeskKept() && router.prefetch(href);
  return (
    <a
      className={className}
      href={href}
      onPointerEnter={near}
      onFocus={near}
      onClick={(e) => {
        if (e.metaKey || e.ctrlKey || e.shiftKey || e.altKey || e.button !== 0 || !isDeskKept()) return;
        e.preventDefault();
        router.push(href);
      }}
    >
      {children}
    </a>
  );
}
