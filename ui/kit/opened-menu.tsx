"use client";
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from "@headlessui/react";
import { useEffect, useRef } from "react";
import type { ActionMenuProps } from "./action-menu";
import { Floating } from "./floating";

const ITEM =
  "flex min-h-11 w-full items-center gap-2 px-3 text-left text-[15px] data-disabled:opacity-40 data-focus:bg-invert data-focus:text-invert-text";

/** A menu that was asked for: it opens as soon as it is there. */
export function OpenedMenu({ label, className, children, entries, anchor }: ActionMenuProps) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    button.current!.focus();
    button.current!.click();
  }, []);
  const isWide = matchMedia("(min-width: 760px)").matches;
  return (
    <Menu>
      <MenuButton ref={button} className={className} aria-label={label}>
        {children}
      </MenuButton>
      <Floating>
        <MenuItems
          modal={false}
          anchor={{ to: anchor, gap: 4, padding: 8 }}
          className="z-50 border border-strong bg-panel p-1"
        >
          {entries.map((e, i) =>
            e !== "line" && e.isNarrow && isWide ? null : e === "line" ? (
              <MenuSeparator key={`line ${i}`} className="my-1 h-px bg-line" />
            ) : (
              <MenuItem key={e.id} disabled={e.off}>
                {e.href === undefined ? (
                  <button className={ITEM} onClick={e.act} aria-current={e.isCurrent ? "true" : undefined}>
                    {e.content}
                  </button>
                ) : (
                  <a className={ITEM} href={e.href} download={e.download}>
                    {e.content}
                  </a>
                )}
              </MenuItem>
            ),
          )}
        </MenuItems>
      </Floating>
    </Menu>
  );
}
