import { useState } from "react";
import type { PencilPlanOutput } from "@/compute/operations/pencil-plan";
import { nameStack } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { Figure } from "@/ui/kit/figure";
import { Link } from "@/ui/kit/link";
import { pencilName } from "@/words/pencil";

const MOST = 4;

/** What a plan draws, each value once. */
function drawingsOf({ base, steps }: PencilPlanOutput) {
  return steps
    .filter((s) => s.layers.length)
    .map((s) => ({
      stack: s.onPaper || !base?.code ? [] : [base.code],
      layers: s.layers.map(({ code, layers, pressure }) => ({ code, layers, pressure })),
    }));
}

/** The few trial strips that would make this plan surer, to draw and read before the picture. */
export function StripsFirst({ rack, plan }: { readonly rack: Rack; readonly plan: PencilPlanOutput }) {
  const [open, setOpen] = useState(false);
  const drawings = drawingsOf(plan);
  const work = useAsk(
    "pencilStrips",
    rack,
    open && drawings.length ? { drawings, top: MOST, ownedOnly: true } : null,
  );
  if (!drawings.length) return null;
  const found = work.output;
  return (
    <details className="text-[14px]" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer text-[15px] font-semibold">Draw these strips first</summary>
      {open && <Progress work={work} doing="Weighing which strips tell most" />}
      {found && (
        <>
          <p className="my-1 max-w-[70ch]">
            What is not known of your pencils and this paper leaves these values{" "}
            <Figure unit="ΔE00">{found.now.toFixed(1)} ΔE00</Figure> unsure, on average. Each strip drawn and
            read brings that down: a patch of about 1 cm², all layers at one pressure, the way you will draw.
          </p>
          <table className="border-collapse">
            <thead>
              <tr>
                {["on", "draw", "pressure", "then still"].map((h) => (
                  <th key={h} className="pr-4 text-left">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {found.strips.map((s, i) => (
                <tr key={i} className="border-t border-line">
                  <td className="pr-4">
                    {s.stack.length ? <span className="code">{nameStack(s.stack)}</span> : "bare paper"}
                  </td>
                  <td className="pr-4">
                    {s.layers.map((l) => `${pencilName(l.code)} ×${l.layers}`).join(", over it ")}
                  </td>
                  <td className="pr-4">{s.layers[0]!.pressure}</td>
                  <td>{s.spread.toFixed(1)} ΔE00</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Link className="button mt-2" href={`/swatchbook/${rack.paper.id}?tab=readings`}>
            Enter what they read
          </Link>
        </>
      )}
    </details>
  );
}
