/** From which side an area is coloured, so that the hand stays off wet ink. */
export const handInWords = (hand: "right" | "left"): string =>
  hand === "right"
    ? "Right-handed: begin each area at its left and work to the right; your hand stays off wet ink."
    : "Left-handed: begin each area at its right and work to the left; your hand stays off wet ink.";
