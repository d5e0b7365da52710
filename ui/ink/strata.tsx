"use client";
import { closestCenter, DndContext, useDraggable, type DragEndEvent } from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { spokenDrag, useListSensors } from "@/ui/kit/list-drag";
import { EllipsisVertical, GripVertical, Lock, Minus, Plus, Replace, X } from "lucide-react";
import type { KeyboardEvent } from "react";
import type { Knowledge } from "@/core/ink/desk";
import { ActionMenu } from "@/ui/kit/action-menu";
import { coatsInWords, signed } from "@/words/numbers";
import { readableOn } from "./readable";

/** A tone of the group as a bar. */
export interface ToneBar {
  readonly code: string;
  readonly coats: number;
  readonly role: string;
  readonly where: string;
  /** The ink alone on the paper. */
  readonly alone: string;
  /** What one sees after it; undefined while it is computed. */
  readonly after:
    { readonly hex: string; readonly lightness: number; readonly knowledge: Knowledge } | undefined;
  readonly measured: boolean;
  readonly overruled: boolean;
  readonly locked: boolean;
  readonly warning: string;
}

/** A marker near the group that may be dragged onto a layer. */
export interface ShelfInk {
  readonly code: string;
  readonly hex: string;
  readonly lightness: number;
  readonly says: string;
}

/** A layer that is chosen elsewhere: an underlay, an overlay, pencil. */
export interface FixedLayer {
  readonly key: string;
  readonly name: string;
  readonly says: string;
  readonly alone: string;
  /** Left out for what only a proposal has. */
  readonly onTakeAway?: () => void;
}

interface StrataProps {
  /** In the order in which they are laid. */
  readonly layers: readonly ToneBar[];
  readonly paper: { readonly name: string; readonly hex: string; readonly lightness: number };
  readonly onMove: (from: number, to: number) => void;
  readonly onCoats: (layer: number, coats: number) => void;
  readonly onExchange: (layer: number) => void;
  /** Puts another marker in a layer's place. */
  readonly onPut: (layer: number, code: string) => void;
  readonly onLock: (layer: number, locked: boolean) => void;
  readonly onExclude: (layer: number) => void;
  readonly beneath: readonly FixedLayer[];
  readonly above: readonly FixedLayer[];
  readonly shelf: readonly ShelfInk[];
  /** Notes the stack up to a layer as one to be tried on paper. */
  readonly onTry: (layer: number) => void;
}

/** The build of an area as a cross-section, paper at the bottom: left half of a bar the ink alone, right half what one sees after it. */
export function Strata({ layers, paper, beneath, above, shelf, onMove, onPut, ...acts }: StrataProps) {
  const sensors = useListSensors();
  const top = [...layers].reverse();
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const place = (id: unknown) => layers.findIndex((l) => l.code === id);
    const from = String(active.id);
    if (from.startsWith(SHELF)) onPut(place(over.id), from.slice(SHELF.length));
    else onMove(place(active.id), place(over.id));
  };
  return (
    <section aria-label="Layers">
      <div className="mb-1 flex items-baseline justify-between">
        <h2 className="small-title">Layers, last laid on top</h2>
        <span className="text-[12px] text-soft">ink alone · what is seen after it</span>
      </div>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={onDragEnd}
        id="strata"
        accessibility={SPOKEN}
      >
        {above.map((l) => (
          <FixedBar key={l.key} layer={l} />
        ))}
        <SortableContext items={top.map((l) => l.code)} strategy={verticalListSortingStrategy}>
          <ol className="m-0 list-none space-y-1 p-0" aria-label="Last laid first">
            {top.map((layer, i) => (
              <Bar
                key={layer.code}
                layer={layer}
                place={layers.length - 1 - i}
                count={layers.length}
                onMove={onMove}
                {...acts}
              />
            ))}
          </ol>
        </SortableContext>
        {beneath.map((l) => (
          <FixedBar key={l.key} layer={l} />
        ))}
        <div className="mt-1 flex items-stretch border border-strong" style={{ background: paper.hex }}>
          <p className="m-0 px-2 py-1 text-[13px] font-medium text-black">
            {paper.name} <span className="ml-1">lightness {signed(paper.lightness)}</span>
          </p>
        </div>
        {shelf.length > 0 && (
          <div className="mt-2" role="group" aria-label="Markers near these, to be dragged onto a layer">
            <span className="text-[12px] text-soft">Near these: drag one onto a layer</span>
            <ul className="m-0 mt-0.5 flex list-none flex-wrap gap-1 p-0">
              {shelf.map((ink) => (
                <Shelved key={ink.code} ink={ink} />
              ))}
            </ul>
          </div>
        )}
      </DndContext>
    </section>
  );
}

function FixedBar({ layer }: { layer: FixedLayer }) {
  return (
    <div
      className="my-1 grid grid-cols-[22px_104px_minmax(0,1fr)_auto] items-center gap-x-1.5 bg-panel"
      data-fixed={layer.name}
    >
      <span />
      <span className="h-8 border border-strong" style={{ background: layer.alone }} aria-hidden />
      <span className="min-w-0 py-0.5 pl-1 leading-tight">
        <span className="code">{layer.name}</span>{" "}
        <span className="text-[12.5px] text-soft">{layer.says}</span>
      </span>
      {layer.onTakeAway && (
        <button
          className="button-bare min-w-7 px-0"
          onClick={layer.onTakeAway}
          aria-label={`Take ${layer.name} away`}
          title="Take it away"
        >
          <X size={15} aria-hidden />
        </button>
      )}
    </div>
  );
}

const SHELF = "shelf:";
const SPOKEN = spokenDrag((id) => (id.startsWith(SHELF) ? `${id.slice(SHELF.length)} from beside` : id));

function Shelved({ ink }: { ink: ShelfInk }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: SHELF + ink.code });
  return (
    <li>
      <button
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        style={{ transform: CSS.Translate.toString(transform), zIndex: isDragging ? 2 : undefined }}
        className="relative flex cursor-grab touch-manipulation items-center gap-1 border border-line bg-panel pr-1.5"
        title={ink.says}
        aria-label={`${ink.code}, lightness ${signed(ink.lightness)}, ${ink.says}`}
      >
        <span className="h-7 w-5" style={{ background: ink.hex }} aria-hidden />
        <span className="code text-[12.5px]">{ink.code}</span>
      </button>
    </li>
  );
}

const edges: Record<Knowledge, string> = {
  measured: "",
  leaning: "border-dashed",
  predicted: "border-dotted",
};
const knowledgeInWords: Record<Knowledge, string> = {
  measured: "measured",
  leaning: "predicted, leaning on a trial near it",
  predicted: "predicted",
};

function Bar({
  layer,
  place,
  count,
  onMove,
  onCoats,
  onExchange,
  onLock,
  onExclude,
  onTry,
}: { layer: ToneBar; place: number; count: number } & Omit<
  StrataProps,
  "layers" | "paper" | "beneath" | "above" | "shelf" | "onPut"
>) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id: layer.code });
  const onKeyDown = (e: KeyboardEvent) => {
    if (!e.altKey || (e.key !== "ArrowUp" && e.key !== "ArrowDown")) return;
    e.preventDefault();
    onMove(place, place + (e.key === "ArrowUp" ? 1 : -1));
  };
  return (
    <li
      ref={setNodeRef}
      onKeyDown={onKeyDown}
      style={{ transform: CSS.Translate.toString(transform), transition, zIndex: isDragging ? 1 : undefined }}
      className="relative grid grid-cols-[20px_48px_46px_minmax(0,1fr)_auto] items-center gap-x-1.5 bg-panel max-[479px]:grid-cols-[22px_58px_52px_minmax(0,1fr)]"
      data-layer={layer.code}
    >
      <button
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move ${layer.code}, layer ${place + 1} of ${count}; arrow keys after Space, or Alt and arrows`}
        className="flex h-11 cursor-grab touch-manipulation items-center justify-center text-soft"
      >
        <GripVertical size={16} aria-hidden />
      </button>
      <span
        className={`min-h-11 self-stretch border border-strong ${layer.measured ? "" : "border-dashed"}`}
        style={{ background: layer.alone }}
        aria-hidden
      />
      <button
        className={`-ml-1.5 flex min-h-11 items-end justify-end self-stretch border border-l-0 border-strong px-1 text-[12px] disabled:opacity-100 ${layer.after ? edges[layer.after.knowledge] : ""}`}
        style={{
          background: layer.after?.hex ?? "var(--panel)",
          color: layer.after ? readableOn(layer.after.lightness) : "var(--text)",
        }}
        disabled={!layer.after || place === 0}
        onClick={() => onTry(place)}
        aria-label={`Seen after ${layer.code}: lightness ${layer.after ? signed(layer.after.lightness) : "not known yet"}, ${layer.after?.knowledge ?? ""}. Try these layers on paper`}
        title={
          layer.after
            ? `${knowledgeInWords[layer.after.knowledge]}${place ? "; press to try these layers on paper" : ""}`
            : undefined
        }
      >
        {layer.after ? signed(layer.after.lightness) : "…"}
      </button>
      <span className="min-w-0 pl-1 leading-tight">
        <span className="flex flex-wrap items-baseline gap-x-1.5">
          <span className="code">{layer.code}</span>
          {layer.locked && <Lock size={12} aria-label="locked" className="self-center" />}
        </span>
        <span className="block text-[12px] text-soft">
          {[layer.role, layer.overruled && "yours", !layer.warning && layer.where].filter(Boolean).join(", ")}
          {layer.warning && <strong className="block">{layer.warning}</strong>}
        </span>
      </span>
      <span className="flex items-center max-[479px]:col-span-3 max-[479px]:col-start-2 max-[479px]:justify-end">
        <button
          className="button-bare min-h-11 min-w-8 px-0 max-[479px]:min-w-11"
          disabled={layer.coats <= 1}
          onClick={() => onCoats(place, layer.coats - 1)}
          aria-label={`One coat less of ${layer.code}`}
        >
          <Minus size={14} aria-hidden />
        </button>
        <span className="w-4 text-center text-[14px]" title={coatsInWords(layer.coats)}>
          <span aria-hidden>{layer.coats}</span>
          <span className="sr-only">{coatsInWords(layer.coats)}</span>
        </span>
        <button
          className="button-bare min-h-11 min-w-8 px-0 max-[479px]:min-w-11"
          disabled={layer.coats >= 3}
          onClick={() => onCoats(place, layer.coats + 1)}
          aria-label={`One coat more of ${layer.code}`}
        >
          <Plus size={14} aria-hidden />
        </button>
        <button
          className="button-bare min-h-11 min-w-8 px-0 max-[479px]:min-w-11"
          onClick={() => onExchange(place)}
          aria-label={`Exchange ${layer.code} for another marker`}
          title="Exchange"
        >
          <Replace size={16} aria-hidden />
        </button>
        <ActionMenu
          className="button-bare min-h-11 min-w-7 px-0 max-[479px]:min-w-11"
          label={`More on ${layer.code}`}
          anchor="bottom end"
          entries={[
            ...(place < count - 1
              ? [{ id: "later", content: "Lay it later", act: () => onMove(place, place + 1) }]
              : []),
            ...(place > 0
              ? [{ id: "earlier", content: "Lay it earlier", act: () => onMove(place, place - 1) }]
              : []),
            {
              id: "lock",
              content: layer.locked ? "Let it change again" : "Lock: plan the rest around it",
              act: () => onLock(place, !layer.locked),
            },
            { id: "never", content: "Never use it in this area", act: () => onExclude(place) },
          ]}
        >
          <EllipsisVertical size={16} aria-hidden />
        </ActionMenu>
      </span>
    </li>
  );
}
