"use client";
import {
  autoUpdate,
  flip,
  offset,
  shift,
  useClick,
  useDismiss,
  useFloating,
  useInteractions,
} from "@floating-ui/react";
import { useEffect, useState } from "react";
import { meaningOf } from "@/words/meaning";
import { FIGURE, type FigureProps } from "./figure";

/** A figure whose meaning was asked for: it says it at once, beside itself, until one looks elsewhere. */
export function OpenedFigure({ unit, children }: FigureProps) {
  const [isOpen, setOpen] = useState(true);
  const {
    refs: { setReference, setFloating },
    elements,
    floatingStyles,
    context,
  } = useFloating<HTMLButtonElement>({
    open: isOpen,
    onOpenChange: setOpen,
    strategy: "fixed",
    placement: "bottom-start",
    middleware: [offset(4), flip(), shift({ padding: 8 })],
    whileElementsMounted: autoUpdate,
  });
  const { getReferenceProps, getFloatingProps } = useInteractions([useClick(context), useDismiss(context)]);
  // It takes the place of the button that was pressed.
  const button = elements.domReference;
  useEffect(() => (button as HTMLButtonElement | null)?.focus(), [button]);
  return (
    <span>
      <button
        ref={setReference}
        type="button"
        title={meaningOf[unit]}
        className={FIGURE}
        aria-expanded={isOpen}
        {...getReferenceProps({ onBlur: () => setOpen(false) })}
      >
        {children}
      </button>
      {isOpen && (
        <span
          ref={setFloating}
          role="status"
          style={floatingStyles}
          className="z-40 w-max max-w-[min(20rem,calc(100vw-1rem))] border border-strong bg-panel p-3 text-[15px] font-normal text-text"
          {...getFloatingProps()}
        >
          {meaningOf[unit]}
        </span>
      )}
    </span>
  );
}
