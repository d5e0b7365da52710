import { readableOn } from "@/ui/ink/readable";
import type { PencilStepOutput } from "@/compute/operations/pencil-plan";
import { signed } from "@/words/numbers";
import { partInWords, pencilName } from "@/words/pencil";

/** A doubt (ΔE00) from which on a value is hatched, and one at which the hatching is closest. */
const [HATCHED, CLOSEST] = [2.5, 10];

/** The predicted colour, hatched the closer the less sure it is. */
function doubted({ hex, lab, doubt }: PencilStepOutput): string {
  if (doubt < HATCHED) return hex;
  const gap = Math.round(14 - (10 * Math.min(doubt, CLOSEST)) / CLOSEST);
  const line = `color-mix(in srgb, ${hex}, ${readableOn(lab[0])} 35%)`;
  return `repeating-linear-gradient(135deg, ${hex} 0 ${gap}px, ${line} ${gap}px ${gap + 1}px)`;
}

/** Every value of the scale: wanted above, as drawn below, and its layers from the paper up. */
export function ValueScale({ steps, base }: { steps: readonly PencilStepOutput[]; base: string | null }) {
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
            title={`wanted lightness ${signed(s.wanted.lab[0])}`}
          />
          <span
            className="flex h-11 items-end justify-end px-1 text-[12px]"
            style={{ background: doubted(s), color: readableOn(s.lab[0]) }}
            title={`comes out within ${s.doubt.toFixed(1)} ΔE00 of this in nine of ten cases`}
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
                title={`${l.code}, ${l.layers} layers, ${l.pressure}, ${partInWords[l.part]}`}
              >
                {pencilName(l.code)} ×{l.layers}
                {l.pressure === "light" ? "" : l.pressure === "medium" ? " m" : " f"}
              </li>
            ))}
          </ol>
        </li>
      ))}
    </ol>
  );
}
