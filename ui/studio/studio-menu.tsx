"use client";
import { Check, ChevronDown, Menu as MenuIcon } from "lucide-react";
import { ActionMenu } from "@/ui/kit/action-menu";
import { enterStudio, send } from "@/ui/send";
import { switchSurround } from "@/ui/surround";
import { forgetAway } from "@/workers/away-paths";
import { useStudio } from "./studio-context";

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
    void send("DELETE", "/api/session")
      .catch(() => undefined)
      .then(forgetAway)
      .then(() => location.assign("/sign-in"));
  return (
    <ActionMenu
      className="button max-w-[min(14rem,70vw)] min-w-0 max-[759px]:border-transparent max-[759px]:bg-transparent max-[759px]:px-1.5 min-[760px]:ml-1"
      anchor="bottom end"
      entries={[
        ...others.map((o) => ({
          id: o.id,
          content: (
            <>
              <span className="w-4">{o.id === id && <Check size={16} aria-hidden />}</span>
              <span className="truncate">{o.name}</span>
              {o.demo && <span className="text-[13px]">demo</span>}
            </>
          ),
          act: () => goInto(o.id),
          isCurrent: o.id === id,
        })),
        "line",
        { id: "log", content: "Log", href: "/log", isNarrow: true },
        { id: "supplies", content: "Supplies", href: "/supplies", isNarrow: true },
        { id: "have", content: "Do I have this?", href: "/have" },
        { id: "practice", content: "Practice", href: "/practice" },
        { id: "glossary", content: "Words of the craft", href: "/glossary" },
        { id: "settings", content: "Studio settings", href: "/studio" },
        { id: "another", content: "Another studio", href: "/start" },
        { id: "surround", content: "Bright or dim surround", act: switchSurround, isNarrow: true },
        { id: "shortcuts", content: "Shortcuts", act: onShortcuts, isNarrow: true },
        ...(person ? [{ id: "out", content: `Sign out ${person}`, act: signOut }] : []),
      ]}
    >
      <MenuIcon size={20} aria-hidden className="shrink-0 min-[760px]:hidden" />
      <span className="min-w-0 truncate max-[759px]:sr-only">{name}</span>
      {demo && <span className="text-[13px] font-normal text-soft max-[759px]:sr-only">demo</span>}
      {role === "viewer" && (
        <span className="text-[13px] font-normal text-soft max-[759px]:sr-only">looking only</span>
      )}
      <ChevronDown size={16} aria-hidden className="shrink-0 max-[759px]:hidden" />
    </ActionMenu>
  );
}
