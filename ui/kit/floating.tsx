"use client";
import { Portal } from "@headlessui/react";
import { useRef, type ReactNode } from "react";

/** What floats over the page lies in its header, so that it is found in a landmark like everything else. */
export function Floating({ children }: { readonly children: ReactNode }) {
  const header = useRef(document.querySelector("header"));
  return <Portal.Group target={header}>{children}</Portal.Group>;
}
