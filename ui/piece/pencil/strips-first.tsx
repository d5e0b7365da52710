import { Printer } from "lucide-react";
import { useState } from "react";
import type { PencilPlanOutput } from "@/compute/operations/pencil-plan";
import { interleave, stripLines } from "@/core/chart/compose";
import { nameStack } from "@/core/formats/cgats";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { useSending } from "@/ui/jobs/use-sending";
import { Figure } from "@/ui/kit/figure";
import { Link } from "@/ui/kit/link";
import { send } from "@/ui/send";
import { useStudio } from "@/ui/studio/studio-context";
import { pencilName } from "@/words/pencil";

const MOST = 4;
/** Markers whose colour is known, put among the strips. */
const MOST_KNOWN = 8;
const knownOf = ({ markers }: Rack): string[] =>
  markers
    .flatMap((m) => (m.owned && m.state !== "dry" && m.swatches.length > 2 ? [m.code] : []))
    .slice(0, MOST_KNOWN);

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
  const printing = useSending();
  const sheet = useStudio()?.sheet ?? "A4";
  if (!drawings.length) return null;
  const print = () =>
    void printing.run(async () => {
      const lines = stripLines(work.output?.strips ?? [], pencilName);
      const chart = await send<{ id: string }>("POST", "/api/charts", {
        paperId: rack.paper.id,
        title: "Strips for a plan",
        sheet,
        // Markers that are known set the camera's colour right.
        lines: interleave(lines, knownOf(rack)),
      });
      window.location.assign(`/api/charts/${chart.id}/pdf`);
    });
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
          <div className="mt-2 flex flex-wrap gap-2">
            <button className="button" disabled={printing.busy} onClick={print}>
              <Printer size={16} aria-hidden /> Print them as a sheet
            </button>
            <Link className="button" href={`/swatchbook/${rack.paper.id}?tab=read`}>
              Bring a photo of the sheet
            </Link>
            <Link className="button" href={`/swatchbook/${rack.paper.id}?tab=readings`}>
              Enter what they read
            </Link>
          </div>
          {printing.trouble && (
            <p role="alert" className="mt-1 mb-0">
              {printing.trouble}
            </p>
          )}
        </>
      )}
    </details>
  );
}
