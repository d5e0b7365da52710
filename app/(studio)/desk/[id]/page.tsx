import { judgedOf } from "@/app/judged-groups";
import { keptOf } from "@/app/kept-colouring";
import { currentStudio, loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { workEventsOf } from "@/store/work-events";
import { DeskFrame } from "@/ui/desk/desk-frame";
import { DeskPlace } from "@/ui/desk/desk-view";
import { KeptPictureProvider } from "@/ui/piece/kept-picture";
import { PieceProvider } from "@/ui/piece/piece-context";

export const generateMetadata = titleOf("At the desk");

/** The desk of a piece: nothing around it but the work. */
export default async function DeskPage({ params }: PieceParams) {
  const { piece, at } = await loadPiece((await params).id);
  const studio = await currentStudio();
  const [judged, kept, events] = await Promise.all([
    judgedOf(piece.document, at),
    keptOf(studio, piece.id),
    workEventsOf(studio, piece.id),
  ]);
  return (
    <DeskFrame at={at}>
      <PieceProvider
        key={piece.id}
        id={piece.id}
        revision={piece.revision}
        document={piece.document}
        savedBy={piece.savedBy}
        judged={judged}
      >
        <KeptPictureProvider kept={kept}>
          <DeskPlace events={events} />
        </KeptPictureProvider>
      </PieceProvider>
    </DeskFrame>
  );
}
