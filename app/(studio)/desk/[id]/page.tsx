import { PieceHere } from "@/app/piece-here";
import { currentStudio, loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { workEventsOf } from "@/store/work-events";
import { DeskFrame } from "@/ui/desk/desk-frame";
import { DeskPlace } from "@/ui/desk/desk-view";

export const generateMetadata = titleOf("At the desk");

/** The desk of a piece: nothing around it but the work. */
export default async function DeskPage({ params }: PieceParams) {
  const { piece, at } = await loadPiece((await params).id);
  const events = await workEventsOf(await currentStudio(), piece.id);
  return (
    <DeskFrame at={at}>
      <PieceHere id={piece.id}>
        <DeskPlace events={events} />
      </PieceHere>
    </DeskFrame>
  );
}
