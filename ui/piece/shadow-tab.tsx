"use client";
import { Check } from "lucide-react";
import { useState } from "react";
import type { CoverageOutput, ShadowOutput, ShadowsOutput } from "@/compute/shadow";
import { targetOf, type Area } from "@/core/piece/piece";
import { SHADOW_FACTS, SHADOW_KINDS, type ShadowKind } from "@/core/shadow/shadow";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/compute/progress";
import { signed } from "@/ui/wording";
import { NeutralPairs } from "./neutral-pairs";
import { useRun } from "./piece-context";
import { useAssessed } from "./use-groups";
import { useShadows } from "./use-plans";

const KINDS_SHOWN: Readonly<Partial<Record<Area["material"], readonly ShadowKind[]>>> = {
  black: ["undertone", "deeper", "overlay", "cool hint"],
  hair: ["deeper", "undertone", "underlay", "overlay", "cool hint"],
};
const USUAL: readonly ShadowKind[] = ["underlay", "deeper", "overlay", "cool hint"];
const LEANS = [
  ["-1", "cooler"],
  ["0", "as it comes"],
  ["1", "warmer"],
] as const;

/** Ways to make the area's shadow, ranked, side by side. */
export function ShadowTab({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const run = useRun();
  const read = targetOf(area)?.shadow;
  const [depth, setDepth] = useState(16);
  const [lean, setLean] = useState<-1 | 0 | 1>(0);
  const [grey, setGrey] = useState(area.material === "metal" || area.material === "black");
  const [only, setOnly] = useState<ShadowKind>();
  const kinds = KINDS_SHOWN[area.material] ?? USUAL;
  const { output: assessed } = useAssessed(rack, area, area.group?.tones);
  const group = assessed?.group;
  const middle = group?.tones[group.tones.length >> 1]?.lab;
  const isGrey =
    area.material === "metal" ||
    area.material === "black" ||
    (middle !== undefined && Math.hypot(middle[1], middle[2]) < 10);
  const work = useShadows(rack, area, group, {
    kinds,
    depth,
    lean,
    grey,
    ...(isGrey && middle && { greyBases: Math.round(middle[0] + 12) }),
  });
  if (!area.group)
    return (
      <p className="m-0 max-w-[46ch] border border-dashed border-strong p-4 text-[16px]">
        A shadow lies under or over the local colour. Keep a group for {area.name} first, under Group.
      </p>
    );
  const { output } = work;
  const shown = output?.shadows.filter((s) => !only || s.kind === only) ?? [];
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[14px]">
        {read ? (
          <span>Wanted: the shadow as read.</span>
        ) : (
          <>
            <label className="flex items-center gap-1.5">
              Deeper by{" "}
              <input
                type="range"
                min={6}
                max={40}
                value={depth}
                onChange={(e) => setDepth(Number(e.target.value))}
                className="w-28 accent-current"
              />{" "}
              {depth} L*
            </label>
            <label className="flex items-center gap-1.5">
              Temperature{" "}
              <select
                className="field"
                value={String(lean)}
                onChange={(e) => setLean(Number(e.target.value) as -1 | 0 | 1)}
              >
                {LEANS.map(([v, says]) => (
                  <option key={v} value={v}>
                    {says}
                  </option>
                ))}
              </select>
            </label>
          </>
        )}
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={grey}
            onChange={(e) => setGrey(e.target.checked)}
          />{" "}
          a grey shadow is wanted
        </label>
        <label className="ml-auto flex items-center gap-1.5">
          Show{" "}
          <select
            className="field"
            value={only ?? ""}
            onChange={(e) => setOnly((e.target.value || undefined) as ShadowKind | undefined)}
          >
            <option value="">all kinds</option>
            {SHADOW_KINDS.filter((k) => kinds.includes(k)).map((k) => (
              <option key={k}>{k}</option>
            ))}
          </select>
        </label>
      </div>
      <Progress work={work} doing="Laying shadows" />
      {output && (
        <>
          <p className="m-0 flex flex-wrap items-center gap-2 text-[14px]">
            <Chip hex={output.cover.hex} /> local colour, L* {signed(output.cover.lab[0])}{" "}
            <Chip hex={output.wanted.hex} /> wanted shadow, L* {signed(output.wanted.lab[0])}
            {area.shadow && (
              <button
                className="button-bare ml-auto px-0 text-[14px] underline"
                onClick={() => run({ type: "keep shadow", id: area.id, shadow: null })}
              >
                Do without ({area.shadow.kind} {area.shadow.code})
              </button>
            )}
          </p>
          {!shown.length && (
            <p className="m-0 text-[15px]">
              No marker at hand suits{only ? ` as ${only}` : ""}: try another kind, or let unowned markers in
              under Group.
            </p>
          )}
          {kinds
            .filter((k) => shown.some((s) => s.kind === k))
            .map((k) => (
              <section key={k} aria-label={k}>
                <h3 className="m-0 text-[15px]">
                  {k[0]!.toUpperCase() + k.slice(1)}{" "}
                  <span className="text-[14px] font-normal text-soft">{SHADOW_FACTS[k].what}</span>
                </h3>
                <ul className="m-0 mt-1 grid list-none gap-1 p-0">
                  {shown
                    .filter((s) => s.kind === k)
                    .map((s) => (
                      <Candidate
                        key={s.code}
                        shadow={s}
                        output={output}
                        area={area}
                        onKeep={(coats) =>
                          run({
                            type: "keep shadow",
                            id: area.id,
                            shadow: { kind: s.kind, code: s.code, coats },
                          })
                        }
                      />
                    ))}
                </ul>
              </section>
            ))}
          {output.greyBases && output.greyBases.length > 0 && <GreyBases bases={output.greyBases} />}
          <NeutralPairs rack={rack} of="inks" lightness={output.wanted.lab[0]} />
        </>
      )}
    </div>
  );
}

const Chip = ({ hex }: { hex: string }) => (
  <span className="inline-block h-6 w-9 border border-strong" style={{ background: hex }} aria-hidden />
);

/** Strata of a shadow: what lies beneath drawn beneath, each bar half alone and half as seen. */
function MiniStrata({ shadow, output }: { shadow: ShadowOutput; output: ShadowsOutput }) {
  const own = {
    name: `${shadow.code}${shadow.coats > 1 ? ` ×${shadow.coats}` : ""}`,
    alone: shadow.bare.hex,
    seen: shadow.order === "under" ? shadow.bare.hex : shadow.covered.hex,
  };
  const cover = {
    name: "local colour",
    alone: output.cover.hex,
    seen: shadow.order === "under" ? shadow.covered.hex : output.cover.hex,
  };
  const layers = shadow.order === "under" ? [cover, own] : [own, cover];
  return (
    <div className="w-32 shrink-0" role="img" aria-label={`${layers[0]!.name} over ${layers[1]!.name}`}>
      {layers.map((l) => (
        <div key={l.name} className="mb-0.5 grid h-8 grid-cols-2 border border-strong">
          <span style={{ background: l.alone }} />
          <span style={{ background: l.seen }} />
        </div>
      ))}
    </div>
  );
}

function Candidate({
  shadow: s,
  output,
  area,
  onKeep,
}: {
  shadow: ShadowOutput;
  output: ShadowsOutput;
  area: Area;
  onKeep: (coats: number) => void;
}) {
  const kept = area.shadow?.kind === s.kind && area.shadow.code === s.code;
  const start = s.boldness?.enough ?? s.coats;
  return (
    <li
      className={`flex flex-wrap items-start gap-3 border-l-4 bg-panel p-2 ${kept ? "border-text" : "border-line"}`}
      data-shadow={`${s.kind} ${s.code}`}
    >
      <MiniStrata shadow={s} output={output} />
      <div
        className="flex h-[66px] w-28 shrink-0 border border-strong"
        role="img"
        aria-label="Beside the local colour, as it will look"
      >
        <span className="flex-1" style={{ background: output.cover.hex }} />
        <span className="flex-1" style={{ background: s.covered.hex }} />
        <span className="flex-1" style={{ background: output.cover.hex }} />
      </div>
      <div className="min-w-[220px] flex-1 leading-tight">
        <p className="m-0 text-[15px]">
          <span className="code">
            {s.code}
            {s.coats > 1 ? ` ×${s.coats}` : ""}
          </span>
          {s.unowned && " · not owned"}{" "}
          <span className="text-[13px] text-soft">
            {s.score.toFixed(1)} from the wanted shadow, {s.knowledge}
          </span>
        </p>
        <p className="mt-1 mb-0 text-[14px]">{s.expectation}</p>
        {s.boldness && (
          <p className="mt-1 mb-0 text-[13px] text-soft">
            {s.boldness.steps.map((b) => `${b.coats} × → ${b.deepening.toFixed(0)} L* deeper`).join(", ")}.{" "}
            {s.boldness.enough ? (
              <strong>
                Start with {s.boldness.enough} {s.boldness.enough === 1 ? "coat" : "coats"}.
              </strong>
            ) : (
              <strong>Even three coats fade short of it: take a bolder ink.</strong>
            )}
          </p>
        )}
      </div>
      {kept ? (
        <span className="inline-flex min-h-9 items-center gap-1 text-[14px] font-semibold">
          <Check size={16} aria-hidden /> kept
        </span>
      ) : (
        <button className="button" onClick={() => onKeep(start)}>
          Keep
        </button>
      )}
    </li>
  );
}

function GreyBases({ bases }: { bases: NonNullable<ShadowsOutput["greyBases"]> }) {
  return (
    <section aria-label="Bases of two temperatures">
      <h3 className="m-0 text-[16px]">Two temperatures first</h3>
      <p className="mt-0 mb-1 text-[14px]">
        Grey parts are told apart by a cool and a warm base of one depth, and neutralised with opposite pencil
        afterwards.
      </p>
      <ul className="m-0 flex list-none flex-wrap gap-4 p-0 text-[14px]">
        {bases.map((b) => (
          <li key={b.cool + b.warm} className="flex items-center gap-1.5">
            <Chip hex={b.colours[0].hex} />
            <span className="code">{b.cool}</span> and <Chip hex={b.colours[1].hex} />
            <span className="code">{b.warm}</span>
            <span className="text-soft">
              {b.apart.toFixed(0)} apart, {b.deltaL.toFixed(1)} L*
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whether local colours cover a whole-piece underlay: a row an area, a cell a strength. */
export function CoverageTable({
  rows,
  under,
}: {
  readonly rows: readonly (CoverageOutput & { readonly name: string })[];
  readonly under: readonly string[];
}) {
  return (
    <table className="border-collapse text-[14px]">
      <thead>
        <tr>
          <th className="pr-3 text-left font-semibold">Area</th>
          <th className="pr-3 text-left font-semibold">alone</th>
          {under.map((c) => (
            <th key={c} className="code pr-3 text-left">
              {c}
            </th>
          ))}
          <th className="text-left font-semibold">does it cover?</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => {
          const failing = r.strengths.filter((s) => !s.covers);
          return (
            <tr key={r.name} className="border-t border-line">
              <td className="py-1 pr-3">{r.name}</td>
              <td className="pr-3">
                <Chip hex={r.alone.hex} />
              </td>
              {r.strengths.map((s) => (
                <td key={s.under} className="pr-3 whitespace-nowrap">
                  <Chip hex={s.covered.hex} />{" "}
                  <span className="align-super text-[13px]">
                    {s.covers ? "" : "✕ "}
                    {signed(-s.deepening)} L*
                  </span>
                </td>
              ))}
              <td>
                {!failing.length ? (
                  "yes"
                ) : (
                  <span>
                    <strong>not over {failing.map((s) => s.under).join(", ")}</strong>:{" "}
                    {Math.hypot(r.alone.lab[1], r.alone.lab[2]) < 10
                      ? `a grey takes its tint, chroma ${Math.max(...failing.map((s) => Math.hypot(s.covered.lab[1], s.covered.lab[2]))).toFixed(0)}`
                      : `hue turns ${Math.max(...failing.map((s) => Math.abs(s.hueTurn))).toFixed(0)}°`}
                    {r.deeper ? (
                      <>
                        ; there take{" "}
                        <span className="code">
                          {r.deeper.code}
                          {r.deeper.coats > 1 ? ` ×${r.deeper.coats}` : ""}
                        </span>{" "}
                        <Chip hex={r.deeper.covered.hex} />
                      </>
                    ) : (
                      "; nothing at hand covers it"
                    )}
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
