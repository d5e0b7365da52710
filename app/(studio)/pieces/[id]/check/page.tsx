import { currentStudio, loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { workEventsOf } from "@/store/work-events";
import { CheckPlace } from "@/ui/check/check-view";

export const generateMetadata = titleOf("Check");

export default async function CheckPage({ params }: PieceParams) {
  const { papers, piece } = await loadPiece((await params).id);
  const events = await workEventsOf(await currentStudio(), piece.id);
  return <CheckPlace papers={papers} events={events} />;
}
