/** Stages of a piece, in the order in which one goes through them. */
export const STAGES = [
  {
    slug: "set-up",
    name: "Set up",
    says: "What you will colour becomes areas: what lies between the lines is found, measured, and knows its neighbours.",
    first:
      "Bring the drawing: a scan, a photo of the stamped sheet, SVG or PDF; with it a picture of it in colour, if you have one. Or go on without.",
    does: [
      "Look over the areas that were found; gather small shapes with a stroke round them, join, split and name them.",
      "Say how large the drawing is on paper: sizes, borders and the order of work go by it.",
      "Say what is bare paper, and what lies before what.",
    ],
  },
  {
    slug: "light",
    name: "Light",
    says: "Where each area is light and where it is dark, before any colour.",
    first: "Drag the light on the dial to where it comes from in your picture.",
    does: [
      "Give each area its form, or take those that are proposed: a ball, a tube, flat, folded; hair follows a few strokes.",
      "Under Tones, move where one tone ends and the next begins.",
      "Under Marks, set sparks and single hairs where they belong.",
    ],
  },
  {
    slug: "colour",
    name: "Colour",
    says: "Which markers: for each area a group from light to dark that comes as near as your own markers can.",
    first:
      "Choose an area and point at its colour in the picture, or give it as a marker, a hex or a kept group.",
    does: [
      "Look at the strip: that is how it will lie on your paper. Lock what you like, leave out what you do not.",
      "Add a shadow, an underlay, pencil or a finish in their tabs.",
      "Plan all areas together to need fewer markers.",
    ],
  },
  {
    slug: "steps",
    name: "Steps",
    says: "What to lay when: area by area, or marker after marker while wet ink is left alone.",
    first: "Choose the order: one area at a time, fewest changes, or soonest done.",
    does: [
      "Lay ready what the list names; it says which marker may not last.",
      "Go to the desk: one step fills the screen, with how long what lies there stays wet.",
      "Or print the steps, or the order as a booklet to tick off.",
    ],
  },
  {
    slug: "check",
    name: "Check",
    says: "The piece as it will look, before a marker is uncapped; and later, the sheet as it lies.",
    first: "Read what stands beside the picture, the worst first; each offers a way out that was tried.",
    does: [
      "Wipe, blink or compare in greys; look at it under a lamp.",
      "Save the picture, its layers, the tone map or a guide to print.",
      "Once something lies, photograph the sheet: As it lies compares it with the plan.",
    ],
  },
] as const;
export type Stage = (typeof STAGES)[number];
export type StageSlug = Stage["slug"];
