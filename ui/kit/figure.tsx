"use client";
import { useState, type ComponentType, type ReactNode } from "react";
import { meaningOf, type Unit } from "@/words/meaning";
import { later } from "./later";

export interface FigureProps {
  readonly unit: Unit;
  readonly children: ReactNode;
}

export const FIGURE = "min-h-6 text-soft underline decoration-dotted underline-offset-3";

const load = later(() => import("./opened-figure"));
const fetchAhead = () => void load().catch(() => undefined);

/** A figure whose meaning is one tap, click or key away. */
export function Figure(props: FigureProps) {
  const [Opened, setOpened] = useState<ComponentType<FigureProps>>();
  if (Opened) return <Opened {...props} />;
  return (
    <button
      type="button"
      className={FIGURE}
      title={meaningOf[props.unit]}
      aria-expanded={false}
      onPointerEnter={fetchAhead}
      onFocus={fetchAhead}
      onClick={() => void load().then(({ OpenedFigure }) => setOpened(() => OpenedFigure), fetchAhead)}
    >
      {props.children}
    </button>
  );
}
