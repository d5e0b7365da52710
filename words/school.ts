import type { School, Stroke, Where } from "@/core/group/school";

/** What is laid after what in a school, and what it suits. */
export const SCHOOL_WORDS: Readonly<Record<School, { readonly order: string; readonly suits: string }>> = {
  "light first": {
    order:
      "Flood with the lightest, then darker and darker inside the shadows, then back to the lightest over all.",
    suits: "skin, cloth, most areas; gives the most control",
  },
  "dark second": {
    order:
      "Flood with the lightest, put the darkest into the shadows at once, then step back down to the lightest.",
    suits: "leaves, petals, fur, ribbons",
  },
  "middle out": {
    order: "Lay the middle and leave white, then darker; the lighter marker then covers most of the white.",
    suits: "costumes, comic style; a small white stays",
  },
  "dark first": {
    order:
      "Flick the darkest from the root, draw it out with each lighter marker, leave the highlight; do not over-blend.",
    suits: "hair and greys; the strokes stay",
  },
  "edge in": { order: "The lightest round the rim, then darker towards the middle.", suits: "back light" },
  layered: {
    order: "Thin even layers, each left to dry, no going back to blend.",
    suits: "pale skin, to avoid blotches; crisp edges",
  },
};

/** Where a pass goes. */
export const whereInWords: Readonly<Record<Where, string>> = {
  flood: "all over",
  "flood and map": "all over; map the shadows with it",
  deepest: "deepest shadows only",
  "but highlight": "all but the highlight",
  "shadow side": "the shadow side",
  "next edge": "over the edge of the next darker tone",
  "over all wet": "over all, while wet",
  "into shadows": "straight into the shadows",
  "towards light": "from the shadow's edge towards the light",
  "leave white": "all but the lights: leave white",
  "darker edge": "over the edge of the darker tone",
  "most of white": "over most of the white; a small white stays",
  "root and tip": "from the root and the tip, in the direction of growth",
  "to highlight": "up to the highlight, which stays paper",
  "drawn out": "drawn out of the darker tone",
  rim: "round the rim",
  middle: "the middle",
  "inside rim": "inside the lighter rim",
  "seam to middle": "over the seam to the middle",
  "seam to rim": "over the seam to the rim",
  "flood thin": "all over, thin and even",
};

/** How the marker is moved. */
export const strokeInWords: Readonly<Record<Stroke, string>> = {
  flat: "side of the brush, quick and even",
  circles: "small circles, light hand",
  flick: "flicks, lifting at the end",
  dab: "dabs with the tip",
};
