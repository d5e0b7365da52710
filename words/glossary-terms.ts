/** Small pictures beside terms; each is drawn in `ui/glossary/term-picture.tsx`. */
export const TERM_PICTURES = [
  "ramp",
  "wet on wet",
  "wet on dry",
  "underlay",
  "overlay",
  "from behind",
  "passing before",
  "twins",
  "gap",
  "sections",
  "bleed",
  "tooth",
  "coats",
  "values",
  "tone map",
  "hair band",
  "marks",
  "margin",
] as const;
export type TermPicture = (typeof TERM_PICTURES)[number];

export interface Term {
  readonly term: string;
  /** What it is. */
  readonly says: string;
  /** When it matters. */
  readonly matters: string;
  readonly picture?: TermPicture;
  /** Where Blendt has it: a place of the studio, or a stage of a piece. */
  readonly at?: string;
}

/** The craft's words, by what they are about. */
export const GLOSSARY: readonly { readonly about: string; readonly terms: readonly Term[] }[] = [
  {
    about: "Colours of an area",
    terms: [
      {
        term: "Blend group",
        says: "Two to six markers of one area, from light to dark, that are laid so that one runs into the next.",
        matters:
          "Three are the least that gives depth, four are common. Even steps of lightness blend; a step too wide leaves an edge, one too narrow wastes a marker.",
        picture: "ramp",
        at: "Colour",
      },
      {
        term: "Local colour",
        says: "The colour that a thing has by itself, away from its lights and shadows. The two mids of a group carry it.",
        matters:
          "What you point at in a picture as the middle of an area. Highlight and shadow cover the least.",
        at: "Colour",
      },
      {
        term: "Contrast",
        says: "How far the lightest and the darkest of an area lie apart in lightness.",
        matters:
          "It is what makes a picture stand out. A flat picture wants a wider group, not more markers.",
        picture: "values",
        at: "Colour",
      },
      {
        term: "Coat",
        says: "Going over a place once with one marker. A marker gives about three tones by itself: one, two and three coats.",
        matters:
          "A paper holds only so many; then ink stands, creeps past the line and lifts what lies beneath.",
        picture: "coats",
        at: "Rack",
      },
      {
        term: "Stands out",
        says: "An area on which the eye should rest: its group gets more contrast than its neighbours'.",
        matters: "One or two areas of a piece. When all stand out none does.",
        at: "Colour",
      },
    ],
  },
  {
    about: "Ways of laying",
    terms: [
      {
        term: "Light first",
        says: "The lightest over all, then mid and dark into the shadows, then back: dark mid, mid, and the lightest over all.",
        matters: "Skin, cloth, most areas: it gives the most control.",
        at: "Colour",
      },
      {
        term: "Dark second",
        says: "The lightest over all, then at once the darkest into the shadows, then step by step back to the lightest.",
        matters: "Leaves, petals, fur, ribbons.",
        at: "Colour",
      },
      {
        term: "Middle out",
        says: "The mid first, leaving white; then the darker; then the lighter one over most of the white. A little white stays.",
        matters: "Costumes and comic style.",
        at: "Colour",
      },
      {
        term: "Dark first",
        says: "The darkest is flicked from the root, each lighter one extends it; the highlight is left.",
        matters: "Hair and greys. It must not be blended too much.",
        picture: "hair band",
        at: "Colour",
      },
      {
        term: "Edge in",
        says: "The lightest round the rim, darker towards the middle.",
        matters: "When the light stands behind.",
        at: "Light",
      },
      {
        term: "Layered",
        says: "Thin even layers, quickly, each left to dry; nothing is gone back over to blend.",
        matters: "Pale skin and large even areas: it avoids blotches.",
        at: "Colour",
      },
      {
        term: "Wet on wet",
        says: "Ink laid into ink that is still wet. They run together.",
        matters: "A soft passage, and all blending. It lasts only for the paper's open time.",
        picture: "wet on wet",
        at: "Order",
      },
      {
        term: "Wet on dry",
        says: "Ink laid over ink that has dried.",
        matters: "A crisp edge: reflections in glass, cast shadows, texture.",
        picture: "wet on dry",
        at: "Order",
      },
      {
        term: "Section",
        says: "A part of a large area that is small enough for all of its tones to go on while it is wet.",
        matters:
          "Where an area is larger than what you can blend in the open time. It is cut where a cut shows least.",
        picture: "sections",
        at: "Order",
      },
    ],
  },
  {
    about: "Shadows",
    terms: [
      {
        term: "Underlay",
        says: "Ink that lies beneath the colour, in the shadows only: a violet under skin or yellow, the opposite colour in general.",
        matters:
          "It gives a rich shadow, and it fades: once it is covered it looks far weaker. Start bolder than feels right.",
        picture: "underlay",
        at: "Colour, Shadow",
      },
      {
        term: "Overlay",
        says: "A cool or warm grey over the finished colour.",
        matters: "Realistic cast shadows. The grey's temperature follows the scene.",
        picture: "overlay",
        at: "Colour, Shadow",
      },
      {
        term: "Hint",
        says: "A last touch of another hue: pale blue or violet in the shadow, pink on the lit side, pale yellow in the light.",
        matters: "At the very end, on dry ink, in one place only.",
        at: "Colour, Shadow",
      },
      {
        term: "Passing before",
        says: "Where one thing lies before another, the one behind is darker there: hair over a face, chin over neck, sleeve over coat.",
        matters: "The quickest way to depth. Say in Set up what lies before what.",
        picture: "passing before",
        at: "Set up, Order",
      },
      {
        term: "Light from behind",
        says: "The lamp stands behind what is drawn: edges are pale and middles dark.",
        matters: "Night figures, glow, drama. Choose one direction first; everything later follows it.",
        picture: "from behind",
        at: "Light",
      },
      {
        term: "Temperature",
        says: "How warm (towards orange) or cool (towards blue) a colour is, greys above all.",
        matters: "Parts of metal, whites and blacks are told apart by it, before lightness does anything.",
        at: "Colour",
      },
    ],
  },
  {
    about: "Paper and ink",
    terms: [
      {
        term: "Open time",
        says: "How long ink on a paper stays wet enough to blend.",
        matters: "It decides how large a section may be, and what must wait.",
        at: "Swatchbook",
      },
      {
        term: "Bleed",
        says: "Ink that creeps past the line, and through to the back.",
        matters: "Thirsty papers: stop short of the line, and lay a scrap beneath.",
        picture: "bleed",
        at: "Swatchbook",
      },
      {
        term: "Tooth",
        says: "The roughness of a paper, which takes pencil.",
        matters: "Marker beneath fills it: less pencil is needed, and less of it holds.",
        picture: "tooth",
        at: "Colour, Pencil",
      },
      {
        term: "Toned paper",
        says: "Grey, tan or other paper that is no white.",
        matters:
          "It darkens and tints every ink. It is a middle value itself: white and pale pencil stand out on it.",
        at: "Swatchbook",
      },
      {
        term: "Swatch",
        says: "A marker's colour as it was read on one paper.",
        matters: "The cap is not the colour. What was not read is a guess, and says so.",
        at: "Swatchbook",
      },
      {
        term: "Alcohol-proof",
        says: "A line that alcohol ink does not dissolve.",
        matters:
          "Before you colour over a stamped or drawn line. What is not proof smears, and is drawn last.",
        at: "Set up",
      },
      {
        term: "Lineless",
        says: "A pale or erasable sketch that is coloured first and inked afterwards, only where a shape needs it.",
        matters: "Soft pictures, glass, petals.",
        at: "Set up",
      },
    ],
  },
  {
    about: "Markers and other tools",
    terms: [
      {
        term: "Family code",
        says: "What is printed on a marker: its colour family, then digits for depth and greyness.",
        matters:
          "Codes order the caps and are not the truth: the colour that works may lie in another family.",
        at: "Rack, Codes",
      },
      {
        term: "Twins",
        says: "Two markers that look the same on paper.",
        matters: "Owning both is waste, unless one is a spare.",
        picture: "twins",
        at: "Rack, Gaps and twins",
      },
      {
        term: "Gap",
        says: "A step of lightness or a hue that no marker of a rack reaches.",
        matters: "What to buy next, rather than what looks pretty in the shop.",
        picture: "gap",
        at: "Supplies",
      },
      {
        term: "Blender",
        says: "A marker without colour. It pushes ink back, lifts a highlight, cleans an edge.",
        matters: "On dry ink, about five minutes after. It is a poor tool for making blends.",
        at: "Finish",
      },
      {
        term: "Pad and swab",
        says: "A pad or swab with refill ink, for what is large or soft.",
        matters: "Large flats (it spares the nib) and soft textured hair.",
        at: "Desk",
      },
      {
        term: "Burnished",
        says: "Pencil pressed so that nothing of the paper shows through.",
        matters: "Nothing goes over it well: many thin layers come first.",
        at: "Colour, Pencil",
      },
      {
        term: "Mark",
        says: "What is set at a spot rather than over an area: a spark, a stroke, a single hair, a soft dab.",
        matters:
          "Last of all, on dry ink and dry pencil. Eyes, lips, nose tip, metal, glass; never as hair's highlight.",
        picture: "marks",
        at: "Light, Marks",
      },
    ],
  },
  {
    about: "Looking at it",
    terms: [
      {
        term: "Tone map",
        says: "Where each tone of each area goes, as patterns and numbers.",
        matters: "To print and lay beside the sheet, or to follow on the screen.",
        picture: "tone map",
        at: "Light, Tones",
      },
      {
        term: "Value",
        says: "How light or dark something is, whatever its colour.",
        matters:
          "Look at the picture in greys: what is not to be told apart there is told apart by hue alone.",
        picture: "values",
        at: "Check",
      },
      {
        term: "ΔE00",
        says: "How different two colours look, as one number.",
        matters: "Under 1 they are the same to the eye, to 2 very close, to 4 close, to 8 visibly different.",
        at: "everywhere",
      },
      {
        term: "Kept group",
        says: "A group that went well, kept by its subject with its result on each paper.",
        matters: "“Which combination was that?” is the most common loss of the craft.",
        at: "Groups",
      },
      {
        term: "Variant",
        says: "The same drawing in other colours.",
        matters: "Three skins, two hours of the day, a series of cards.",
        at: "Bench",
      },
      {
        term: "Margin",
        says: "A narrow rim of white that stays when a piece is cut out.",
        matters: "With one, stay inside the line; without, colour a little past it. Cut away from the hand.",
        picture: "margin",
        at: "Set up, Sheet",
      },
    ],
  },
];
