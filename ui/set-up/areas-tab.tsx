"use client";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Gathering } from "@/core/picture/gatherings";
import type { Piece } from "@/core/piece/piece";
import { areasFor, backgroundArea, bareRegions, gathered, openRegions, swapped } from "@/core/piece/placing";
import type { Work } from "@/ui/jobs/use-job";
import { Link } from "@/ui/kit/link";
import { Notice } from "@/ui/kit/notice";
import { NumberField } from "@/ui/kit/number-field";
import { Slider } from "@/ui/kit/slider";
import { usePieceHandles, useRun } from "@/ui/piece/piece-context";
import { counted } from "@/words/numbers";
import { AreaActions } from "./area-actions";
import { AreaRow } from "./area-row";
import { Gatherings } from "./gatherings";
import { STROKE_TOOLS, type Tool } from "./tool";

/** Most areas of a piece. */
export const MOST_AREAS = 400;

export interface AreasTabProps {
  readonly piece: Piece;
  readonly output: SetUpOutput;
  readonly bleed: number | null;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (keys: ReadonlySet<string>) => void;
  /** Whether a click adds to what is chosen: what Shift does where there are keys. */
  readonly several: boolean;
  readonly onSeveral: (several: boolean) => void;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly gatherings: Work<readonly Gathering[]>;
  /** Chooses more by what is chosen. */
  readonly onGrow: (how: "neighbours" | "alike" | "within") => void;
  readonly onPassing: (passing: { readonly gap?: number; readonly speck?: number }) => void;
  readonly onPropose: (() => void) | undefined;
  /** What reading colours came to. */
  readonly readSaid: string | undefined;
  readonly onPlaceByPicks: (() => void) | undefined;
}

const plural = (n: number) => counted(n, "area");

/** Finding areas, mending them, and all of them in a list. */
export function AreasTab(props: AreasTabProps) {
  const { piece, output, bleed, chosen, onChoose, tool, onTool } = props;
  const run = useRun();
  const { id: pieceId } = usePieceHandles();
  const open = openRegions(output);
  const bare = bareRegions(output);
  const placed = new Map(output.areas.map((a) => [a.id, a]));
  const touches = new Map<string, number>();
  for (const t of output.touches) for (const id of [t.a, t.b]) touches.set(id, (touches.get(id) ?? 0) + 1);
  const lost = new Map(output.lost.map((l) => [l.id, l.to]));
  const unplaced = piece.areas.filter((a) => !a.place && !lost.has(a.id));
  // What was made an area a moment ago still looks free until the drawing has been looked at anew.
  const found = new Set(output.areas.map((a) => a.id));
  const isStale = piece.areas.some((a) => a.place && !found.has(a.id) && !lost.has(a.id));
  const room = MOST_AREAS - piece.areas.length;
  const nameOf = (id: string) => piece.areas.find((a) => a.id === id)?.name ?? "";

  const make = (ids: readonly number[]) => {
    const areas = areasFor(
      output,
      ids,
      piece.areas.map((a) => a.name),
      room,
      () => crypto.randomUUID(),
    );
    if (!areas.length) return;
    run({ type: "add areas", areas });
    // One is gone on with at once; of several none is meant more than the others.
    onChoose(new Set(areas.length > 1 ? [] : areas.map((a) => a.id)));
  };
  const makeBackground = () => {
    const names = piece.areas.map((a) => a.name);
    const area = backgroundArea(output, names, () => crypto.randomUUID());
    if (!area) return;
    run({ type: "add areas", areas: [area] });
    onChoose(new Set([area.id]));
  };
  const gather = (sets: readonly (readonly number[])[]) => {
    const command = gathered(piece, output, sets, room, () => crypto.randomUUID());
    if (!command) return;
    run(command);
    onChoose(new Set(sets.length === 1 ? command.areas.map((a) => a.id) : []));
    if (tool !== "pick" && !STROKE_TOOLS.includes(tool)) onTool("pick");
  };

  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 text-[15px]">
        <Search
          label="Close gaps up to"
          unit="mm"
          value={piece.setUp.gap}
          most={3}
          step={0.1}
          onChange={(gap) => run({ type: "change search", set: { gap } })}
          onMove={(gap) => props.onPassing({ gap })}
        />
        <Search
          label="Merge specks under"
          unit="mm²"
          value={piece.setUp.speck}
          most={20}
          step={0.5}
          onChange={(speck) => run({ type: "change search", set: { speck } })}
          onMove={(speck) => props.onPassing({ speck })}
        />
      </div>
      <p className="m-0 text-[15px]" role="status">
        {plural(output.areas.length)} on the sheet
        {open.length > 0 &&
          `, ${counted(open.length, "shape")} ${open.length === 1 ? "is not an area" : "are no areas"} yet`}
        {output.gaps > 0 && `; ${counted(output.gaps, "gap")} closed`}
        {output.specks > 0 && `, ${counted(output.specks, "speck")} merged`}.
      </p>
      {open.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <button
            className={`button ${output.areas.length || props.gatherings.output?.length ? "" : "button-main"}`}
            onClick={() => make(open)}
            disabled={room < 1 || isStale}
          >
            Make {open.length === 1 ? "it an area" : `areas of all ${open.length}`}
          </button>
          {open.length > room && (
            <span className="text-[14px] text-soft">
              A piece has at most {MOST_AREAS} areas: the largest are taken. Merge larger specks, or join what
              belongs together.
            </span>
          )}
        </div>
      )}
      {bare.length > 0 && (
        <p className="m-0 flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
          <span className="text-soft">What runs out to the picture’s edge stays bare sheet.</span>
          <button className="button" onClick={makeBackground} disabled={room < 1 || isStale}>
            Make the background an area
          </button>
        </p>
      )}
      {[...lost].map(([id, to]) => (
        <Notice
          key={id}
          alert
          action={
            <span className="flex gap-2">
              {to[0] && (
                <button
                  className="button"
                  onClick={() => {
                    const command = swapped(piece, id, to[0]!);
                    if (command) run(command);
                  }}
                >
                  Take {nameOf(to[0])}’s place
                </button>
              )}
              <button
                className="button"
                onClick={() => {
                  onChoose(new Set([id]));
                  onTool("parts");
                }}
              >
                Point at its place
              </button>
            </span>
          }
        >
          <strong>{nameOf(id)}</strong>{" "}
          {to.length
            ? `has no place of its own any more: it runs together with ${to.map(nameOf).join(" and ")}.`
            : "has no place any more: nothing is enclosed where it was."}{" "}
          Its plan is kept.
        </Notice>
      ))}
      {unplaced.length > 0 && (
        <Notice
          action={
            props.onPlaceByPicks && (
              <button className="button" onClick={props.onPlaceByPicks}>
                By their picked colours
              </button>
            )
          }
        >
          {plural(unplaced.length)} without a place on the sheet: {unplaced.map((a) => a.name).join(", ")}.
          Choose one below and point at it.
        </Notice>
      )}
      <AreaActions {...props} open={open} onMake={make} onGather={(ids) => gather([ids])} />
      {props.readSaid && (
        <p role="status" className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[15px]">
          {props.readSaid}{" "}
          <Link className="underline" href={`/pieces/${pieceId}/whole?plan`}>
            Plan them together
          </Link>
        </p>
      )}
      <Gatherings
        work={props.gatherings}
        output={output}
        isStale={isStale}
        chosen={chosen}
        onChoose={onChoose}
        onTake={gather}
      />
      <ul className="m-0 list-none border-t border-line p-0" aria-label="Areas">
        {piece.areas.map((area, i) => (
          <AreaRow
            key={area.id}
            area={area}
            number={i + 1}
            placed={placed.get(area.id)}
            touches={touches.get(area.id) ?? 0}
            bleed={bleed}
            chosen={chosen.has(area.id)}
            onChoose={(shifted) => {
              const more = shifted || props.several;
              const next = new Set(more ? chosen : []);
              if (more && chosen.has(area.id)) next.delete(area.id);
              else next.add(area.id);
              onChoose(next);
              if (tool !== "pick" && tool !== "parts") onTool("pick");
            }}
          />
        ))}
      </ul>
    </div>
  );
}

function Search({
  label,
  unit,
  value,
  most,
  step,
  onChange,
  onMove,
}: {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly most: number;
  readonly step: number;
  readonly onChange: (v: number) => void;
  readonly onMove: (v: number) => void;
}) {
  return (
    <>
      <span>{label}</span>
      <Slider
        label={label}
        value={value}
        least={0}
        most={most}
        step={step}
        onChange={onChange}
        onMove={onMove}
        className="w-full"
      />
      <span className="flex items-center gap-1">
        <NumberField
          label={`${label}, ${unit}`}
          value={value}
          least={0}
          most={most * 3}
          width="w-14"
          onChange={(v) => v !== null && onChange(v)}
        />
        {unit}
      </span>
    </>
  );
}
