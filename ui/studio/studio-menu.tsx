"use client";
import { Menu, MenuButton, MenuItem, MenuItems, MenuSeparator } from "@headlessui/react";
import { Check, ChevronDown, Menu as MenuIcon } from "lucide-react";
import { enterStudio, send } from "@/ui/send";
import { switchSurround } from "@/ui/surround";
import { useStudio } from "./studio-context";

const item =
  "flex min-h-11 w-full items-center gap-2 px-3 text-left text-[15px] data-focus:bg-ground data-focus:underline";

const goInto = (id: string) => {
  enterStudio(id);
  location.assign("/");
};

/** Which studio one is in, the others, its settings, and the way out. */
export function StudioMenu({ onShortcuts }: { readonly onShortcuts: () => void }) {
  const studio = useStudio();
  if (!studio) return null;
  const { id, name, role, demo, others, person } = studio;
  const signOut = () =>
    void send("DELETE", "/api/session").then(
      () => location.assign("/sign-in"),
      () => location.assign("/sign-in"),
    );
  return (
    <Menu>
      <MenuButton className="button max-w-[min(14rem,70vw)] min-w-0 max-[759px]:border-transparent max-[759px]:bg-transparent max-[759px]:px-1.5 min-[760px]:ml-1">
        <MenuIcon size={20} aria-hidden className="shrink-0 min-[760px]:hidden" />
        <span className="min-w-0 truncate max-[759px]:sr-only">{name}</span>
        {demo && <span className="text-[13px] font-normal text-soft max-[759px]:sr-only">demo</span>}
        {role === "viewer" && (
          <span className="text-[13px] font-normal text-soft max-[759px]:sr-only">looking only</span>
        )}
        <ChevronDown size={16} aria-hidden className="shrink-0 max-[759px]:hidden" />
      </MenuButton>
      <MenuItems
        anchor={{ to: "bottom end", gap: 4 }}
        className="z-50 min-w-56 border border-strong bg-panel py-1"
      >
        {others.map((o) => (
          <MenuItem key={o.id}>
            <button
              className={item}
              onClick={() => goInto(o.id)}
              aria-current={o.id === id ? "true" : undefined}
            >
              <span className="w-4">{o.id === id && <Check size={16} aria-hidden />}</span>
              <span className="truncate">{o.name}</span>
              {o.demo && <span className="text-[13px] text-soft">demo</span>}
            </button>
          </MenuItem>
        ))}
        <MenuSeparator className="my-1 h-px bg-line" />
        <MenuItem>
          <a className={item} href="/studio">
            Studio settings
          </a>
        </MenuItem>
        <MenuItem>
          <a className={item} href="/start">
            Another studio
          </a>
        </MenuItem>
        <MenuItem>
          <button className={`${item} min-[760px]:hidden`} onClick={switchSurround}>
            Bright or dim surround
          </button>
        </MenuItem>
        <MenuItem>
          <button className={`${item} min-[760px]:hidden`} onClick={onShortcuts}>
            Shortcuts
          </button>
        </MenuItem>
        {person && (
          <MenuItem>
            <button className={item} onClick={signOut}>
              Sign out {person}
            </button>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  );
}
