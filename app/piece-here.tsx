import type { ReactNode } from "react";
import { judgedOf } from "@/app/judged-groups";
import { keptOf } from "@/app/kept-colouring";
import { currentStudio, loadPiece } from "@/app/studio-view";
import { WorkersEarly } from "@/ui/jobs/workers-early";
import { KeptPictureProvider } from "@/ui/piece/kept-picture";
import { PieceProvider } from "@/ui/piece/piece-context";

/** The piece at hand for all that stands in it: its document with undo and saving, what is known of its groups, and its picture. */
export async function PieceHere({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const { piece, at } = await loadPiece(id);
  const studio = await currentStudio();
  const [judged, kept] = await Promise.all([judgedOf(piece.document, at), keptOf(studio, piece.id)]);
  return (
    <PieceProvider
      key={piece.id}
      id={piece.id}
      revision={piece.revision}
      document={piece.document}
      savedBy={piece.savedBy}
      judged={judged}
    >
      <WorkersEarly />
      <KeptPictureProvider kept={kept}>{children}</KeptPictureProvider>
    </PieceProvider>
  );
}
