"use client";
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { useEffect, useRef } from "react";
import { meaningOf } from "@/words/meaning";
import { FIGURE, type FigureProps } from "./figure";

/** A figure whose meaning was asked for: it says it as soon as it is there. */
export function OpenedFigure({ unit, children }: FigureProps) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    button.current!.focus();
    button.current!.click();
  }, []);
  return (
    <Popover as="span" className="relative">
      <PopoverButton ref={button} title={meaningOf[unit]} className={FIGURE}>
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
}
