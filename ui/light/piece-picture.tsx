"use client";
import { toneMapQuestion } from "@/compute/piece-questions";
import { useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { usePictures } from "@/ui/set-up/use-pictures";
import { usePiece } from "@/ui/piece/piece-context";
import { StillPicture, useKeepPicture, useKeptNow, useKeptPicture } from "@/ui/piece/kept-picture";
import { tintOf } from "./tints";
import { ToneLayer } from "./tone-layer";
import { SMALL, useColouring, useLight, type Closeness } from "./use-colouring";

interface PiecePictureProps {
  readonly piece: Piece;
  readonly rack: Rack;
  /** The colouring, or the tone map in the colours of `groupOf`. */
  readonly look?: "colouring" | "tones";
  readonly groupOf?: (id: string) => GroupOutput | undefined;
  readonly closeness?: Closeness;
  /** The only area that is coloured. */
  readonly alone?: string | undefined;
  readonly className?: string;
  /** What stands there until the picture is drawn where none is kept, and where there is no line or nothing is coloured yet. */
  readonly instead?: ReactNode;
  /** How wide it is seen, as in `sizes` of a picture. */
  readonly sizes?: string;
}

const NO_GROUPS = () => undefined;

/** Whether a piece can be shown as ink: its line is there, and something is planned in its place. */
export const canBeShown = (piece: Piece): boolean =>
  piece.setUp.line !== null && piece.areas.some((a) => a.place && a.layers.length > 0);

/** How long a picture must be in view before it is drawn, ms: who only passes by needs none. */
const LINGERS = 500;

/** The picture of a piece: as it will look, always of its present plan; drawn once it has been in view for a moment. */
export function PiecePicture(props: PiecePictureProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  const can = canBeShown(props.piece);
  const usesOwn = usePiece() === props.piece;
  const isNow = useKeptNow(props.piece, props.rack) !== undefined;
  useEffect(() => {
    if (seen || isNow || !can || !frame.current) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const watch = new IntersectionObserver(([entry]) => {
      clearTimeout(timer);
      if (entry?.isIntersecting) timer = setTimeout(() => setSeen(true), LINGERS);
    });
    watch.observe(frame.current);
    return () => {
      clearTimeout(timer);
      watch.disconnect();
    };
  }, [seen, can, isNow]);
  const kept = useKeptPicture();
  if (!can) return <>{props.instead}</>;
  // What was drawn the last time is seen at once; it is one picture with the tone map only where that is asked for.
  // What is kept is the piece's own picture, and none of what is only proposed.
  const still =
    kept && usesOwn && props.look !== "tones" && !props.alone ? (
      <StillPicture
        kept={kept}
        label={`${props.piece.name} as it will look`}
        className={`h-auto w-full ${props.className ?? ""}`}
        sizes={props.sizes ?? "(min-width: 1000px) 40vw, 100vw"}
      />
    ) : undefined;
  const instead = still ?? props.instead;
  // What is kept of the present plan is what would be drawn.
  if (still && isNow) return still;
  return (
    <div ref={frame}>
      {seen ? <Shown {...props} instead={instead} /> : (instead ?? <div className="min-h-8" />)}
    </div>
  );
}

function Shown({
  piece,
  rack,
  look = "colouring",
  groupOf = NO_GROUPS,
  closeness = SMALL,
  alone,
  className = "",
  instead,
}: PiecePictureProps) {
  const ids = [
    piece.setUp.line!.pictureId,
    ...(piece.light.fromReference > 0 && piece.pictureId ? [piece.pictureId] : []),
  ];
  const pictures = usePictures([...new Set(ids)]);
  const light = useLight(piece, pictures.known.get(ids[0]!), pictures.known, closeness);
  const { coloured, busy } = useColouring(piece, rack, look === "colouring" ? light.lit : undefined, {
    alone,
    onLost: light.again,
  });
  // What is only proposed is not the piece's picture.
  const isOwn = usePiece() === piece;
  useKeepPicture(
    rack,
    isOwn && look === "colouring" && !alone && light.exact && !busy ? coloured : undefined,
  );
  const field = light.lit?.output.field;
  const map = useCompute("toneMap", field && look === "tones" ? { field, ...toneMapQuestion(piece) } : null);
  const tint = useMemo(() => tintOf(piece, groupOf), [piece, groupOf]);
  const size = coloured ?? light.lit?.output.values;
  const ready = look === "colouring" ? coloured : map.output;
  if (!size || !ready) return <>{instead}</>;
  return (
    <div className={`relative ${className}`} style={{ aspectRatio: `${size.width} / ${size.height}` }}>
      {look === "colouring" && coloured && (
        <PixelCanvas pixels={coloured} label={`${piece.name} as it will look`} testId="piece-picture" />
      )}
      {look === "tones" && map.output && <ToneLayer map={map.output} tint={tint} />}
    </div>
  );
}
