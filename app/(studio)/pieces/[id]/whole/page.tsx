import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { WholePlace } from "@/ui/whole/whole-view";

export const generateMetadata = titleOf("all areas");

export default async function WholePage({ params }: PieceParams) {
  const { papers } = await loadPiece((await params).id);
  return <WholePlace papers={papers} />;
}
