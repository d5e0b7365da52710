import { Figure } from "@/ui/kit/figure";
import type { GroupOutput } from "@/compute/group-output";
import { differenceWords } from "@/words/closeness";
import { Ramp } from "./ramp";

/** A colour that was picked, set into the strip where it belongs. */
export interface StripMark {
  readonly name: string;
  readonly hex: string;
  /** Share of the area, from its lightest end. */
  readonly t: number;
  readonly deltaE00: number;
}

/** Width of a mark, % of the strip. */
const MARK = 9;
/** The stroke's own ends are ragged: marks stay this far inside, %. */
const INSIDE = 3;

/** Marks where they belong, none over another or past the ends. */
function placed(marks: readonly StripMark[]): readonly (StripMark & { readonly left: number })[] {
  let free = INSIDE;
  return marks.map((m, i) => {
    const most = 100 - INSIDE - MARK * (marks.length - i);
    const left = Math.min(most, Math.max(free, m.t * 100 - MARK / 2));
    free = left + MARK;
    return { ...m, left };
  });
}

/** An area as it will lie on the paper, with the picked colours set into it: what is hardly seen in it is met. */
export function LaidStrip({
  group,
  marks,
  label,
  height = 64,
}: {
  readonly group: GroupOutput;
  readonly marks: readonly StripMark[];
  readonly label: string;
  readonly height?: number;
}) {
  return (
    <figure className="m-0" aria-label={label}>
      <div className="relative">
        <Ramp
          colours={group.strip}
          height={height}
          label={`${label}, from its light end to its shadow end`}
        />
        {placed(marks).map((m) => (
          <span
            key={m.name}
            className="absolute top-[30%] h-[40%]"
            style={{ left: `${m.left}%`, width: `${MARK}%`, background: m.hex }}
            title={`${m.name} as picked: ${differenceWords(m.deltaE00)}, ${m.deltaE00.toFixed(1)} ΔE00`}
            aria-hidden
          />
        ))}
      </div>
      {marks.length > 0 && (
        <figcaption>
          <ul className="m-0 mt-1 flex list-none flex-wrap gap-x-4 gap-y-0.5 p-0 text-[13px]">
            {marks.map((m) => (
              <li key={m.name} data-mark={m.name}>
                {m.name}: <strong>{differenceWords(m.deltaE00)}</strong>{" "}
                <Figure unit="ΔE00">{m.deltaE00.toFixed(1)} ΔE00</Figure>
              </li>
            ))}
          </ul>
        </figcaption>
      )}
    </figure>
  );
}
