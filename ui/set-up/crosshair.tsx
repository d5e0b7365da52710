/** Where the keys point: two lines that show on anything. */
export const Crosshair = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g pointerEvents="none" data-testid="crosshair">
    {(["#fff", "#000"] as const).map((stroke, i) => (
      <path
        key={stroke}
        d={`M${x - 14} ${y}h10M${x + 4} ${y}h10M${x} ${y - 14}v10M${x} ${y + 4}v10`}
        stroke={stroke}
        strokeWidth={i ? 1.6 : 4}
        fill="none"
      />
    ))}
  </g>
);

/** Points that are set so far, joined by lines. */
export function Draft({
  points,
  closed,
}: {
  readonly points: readonly (readonly [number, number])[];
  readonly closed: boolean;
}) {
  const path = points.map(([x, y], i) => `${i ? "L" : "M"}${x} ${y}`).join("") + (closed ? "Z" : "");
  return (
    <g pointerEvents="none">
      <path d={path} fill="none" stroke="#fff" strokeWidth="4" />
      <path d={path} fill="none" stroke="#000" strokeWidth="1.8" strokeDasharray="6 3" />
      {points.map(([x, y], i) => (
        <circle
          key={i}
          cx={x}
          cy={y}
          r={i === 0 || i === points.length - 1 ? 5 : 4}
          fill="#000"
          stroke="#fff"
          strokeWidth="1.8"
        />
      ))}
    </g>
  );
}
