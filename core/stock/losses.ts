import type { MediumName } from "@/core/media/layer";
import { codesOf } from "@/core/media/registry";
import type { Piece } from "@/core/piece/piece";

/** A layer of an area that takes something in hand. */
export interface Use {
  readonly piece: string;
  readonly pieceId: string;
  readonly area: string;
  readonly areaId: string;
  readonly medium: MediumName | "underlay of the whole";
  /** Coats of a tone or a shadow; 1 for what has none. */
  readonly coats: number;
}

type Pieces = readonly { readonly id: string; readonly document: Piece }[];

/** Where everything that pieces take in hand is used, by code. */
export function usesByCode(pieces: Pieces): Map<string, Use[]> {
  const out = new Map<string, Use[]>();
  const add = (code: string, use: Use) => {
    const there = out.get(code);
    if (there) there.push(use);
    else out.set(code, [use]);
  };
  for (const { id: pieceId, document } of pieces) {
    const piece = document.name;
    for (const code of document.whole.underlay)
      add(code, { piece, pieceId, area: "", areaId: "", medium: "underlay of the whole", coats: 1 });
    for (const { name: area, id: areaId, layers } of document.areas)
      for (const layer of layers)
        for (const code of codesOf([layer]))
          add(code, {
            piece,
            pieceId,
            area,
            areaId,
            medium: layer.medium,
            coats: "coats" in layer ? layer.coats : 1,
          });
  }
  return out;
}
