import { memo } from "react";
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

/** Colours side by side, each as wide as the others, with hard edges: one element, however many they are. */
const sideBySide = (colours: readonly string[]): string => {
  const share = 100 / colours.length;
  // A stop that begins at 0 begins where the one before it ends.
  const stops = colours.map((hex, i) => `${hex} 0 ${((i + 1) * share).toFixed(2)}%`);
  return `linear-gradient(90deg, ${stops.join(", ")})`;
};

/** Where nobody has worked a group out yet. */
const NOT_YET = "var(--color-line)";

interface RampProps {
  readonly colours: readonly string[];
  readonly height?: number;
  readonly label: string;
}

/** A blend group as one laid stroke, light to dark. */
export const Ramp = memo(
  function Ramp({ colours, height = 34, label }: RampProps) {
    return (
      <span
        role="img"
        aria-label={`${label}: ${colours.length ? endsInWords(colours) : "not worked out yet"}`}
        className="laid-stroke block w-full"
        style={{
          height,
          background: colours.length ? sideBySide(colours) : NOT_YET,
        }}
      />
    );
  },
  (a, b) => a.label === b.label && a.height === b.height && a.colours.join() === b.colours.join(),
);
