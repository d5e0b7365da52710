import type { Piece } from "@/core/piece/piece";

/** A tone of a kept group that uses a marker. */
export interface Use {
  readonly piece: string;
  readonly pieceId: string;
  readonly area: string;
  readonly coats: number;
}

/** Kept groups of all pieces that use a marker. */
export function usesOf(
  code: string,
  pieces: readonly { readonly id: string; readonly document: Piece }[],
): Use[] {
  return pieces.flatMap(({ id, document }) =>
    document.areas.flatMap((area) =>
      (area.group?.tones ?? [])
        .filter((t) => t.code === code)
        .map((t) => ({ piece: document.name, pieceId: id, area: area.name, coats: t.coats })),
    ),
  );
}
