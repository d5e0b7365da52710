import type { Shown } from "@/core/piece/shown";

/** What a link shows, as its maker ticks it. */
export const shownInWords: Readonly<Record<Shown, { readonly name: string; readonly says: string }>> = {
  picture: { name: "Picture", says: "the piece as it will look" },
  combinations: { name: "Combinations", says: "each area with its markers, light to dark" },
  steps: { name: "Steps", says: "every pass in its order, with the line drawing" },
  supplies: { name: "Supplies", says: "what to lay ready, against the reader’s own rack" },
  notes: { name: "Notes", says: "what you wrote down about areas" },
  photos: { name: "Reference", says: "the photo that it is coloured after" },
};
