"use client";
import { NO_GROWTH } from "@/core/light/form";
import { formOf } from "@/core/piece/lit";
import type { Tool } from "@/ui/set-up/tool";
import { counted } from "@/words/numbers";
import { ChosenArea } from "./chosen-area";
import { Setting } from "./setting";
import type { LightStage } from "./use-light-stage";

/** How hair, fur and grass grow over the chosen area: a few strokes are enough. */
export function HairTab({ own }: { readonly own: LightStage }) {
  const { area, change, tool, start } = own;
  if (!area) return <ChosenArea own={own}>{null}</ChosenArea>;
  const form = formOf(area);
  const growth = form.growth ?? NO_GROWTH;
  const set = (part: Partial<typeof growth>) => change({ growth: { ...growth, ...part } });
  const rows = [
    {
      tool: "growth",
      one: "stroke",
      draw: "Draw a stroke",
      says: `${counted(growth.strokes.length, "stroke")} from root to tip; they spread over the whole area`,
      less: growth.strokes.length ? () => set({ strokes: growth.strokes.slice(0, -1) }) : undefined,
    },
    {
      tool: "parting",
      one: "parting",
      draw: "Draw a parting",
      says: `${counted(growth.partings.length, "parting")}, dark`,
      less: growth.partings.length ? () => set({ partings: growth.partings.slice(0, -1) }) : undefined,
    },
    {
      tool: "gathered",
      one: "gathered place",
      draw: "Mark where it is gathered",
      says: `${counted(growth.gathered.length, "place")}, dark`,
      less: growth.gathered.length ? () => set({ gathered: growth.gathered.slice(0, -1) }) : undefined,
    },
  ] as const satisfies readonly { readonly tool: Tool; readonly [key: string]: unknown }[];
  return (
    <ChosenArea own={own}>
      <div className="flex flex-col gap-2">
        {rows.map((r) => (
          <div key={r.tool} className="flex flex-wrap items-center gap-2">
            <button
              className={`button min-w-56 ${tool === r.tool ? "button-main" : ""}`}
              aria-pressed={tool === r.tool}
              onClick={() => start(tool === r.tool ? "pick" : r.tool)}
            >
              {r.draw}
            </button>
            <button
              className="button"
              disabled={!r.less}
              onClick={r.less}
              aria-label={`Take the last away: ${r.one}`}
            >
              Take the last away
            </button>
            <span className="text-[14px] text-soft">{r.says}</span>
          </div>
        ))}
      </div>
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
        <Setting
          label="Band of light"
          value={growth.band}
          onChange={(band) => set({ band })}
          says={growth.band === 0 ? "none: short hair" : growth.band < 0.5 ? "faint" : "clear"}
        />
      </div>
      <p className="m-0 max-w-[52ch] text-[14px] text-soft">
        The band lies across the growth in a zigzag, wider on the lit side. Keep it as bare paper or the
        lightest tone; roots, tips, partings and gathered places are dark.
      </p>
      {form.growth && (
        <button className="button self-start" onClick={() => change({ growth: null })}>
          No hair here
        </button>
      )}
    </ChosenArea>
  );
}
