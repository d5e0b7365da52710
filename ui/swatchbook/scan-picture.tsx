import type { StoredScan } from "@/store/charts";
import type { CellDecision } from "@/store/schema";

/** The picture of a page with the grid that was found: a cell is chosen by a click on it. */
export function ScanPicture({
  scan,
  decisions,
  at,
  onChoose,
}: {
  scan: StoredScan;
  decisions: readonly CellDecision[];
  at: number;
  onChoose: (cell: number) => void;
}) {
  const { width, height, cells, marks } = scan.result;
  const points = (p: readonly (readonly [number, number])[]) => p.map((v) => v.join()).join(" ");
  const stroke = width / 700;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block max-h-[82vh] w-full border border-line"
      role="group"
      aria-label="The picture with the grid that was found"
    >
      <image
        href={`/api/pictures/${scan.pictureId}`}
        width={width}
        height={height}
        preserveAspectRatio="none"
      />
      <polygon points={points(marks)} fill="none" stroke="#fff" strokeWidth={stroke} />
      {cells.map((c, i) => {
        const open = decisions[i] === "open";
        const out = decisions[i] === "excluded" || decisions[i] === "redo";
        const chosen = i === at;
        return (
          <g key={i} onClick={() => onChoose(i)} className="cursor-pointer" data-cell={i}>
            {(open || chosen) && (
              <polygon
                points={points(c.corners)}
                fill="none"
                stroke="#000"
                strokeWidth={stroke * (chosen ? 6 : 3.5)}
              />
            )}
            <polygon
              points={points(c.corners)}
              fill="transparent"
              stroke="#fff"
              strokeWidth={stroke * (chosen ? 3 : open ? 1.8 : 0.7)}
              strokeDasharray={open ? `${stroke * 5} ${stroke * 3}` : undefined}
            />
            {out && (
              <>
                <polyline
                  points={points([c.corners[0]!, c.corners[2]!])}
                  stroke="#000"
                  strokeWidth={stroke * 2.4}
                />
                <polyline
                  points={points([c.corners[0]!, c.corners[2]!])}
                  stroke="#fff"
                  strokeWidth={stroke * 1.2}
                />
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}
