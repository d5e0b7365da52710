import { MARK, marksOf, SHEETS, whiteBoxes, type PageLayout } from "@/core/chart/layout";
import { labToHex } from "@/core/colour/display";
import type { Rack } from "@/store/rack";
import { counted } from "@/words/numbers";

/** The first page as it will be printed, with what is known already filled in. */
export function ChartPreview({ layout, rack }: { layout: PageLayout; rack: Rack }) {
  const { width, height } = SHEETS[layout.sheet];
  const known = new Map(rack.markers.map((m) => [m.code, m.swatches]));
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full border border-strong"
        style={{ background: labToHex(rack.paper.lab) }}
        role="img"
        aria-label={`First of ${layout.pages} pages`}
      >
        {marksOf(layout.sheet).map(([x, y]) => (
          <g key={`${x} ${y}`}>
            <circle
              cx={x}
              cy={y}
              r={(MARK.outer + MARK.inner) / 2}
              fill="none"
              stroke="#000"
              strokeWidth={MARK.outer - MARK.inner}
            />
            <circle cx={x} cy={y} r={MARK.dot} />
          </g>
        ))}
        {layout.code.map((b) => (
          <rect key={b.x} x={b.x} y={b.y} width={b.width} height={b.height} />
        ))}
        {layout.cells.map((c) => {
          if (c.meets) {
            const hexOf = (codes: readonly string[]) => {
              const swatch = known.get(codes[0] ?? "")?.[codes.length - 1];
              return swatch ? labToHex(swatch.lab) : "none";
            };
            const { x, y, width: w, height: h } = c.box;
            return (
              <g key={`${c.line} ${c.place}`} stroke="#8a8a8a" strokeWidth="0.25">
                <rect x={x} y={y} width={w / 2} height={h} fill={hexOf(c.stack)} />
                <rect
                  x={x + w / 2}
                  y={y}
                  width={w / 2}
                  height={h}
                  fill={hexOf(c.meets.over)}
                  strokeDasharray={c.meets.over.length ? undefined : "0.8 0.8"}
                />
              </g>
            );
          }
          const swatch =
            c.lift || new Set(c.stack).size > 1 ? undefined : known.get(c.stack[0]!)?.[c.stack.length - 1];
          return (
            <rect
              key={`${c.line} ${c.place}`}
              x={c.box.x}
              y={c.box.y}
              width={c.box.width}
              height={c.box.height}
              fill={swatch ? labToHex(swatch.lab) : "none"}
              stroke="#8a8a8a"
              strokeWidth="0.25"
            />
          );
        })}
        {whiteBoxes(layout.sheet).map((b, i) => (
          <rect
            key={i}
            x={b.x}
            y={b.y}
            width={b.width}
            height={b.height}
            fill="none"
            stroke="#8a8a8a"
            strokeWidth="0.2"
            strokeDasharray="0.6 0.6"
          />
        ))}
        {layout.labels.map((l) => (
          <text key={`${l.x} ${l.y}`} x={l.x} y={l.y + 0.8} fontSize="2.6" className="font-mono">
            {l.text.split("\n")[0]}
          </text>
        ))}
      </svg>
      <figcaption className="mt-1 text-[13px] text-soft">
        First of {counted(layout.pages, "page")}. Cells already known are shown filled; the narrow ones stay
        white.
      </figcaption>
    </figure>
  );
}
