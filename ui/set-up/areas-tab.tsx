"use client";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Piece } from "@/core/piece/piece";
import { areasFor, joined, openRegions, swapped } from "@/core/piece/placing";
import type { SetUpCommand } from "@/core/piece/set-up-commands";
import { Notice } from "@/ui/kit/notice";
import { NumberField } from "@/ui/kit/number-field";
import { Slider } from "@/ui/kit/slider";
import { useRun } from "@/ui/piece/piece-context";
import { counted } from "@/words/numbers";
import { AreaActions } from "./area-actions";
import { AreaRow } from "./area-row";
import { regionKey } from "./region-overlay";
import type { Tool } from "./tool";

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
  readonly onPassing: (passing: { readonly gap?: number; readonly speck?: number }) => void;
  readonly onPropose: (() => void) | undefined;
  readonly onPlaceByPicks: (() => void) | undefined;
}

const plural = (n: number) => counted(n, "area");

/** Finding areas, mending them, and all of them in a list. */
export function AreasTab(props: AreasTabProps) {
  const { piece, output, bleed, chosen, onChoose, tool, onTool } = props;
  const run = useRun();
  const open = openRegions(output);
  const placed = new Map(output.areas.map((a) => [a.id, a]));
  const lost = new Map(output.lost.map((l) => [l.id, l.to]));
  const unplaced = piece.areas.filter((a) => !a.place && !lost.has(a.id));
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
    onChoose(new Set(areas.slice(0, 1).map((a) => a.id)));
  };
  const tiles = output.tiles.filter((t) => new Set(t.map((r) => ownerOf(output, r))).size > 1);

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
          `, ${counted(open.length, "shape")} that ${open.length === 1 ? "is" : "are"} none yet`}
        {output.gaps > 0 && `; ${counted(output.gaps, "gap")} closed`}
        {output.specks > 0 && `, ${counted(output.specks, "speck")} merged`}.
      </p>
      {open.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <button
            className={`button ${output.areas.length ? "" : "button-main"}`}
            onClick={() => make(open)}
            disabled={room < 1}
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
      {tiles.map((t) => (
        <Notice
          key={t.join()}
          action={
            <button className="button" onClick={() => joinRegions(piece, output, t, run, make)}>
              Make them one
            </button>
          }
        >
          {t.length} shapes are alike and lie side by side: tiles, bricks, scales? One area of many parts is
          planned once.
        </Notice>
      ))}
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
      <AreaActions {...props} open={open} onMake={make} />
      <ul className="m-0 list-none border-t border-line p-0" aria-label="Areas">
        {piece.areas.map((area, i) => (
          <AreaRow
            key={area.id}
            area={area}
            number={i + 1}
            placed={placed.get(area.id)}
            touches={output.touches.filter((t) => t.a === area.id || t.b === area.id).length}
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

const ownerOf = (output: SetUpOutput, region: number): string =>
  output.areas.find((a) => a.regions.includes(region))?.id ?? regionKey(region);

/** Blocks become one area: those that are areas are joined, and none yet are made one first. */
function joinRegions(
  piece: Piece,
  output: SetUpOutput,
  regions: readonly number[],
  run: (command: SetUpCommand) => void,
  make: (ids: readonly number[]) => void,
): void {
  const owners = output.areas.filter((a) => a.regions.some((r) => regions.includes(r))).map((a) => a.id);
  const free = regions.filter((r) => output.free.includes(r));
  if (!owners.length) {
    // One name for all of them makes them one.
    const name = output.regions[regions[0]! - 1]!.name ?? "Blocks";
    const ground = {
      ...output,
      regions: output.regions.map((r) => (regions.includes(r.id) ? { ...r, name } : r)),
    };
    const areas = areasFor(
      ground,
      free,
      piece.areas.map((a) => a.name),
      MOST_AREAS - piece.areas.length,
      () => crypto.randomUUID(),
    );
    if (areas.length) run({ type: "add areas", areas });
    else make(free);
    return;
  }
  const command = joined(piece, output, owners, free);
  if (command) run(command);
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
