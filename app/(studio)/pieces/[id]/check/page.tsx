import type { Metadata } from "next";
import { judgedOf } from "@/app/judged-groups";
import { loadPiece } from "@/app/studio-view";
import { CheckPlace } from "@/ui/check/check-view";
import { MarkerShell } from "@/ui/marker-shell";
import { PieceProvider } from "@/ui/piece/piece-context";

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${(await loadPiece((await params).id)).piece.document.name}: Check` };
}

export default async function CheckPage({ params }: Props) {
  const { piece, papers, at } = await loadPiece((await params).id);
  const judged = await judgedOf(piece.document, at);
  return (
    <MarkerShell at={at}>
      <PieceProvider
        key={piece.id}
        id={piece.id}
        revision={piece.revision}
        document={piece.document}
        savedBy={piece.savedBy}
        judged={judged}
      >
        <CheckPlace papers={papers} />
      </PieceProvider>
    </MarkerShell>
  );
}
