"use client";
import { useState, type ComponentType, type ReactNode } from "react";
import { later } from "./later";

export interface MenuEntry {
  readonly id: string;
  readonly content: ReactNode;
  /** What choosing it does, or the address that it leads to. */
  readonly act?: () => void;
  readonly href?: string;
  readonly download?: boolean;
  readonly off?: boolean;
  readonly isCurrent?: boolean;
  /** Only where there is no room for it in the page. */
  readonly isNarrow?: boolean;
}

export interface ActionMenuProps {
  /** What the button is called, where what it shows does not say. */
  readonly label?: string;
  readonly className: string;
  /** What the button shows. */
  readonly children: ReactNode;
  readonly entries: readonly (MenuEntry | "line")[];
  readonly anchor: "bottom start" | "bottom end" | "top end";
}

const load = later(() => import("./opened-menu"));
const fetchAhead = () => void load().catch(() => undefined);

/** A button with a menu. Until the first press it is a button and nothing more: a page has dozens of them, and most are never opened. */
export function ActionMenu(props: ActionMenuProps) {
  const [Opened, setOpened] = useState<ComponentType<ActionMenuProps>>();
  if (Opened) return <Opened {...props} />;
  const open = () => void load().then(({ OpenedMenu }) => setOpened(() => OpenedMenu), fetchAhead);
  return (
    <button
      type="button"
      className={props.className}
      aria-label={props.label}
      aria-haspopup="menu"
      aria-expanded={false}
      onPointerEnter={fetchAhead}
      onFocus={fetchAhead}
      onClick={open}
      onKeyDown={(e) => {
        if (e.key !== "ArrowDown" && e.key !== "ArrowUp") return;
        e.preventDefault();
        open();
      }}
    >
      {props.children}
    </button>
  );
}
