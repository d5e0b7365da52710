import { useId } from "react";
import { hexToLab } from "@/core/colour/display";
import { colourInWords } from "@/words/colour";

const nameOf = (hex: string): string => {
  const lab = hexToLab(hex);
  return lab ? colourInWords(lab) : "";
};

/** From which colour to which, for who hears it. */
const endsInWords = (colours: readonly string[]): string => {
  const [first, last] = [nameOf(colours[0]!), nameOf(colours.at(-1)!)];
  return first === last ? first : `${first} to ${last}`;
};

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
      aria-label={colours.length ? `${label}: ${endsInWords(colours)}` : label}
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
