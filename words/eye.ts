import type { EyeKind } from "@/core/practice/eye";

/** What each kind of question is called, and what it asks. */
export const eyeInWords: Readonly<Record<EyeKind, { readonly name: string; readonly asks: string }>> = {
  order: { name: "Order by lightness", asks: "Darkest first: choose them one after the other." },
  lighter: {
    name: "Which is lighter?",
    asks: "Which of the two is lighter? Squint: the colour goes, the lightness stays.",
  },
  warmer: { name: "Warm and cool shadows", asks: "Which of these two shadows is the warmer one?" },
  overlay: {
    name: "One ink over another",
    asks: "The second is laid over the first, once it is dry. What is seen?",
  },
  twin: { name: "Find the twin", asks: "Which of these comes nearest to the one above?" },
  behind: {
    name: "Lightness on a colour",
    asks: "Which grey is as light as what lies on the field? The field deceives.",
  },
  coats: { name: "How many coats?", asks: "On the left lies one coat. How many lie on the right?" },
};

const one = (n: number) => n.toFixed(1).replace(/\.0$/, "");

/** What made an answer right, with its figure. */
export function eyeAnswerInWords(kind: EyeKind, margin: number, codes: readonly string[]): string {
  const named = codes.join(" over ");
  switch (kind) {
    case "order":
      return `The nearest two differ by ${one(margin)} in lightness.`;
    case "lighter":
      return `${named} is lighter by ${one(margin)}.`;
    case "warmer":
      return `${named}, laid twice, is the warmer: nearer to orange by ${one(margin)}.`;
    case "overlay":
      return "The lower ink dims every light that the upper one lets through: neither of the two, and no mean of them.";
    case "twin":
      return `${named} is nearer than the next by ${one(margin)} ΔE00.`;
    case "behind":
      return `The greys differ by ${one(margin)}; beside a dark field things look lighter, beside a light one darker.`;
    case "coats":
      return codes.length === 1 ? "One coat." : `${codes.length} coats: each adds less than the one before.`;
  }
}
