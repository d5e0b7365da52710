"use client";
import { shortName } from "@/border/names";
import { Lock, LockOpen } from "lucide-react";
import { useState, type ReactNode } from "react";
import { MATERIALS, type Material } from "@/core/group/material";
import { joined } from "@/core/piece/placing";
import type { Area } from "@/core/piece/piece";
import { JOINTS, type Joints } from "@/core/piece/set-up";
import type { SetUpCommand } from "@/core/piece/set-up-commands";
import { useRun } from "@/ui/piece/piece-context";
import { counted } from "@/words/numbers";
import type { AreasTabProps } from "./areas-tab";
import { regionKey } from "./region-overlay";
import type { Tool } from "./tool";

/** Longest name that leaves room for a number. */
const LONGEST_NAME = 74;

/** What can be done with what is chosen. */
export function AreaActions({
  piece,
  output,
  chosen,
  onChoose,
  several,
  onSeveral,
  tool,
  onTool,
  onPropose,
  open,
  onMake,
  onGather,
  onGrow,
}: AreasTabProps & {
  readonly open: readonly number[];
  readonly onMake: (ids: readonly number[]) => void;
  /** Makes one area of shapes. */
  readonly onGather: (ids: readonly number[]) => void;
}) {
  const run = useRun();
  const areas = piece.areas.filter((a) => chosen.has(a.id));
  const regions = open.filter((r) => chosen.has(regionKey(r)));
  const join = joined(
    piece,
    output,
    areas.map((a) => a.id),
    regions,
  );
  const ids = areas.map((a) => a.id);
  const locked = areas.some((a) => a.fixed);
  const mark = (set: Extract<SetUpCommand, { type: "mark areas" }>["set"]) =>
    run({ type: "mark areas", ids, set });
  const all = (of: (a: Area) => boolean) => areas.length > 0 && areas.every(of);
  const parts =
    areas.length === 1 ? (output.areas.find((a) => a.id === areas[0]!.id)?.regions.length ?? 0) : 0;
  return (
    <div
      className="sticky top-0 z-10 flex flex-col gap-2 border-y border-line bg-ground py-2"
      role="group"
      aria-label="Mend areas"
    >
      <div className="flex flex-wrap items-center gap-1.5">
        <button
          className={`button ${several ? "button-main" : ""}`}
          aria-pressed={several}
          onClick={() => onSeveral(!several)}
          title="Each click adds to what is chosen, or takes it out; Shift does the same"
        >
          Several
        </button>
        <ToolButton own="around" tool={tool} onTool={onTool}>
          Draw around
        </ToolButton>
        <ToolButton own="across" tool={tool} onTool={onTool}>
          Wipe across
        </ToolButton>
        {chosen.size > 0 && (
          <span role="group" aria-label="Choose more" className="flex">
            {GROW.map(([how, says]) => (
              <button key={how} className="button -ml-px first:ml-0" onClick={() => onGrow(how)}>
                + {says}
              </button>
            ))}
          </span>
        )}
        <button
          className="button"
          disabled={!join}
          onClick={() => {
            run(join!);
            onChoose(new Set(ids.slice(0, 1)));
          }}
          title="One area of all that is chosen"
        >
          Join
        </button>
        <button
          className={`button ${tool === "parts" ? "button-main" : ""}`}
          aria-pressed={tool === "parts"}
          disabled={areas.length !== 1 || locked}
          onClick={() => onTool(tool === "parts" ? "pick" : "parts")}
        >
          Edit its parts
        </button>
        <button
          className={`button ${tool === "cut" ? "button-main" : ""}`}
          aria-pressed={tool === "cut"}
          onClick={() => onTool(tool === "cut" ? "pick" : "cut")}
        >
          Split by a line
        </button>
        <button
          className={`button ${tool === "shape" ? "button-main" : ""}`}
          aria-pressed={tool === "shape"}
          onClick={() => onTool(tool === "shape" ? "pick" : "shape")}
        >
          Draw a shape
        </button>
        {regions.length > 1 && !areas.length && (
          <button className="button button-main" onClick={() => onGather(regions)}>
            Make them one area
          </button>
        )}
        {regions.length > 0 && (
          <button className="button" onClick={() => onMake(regions)}>
            Make {regions.length === 1 ? "it an area" : "them areas"}
          </button>
        )}
        {onPropose && (
          <button className="button" onClick={onPropose}>
            Read colours{areas.length ? "" : " of all"}
          </button>
        )}
      </div>
      {areas.length > 1 && <SeveralAreas areas={areas} />}
      {areas.length > 0 ? (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[14px]">
          <Mark label="stays white" on={all((a) => a.white)} onChange={(white) => mark({ white })} />
          <Mark label="colour past the line" on={all((a) => a.past)} onChange={(past) => mark({ past })} />
          {parts > 3 && (
            <label className="flex items-center gap-1.5">
              joints
              <select
                className="field min-h-8 py-0"
                value={areas[0]!.joints ?? ""}
                onChange={(e) => mark({ joints: (e.target.value || null) as Joints | null })}
              >
                <option value="">as they are</option>
                {JOINTS.map((j) => (
                  <option key={j} value={j}>
                    stay {j}
                  </option>
                ))}
              </select>
            </label>
          )}
          <button
            className="button-bare"
            onClick={() => mark({ fixed: !locked })}
            aria-pressed={locked}
            title={locked ? "Its place may change again" : "Its place does not change by accident"}
          >
            {locked ? <Lock size={16} aria-hidden /> : <LockOpen size={16} aria-hidden />}
            {locked ? "locked" : "lock"}
          </button>
          <button
            className="button-bare"
            disabled={locked}
            onClick={() => {
              run({ type: "place areas", places: [], without: ids });
              onChoose(new Set());
            }}
          >
            Delete
          </button>
        </div>
      ) : (
        <p className="m-0 text-[14px] text-soft">
          {regions.length
            ? `${counted(regions.length, "shape")} chosen that ${regions.length === 1 ? "is" : "are"} no area yet.`
            : "Nothing is chosen: click in the drawing or in the list; with Shift or “Several”, more than one."}
        </p>
      )}
    </div>
  );
}

/** What chooses more of what is chosen. */
const GROW = [
  ["neighbours", "neighbours"],
  ["alike", "alike"],
  ["within", "inside"],
] as const;

const ToolButton = ({
  own,
  tool,
  onTool,
  children,
}: {
  readonly own: Tool;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly children: ReactNode;
}) => (
  <button
    className={`button ${tool === own ? "button-main" : ""}`}
    aria-pressed={tool === own}
    onClick={() => onTool(tool === own ? "pick" : own)}
  >
    {children}
  </button>
);

/** Names and material for several areas in one go: "petal" makes petal 1, petal 2 and so on. */
function SeveralAreas({ areas }: { readonly areas: readonly Area[] }) {
  const run = useRun();
  const [name, setName] = useState("");
  const [material] = [...new Set(areas.map((a) => a.material))].length === 1 ? [areas[0]!.material] : [];
  return (
    <form
      className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]"
      onSubmit={(e) => {
        e.preventDefault();
        const said = shortName(name, LONGEST_NAME);
        if (!said) return;
        run({ type: "name areas", areas: areas.map(({ id }, i) => ({ id, name: `${said} ${i + 1}` })) });
        setName("");
      }}
    >
      <label className="flex items-center gap-1.5">
        call them
        <input
          className="field min-h-8 w-32 py-0"
          value={name}
          maxLength={LONGEST_NAME}
          placeholder="petal"
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <button className="button min-h-8 py-0" disabled={!name.trim()}>
        Name {areas.length}
      </button>
      <label className="flex items-center gap-1.5">
        material
        <select
          className="field min-h-8 py-0"
          value={material ?? ""}
          onChange={(e) =>
            run({
              type: "set materials",
              ids: areas.map((a) => a.id),
              material: e.target.value as Material,
            })
          }
        >
          {!material && <option value="">as they are</option>}
          {MATERIALS.map((m) => (
            <option key={m} value={m}>
              {m}
            </option>
          ))}
        </select>
      </label>
    </form>
  );
}

const Mark = ({
  label,
  on,
  onChange,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}) => (
  <label className="flex min-h-8 items-center gap-1.5">
    <input
      type="checkbox"
      className="size-4 accent-black"
      checked={on}
      onChange={(e) => onChange(e.target.checked)}
    />
    {label}
  </label>
);
