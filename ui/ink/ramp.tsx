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

/** Outline of a laid stroke, a little uneven as a hand is. */
const STROKE =
  "polygon(2% 15%, 15% 9%, 30% 8%, 50% 13%, 70% 15%, 85% 13%, 100% 10%, 98.5% 87.5%, 85% 91%, 70% 92%, 50% 88%, 30% 85%, 15% 86%, 0% 90%)";

/** Colours side by side, each as wide as the others, with hard edges: one element, however many they are. */
const sideBySide = (colours: readonly string[]): string => {
  const share = 100 / colours.length;
  const stops = colours.map((hex, i) => `${hex} ${(i * share).toFixed(3)}% ${((i + 1) * share).toFixed(3)}%`);
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
        className="block w-full"
        style={{
          height,
          clipPath: STROKE,
          background: colours.length ? sideBySide(colours) : NOT_YET,
        }}
      />
    );
  },
  (a, b) => a.label === b.label && a.height === b.height && a.colours.join() === b.colours.join(),
);
