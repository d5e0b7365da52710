"use client";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import type { ReactNode } from "react";

/** A row of the order of work, with a grip to put it elsewhere: by mouse, by a finger that rests on it, by keys. */
export function MovableRow({
  id,
  name,
  mayMove,
  isAt,
  isToCome,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly mayMove: boolean;
  /** It holds the step that is looked at. */
  readonly isAt: boolean;
  readonly isToCome: boolean;
  readonly children: ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({
    id,
    disabled: !mayMove,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      aria-current={isAt ? "step" : undefined}
      className={`grid grid-cols-[46px_48px_minmax(0,1fr)_28px] items-baseline gap-x-3 border-b border-line py-1 text-[15px] min-[640px]:grid-cols-[46px_48px_minmax(0,150px)_minmax(0,1fr)_auto_28px] ${isAt ? "bg-panel" : ""} ${isToCome ? "text-soft" : ""}`}
    >
      {children}
      {mayMove && (
        <button
          className="col-start-4 row-start-1 flex min-h-8 w-7 cursor-grab touch-manipulation items-center justify-center self-start print:hidden min-[640px]:col-start-6"
          aria-label={`Put ${name} elsewhere`}
          {...attributes}
          {...listeners}
        >
          <GripVertical size={16} aria-hidden />
        </button>
      )}
    </li>
  );
}
