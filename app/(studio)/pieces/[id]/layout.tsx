import type { ReactNode } from "react";
import { judgedOf } from "@/app/judged-groups";
import { keptOf } from "@/app/kept-colouring";
import { currentStudio, loadPiece } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";
import { KeptPictureProvider } from "@/ui/piece/kept-picture";
import { PieceProvider } from "@/ui/piece/piece-context";

/** What is the same on all pages of a piece: its rack, its document with undo and saving, what is known of its groups, and its picture. */
export default async function PieceLayout({
  params,
  children,
}: {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}) {
  const { piece, at } = await loadPiece((await params).id);
  const studio = await currentStudio();
  const [judged, kept] = await Promise.all([judgedOf(piece.document, at), keptOf(studio, piece.id)]);
  return (
    <MarkerShell at={at}>
      <PieceProvider
        key={piece.id}
        id={piece.id}
        revision={piece.revision}
        document={piece.document}
        savedBy={piece.savedBy}
        judged={judged}
      >
        <KeptPictureProvider kept={kept}>{children}</KeptPictureProvider>
      </PieceProvider>
    </MarkerShell>
  );
}
