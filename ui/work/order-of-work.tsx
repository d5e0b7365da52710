"use client";
import { closestCenter, DndContext } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { useState } from "react";
import type { WorkOrderOutput } from "@/compute/operations/work-order";
import { labToHex } from "@/core/colour/display";
import { bringsOf } from "@/core/media/medium";
import type { Piece, PlacedStep } from "@/core/piece/piece";
import type { TakenAlong } from "@/core/work/put";
import { stepKey } from "@/core/work/record";
import { Choice } from "@/ui/kit/choice";
import { spokenDrag, useListSensors } from "@/ui/kit/list-drag";
import { useMayChange } from "@/ui/studio/studio-context";
import { laidAfter, partName, type PieceWork } from "@/core/work/of-piece";
import type { Rack, RackMarker } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { canBeShown } from "@/ui/light/piece-picture";
import { counted } from "@/words/numbers";
import { passAmount, passStroke, passWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { brokenInWords, clockInWords, durationInWords, orderInSum, waitInWords } from "@/words/work";
import { Moment } from "./moment";
import { MovableRow } from "./movable-row";
import { PutNotice } from "./put-notice";
import { SaveOrder } from "./save-order";
import { rowsOf, stretchesOf, type Stretch } from "./stretches";
import { Timeline, type Lanes } from "./timeline";
import type { OrderFound } from "./use-order";
import { usePut } from "./use-put";

const LANES: readonly (readonly [Lanes, string])[] = [
  ["areas", "area"],
  ["markers", "marker"],
];
/** What goes along with a row that is taken by its grip. */
const ALONG: readonly (readonly [TakenAlong, string])[] = [
  ["row", "its row"],
  ["sections", "all passes of its part"],
  ["area", "all of its area"],
];
/** The order of work: marker after marker, where each goes, how long, and until when it stays wet. */
export function OrderOfWork({
  piece,
  rack,
  found,
  onLaid,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly found: OrderFound;
  /** Hears how many passes of each area lie at the moment that is looked at; undefined when all do. */
  readonly onLaid: (laid: ReadonlyMap<string, number> | undefined) => void;
}) {
  const { work, pins, byHand, desk, job, tried, setPut, byArea } = found;
  const may = useMayChange();
  const put = usePut(piece, setPut);
  const sensors = useListSensors();
  const [asked, setAsked] = useState<number>();
  const [lanes, setLanes] = useState<Lanes>("areas");
  const [along, setAlong] = useState<TakenAlong>("row");
  // What was put elsewhere is seen where it was put, as far as it can be.
  const timed = put.moved && !tried.old ? tried.output : undefined;
  const order = timed?.followed ? timed : job.output;
  const markers = new Map([...rack.markers, ...rack.others].map((m) => [m.code, m]));
  const parts = new Map(work.map((w) => [w.id, w]));
  if (!order) return <Progress work={job} doing="Looking for the order of work" />;
  const { steps } = order;
  const at = Math.min(asked ?? steps.length, steps.length);
  const laidAt = (n: number) => (n < steps.length ? laidAfter(work, steps, order.sections, n) : undefined);
  const laid = laidAt(at);
  const setAt = (n: number) => {
    setAsked(n);
    onLaid(laidAt(n));
  };
  const first = steps[0]?.start ?? 0;
  const colourOf = (code: string) => {
    const lab = markers.get(code)?.swatches[0]?.lab;
    return lab ? labToHex(lab) : "var(--soft)";
  };
  const nameOf = (id: string | number) => partName(parts.get(String(id)));
  const stretches = stretchesOf(steps, desk.change);
  const rows = stretches.flatMap((s) => rowsOf(s.steps));
  const keys = rows.map((r) => stepKey({ ...r.steps[0]!, area: String(r.steps[0]!.area) }));
  const rowName = (key: string) => {
    const [s] = rows[keys.indexOf(key)]?.steps ?? [];
    if (!s) return "";
    const isPart = (order.sections[String(s.area)] ?? 1) > rows[keys.indexOf(key)]!.steps.length;
    return `${nameOf(s.area)}${isPart ? ` part ${s.section + 1}` : ""}, ${pencilName(s.code)}`;
  };
  const move = (from: number, to: number) => {
    if (from === to || from < 0 || to < 0) return;
    const placed = rows.map((r) => r.steps.map((s): PlacedStep => [String(s.area), s.section, s.pass]));
    const beside = rowName(keys[to]!);
    const [s] = rows[from]!.steps;
    const what = {
      row: rowName(keys[from]!),
      sections: `${nameOf(s!.area)}${(order.sections[String(s!.area)] ?? 1) > 1 ? ` part ${s!.section + 1}` : ""}, all its passes,`,
      area: `All of ${nameOf(s!.area)}`,
    }[along];
    put.move(placed, from, to, along, `${what} ${to > from ? "after" : "before"} ${beside}`);
  };
  const mayMove = may && !put.moved;
  return (
    <div className="grid gap-4">
      <p className="m-0 text-[15px]" role="status">
        {orderInSum(order, byArea)}.{" "}
        {job.progress !== undefined && <span className="text-soft">Looking for a better one…</span>}
      </p>
      <PutNotice pins={pins} byHand={byHand} order={job.output!} tried={timed} put={put} nameOf={nameOf} />
      {!put.moved && order.broken.length > 0 && (
        <ul className="m-0 grid list-none gap-1 p-0" aria-label="What cannot be kept">
          {order.broken.map((b, i) => (
            <li key={i} className="border-l-4 border-strong pl-3 text-[14px]">
              {brokenInWords(b, nameOf(b.area), b.other === undefined ? "" : nameOf(b.other))}
            </li>
          ))}
        </ul>
      )}
      <section aria-label="When" className="screen-only">
        {canBeShown(piece) && (
          <div className="mb-2 max-w-[420px] min-[1000px]:hidden">
            <Moment piece={piece} rack={rack} laid={laid} />
          </div>
        )}
        <Choice says="A lane for each" from={LANES} at={lanes} onChoose={setLanes} />
        <Timeline
          order={order}
          work={work}
          by={lanes}
          openTime={desk.openTime}
          colourOf={colourOf}
          nameOf={nameOf}
          at={at}
          onAt={setAt}
        />
        <label className="mt-1 flex items-center gap-3 text-[14px] text-soft">
          Steps laid
          <input
            type="range"
            className="min-w-0 flex-1 touch-pan-y accent-current"
            min={0}
            max={steps.length}
            value={at}
            aria-valuetext={
              at
                ? `${at} of ${steps.length}: ${steps[at - 1]!.code} on ${nameOf(steps[at - 1]!.area)}`
                : "bare paper"
            }
            onChange={(e) => setAt(Number(e.target.value))}
          />
          <span className="min-w-16 text-right">
            {at} of {steps.length}
          </span>
        </label>
      </section>
      <SaveOrder
        piece={piece}
        rack={rack}
        work={work}
        sum={orderInSum(order, byArea)}
        order={order}
        parts={parts}
        openTime={desk.openTime}
      />
      {mayMove && rows.length > 1 && (
        <Choice says="A grip takes along" from={ALONG} at={along} onChoose={setAlong} />
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={spokenDrag(rowName)}
        onDragEnd={({ active, over }) =>
          over && move(keys.indexOf(String(active.id)), keys.indexOf(String(over.id)))
        }
      >
        <SortableContext items={keys} strategy={verticalListSortingStrategy}>
          <ol className="m-0 list-none p-0" aria-label="Order of work">
            {stretches.map((s) => (
              <StretchRow
                key={s.from}
                stretch={s}
                marker={markers.get(s.code)}
                parts={parts}
                order={order}
                openTime={desk.openTime}
                first={first}
                last={s.from ? nameOf(steps[s.from - 1]!.area) : undefined}
                at={at}
                onAt={setAt}
                mayMove={mayMove}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
    </div>
  );
}

function StretchRow({
  stretch: { code, wait, from, steps },
  marker,
  parts,
  order,
  openTime,
  first,
  last,
  at,
  onAt,
  mayMove,
}: {
  readonly stretch: Stretch;
  readonly marker: RackMarker | undefined;
  readonly parts: ReadonlyMap<string, PieceWork>;
  readonly order: WorkOrderOutput;
  readonly openTime: number;
  readonly first: number;
  readonly last: string | undefined;
  readonly at: number;
  readonly onAt: (steps: number) => void;
  readonly mayMove: boolean;
}) {
  return (
    <li className="mb-3 break-inside-avoid">
      {wait > 0 && (
        <p className="my-1 border-l-4 border-line pl-3 text-[14px] text-soft">
          Wait {waitInWords(wait, last)}
        </p>
      )}
      <h2 className="m-0 flex flex-wrap items-center gap-x-3 border-b-2 border-text pb-1 text-[17px]">
        {marker ? <MarkerChip marker={marker} width={64} height={24} /> : <span className="w-16" />}
        <span className="code">{pencilName(code)}</span>
        <span className="ml-auto text-[14px] font-normal text-soft">
          {steps.length > 1 && `${counted(steps.length, "place")}, `}
          {durationInWords(steps.reduce((sum, s) => sum + s.seconds, 0))}
        </span>
      </h2>
      <ol className="m-0 list-none p-0">
        {rowsOf(steps).map(({ at: i, steps: own }) => {
          const s = own[0]!;
          const part = parts.get(String(s.area));
          const pass = part?.passes[s.pass];
          const n = order.sections[String(s.area)] ?? 1;
          const [k, last] = [from + i + 1, from + i + own.length];
          const end = own.at(-1)!.start + own.at(-1)!.seconds;
          return (
            <MovableRow
              key={k}
              id={stepKey({ ...s, area: String(s.area) })}
              name={`${partName(part)}, ${pencilName(code)}`}
              mayMove={mayMove}
              isAt={at >= k && at <= last}
              isToCome={k > at}
            >
              <button
                className="button-bare min-h-8 px-0 text-right font-semibold"
                aria-label={`Step ${last}: show the piece once it is laid`}
                onClick={() => onAt(last)}
              >
                {k === last ? k : `${k}–${last}`}
              </button>
              <span className="flex items-center gap-1.5 text-[14px] text-soft">
                <span className="hidden size-3.5 shrink-0 border border-text print:block" aria-hidden />
                {clockInWords(s.start - first)}
              </span>
              <span className="min-w-0">
                <strong>{partName(part)}</strong>
                {n > 1 && (
                  <span className="text-soft">
                    {own.length === 1
                      ? ` part ${s.section + 1} of ${n}`
                      : own.length === n
                        ? `, all ${n} parts`
                        : ` parts ${own.map((o) => o.section + 1).join(", ")} of ${n}`}
                  </span>
                )}
              </span>
              <span className="min-w-0 max-[640px]:col-start-3">
                {pass && (
                  <>
                    {pass.dry && <strong>when dry: </strong>}
                    {passAmount(pass)}, {passWhere(pass)};{" "}
                    <span className="text-soft">{passStroke(pass)}</span>
                  </>
                )}
              </span>
              <span className="text-[14px] whitespace-nowrap text-soft max-[640px]:col-start-3">
                {durationInWords(Math.max(1, end - s.start))}
                {pass && bringsOf(pass) === "ink" && <>, wet until {clockInWords(end + openTime - first)}</>}
              </span>
            </MovableRow>
          );
        })}
      </ol>
    </li>
  );
}
