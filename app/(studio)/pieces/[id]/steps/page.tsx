import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { StepsPlace } from "@/ui/piece/steps-view";

export const generateMetadata = titleOf("Steps");

export default async function StepsPage({ params }: PieceParams) {
  const { papers } = await loadPiece((await params).id);
  return <StepsPlace papers={papers} />;
}
