import { currentStudio, loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { recordOf } from "@/core/work/record";
import { workEventsOf } from "@/store/work-events";
import { StepsPlace } from "@/ui/piece/steps-view";

export const generateMetadata = titleOf("Steps");

export default async function StepsPage({ params }: PieceParams) {
  const { papers, piece } = await loadPiece((await params).id);
  const { done } = recordOf(await workEventsOf(await currentStudio(), piece.id));
  return <StepsPlace papers={papers} laid={done.size} />;
}
