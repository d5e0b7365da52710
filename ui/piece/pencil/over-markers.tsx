import type { PencilPlanOutput } from "@/compute/operations/pencil-plan";
import { signed } from "@/words/numbers";
import { pencilName } from "@/words/pencil";

/** What each pencil of the plan turns into over paper and over the base, before it is tried. */
export function OverMarkers({ plan }: { plan: PencilPlanOutput }) {
  if (!plan.over.length) return null;
  return (
    <section aria-label="Pencil over marker" className="border-t border-line pt-2 text-[14px]">
      <h3 className="m-0 text-[15px]">Pencil changes with the marker beneath: three light layers</h3>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1.5">
        {plan.over.map((p) => (
          <span key={p.code} className="flex items-center gap-1.5">
            <span className="w-14 truncate">{pencilName(p.code)}</span>
            {p.on.map((o) => (
              <span
                key={o.under}
                className="flex h-7 w-11 border border-strong"
                title={`over ${o.under}: lightness ${signed(o.seen.lab[0])}`}
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
