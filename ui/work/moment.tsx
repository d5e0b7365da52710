"use client";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { SMALL, useColouring, useLight } from "@/ui/light/use-colouring";
import { StillPicture, useKeptPicture } from "@/ui/piece/kept-picture";
import { usePictures } from "@/ui/set-up/use-pictures";

/** The piece as it looks once so many passes of each area lie. */
export function Moment({
  piece,
  rack,
  laid,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  /** By area; undefined once all of them lie. */
  readonly laid: ReadonlyMap<string, number> | undefined;
}) {
  const line = piece.setUp.line!;
  const mixed = piece.light.fromReference > 0 && piece.pictureId ? [piece.pictureId] : [];
  const pictures = usePictures([...new Set([line.pictureId, ...mixed])]);
  const light = useLight(piece, pictures.known.get(line.pictureId), pictures.known, SMALL);
  const kept = useKeptPicture();
  const { coloured } = useColouring(piece, rack, laid ? light.lit : undefined, {
    onLost: light.again,
    ...(laid && { upTo: (area) => laid.get(area.id) ?? 0 }),
  });
  const label = laid ? `${piece.name} at this moment` : `${piece.name} as it will look`;
  if (laid && coloured)
    return (
      <div className="relative w-full" style={{ aspectRatio: `${coloured.width} / ${coloured.height}` }}>
        <PixelCanvas pixels={coloured} label={label} testId="moment" />
      </div>
    );
  return kept ? (
    <StillPicture
      kept={kept}
      label={label}
      className="h-auto w-full"
      sizes="(min-width: 1000px) 330px, 100vw"
    />
  ) : null;
}
