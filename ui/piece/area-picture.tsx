"use client";
import { useMemo, type ReactNode } from "react";
import type { Piece } from "@/core/piece/piece";
import { DrawingPane } from "@/ui/set-up/drawing-pane";
import { useDrawing } from "@/ui/set-up/use-drawing";
import { usePictures } from "@/ui/set-up/use-pictures";

const NOT_PASSING = {};
const NO_CUTS: readonly never[] = [];
const nothing = () => undefined;

/** A picture of a piece in which areas are chosen by a click: its line with numbers, over what it is filled with. */
export function AreaPicture({
  piece,
  chosen,
  onChoose,
  lined,
  numbered,
  toolbar,
  instead,
  children,
}: {
  readonly piece: Piece;
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
  /** What fills it has no line of its own. */
  readonly lined: boolean;
  readonly numbered: boolean;
  readonly toolbar: ReactNode;
  /** Stands there until the line and its areas are found. */
  readonly instead: ReactNode;
  /** What the drawing is filled with. */
  readonly children?: ReactNode;
}) {
  const lineId = piece.setUp.line?.pictureId;
  const pictures = usePictures(lineId ? [lineId] : []);
  const { output } = useDrawing(piece, lineId ? pictures.known.get(lineId) : undefined, NOT_PASSING);
  const names = useMemo(
    () => new Map(piece.areas.map((a, i) => [a.id, { number: i + 1, name: a.name, white: a.white }])),
    [piece.areas],
  );
  const keys = useMemo(() => new Set(chosen ? [chosen] : []), [chosen]);
  if (!output)
    return (
      <>
        <div className="flex flex-wrap gap-1 pb-2">{toolbar}</div>
        {instead}
      </>
    );
  return (
    <DrawingPane
      output={output}
      names={names}
      chosen={keys}
      tool="pick"
      draft={NO_CUTS}
      next={0}
      cuts={NO_CUTS}
      onPoint={(_, owner) => owner && names.has(owner) && onChoose(owner)}
      onEnd={nothing}
      onBack={nothing}
      showAreas={false}
      numbered={numbered}
      lined={lined}
      toolbar={toolbar}
      says="Click an area to plan it."
      under={children ? () => <div className="absolute inset-0 overflow-hidden">{children}</div> : undefined}
    />
  );
}
