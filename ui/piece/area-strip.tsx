"use client";
import { shortName } from "@/border/names";
import { EllipsisVertical, Layers, Plus } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { memo, useState, type FormEvent } from "react";
import { tonesOf, type Area } from "@/core/piece/piece";
import type { GroupOutput } from "@/compute/group-output";
import { Ramp } from "@/ui/ink/ramp";
import { ActionMenu } from "@/ui/kit/action-menu";
import { Modal } from "@/ui/kit/modal";
import { counted } from "@/words/numbers";
import type { useJudged } from "./group/use-groups";
import { GiveOn } from "./give-on";
import { usePieceHandles, useRun } from "./piece-context";

interface AreaStripProps {
  readonly areas: readonly Area[];
  readonly chosen: string | undefined;
  readonly judged: ReturnType<typeof useJudged>;
  readonly onChoose: (id: string) => void;
}

/** What is dragged from one area onto another. */
const DRAGGED = "application/x-area";

/** All areas of the piece as small ramps, in the order of colouring. */
export function AreaStrip({ areas, chosen, judged, onChoose }: AreaStripProps) {
  const run = useRun();
  const { id } = usePieceHandles();
  const [naming, setNaming] = useState<{ id?: string; name: string }>();
  const [giving, setGiving] = useState<string>();
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const name = shortName(naming!.name, 80);
    if (!name) return;
    if (naming!.id) run({ type: "rename area", id: naming!.id, name });
    else {
      const id = crypto.randomUUID();
      run({ type: "add area", id, name });
      onChoose(id);
    }
    setNaming(undefined);
  };
  return (
    <section aria-label="Areas" className="border-t border-line bg-ground">
      <div className="flex gap-2 overflow-x-auto p-2 px-4">
        {areas.length > 1 && (
          <Link
            className="flex min-h-16 w-20 shrink-0 flex-col items-center justify-center gap-0.5 border border-line bg-panel text-center text-[14px] leading-tight font-medium"
            href={`/pieces/${id}/whole`}
            title="All areas together (a)"
          >
            <Layers size={18} aria-hidden /> All areas
          </Link>
        )}
        <ol className="m-0 flex list-none gap-2 p-0">
          {areas.map((area, i) => (
            <AreaItem
              key={area.id}
              area={area}
              place={i}
              isLast={i === areas.length - 1}
              isChosen={area.id === chosen}
              group={judged.groupOf(area.id)}
              onChoose={onChoose}
              onRename={setNaming}
              onGive={setGiving}
            />
          ))}
          <li className="shrink-0">
            <button
              className="flex h-full min-h-16 w-28 items-center justify-center gap-1.5 border border-dashed border-strong text-[15px]"
              onClick={() => setNaming({ name: "" })}
            >
              <Plus size={18} aria-hidden /> Add area
            </button>
          </li>
        </ol>
      </div>
      <GiveOn from={areas.find((a) => a.id === giving)} onClose={() => setGiving(undefined)} />
      <Modal
        open={naming !== undefined}
        title={naming?.id ? "Rename the area" : "Add an area"}
        onClose={() => setNaming(undefined)}
      >
        <form onSubmit={submit} className="flex gap-2">
          <input
            autoFocus
            className="field flex-1"
            aria-label="Name of the area"
            placeholder="such as Skin, Hair, Scarf"
            maxLength={80}
            value={naming?.name ?? ""}
            onChange={(e) => setNaming({ ...naming!, name: e.target.value })}
          />
          <button className="button button-main" disabled={!naming?.name.trim()}>
            {naming?.id ? "Rename" : "Add"}
          </button>
        </form>
      </Modal>
    </section>
  );
}

/** One area: drawn again only when something of it changes. */
const AreaItem = memo(function AreaItem({
  area,
  place,
  isLast,
  isChosen,
  group,
  onChoose,
  onRename,
  onGive,
}: {
  readonly area: Area;
  readonly place: number;
  readonly isLast: boolean;
  readonly isChosen: boolean;
  readonly group: GroupOutput | undefined;
  readonly onChoose: (id: string) => void;
  readonly onRename: (named: { id: string; name: string }) => void;
  readonly onGive: (id: string) => void;
}) {
  const run = useRun();
  const [over, setOver] = useState(false);
  const has = area.layers.length > 0 || Object.keys(area.readings).length > 0;
  return (
    <li
      draggable={has}
      onDragStart={(e) => {
        e.dataTransfer.setData(DRAGGED, area.id);
        e.dataTransfer.effectAllowed = "copy";
      }}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes(DRAGGED)) return;
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        setOver(false);
        const from = e.dataTransfer.getData(DRAGGED);
        if (!from || from === area.id) return;
        e.preventDefault();
        run({ type: "give", from, to: [area.id], what: "plan" });
      }}
      title={has ? "Drag it onto another area to give that its plan" : undefined}
      className={`relative w-40 shrink-0 border-b-4 bg-panel ${isChosen ? "border-text" : "border-transparent"} ${over ? "outline-2 outline-text" : ""}`}
    >
      <button
        className="block w-full px-2 pt-1.5 pb-2 text-left"
        aria-current={isChosen}
        onClick={() => onChoose(area.id)}
      >
        <span className="block truncate pr-6 text-[15px] font-semibold">{area.name}</span>
        <AreaRamp area={area} group={group} />
      </button>
      <ActionMenu
        className="button-bare absolute top-0 right-0 min-h-8 min-w-7 px-0"
        label={`Change ${area.name}`}
        anchor="top end"
        entries={[
          ...(has ? [{ id: "give", content: "Give it on to other areas", act: () => onGive(area.id) }] : []),
          { id: "name", content: "Rename", act: () => onRename({ id: area.id, name: area.name }) },
          {
            id: "earlier",
            content: "Colour it earlier",
            act: () => run({ type: "move area", id: area.id, to: place - 1 }),
            off: place === 0,
          },
          {
            id: "later",
            content: "Colour it later",
            act: () => run({ type: "move area", id: area.id, to: place + 1 }),
            off: isLast,
          },
          { id: "delete", content: "Delete", act: () => run({ type: "delete area", id: area.id }) },
        ]}
      >
        <EllipsisVertical size={16} aria-hidden />
      </ActionMenu>
    </li>
  );
});

function AreaRamp({ area, group }: { readonly area: Area; readonly group: GroupOutput | undefined }) {
  const picked = Object.keys(area.readings).length;
  const tones = tonesOf(area);
  if (!tones.length)
    return (
      <span className="mt-1 flex h-8.5 items-center text-[13px] text-soft">
        {area.layers.length
          ? "no ink: pencil or finish"
          : picked
            ? "picked, no group kept"
            : "not planned yet"}
      </span>
    );
  if (!group)
    return (
      <span className="mt-1 flex h-8.5 items-center text-[13px] text-soft">
        {counted(tones.length, "tone")}
      </span>
    );
  return (
    <span className="mt-1 block">
      <Ramp colours={group.strip} label={`Ramp of ${area.name}`} />
    </span>
  );
}
