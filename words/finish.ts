import type { Material } from "@/core/group/material";
import type { Kind } from "@/core/stock/kinds";

/** What each kind of finisher is for, and when. */
export const finisherInWords: Readonly<Partial<Record<Kind, string>>> = {
  "gel pen": "sparks in eyes, lips, nose tip, metal and glass; last, on dry ink and dry pencil",
  gouache: "larger opaque lights; last, on dry ink; not over wax, which it slides off",
  "paint marker": "single hairs and glints; last, on dry ink",
  liner: "selected dark lines for contrast, where shapes need them",
  blender:
    "lifts a lost highlight, cleans an edge: on dry ink, about five minutes after; a poor tool for making blends",
};

/** What finishers should not do to a material. */
export const notOn: Readonly<Partial<Record<Material, string>>> = {
  hair: "Do not paint the highlight band of hair white: leave it as paper, or lift it with the blender.",
  black: "Do not paint lights into black hair or cloth: leave them as paper.",
  fur: "Single pale hairs may be drawn with a paint marker; do not outline the fur.",
  skin: "White sparks on the nose tip and the lips only; softer lights with white pencil.",
};
