"use client";
import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** The reader's time zone; that of the server's clock until the page is theirs. */
export const useZone = (): string =>
  useSyncExternalStore(
    never,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => "UTC",
  );
