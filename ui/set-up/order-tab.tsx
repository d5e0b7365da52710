"use client";
import { closestCenter, DndContext } from "@dnd-kit/core";
import { arrayMove, SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { stacked } from "@/core/picture/stacking";
import type { Piece } from "@/core/piece/piece";
import { spokenDrag, useListSensors } from "@/ui/kit/list-drag";
import { useRun } from "@/ui/piece/piece-context";
import { orderInWords } from "@/words/place";

/** Areas from the foremost to the hindmost: as somebody has said, the rest where the line puts them. */
export const stackedAreas = (piece: Piece, output: SetUpOutput): readonly string[] =>
  stacked(output.stacking.order, piece.setUp.order ?? []);

/** What lies before what: a list to drag in, proposed from how the lines meet. */
export function OrderTab({
  piece,
  output,
  chosen,
  onChoose,
  pointing,
  onPoint,
}: {
  readonly piece: Piece;
  readonly output: SetUpOutput;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (keys: ReadonlySet<string>) => void;
  readonly pointing: boolean;
  readonly onPoint: () => void;
}) {
  const run = useRun();
  const sensors = useListSensors();
  const order = stackedAreas(piece, output);
  const nameOf = (id: string) => piece.areas.find((a) => a.id === id)?.name ?? "";
  const backed = (id: string) =>
    output.stacking.pairs
      .filter((p) => p.front === id)
      .sort((a, b) => b.confidence - a.confidence)
      .slice(0, 3);
  return (
    <div className="flex flex-col gap-3">
      <p className="m-0 text-[15px]">
        What lies in front stands above. Where something passes before something else, the thing behind is
        darker there.
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          className={`button ${pointing ? "button-main" : ""}`}
          aria-pressed={pointing}
          onClick={onPoint}
        >
          Point at a pair
        </button>
        <button
          className="button"
          disabled={piece.setUp.order === null}
          onClick={() => run({ type: "order areas", order: null })}
        >
          Guess from the line
        </button>
        <span className="self-center text-[14px] text-soft">
          {piece.setUp.order === null ? "As the line shows it." : "As you have said it."}
        </span>
      </div>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={spokenDrag(nameOf)}
        onDragEnd={({ active, over }) => {
          if (!over || active.id === over.id) return;
          const [from, to] = [order.indexOf(String(active.id)), order.indexOf(String(over.id))];
          run({ type: "order areas", order: arrayMove([...order], from, to) });
        }}
      >
        <SortableContext items={[...order]} strategy={verticalListSortingStrategy}>
          <ol className="m-0 list-none border-t border-line p-0" aria-label="From front to back">
            {order.map((id) => (
              <Placed
                key={id}
                id={id}
                name={nameOf(id)}
                chosen={chosen.has(id)}
                onChoose={() => onChoose(new Set([id]))}
                says={backed(id)
                  .map((p) => `before ${nameOf(p.back)} (${orderInWords(p.confidence)})`)
                  .join(", ")}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </div>
  );
}

function Placed({
  id,
  name,
  says,
  chosen,
  onChoose,
}: {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`grid min-h-11 grid-cols-[44px_minmax(0,1fr)] items-center border-b border-line ${chosen ? "bg-panel" : ""}`}
    >
      <button
        className="flex min-h-11 cursor-grab touch-manipulation items-center justify-center"
        aria-label={`Move ${name}`}
        {...attributes}
        {...listeners}
      >
        <GripVertical size={17} aria-hidden />
      </button>
      <button className="min-h-11 min-w-0 text-left" onClick={onChoose} aria-pressed={chosen}>
        <span className="text-[15px] font-medium">{name}</span>
        {says && <span className="block truncate text-[13px] text-soft">{says}</span>}
      </button>
    </li>
  );
}
