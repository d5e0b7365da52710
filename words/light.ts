import type { FormKind } from "@/core/light/form";
import type { Lamp } from "@/core/light/light";
import type { FormReason } from "@/core/light/propose-form";

const SIDES = [
  "from above",
  "from the upper right",
  "from the right",
  "from the lower right",
  "from below",
  "from the lower left",
  "from the left",
  "from the upper left",
] as const;

/** Where a light stands, as people say it. */
export function lampInWords({ from, height, behind }: Pick<Lamp, "from" | "height" | "behind">): string {
  if (height > 78) return behind ? "straight from behind" : "straight from the front";
  const side = SIDES[Math.round(from / 45) % 8]!;
  const level =
    height < 20 ? ", raking" : height > 55 ? (behind ? ", well behind" : ", nearly from the front") : "";
  return `${behind ? "from behind, " : ""}${side}${level}`;
}

export const FORM_WORDS: Readonly<Record<FormKind, { readonly name: string; readonly suits: string }>> = {
  ball: { name: "Ball", suits: "faces, fruit, sleeves, petals" },
  tube: { name: "Tube", suits: "arms, trunks, masts, folds that run one way" },
  flat: { name: "Flat", suits: "walls, windows, paper; only shade falls on it" },
  folded: { name: "Folded", suits: "cloth: draw its valleys" },
  like: { name: "Like its neighbour", suits: "goes on as one form with another area" },
};

/** Why a form is proposed. */
export const FORM_REASONS: Readonly<Record<FormReason, string>> = {
  material: "by what it is made of",
  name: "by its name",
  background: "it runs out to the picture’s edge: a background",
  slender: "it is long and narrow",
  square: "its sides are straight, like a board",
  round: "nothing speaks for another form",
};
