import type { Kind } from "@/core/stock/kinds";
import type { Rack } from "@/store/rack";

const OPAQUE: ReadonlySet<Kind> = new Set<Kind>(["gel pen", "gouache", "paint marker"]);

/** Opaque things that are owned and were read: what may hide a place. */
export const opaqueOnRack = ({ others }: Pick<Rack, "others">) =>
  others.flatMap(({ code, kind, owned, state, swatches: [swatch] = [] }) =>
    OPAQUE.has(kind) && owned && state !== "dry" && swatch
      ? [{ code, color: swatch.hex ?? { lab: swatch.lab } }]
      : [],
  );
