import type { Metadata } from "next";
import { judgedOf } from "@/app/judged-groups";
import { loadPiece } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";
import { PieceProvider } from "@/ui/piece/piece-context";
import { WholePlace } from "@/ui/whole/whole-view";

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${(await loadPiece((await params).id)).piece.document.name}: all areas` };
}

export default async function WholePage({ params }: Props) {
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
        <WholePlace papers={papers} />
      </PieceProvider>
    </MarkerShell>
  );
}
