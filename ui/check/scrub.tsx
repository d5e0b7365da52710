"use client";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { passAmount, passWhere } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { useKey } from "@/ui/use-keys";
import type { Check } from "./use-check";

/** From bare paper to the finished piece, pass by pass. */
export function Scrub({ own }: { readonly own: Check }) {
  const { sequence, step, setStep, piece } = own;
  const last = sequence.length;
  const at = step ?? last;
  const go = (to: number) => setStep(to >= last ? undefined : Math.max(0, to));
  useKey("comma", () => go(at - 1));
  useKey("period", () => go(at + 1));
  if (!last) return null;
  const now = at > 0 ? sequence[at - 1] : undefined;
  const area = now && piece.areas.find((a) => a.id === now.area);
  return (
    <div className="pt-2" role="group" aria-label="Passes">
      <div className="flex items-center gap-1">
        <button
          className="button-bare min-h-11 min-w-11"
          aria-label="One pass back"
          disabled={at === 0}
          onClick={() => go(at - 1)}
        >
          <ChevronLeft size={20} aria-hidden />
        </button>
        <input
          type="range"
          aria-label="Passes laid"
          aria-valuetext={now ? `${at} of ${last}: ${now.pass.code}` : "bare paper"}
          className="min-w-0 flex-1 accent-current"
          min={0}
          max={last}
          value={at}
          onChange={(e) => go(Number(e.target.value))}
        />
        <button
          className="button-bare min-h-11 min-w-11"
          aria-label="One pass on"
          disabled={at === last}
          onClick={() => go(at + 1)}
        >
          <ChevronRight size={20} aria-hidden />
        </button>
      </div>
      <p className="m-0 min-h-6 text-[15px]" aria-live="polite" data-testid="pass">
        {at === last ? (
          <strong>Finished</strong>
        ) : now ? (
          <>
            <strong>
              {at} of {last}
            </strong>{" "}
            <span className="code">{pencilName(now.pass.code)}</span>{" "}
            {now.area === null ? "underlay of the whole piece" : area?.name}: {passAmount(now.pass)},{" "}
            {passWhere(now.pass)}
          </>
        ) : (
          <strong>Bare paper</strong>
        )}
      </p>
    </div>
  );
}
