"use client";
import { differenceWords } from "@/words/closeness";
import { useMemo } from "react";
import type { FitPaperOutput } from "@/compute/operations/fit-paper";
import type { StoredBlend } from "@/store/blends";
import type { Learnt } from "@/core/work/pace";
import type { Rack } from "@/store/rack";
import type { StoredReading } from "@/store/readings";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Notice } from "@/ui/kit/notice";
import { counted } from "@/words/numbers";
import { Blends } from "./blends";
import { PaperCurves } from "./paper-curves";
import { PaperFacts } from "./paper-facts";

/** What a paper is, what the model makes of it, and every ink's coats on it. */
export function PaperTab({
  rack,
  readings,
  blends,
  openTime,
}: {
  readonly rack: Rack;
  readonly readings: readonly StoredReading[];
  readonly blends: readonly StoredBlend[];
  readonly openTime?: Learnt | undefined;
}) {
  const lifts = useMemo(
    () => readings.filter((r) => r.lift && !r.excluded && new Set(r.stack).size === 1),
    [readings],
  );
  const read = rack.markers.filter((m) => m.swatches.length);
  const work = useAsk(
    "fitPaper",
    rack,
    read.length
      ? {
          lifts: lifts
            .filter((l) => read.some((m) => m.code === l.stack[0]))
            .map((l) => ({ code: l.stack[0]!, coats: l.stack.length, color: { lab: l.lab } })),
          curveCoats: Math.min(8, rack.paper.capacity + 1),
        }
      : null,
  );
  return (
    <div className="grid gap-x-8 gap-y-5 min-[1000px]:grid-cols-[300px_minmax(0,1fr)]">
      <PaperFacts key={rack.paper.id} paper={rack.paper} openTime={openTime} />
      <div className="grid content-start gap-5">
        <section aria-label="Fit">
          <h2 className="m-0 text-[17px]">What its swatches say of it</h2>
          <Progress work={work} doing="Fitting the paper" />
          {work.output ? (
            <>
              {work.output.clamped && (
                <Notice alert>
                  No sheet can have this colour: it is darker or purer than paper gets. The nearest one that
                  can be stands in, so colours on it are seen a little lighter. Check the reading of the bare
                  paper.
                </Notice>
              )}
              <Fit fit={work.output} />
            </>
          ) : (
            !read.length && (
              <p className="my-1 text-[15px]">
                Nothing has been read on this paper, so the usual values of a smooth card stand in.
              </p>
            )
          )}
        </section>
        {work.output && read.length > 0 && (
          <>
            <Blends paper={rack.paper} fit={work.output} stored={blends} />
            <PaperCurves rack={rack} fit={work.output} />
          </>
        )}
      </div>
    </div>
  );
}

type Rows = readonly (readonly [string, string, string])[];

function Fit({ fit }: { fit: FitPaperOutput }) {
  const { wetLifting, mixing, edge } = fit.blending;
  const curious: Rows = [
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
      "Residual",
      `${fit.residual.toFixed(2)} ΔE00`,
      `median over ${fit.readings} readings of ${fit.inks} inks`,
    ],
  ];
  const rows: Rows = [
    [
      "How near plans come",
      `${differenceWords(fit.residual)}`,
      `${fit.residual.toFixed(2)} ΔE00, the median over ${fit.readings} readings of ${counted(fit.inks, "marker")}`,
    ],
    [
      "Over dry ink",
      `${Math.round(100 * fit.fit.lifting)} %  ${fit.fit.crowding.toFixed(2)}`,
      `share loosened, and crowding (1 is none): ${fit.overlays ? `by ${counted(fit.overlays, "overlay")}` : "assumed, until two markers over one another are read"}`,
    ],
    [
      "Blender lifts",
      fit.lifting.cells ? `${Math.round(100 * fit.lifting.blender)} %` : "not measured",
      fit.lifting.cells
        ? `from ${fit.lifting.cells} lift cells, off by ${fit.lifting.residual.toFixed(1)} ΔE00`
        : "print a chart: its last cells are lifted",
    ],
    [
      "Wet ink loosens",
      `${Math.round(100 * (wetLifting?.value ?? fit.assumed.wetLifting))} %`,
      wetLifting
        ? `of what lies beneath, from ${counted(wetLifting.cells, "cell")}, off by ${wetLifting.residual.toFixed(1)} ΔE00`
        : "assumed, until a page of blends is read",
    ],
    [
      "Wet tones run together",
      mixing ? `${mixing.value.toFixed(1)} mm` : "not measured",
      mixing
        ? `spread of the border, from ${counted(mixing.cells, "cell")}`
        : "sample strips go by the open time",
    ],
    [
      "A dry edge creeps",
      edge ? `${edge.value.toFixed(1)} mm` : "not measured",
      edge ? `spread of the border, from ${counted(edge.cells, "cell")}` : "sample strips go by the bleed",
    ],
  ];
  return (
    <>
      <FitTable rows={rows} />
      <details className="mt-1 text-[14px]">
        <summary className="text-soft">For the curious: what the model of this paper found</summary>
        <FitTable rows={curious} />
      </details>
    </>
  );
}

const FitTable = ({ rows }: { readonly rows: Rows }) => (
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
