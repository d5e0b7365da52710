"use client";
import { SunDim } from "lucide-react";
import { useEffect } from "react";
import type { Piece } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { switchSurround } from "@/ui/surround";
import { KeptPictureProvider, type KeptPicture } from "./kept-picture";
import { PieceProvider } from "./piece-context";
import { Steps } from "./steps-view";

/** A piece as somebody sees it who has a link to it: to colour from, and to change nothing. */
export function SharedView({
  studio,
  piece,
  rack,
  kept,
}: {
  readonly studio: string;
  /** Its picture as it was last drawn. */
  readonly kept?: KeptPicture | undefined;
  readonly piece: Piece;
  readonly rack: Rack;
}) {
  useEffect(() => {
    document.documentElement.dataset.ready = "true";
  }, []);
  return (
    <>
      <header className="screen-only flex min-h-12 flex-wrap items-center gap-x-5 border-b border-line px-4">
        <span className="text-[22px] font-bold tracking-tight">Blendt</span>
        <span className="text-[19px] font-semibold">{piece.name}</span>
        <span className="text-[15px] text-soft">shown by {studio}, to look at</span>
        <button
          className="button-bare ml-auto"
          onClick={switchSurround}
          aria-label="Bright or dim surround"
          title="Bright or dim surround"
        >
          <SunDim size={20} aria-hidden />
        </button>
      </header>
      <PieceProvider id="shared" revision={1} document={piece} savedBy={null}>
        <KeptPictureProvider kept={kept}>
          <Steps piece={piece} rack={rack} />
        </KeptPictureProvider>
      </PieceProvider>
    </>
  );
}
