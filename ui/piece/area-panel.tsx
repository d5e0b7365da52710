"use client";
import { useSearchParams } from "next/navigation";
import { useHotkeys } from "react-hotkeys-hook";
import type { Area } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { AreaFacts } from "./area-wishes";
import { GroupTab } from "./group-tab";
import { PencilTab } from "./pencil-tab";
import { SchoolTab } from "./school-tab";
import { ShadowTab } from "./shadow-tab";

const tabs = [
  { id: "group", name: "Group", key: "g" },
  { id: "school", name: "School", key: "s" },
  { id: "shadow", name: "Shadow", key: "h" },
  { id: "pencil", name: "Pencil and finish", key: "p" },
] as const;

/** Everything about one area: what it is, and its group, school, shadow and pencil. */
export function AreaPanel({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const params = useSearchParams();
  const tab = tabs.find((t) => t.id === params.get("tab"))?.id ?? "group";
  const open = (id: string) => {
    const next = new URLSearchParams(params);
    next.set("area", area.id);
    next.set("tab", id);
    window.history.pushState(null, "", `?${next}`);
  };
  useHotkeys(
    tabs.map((t) => t.key),
    (e) => open(tabs.find((t) => t.key === e.key)!.id),
    [params, area.id],
  );
  const kept: Readonly<Record<(typeof tabs)[number]["id"], boolean>> = {
    group: !!area.group,
    school: !!area.school,
    shadow: !!area.shadow,
    pencil: !!area.pencil,
  };
  return (
    <section aria-label={`Plan of ${area.name}`} className="min-w-0 space-y-3">
      <AreaFacts area={area} />
      <div role="group" aria-label="Parts of the plan" className="flex flex-wrap border-b border-line">
        {tabs.map((t) => (
          <button
            key={t.id}
            title={`${t.name} (${t.key})`}
            aria-pressed={t.id === tab}
            onClick={() => open(t.id)}
            className={`px-3 py-1.5 text-[15px] ${t.id === tab ? "border-b-3 border-text font-semibold" : "border-b-3 border-transparent text-soft hover:border-line"}`}
          >
            {t.name}
            {kept[t.id] && (
              <span className="ml-1" aria-label="kept">
                ·
              </span>
            )}
          </button>
        ))}
      </div>
      {tab === "group" && <GroupTab area={area} rack={rack} />}
      {tab === "school" && <SchoolTab area={area} rack={rack} />}
      {tab === "shadow" && <ShadowTab area={area} rack={rack} />}
      {tab === "pencil" && <PencilTab area={area} rack={rack} />}
    </section>
  );
}
