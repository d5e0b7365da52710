import type { ReactNode } from "react";
import { StrokeChip } from "@/ui/ink/stroke-chip";

/** How markers are drawn on the tracks. */
export function Legend() {
  const sample = ["#9d9d9d", "#828282", "#6f6f6f"];
  const rows: readonly [string, ReactNode][] = [
    ["one, two, three coats", <StrokeChip key="a" coats={sample} />],
    ["not owned", <StrokeChip key="b" coats={sample} owned={false} />],
    ["dry", <StrokeChip key="e" coats={sample} dry />],
    ["running low", <StrokeChip key="c" coats={sample} low />],
    ["predicted, not measured", <StrokeChip key="d" coats={sample} measured={false} />],
  ];
  return (
    <div>
      <h2 className="m-0 text-[17px]">Choose a marker</h2>
      <p className="mt-1 text-[14px]">
        Each stands at the lightness that was read on this paper, so gaps and twins show. Arrow keys walk the
        tracks; <span className="key">/</span> finds a code.
      </p>
      <ul className="m-0 list-none p-0">
        {rows.map(([name, chip]) => (
          <li
            key={name}
            className="flex items-center justify-between gap-3 border-b border-line py-1.5 text-[14px]"
          >
            {name}
            {chip}
          </li>
        ))}
      </ul>
    </div>
  );
}
