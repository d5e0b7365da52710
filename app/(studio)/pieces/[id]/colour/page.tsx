import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { ColourPlace } from "@/ui/piece/colour-view";

export const generateMetadata = titleOf("Colour");

export default async function ColourPage({ params }: PieceParams) {
  const { papers, picture } = await loadPiece((await params).id);
  return <ColourPlace papers={papers} picture={picture} />;
}
