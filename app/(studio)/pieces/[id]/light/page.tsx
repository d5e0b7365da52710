import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { LightPlace } from "@/ui/light/light-view";

export const generateMetadata = titleOf("Light");

export default async function LightPage({ params }: PieceParams) {
  const { papers } = await loadPiece((await params).id);
  return <LightPlace papers={papers} />;
}
