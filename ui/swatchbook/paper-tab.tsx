"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { deskOfRack } from "@/compute/from-rack";
import type { FitPaperOutput } from "@/compute/swatchbook";
import { labToHex } from "@/core/colour/display";
import { chroma, type Lab } from "@/core/colour/lab";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import type { StoredReading } from "@/store/readings";
import { Progress } from "@/ui/compute/progress";
import { useCompute } from "@/ui/compute/use-compute";
import { rackKey } from "@/ui/piece/use-groups";
import { messageOf, send } from "@/ui/send";
import { labInWords } from "@/words/numbers";
import { CoatCurves } from "./coat-curves";
import { colourTyped } from "./typed-colour";

const MEASURES: readonly { readonly name: string; readonly of: (lab: Lab) => number }[] = [
  { name: "Lightness L*", of: (l) => l[0] },
  { name: "Chroma C*", of: chroma },
  { name: "a*, green to red", of: (l) => l[1] },
  { name: "b*, blue to yellow", of: (l) => l[2] },
];
const MOST_CURVES = 12;

/** What a paper is, what the model makes of it, and every ink's coats on it. */
export function PaperTab({
  rack,
  readings,
}: {
  readonly rack: Rack;
  readonly readings: readonly StoredReading[];
}) {
  const lifts = useMemo(
    () => readings.filter((r) => r.lift && !r.excluded && new Set(r.stack).size === 1),
    [readings],
  );
  const read = rack.markers.filter((m) => m.swatches.length);
  const work = useCompute(
    "fitPaper",
    read.length ? `${rackKey(rack)} ${lifts.length} ${rack.paper.capacity}` : null,
    () => ({
      ...deskOfRack({ ...rack, markers: rack.markers.map((m) => ({ ...m, owned: true })) }, false),
      lifts: lifts
        .filter((l) => read.some((m) => m.code === l.stack[0]))
        .map((l) => ({ code: l.stack[0]!, coats: l.stack.length, color: { lab: l.lab } })),
      curveCoats: Math.min(8, rack.paper.capacity + 1),
    }),
  );
  return (
    <div className="grid gap-x-8 gap-y-5 min-[1000px]:grid-cols-[300px_minmax(0,1fr)]">
      <Facts key={rack.paper.id} paper={rack.paper} />
      <div className="grid content-start gap-5">
        <section aria-label="Fit">
          <h2 className="m-0 text-[17px]">What its swatches say of it</h2>
          <Progress work={work} doing="Fitting the paper" />
          {work.output ? (
            <Fit fit={work.output} />
          ) : (
            !read.length && (
              <p className="my-1 text-[15px]">
                Nothing has been read on this paper, so the usual values of a smooth card stand in.
              </p>
            )
          )}
        </section>
        {work.output && read.length > 0 && <Curves rack={rack} fit={work.output} />}
      </div>
    </div>
  );
}

function Fit({ fit }: { fit: FitPaperOutput }) {
  const rows: readonly [string, string, string][] = [
    [
      "Uptake of 1, 2, 3 coats",
      fit.fit.uptake
        .slice(0, 3)
        .map((u) => u.toFixed(2))
        .join("  "),
      "a second coat adds less than the first",
    ],
    ["Depth of ink", fit.fit.depth.toFixed(2), "scattering power of the inked part of the sheet"],
    ["Surface k1, k2", `${fit.fit.k1.toFixed(3)}  ${fit.fit.k2.toFixed(2)}`, "reflection outside and inside"],
    [
      "Blender lifts",
      fit.lifting.cells ? `${Math.round(100 * fit.lifting.blender)} %` : "not measured",
      fit.lifting.cells
        ? `from ${fit.lifting.cells} lift cells, residual ${fit.lifting.residual.toFixed(1)} ΔE00`
        : "print a chart: its last cells are lifted",
    ],
    [
      "Residual",
      `${fit.residual.toFixed(2)} ΔE00`,
      `median over ${fit.readings} readings of ${fit.inks} inks`,
    ],
  ];
  return (
    <table className="mt-1 w-full border-collapse text-[15px]">
      <tbody>
        {rows.map(([what, value, says]) => (
          <tr key={what} className="border-b border-line">
            <th scope="row" className="py-1.5 pr-4 text-left font-normal">
              {what}
            </th>
            <td className="pr-4 font-semibold whitespace-pre">{value}</td>
            <td className="text-[14px] text-soft">{says}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Curves({ rack, fit }: { rack: Rack; fit: FitPaperOutput }) {
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
      </details>
    </section>
  );
}

type Field = "weight" | "openTime" | "bleed" | "grain" | "capacity";
const numbers: readonly [Field, string, string][] = [
  ["capacity", "Coats it holds", ""],
  ["weight", "Weight", "g/m²"],
  ["openTime", "Stays wet", "s"],
  ["bleed", "Bleeds past the line", "mm"],
  ["grain", "Grain, 0 smooth to 1 rough", ""],
];

function Facts({ paper }: { paper: PaperSheet }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const [said, setSaid] = useState<string>();
  const save = async (facts: object) => {
    try {
      await send("PATCH", `/api/papers/${paper.id}`, facts);
      setTrouble(undefined);
      setSaid("Saved");
      router.refresh();
    } catch (e) {
      setTrouble(messageOf(e));
    }
  };
  const text = (key: "name" | "finish" | "side", label: string) => (
    <label className="block text-[14px]">
      {label}
      <input
        className="field mt-0.5 w-full"
        defaultValue={paper[key]}
        maxLength={80}
        onBlur={(e) =>
          e.target.value.trim() !== paper[key] &&
          (e.target.value.trim() || key !== "name") &&
          void save({ [key]: e.target.value.trim() })
        }
      />
    </label>
  );
  return (
    <section aria-label="Facts" className="grid content-start gap-2.5">
      <h2 className="m-0 flex justify-between text-[17px]">
        The paper{" "}
        {said && !trouble && (
          <span role="status" className="text-[14px] font-normal text-soft">
            {said}
          </span>
        )}
      </h2>
      {text("name", "Name")}
      <label className="block text-[14px]">
        Bare colour, hex or L* a* b*
        <input
          className="field mt-0.5 w-full font-mono"
          defaultValue={paper.lab.map((v) => v.toFixed(1)).join(" ")}
          onBlur={(e) => {
            const typed = e.target.value.trim();
            if (typed === paper.lab.map((v) => v.toFixed(1)).join(" ")) return;
            const color = colourTyped(typed);
            if (color) void save({ color });
            else
              setTrouble(
                `“${typed}” is no colour: type a hex colour such as #f4f3ee, or L* a* b* such as 96 0 2.`,
              );
          }}
        />
        <span className="text-[13px] text-soft">now {labInWords(paper.lab)}</span>
      </label>
      <div className="grid grid-cols-2 gap-2.5">
        {numbers.map(([key, label, unit]) => (
          <label key={key} className="block text-[14px]">
            {label}
            {unit && `, ${unit}`}
            <input
              className="field mt-0.5 w-full"
              inputMode="decimal"
              defaultValue={paper[key] ?? ""}
              onBlur={(e) => {
                const typed = e.target.value.trim().replace(",", ".");
                const value = typed === "" && key !== "capacity" ? null : Number(typed);
                if (value !== paper[key]) void save({ [key]: value });
              }}
            />
          </label>
        ))}
      </div>
      {text("finish", "Finish")}
      {text("side", "Side that is coloured")}
      <label className="block text-[14px]">
        Notes
        <textarea
          className="field mt-0.5 h-24 w-full"
          defaultValue={paper.notes}
          maxLength={4000}
          onBlur={(e) => e.target.value !== paper.notes && void save({ notes: e.target.value })}
        />
      </label>
      {trouble && (
        <p role="alert" className="m-0 border-l-4 border-strong pl-3 text-[14px]">
          {trouble}
        </p>
      )}
    </section>
  );
}
