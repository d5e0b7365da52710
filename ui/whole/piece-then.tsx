"use client";
import { useMemo, useState } from "react";
import { applyCommand } from "@/core/piece/commands";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { PiecePicture } from "@/ui/light/piece-picture";
import { pictureUrl } from "@/ui/send";
import type { AcceptGroups } from "./changes";

/** Of the drawing as it came, px. */
const WIDTH = 640;

/** The picture of a piece: as it is, and with what is proposed wiped over it. */
export function PieceThen({
  piece,
  rack,
  proposal,
  pointed,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly proposal: AcceptGroups | undefined;
  /** Areas that are spoken of elsewhere, shown by their numbers. */
  readonly pointed: readonly string[];
}) {
  const [wipe, setWipe] = useState(1);
  const then = useMemo(() => proposal && applyCommand(piece, proposal), [piece, proposal]);
  return (
    <div>
      <div className="relative">
        <PiecePicture
          piece={piece}
          rack={rack}
          className="w-full"
          instead={
            piece.setUp.line && (
              // Before anything is planned, and until what is planned is drawn: the drawing as it came.
              <img
                src={`${pictureUrl(piece.setUp.line.pictureId)}?width=${WIDTH}`}
                alt={`The drawing of ${piece.name}`}
                className="block h-auto w-full"
              />
            )
          }
        />
        {then && (
          <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 * (1 - wipe)}% 0 0)` }}>
            <PiecePicture
              piece={then}
              rack={rack}
              className="w-full"
              instead={
                <p className="m-0 bg-panel p-2 text-[14px]" role="status">
                  Drawing what is proposed…
                </p>
              }
            />
          </div>
        )}
        {piece.areas.map((area, i) =>
          pointed.includes(area.id)
            ? area.place?.at.slice(0, 8).map(([x, y], n) => (
                <span
                  key={`${area.id} ${n}`}
                  aria-hidden
                  className="pointer-events-none absolute grid size-7 -translate-1/2 place-items-center rounded-full border-2 border-white bg-black text-[14px] font-bold text-white"
                  style={{ left: `${100 * x}%`, top: `${100 * y}%` }}
                >
                  {i + 1}
                </span>
              ))
            : null,
        )}
      </div>
      {then && (
        <label className="mt-1 flex items-center gap-2 text-[14px] text-soft">
          as it is
          <input
            type="range"
            aria-label="Wipe between the piece as it is and with the proposal"
            className="min-h-8 min-w-0 flex-1 accent-current"
            min={0}
            max={1}
            step={0.01}
            value={wipe}
            onChange={(e) => setWipe(Number(e.target.value))}
          />
          with the proposal
        </label>
      )}
    </div>
  );
}
