"use client";
import type { GroupOutput } from "@/compute/group-output";
import type { PencilPlanOutput } from "@/compute/operations/pencil-plan";
import { Slider } from "@/ui/kit/slider";
import { counted, signed } from "@/words/numbers";
import { pencilName } from "@/words/pencil";

/** A tone and by how much (L*) it should come out lighter (positive) or darker. */
export interface Adjusting {
  readonly code: string;
  readonly deltaL: number;
}

/** Softens or deepens one tone of the group with one pencil. */
export function Soften({
  group,
  adjustments,
  wish,
  onWish,
}: {
  readonly group: GroupOutput | undefined;
  readonly adjustments: PencilPlanOutput["adjustments"];
  readonly wish: Adjusting | undefined;
  readonly onWish: (wish: Adjusting | undefined) => void;
}) {
  const tone = group?.tones.find((t) => t.code === wish?.code);
  return (
    <section aria-label="Soften or deepen a tone" className="border-t border-line pt-2 text-[14px]">
      <div className="flex flex-wrap items-center gap-2">
        <h3 className="m-0 text-[15px]">Soften or deepen a tone</h3>
        <select
          className="field"
          aria-label="Tone"
          value={wish?.code ?? ""}
          onChange={(e) =>
            onWish(e.target.value ? { code: e.target.value, deltaL: wish?.deltaL ?? 8 } : undefined)
          }
        >
          <option value="">choose a tone</option>
          {group?.tones.map((t) => (
            <option key={t.code} value={t.code}>
              {t.code}, {t.role}
            </option>
          ))}
        </select>
        {wish && (
          <span className="flex items-center gap-1.5">
            by{" "}
            <Slider
              label="Lighter or darker by"
              least={-20}
              most={20}
              value={wish.deltaL}
              onChange={(deltaL) => onWish({ ...wish, deltaL })}
            />{" "}
            {signed(wish.deltaL)} in lightness
          </span>
        )}
      </div>
      {wish && tone && adjustments && (
        <ul className="m-0 mt-1 flex list-none flex-wrap gap-4 p-0">
          {adjustments.map((a) => (
            <li key={a.code} className="flex items-center gap-2">
              <span className="flex h-7 w-14 border border-strong" aria-hidden>
                <span className="flex-1" style={{ background: tone.hex }} />
                <span className="flex-1" style={{ background: a.hex }} />
              </span>
              {pencilName(a.code)}, {counted(a.layers, "light layer")}: {signed(a.deltaL)} in lightness
            </li>
          ))}
          {!adjustments.length && (
            <li>No pencil at hand is {wish.deltaL > 0 ? "lighter" : "darker"} than this tone.</li>
          )}
        </ul>
      )}
    </section>
  );
}
