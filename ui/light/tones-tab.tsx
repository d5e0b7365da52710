"use client";
import { tonesIn } from "@/core/piece/area-course";
import { zonesOf } from "@/core/piece/lit";
import { tonesOf } from "@/core/piece/piece";
import type { AreaTones } from "@/core/piece/zones";
import { counted } from "@/words/numbers";
import { Slider } from "@/ui/kit/slider";
import { ChosenArea } from "./chosen-area";
import { Setting } from "./setting";
import { tintOf } from "./tints";
import type { LightStage } from "./use-light-stage";

/** Least share of the area that a tone keeps when its border is moved. */
const LEAST = 0.02;
const PART = 0.05;

const SPOT_TOOLS = [
  { tool: "lighter", name: "Lighter here" },
  { tool: "darker", name: "Darker here" },
  { tool: "white", name: "Keep white" },
] as const;

/** Where each tone of the chosen area goes, and how large its place is. */
export function TonesTab({ own }: { readonly own: LightStage }) {
  const { piece, area, map, judged, run, tool, start, radius, setRadius } = own;
  const spots = (
    <section aria-label="Touches" className="flex flex-col gap-2">
      <h2 className="m-0 text-[17px]">Touch it up</h2>
      <div role="group" aria-label="Touches" className="flex flex-wrap gap-2">
        {SPOT_TOOLS.map((t) => (
          <button
            key={t.tool}
            className={`button ${tool === t.tool ? "button-main" : ""}`}
            aria-pressed={tool === t.tool}
            onClick={() => start(tool === t.tool ? "pick" : t.tool)}
          >
            {t.name}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
        <Setting
          label="Radius"
          value={radius}
          least={0.5}
          most={25}
          step={0.5}
          onChange={setRadius}
          says={`${radius} mm`}
        />
      </div>
    </section>
  );
  if (!area)
    return (
      <div className="flex flex-col gap-5">
        <ChosenArea own={own}>{null}</ChosenArea>
        {spots}
      </div>
    );
  const tones = tonesOf(area);
  const course = tonesIn(area);
  const { borders } = course;
  const zones = zonesOf(area);
  const inner = zones.shares?.length === borders.length - 2 ? zones.shares : borders.slice(1, -1);
  const found = map?.areas.find((a) => a.id === area.id);
  const tint = tintOf(piece, judged.groupOf);
  const nameOf = (zone: number) => course.tones[zone]?.code ?? course.shade[0]?.code ?? "";
  const set = (change: Partial<AreaTones>) => run({ type: "change tones", id: area.id, set: change });
  const move = (at: number, to: number) => {
    const next = [...inner];
    const [least, most] = [(next[at - 1] ?? 0) + LEAST, (next[at + 1] ?? 1) - LEAST];
    next[at] = Math.round(Math.min(most, Math.max(least, to)) * 100) / 100;
    set({ shares: next });
  };
  const total = found ? found.mm2.reduce((a, b) => a + b, 0) : 0;
  return (
    <div className="flex flex-col gap-5">
      <ChosenArea own={own}>
        {tones.length === 0 ? (
          <p className="m-0 max-w-[48ch] text-[15px] text-soft">
            {area.white
              ? `${area.name} stays white.`
              : `${area.name} has no group yet: plan it in Colour, and its tones get their places here.`}
          </p>
        ) : (
          <table className="w-full border-collapse text-[15px]">
            <caption className="sr-only">Tones of {area.name}</caption>
            <thead>
              <tr className="border-b border-line text-left text-[13px] text-soft">
                <th className="py-1 font-semibold">Tone</th>
                <th className="font-semibold">Marker</th>
                <th className="text-right font-semibold">mm²</th>
                <th className="pl-4 font-semibold">ends at</th>
              </tr>
            </thead>
            <tbody>
              {Array.from({ length: borders.length - 1 }, (_, z) => {
                const [r, g, b] = tint(area.id, z + 1, borders.length - 1);
                return (
                  <tr key={z} className="border-b border-line">
                    <td className="py-1.5">
                      <span className="inline-flex items-center gap-2">
                        <svg width="30" height="22" aria-hidden>
                          <rect width="30" height="22" fill={`rgb(${r} ${g} ${b})`} />
                        </svg>
                        {z + 1}
                      </span>
                    </td>
                    <td className="code">{nameOf(z)}</td>
                    <td className="text-right">
                      {found?.mm2[z] === undefined
                        ? "…"
                        : found.mm2[z] < 10
                          ? found.mm2[z].toFixed(1)
                          : Math.round(found.mm2[z])}
                    </td>
                    <td className="pl-4">
                      {z < borders.length - 2 ? (
                        <Slider
                          className="w-full min-w-24"
                          label={`Tone ${z + 1} ends at, share of ${area.name}`}
                          least={0}
                          most={1}
                          step={PART}
                          value={inner[z]!}
                          onChange={(to) => move(z, to)}
                        />
                      ) : (
                        <span className="text-[14px] text-soft">the darkest end</span>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        {found && total + found.whiteMm2 > 0 && (
          <p className="m-0 text-[14px] text-soft">
            {Math.round(total + found.whiteMm2)} mm² in all
            {found.whiteMm2 > 0.5 &&
              `, ${found.whiteMm2.toFixed(found.whiteMm2 < 10 ? 1 : 0)} mm² of it stay white`}
            .
          </p>
        )}
        {zones.shares && (
          <button className="button self-start" onClick={() => set({ shares: null })}>
            As the group is planned
          </button>
        )}
      </ChosenArea>
      {spots}
      {zones.touches.length + zones.whites.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <button
            className="button"
            disabled={!zones.touches.length}
            onClick={() => set({ touches: zones.touches.slice(0, -1) })}
          >
            Take the last touch away
          </button>
          <button
            className="button"
            disabled={!zones.whites.length}
            onClick={() => set({ whites: zones.whites.slice(0, -1) })}
          >
            Take the last white away
          </button>
          <span className="text-[14px] text-soft">
            {counted(zones.touches.length, "touch", "touches")}, {counted(zones.whites.length, "white spot")}
          </span>
        </div>
      )}
    </div>
  );
}
