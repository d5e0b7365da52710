"use client";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { ChevronDown } from "lucide-react";

const FILES = [
  ["csv", "CSV, a row each"],
  ["json", "JSON, with everything"],
  ["gpl", "GIMP palette, one coat"],
  ["cgats", "CGATS.17, all readings on this paper"],
] as const;

/** The rack as a file of one of the formats. */
export function ExportMenu({ paperId }: { paperId: string }) {
  return (
    <Menu>
      <MenuButton className="button">
        Save as <ChevronDown size={16} aria-hidden />
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-30 border border-strong bg-panel p-1">
        {FILES.map(([format, says]) => (
          <MenuItem key={format}>
            <a
              className="block px-3 py-2 text-[15px] data-focus:bg-invert data-focus:text-invert-text"
              href={`/api/rack?format=${format}&paper=${paperId}`}
              download
            >
              {says}
            </a>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
