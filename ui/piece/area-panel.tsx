"use client";
import { memo } from "react";
import type { MediumName } from "@/core/media/layer";
import type { Area } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Tabs, type TabItem } from "@/ui/kit/tabs";
import { useKey } from "@/ui/use-keys";
import { ask, useQueryPart } from "@/ui/use-query";
import { AreaFacts } from "./area-wishes";
import { FinishTab } from "./finish-tab";
import { GroupTab } from "./group/group-tab";
import type { useJudged } from "./group/use-groups";
import { PencilTab } from "./pencil/pencil-tab";
import { SchoolTab } from "./school-tab";
import { ShadowTab } from "./shadow/shadow-tab";

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  readonly judged: ReturnType<typeof useJudged>;
}

/** Everything about one area: what it is, and its group, school, shadow, pencil and finish. */
export const AreaPanel = memo(function AreaPanel({ area, rack, judged }: Props) {
  const wanted = useQueryPart("tab");
  const open = (id: string) => {
    const next = new URLSearchParams(window.location.search);
    next.set("area", area.id);
    next.set("tab", id);
    ask(`?${next}`);
  };
  const has = (medium: MediumName) => area.layers.some((l) => l.medium === medium);
  const tabs = [
    {
      id: "group",
      name: "Group",
      key: "g",
      marked: has("tone"),
      content: () => <GroupTab area={area} rack={rack} judged={judged} />,
    },
    {
      id: "school",
      name: "School",
      key: "s",
      marked: !!area.school,
      content: () => <SchoolTab area={area} rack={rack} />,
    },
    {
      id: "shadow",
      name: "Shadow",
      key: "h",
      marked: has("shadow"),
      content: () => <ShadowTab area={area} rack={rack} group={judged.groupOf(area.id)} />,
    },
    {
      id: "pencil",
      name: "Pencil",
      key: "p",
      marked: has("pencil"),
      content: () => <PencilTab area={area} rack={rack} group={judged.groupOf(area.id)} />,
    },
    {
      id: "finish",
      name: "Finish",
      key: "f",
      marked: has("finish"),
      content: () => <FinishTab area={area} rack={rack} />,
    },
  ] satisfies TabItem<string>[];
  const tab = tabs.find((t) => t.id === wanted)?.id ?? "group";
  useKey(
    tabs.map((t) => t.key),
    (e) => open(tabs.find((t) => t.key === e.key)!.id),
  );
  return (
    <section aria-label={`Plan of ${area.name}`} className="min-w-0 space-y-3">
      <AreaFacts area={area} />
      <Tabs label="Parts of the plan" items={tabs} open={tab} onOpen={open} />
    </section>
  );
});
