"use client";
import { useMemo, useState } from "react";
import type { FitPaperOutput } from "@/compute/operations/fit-paper";
import { labToHex } from "@/core/colour/display";
import { chroma, type Lab } from "@/core/colour/lab";
import type { Rack } from "@/store/rack";
import { CoatCurves } from "./coat-curves";

const MEASURES: readonly { readonly name: string; readonly of: (lab: Lab) => number }[] = [
  { name: "Lightness", of: (l) => l[0] },
  { name: "Colour strength C*", of: chroma },
  { name: "a*, green to red", of: (l) => l[1] },
  { name: "b*, blue to yellow", of: (l) => l[2] },
];
const MOST_CURVES = 12;

/** Coats of a family by one measure, as curves and as a table. */
export function PaperCurves({ rack, fit }: { rack: Rack; fit: FitPaperOutput }) {
  const families = rack.families.filter((f) => rack.markers.some((m) => m.family === f && m.swatches.length));
  const [family, setFamily] = useState(families[0]!);
  const [measure, setMeasure] = useState(MEASURES[0]!.name);
  const { of } = MEASURES.find((m) => m.name === measure)!;
  const own = rack.markers.filter((m) => m.family === family && m.swatches.length).slice(0, MOST_CURVES);
  const curves = useMemo(
    () =>
      rack.markers
        .filter((m) => m.family === family && m.swatches.length)
        .slice(0, MOST_CURVES)
        .flatMap((m) => {
          const curve = fit.curves.find((c) => c.code === m.code);
          return curve
            ? [
                {
                  name: m.code,
                  hex: m.swatches[1]?.hex ?? labToHex((m.swatches[1] ?? m.swatches[0]!).lab),
                  model: curve.coats.map((c) => of(c.lab)),
                  read: [undefined, ...m.swatches.map((s) => of(s.lab))],
                },
              ]
            : [];
        }),
    [rack, family, fit, of],
  );
  return (
    <section aria-label="Coat curves">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="m-0 text-[17px]">Coat curves</h2>
        <select
          className="field"
          aria-label="Family"
          value={family}
          onChange={(e) => setFamily(e.target.value)}
        >
          {families.map((f) => (
            <option key={f}>{f}</option>
          ))}
        </select>
        <select
          className="field"
          aria-label="Measure"
          value={measure}
          onChange={(e) => setMeasure(e.target.value)}
        >
          {MEASURES.map((m) => (
            <option key={m.name}>{m.name}</option>
          ))}
        </select>
        <span className="text-[14px] text-soft">Lines: the model. Points: readings.</span>
      </div>
      <CoatCurves curves={curves} measure={measure} capacity={rack.paper.capacity} />
      <details className="mt-2">
        <summary className="text-[14px]">The same as a table</summary>
        <div className="overflow-x-auto" role="region" aria-label="Coat curves as a table" tabIndex={0}>
          <table className="mt-1 border-collapse text-[14px]">
            <thead>
              <tr>
                <th className="pr-4 text-left">ink</th>
                {curves[0]?.model.map((_, n) => (
                  <th key={n} className="px-2 text-right">
                    {n} {n === 1 ? "coat" : "coats"}
                  </th>
                ))}
                <th className="px-2 text-right">off, ΔE00</th>
              </tr>
            </thead>
            <tbody>
              {curves.map((c, i) => (
                <tr key={c.name} className="border-t border-line">
                  <td className="code pr-4">{c.name}</td>
                  {c.model.map((v, n) => (
                    <td key={n} className="px-2 text-right">
                      {v.toFixed(1)}
                      {c.read[n] !== undefined && (
                        <span className="block text-[12px] text-soft">read {c.read[n].toFixed(1)}</span>
                      )}
                    </td>
                  ))}
                  <td className="px-2 text-right">
                    {fit.curves
                      .find((f) => f.code === own[i]?.code)
                      ?.off.map((d) => d.toFixed(1))
                      .join(" ")}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}
