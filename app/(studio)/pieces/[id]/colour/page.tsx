import type { Metadata } from "next";
import { loadPiece } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";
import { ColourView } from "@/ui/piece/colour-view";
import { PieceProvider } from "@/ui/piece/piece-context";

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${(await loadPiece((await params).id)).piece.document.name}: Colour` };
}

export default async function ColourPage({ params }: Props) {
  const { piece, papers, rack, picture } = await loadPiece((await params).id);
  return (
    <MarkerShell markers={rack.markers} paperId={rack.paper.id}>
      <PieceProvider key={piece.id} id={piece.id} revision={piece.revision} document={piece.document}>
        <ColourView papers={papers} rack={rack} picture={picture} />
      </PieceProvider>
    </MarkerShell>
  );
}
