import type { Material } from "@/core/group/material";

/** Why a material is usually laid in its school. */
export const whyInWords: Readonly<Record<Material, string>> = {
  skin: "Skin is blended softly, and the lightest tone over all unifies it.",
  hair: "Flicks from root and tip keep the direction of growth, and the highlight across it stays paper.",
  fur: "The dark goes in while the base is wet, so tufts stay soft where they overlap.",
  "white cloth": "Most of it stays paper; pale layers on dry ones keep the folds crisp.",
  black: "Black is greys from dark to light; over-blending would close the lights.",
  cloth: "Folds are soft: flood, darken, blend back.",
  metal: "Metal wants hard lights: the middle first, with white left for the glint.",
  glass: "Very pale first, crisp second layers when dry.",
  leaf: "The dark sits in the fold of the leaf at once and is stepped back to the light.",
  fruit: "A round form: shadow early, then lighter tones pull it round.",
  wood: "The grain is laid into an even base.",
  "ground shadow": "Two or three flat tones over dry neighbours, last of all.",
  other: "The school with the most control.",
};
