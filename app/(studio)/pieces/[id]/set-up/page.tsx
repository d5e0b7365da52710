import { loadPiece, titleOf, type PieceParams } from "@/app/studio-view";
import { SetUpView } from "@/ui/set-up/set-up-view";

export const generateMetadata = titleOf("Set up");

export default async function SetUpPage({ params }: PieceParams) {
  const { papers } = await loadPiece((await params).id);
  return <SetUpView papers={papers} />;
}
