import { useId } from "react";

/** A blend group as one laid stroke, light to dark. */
export function Ramp({
  colours,
  height = 34,
  label,
}: {
  readonly colours: readonly string[];
  readonly height?: number;
  readonly label: string;
}) {
  const clip = useId();
  const width = 100 / Math.max(1, colours.length);
  return (
    <svg
      viewBox="0 0 100 20"
      preserveAspectRatio="none"
      height={height}
      className="block w-full"
      role="img"
      aria-label={label}
    >
      <clipPath id={clip}>
        <path d="M2 3C30 1 70 4 100 2L98.500 17.500C70 19 30 16.500 0 18Z" />
      </clipPath>
      <g clipPath={`url(#${clip})`} shapeRendering="crispEdges">
        {colours.map((hex, i) => (
          <rect key={i} x={i * width} y="0" width={width + 0.3} height="20" fill={hex} />
        ))}
      </g>
    </svg>
  );
}
