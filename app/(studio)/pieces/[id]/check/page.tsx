import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { CheckPlace } from "@/ui/check/check-view";

export const generateMetadata = titleOf("Check");

export default async function CheckPage({ params }: PieceParams) {
  const { papers } = await loadPiece((await params).id);
  return <CheckPlace papers={papers} />;
}
