"use client";
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import type { ReactNode } from "react";
import { meaningOf, type Unit } from "@/words/meaning";

/** A figure whose meaning is one tap, click or key away. */
export const Figure = ({ unit, children }: { readonly unit: Unit; readonly children: ReactNode }) => (
  <Popover as="span" className="relative">
    <PopoverButton
      title={meaningOf[unit]}
      className="min-h-6 text-soft underline decoration-dotted underline-offset-3"
    >
      {children}
    </PopoverButton>
    <PopoverPanel
      anchor={{ to: "bottom", gap: 4, padding: 8 }}
      className="z-40 max-w-80 border border-strong bg-panel p-3 text-[15px]"
    >
      {meaningOf[unit]}
    </PopoverPanel>
  </Popover>
);
