import { Fragment } from "react";
import type { ReadSwatch } from "@/compute/operations/read-swatches";
import { labToHex } from "@/core/colour/display";
import type { At, PatchGrid } from "@/core/picture/patch-grid";

/** A patch of a photographed sheet as it was read. */
export interface ReadPatch extends ReadSwatch {
  readonly at: At;
}

/** How far under the middle of a patch its code stands, in sides of the window that is read: beside what is looked at. */
const UNDER = 0.6;

/** The windows that are read, each with its code under it; dashed where what was read is doubtful. */
export function GridMarks({
  grid,
  size: { width, height },
  codes,
  found,
}: {
  readonly grid: PatchGrid;
  readonly size: { readonly width: number; readonly height: number };
  readonly codes: readonly (string | undefined)[];
  readonly found: readonly ReadPatch[] | undefined;
}) {
  const read = new Map(found?.map((f) => [f.at.join(), f]));
  return grid.middles.map((middle, i) => {
    const [x, y] = middle;
    const code = codes[i];
    const patch = read.get(middle.join());
    return (
      <Fragment key={i}>
        <span
          className={`pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 border-black outline outline-white ${patch?.doubt ? "border-2 border-dashed" : "border"}`}
          style={{
            left: `${x * 100}%`,
            top: `${y * 100}%`,
            width: `${(100 * grid.side) / width}%`,
            height: `${(100 * grid.side) / height}%`,
          }}
        />
        <span
          className="code pointer-events-none absolute -translate-x-1/2 border border-black bg-white px-0.5 text-[11px] leading-tight text-black"
          style={{ left: `${x * 100}%`, top: `${(y + (UNDER * grid.side) / height) * 100}%` }}
        >
          {patch && (
            <span
              className="mr-0.5 inline-block size-2.5 border border-black align-middle"
              style={{ background: labToHex(patch.lab) }}
            />
          )}
          {code ?? "·"}
        </span>
      </Fragment>
    );
  });
}
