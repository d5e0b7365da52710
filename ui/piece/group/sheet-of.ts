import type { Rack } from "@/store/rack";

/** How the rack's paper behaves while it is coloured, as far as that is known. */
export const sheetOf = ({ paper: { openTime, bleed, capacity } }: Rack) => ({
  capacity,
  ...(openTime && { openTime }),
  ...(bleed !== null && { bleed }),
});
