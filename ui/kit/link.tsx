"use client";
import NextLink from "next/link";
import { useState, type ComponentProps } from "react";

/** A link of the app. Its page is fetched ahead by whoever comes near it, not for all links that are in sight: most are not followed. */
export function Link({
  onPointerEnter,
  onFocus,
  ...props
}: Omit<ComponentProps<typeof NextLink>, "prefetch">) {
  const [isNear, setNear] = useState(false);
  return (
    <NextLink
      {...props}
      prefetch={isNear ? null : false}
      onPointerEnter={(e) => {
        setNear(true);
        onPointerEnter?.(e);
      }}
      onFocus={(e) => {
        setNear(true);
        onFocus?.(e);
      }}
    />
  );
}
