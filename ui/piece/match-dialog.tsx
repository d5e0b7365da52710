"use client";
import { differenceWords } from "@/words/closeness";
import { labToHex } from "@/core/colour/display";
import type { Lab } from "@/core/colour/lab";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { useAsk } from "@/ui/jobs/use-job";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { Modal } from "@/ui/kit/modal";
import { coatsInWords } from "@/words/numbers";

interface MatchDialogProps {
  readonly rack: Rack;
  readonly target: Lab;
  readonly ownedOnly: boolean;
  readonly name: string;
  readonly onClose: () => void;
}

/** Recipes of up to three inks and four coats for one exact colour. */
export function MatchDialog({ rack, target, ownedOnly, name, onClose }: MatchDialogProps) {
  const work = useAsk("match", rack, { target: { lab: target }, maxInks: 3, maxCoats: 4, top: 5, ownedOnly });
  const recipes = work.output?.recipes ?? [];
  const chip = (code: string) => {
    const m = rack.markers.find((r) => r.code === code);
    return m && <MarkerChip marker={m} width={58} height={24} />;
  };
  return (
    <Modal open onClose={onClose} title={`Match the local colour of ${name}`} wide>
      <p className="mt-0 text-[15px]">
        Up to three markers and four coats on {rack.paper.name}, laid in the order shown, each coat dry before
        the next. Left half: the picked colour; right half: what these layers give.
      </p>
      {work.output?.reach && (
        <p className="m-0 mb-2 border-l-4 border-strong pl-3 text-[15px]" role="status">
          {work.output.reach.message}
        </p>
      )}
      <Progress work={work} doing="Matching" />
      <ol className="m-0 list-none p-0">
        {recipes.map((r) => (
          <li
            key={JSON.stringify(r.layers)}
            className="grid grid-cols-[96px_1fr_auto] items-center gap-4 border-t border-line py-2"
          >
            <span className="grid h-14 grid-cols-2 border border-strong" aria-hidden>
              <span style={{ background: labToHex(target) }} />
              <span style={{ background: r.hex }} />
            </span>
            <span>
              <span className="flex flex-wrap items-center gap-x-4 gap-y-1">
                {r.layers.map((l) => (
                  <span key={l.code} className="inline-flex items-center gap-1.5">
                    {chip(l.code)}
                    <span className="code">{l.code}</span>
                    <span className="text-[14px]">{coatsInWords(l.coats)}</span>
                  </span>
                ))}
              </span>
              {r.note && <span className="block text-[14px] text-soft">{r.note}</span>}
              {!r.inGamut && (
                <span className="block text-[14px] text-soft">Stronger than this screen can show.</span>
              )}
            </span>
            <span className="text-right leading-tight">
              <span className="block text-[16px] font-semibold">{differenceWords(r.deltaE00)}</span>
              <span className="block text-[13px] text-soft">
                <span data-difference>{r.deltaE00.toFixed(2)}</span> ΔE00
              </span>
              {r.preferred && <span className="block text-[13px] font-semibold">preferred</span>}
            </span>
          </li>
        ))}
      </ol>
      {work.output && recipes.length === 0 && (
        <p>No marker is ready: every one is dry, or none has been read on this paper.</p>
      )}
      {work.output && (
        <p className="mb-0 text-[13px] text-soft" role="status">
          {recipes[0] && `Nearest: ${differenceWords(recipes[0].deltaE00)}. `}
          {work.output.proven
            ? `None of ${ownedOnly ? "your" : "these"} markers comes closer, in any order: every combination checked.`
            : work.output.bound > 0
              ? `The best so far; at best ${differenceWords(work.output.bound)} is left to be found.`
              : "The best so far; a nearer one may still be found."}
        </p>
      )}
    </Modal>
  );
}
