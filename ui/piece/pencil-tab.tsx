"use client";
import { useState } from "react";
import Link from "next/link";
import type { PencilPlanOutput, PencilStepOutput } from "@/compute/pencil";
import type { LaidPencil } from "@/core/pencil/plan";
import type { Area, KeptPencil } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/compute/progress";
import { coatsInWords, counted, signed } from "@/ui/wording";
import { Finishers } from "./finishers";
import { NeutralPairs } from "./neutral-pairs";
import { useRun } from "./piece-context";
import { useAssessed } from "./use-groups";
import { pencilTarget, usePencilPlan } from "./use-plans";

const asKept = (plan: PencilPlanOutput): KeptPencil => ({
  base: plan.base?.code ?? null,
  steps: plan.steps.map((s) => ({ lightness: s.wanted.lab[0], onPaper: s.onPaper, layers: s.layers })),
});
/** Says the same for plans that are the same, however their fields are ordered. */
const signature = (p: KeptPencil) =>
  `${p.base} ${p.steps.map((s) => `${s.lightness.toFixed(2)} ${s.onPaper} ${s.layers.map((l) => `${l.code} ${l.layers} ${l.pressure} ${l.part}`).join()}`).join(";")}`;
const shortName = (code: string) => code.replace(/^pencil /, "");

/** Where pencil takes over: base, three neighbours, darks and white, value by value; softening a tone; finishers. */
export function PencilTab({ area, rack }: { readonly area: Area; readonly rack: Rack }) {
  const run = useRun();
  const { output: assessed } = useAssessed(rack, area, area.group?.tones);
  const group = assessed?.group;
  const target = pencilTarget(area, group);
  const [values, setValues] = useState(area.pencil?.steps.length ?? 7);
  const [base, setBase] = useState<string | null>(null);
  const [asked, setAsked] = useState(area.pencil !== null);
  const [tone, setTone] = useState<string>();
  const [deltaL, setDeltaL] = useState(8);
  const adjusted = group?.tones.find((t) => t.code === tone);
  const adjust = adjusted && { stack: Array<string>(adjusted.coats).fill(adjusted.code), deltaL };
  const work = usePencilPlan(rack, target, { values, base, ...(adjust && { adjust }) }, asked);
  const pencils = rack.others.filter((o) => o.kind === "pencil" && o.owned);
  const ready = pencils.filter((p) => p.drawdowns?.white && p.drawdowns.black && p.state !== "dry");
  const plan = work.output;
  const isKept = plan && area.pencil && signature(asKept(plan)) === signature(area.pencil);
  if (!ready.length)
    return (
      <p className="m-0 max-w-[52ch] border border-dashed border-strong p-4 text-[16px]">
        {pencils.length
          ? "None of your pencils has been drawn down over white and over black yet: two readings each tell how much they cover."
          : "No pencil is on the rack."}{" "}
        <Link
          className="button button-main mt-3"
          href={pencils.length ? `/swatchbook/${rack.paper.id}?tab=readings` : "/rack?view=import"}
        >
          {pencils.length ? "Enter drawdowns" : "Bring pencils in"}
        </Link>
      </p>
    );
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[14px]">
        <label className="flex items-center gap-1.5">
          Values{" "}
          <select className="field" value={values} onChange={(e) => setValues(Number(e.target.value))}>
            {[5, 6, 7, 8, 9].map((v) => (
              <option key={v}>{v}</option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          Base{" "}
          <select className="field" value={base ?? ""} onChange={(e) => setBase(e.target.value || null)}>
            <option value="">the best at hand</option>
            {group?.tones.map((t) => (
              <option key={t.code}>{t.code}</option>
            ))}
          </select>
        </label>
        <span className="text-soft">
          {counted(ready.length, "pencil")} drawn down
          {plan
            ? `; ${plan.tooth.strips ? `tooth fitted on ${counted(plan.tooth.strips, "strip")}, ${plan.tooth.residual.toFixed(1)} ΔE00` : "tooth guessed from the paper's grain: draw a few strips to fit it"}`
            : ""}
        </span>
        {!asked && (
          <button className="button button-main ml-auto" disabled={!target} onClick={() => setAsked(true)}>
            Plan the pencil
          </button>
        )}
        {plan &&
          (isKept ? (
            <button
              className="button ml-auto"
              onClick={() => run({ type: "keep pencil", id: area.id, pencil: null })}
            >
              Do without it
            </button>
          ) : (
            <button
              className="button button-main ml-auto"
              onClick={() => run({ type: "keep pencil", id: area.id, pencil: asKept(plan) })}
            >
              Keep this plan
            </button>
          ))}
      </div>
      {!target && (
        <p className="m-0 text-[15px]">
          Point at {area.name} in the picture, or keep a group: the value scale follows from it.
        </p>
      )}
      {asked && <Progress work={work} doing="Drawing the value scale" />}
      {plan && target && (
        <>
          <p className="m-0 text-[14px]">
            {plan.base?.code ? (
              <>
                Base <strong className="code">{plan.base.code}</strong>, {signed(plan.base.above)} L* above
                the middle value
                {plan.base.above < plan.wantedAbove ? (
                  <strong> (at least {plan.wantedAbove} is better: pencil only darkens it)</strong>
                ) : (
                  ""
                )}
                .{" "}
              </>
            ) : (
              "On bare paper. "
            )}
            Three neighbours: <strong>{plan.trio.map(shortName).join(", ") || "none"}</strong>. Dark beneath:{" "}
            {plan.darks.map(shortName).join(", ") || "none at hand"}. White:{" "}
            {plan.white ? shortName(plan.white) : "none at hand"}. Lines and details:{" "}
            {plan.darks.length ? `${shortName(plan.darks[0]!)}, sharp, on dry layers` : "a liner"}. Median{" "}
            {plan.medianDeltaE00.toFixed(1)} ΔE00.
          </p>
          <ValueScale steps={plan.steps} base={plan.base?.hex ?? null} />
          {plan.steps.some((s) => s.shortfall) && (
            <ul className="m-0 list-none space-y-1 p-0" aria-label="Values out of reach">
              {plan.steps
                .filter((s) => s.shortfall)
                .map((s) => (
                  <li
                    key={s.wanted.hex + s.wanted.lab[0]}
                    className="border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]"
                  >
                    <strong>
                      L* {signed(s.wanted.lab[0])} is not reached ({s.deltaE00.toFixed(1)} ΔE00):
                    </strong>{" "}
                    {s.shortfall}.
                  </li>
                ))}
            </ul>
          )}
          <details className="text-[14px]">
            <summary className="cursor-pointer text-[15px] font-semibold">The same as a table</summary>
            <table className="mt-1 border-collapse">
              <thead>
                <tr>
                  {["wanted L*", "layers from the paper up", "comes out", "ΔE00"].map((h) => (
                    <th key={h} className="pr-4 text-left">
                      {h}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {plan.steps.map((s) => (
                  <tr key={s.wanted.lab[0]} className="border-t border-line">
                    <td className="pr-4">{signed(s.wanted.lab[0])}</td>
                    <td className="pr-4">
                      {s.onPaper ? "bare paper" : (plan.base?.code ?? "bare paper")}
                      {s.layers.map((l) => `, ${shortName(l.code)} ×${l.layers} ${l.pressure}`).join("")}
                    </td>
                    <td className="pr-4">L* {signed(s.lab[0])}</td>
                    <td>{s.deltaE00.toFixed(1)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </details>
          <OverMarkers plan={plan} />
          <section aria-label="Soften or deepen a tone" className="border-t border-line pt-2 text-[14px]">
            <div className="flex flex-wrap items-center gap-2">
              <h3 className="m-0 text-[15px]">Soften or deepen a tone</h3>
              <select
                className="field"
                aria-label="Tone"
                value={tone ?? ""}
                onChange={(e) => setTone(e.target.value || undefined)}
              >
                <option value="">choose a tone</option>
                {group?.tones.map((t) => (
                  <option key={t.code} value={t.code}>
                    {t.code}, {t.role}
                  </option>
                ))}
              </select>
              {tone && (
                <label className="flex items-center gap-1.5">
                  by{" "}
                  <input
                    type="range"
                    min={-20}
                    max={20}
                    value={deltaL}
                    onChange={(e) => setDeltaL(Number(e.target.value))}
                    className="accent-current"
                  />{" "}
                  {signed(deltaL)} L*
                </label>
              )}
            </div>
            {plan.adjustments && (
              <ul className="m-0 mt-1 flex list-none flex-wrap gap-4 p-0">
                {plan.adjustments.map((a) => (
                  <li key={a.code} className="flex items-center gap-2">
                    <span className="flex h-7 w-14 border border-strong" aria-hidden>
                      <span className="flex-1" style={{ background: adjusted?.hex }} />
                      <span className="flex-1" style={{ background: a.hex }} />
                    </span>
                    {shortName(a.code)}, {counted(a.layers, "light layer")}: {signed(a.deltaL)} L*
                  </li>
                ))}
                {!plan.adjustments.length && (
                  <li>No pencil at hand is {deltaL > 0 ? "lighter" : "darker"} than this tone.</li>
                )}
              </ul>
            )}
          </section>
          <NeutralPairs rack={rack} of="pencils" base={plan.base?.code ? [plan.base.code] : []} />
        </>
      )}
      <Finishers rack={rack} material={area.material} toned={rack.paper.lab[0] < 86} />
    </div>
  );
}

const parts: Readonly<Record<LaidPencil["part"], string>> = {
  "dark beneath": "dark",
  "white beneath": "white",
  "over all": "over",
};

/** Every value of the scale: wanted above, as drawn below, and its layers from the paper up. */
function ValueScale({ steps, base }: { steps: readonly PencilStepOutput[]; base: string | null }) {
  return (
    <ol
      className="m-0 grid list-none gap-1 p-0"
      style={{ gridTemplateColumns: `repeat(${steps.length}, minmax(0, 1fr))` }}
      aria-label="Value scale"
    >
      {steps.map((s) => (
        <li key={s.wanted.lab[0]} className="min-w-0" data-value={s.wanted.lab[0].toFixed(0)}>
          <span
            className="block h-7"
            style={{ background: s.wanted.hex }}
            title={`wanted L* ${signed(s.wanted.lab[0])}`}
          />
          <span
            className="flex h-11 items-end justify-end px-1 text-[12px]"
            style={{ background: s.hex, color: s.lab[0] > 55 ? "#000" : "#fff" }}
          >
            {signed(s.lab[0])}
          </span>
          <span className="block text-center text-[12.5px]" title={s.closeness}>
            {s.deltaE00 > 3 ? <strong>✕ {s.deltaE00.toFixed(1)}</strong> : s.deltaE00.toFixed(1)}
          </span>
          <ol className="m-0 flex list-none flex-col-reverse p-0">
            <li
              className="h-2.5 border-t border-strong"
              style={{ background: s.onPaper || !base ? "transparent" : base }}
              title={s.onPaper || !base ? "bare paper" : "base marker"}
            />
            {s.layers.map((l, i) => (
              <li
                key={i}
                className="truncate border border-b-0 border-line bg-panel px-0.5 text-[11.5px] leading-[1.35]"
                title={`${l.code}, ${l.layers} layers, ${l.pressure}, ${parts[l.part]}`}
              >
                {shortName(l.code)} ×{l.layers}
                {l.pressure === "light" ? "" : l.pressure === "medium" ? " m" : " f"}
              </li>
            ))}
          </ol>
        </li>
      ))}
    </ol>
  );
}

/** What each pencil of the plan turns into over paper and over the base, before it is tried. */
function OverMarkers({ plan }: { plan: PencilPlanOutput }) {
  if (!plan.over.length) return null;
  return (
    <section aria-label="Pencil over marker" className="border-t border-line pt-2 text-[14px]">
      <h3 className="m-0 text-[15px]">
        Pencil changes with the marker beneath: {coatsInWords(3).replace("coats", "light layers")}
      </h3>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1.5">
        {plan.over.map((p) => (
          <span key={p.code} className="flex items-center gap-1.5">
            <span className="w-14 truncate">{shortName(p.code)}</span>
            {p.on.map((o) => (
              <span
                key={o.under}
                className="flex h-7 w-11 border border-strong"
                title={`over ${o.under}: L* ${signed(o.seen.lab[0])}`}
              >
                <span className="w-3" style={{ background: o.bare.hex }} />
                <span className="flex-1" style={{ background: o.seen.hex }} />
              </span>
            ))}
          </span>
        ))}
      </div>
      <p className="mt-1 mb-0 text-[13px] text-soft">
        Each pair: what lies beneath ({plan.over[0]!.on.map((o) => o.under).join(", ")}), and the pencil over
        it.
      </p>
    </section>
  );
}
