import type { Metadata } from "next";
import { loadPiece } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";
import { PieceProvider } from "@/ui/piece/piece-context";
import { SetUpView } from "@/ui/set-up/set-up-view";

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${(await loadPiece((await params).id)).piece.document.name}: Set up` };
}

export default async function SetUpPage({ params }: Props) {
  const { piece, papers, at } = await loadPiece((await params).id);
  return (
    <MarkerShell at={at}>
      <PieceProvider
        key={piece.id}
        id={piece.id}
        revision={piece.revision}
        document={piece.document}
        savedBy={piece.savedBy}
      >
        <SetUpView papers={papers} />
      </PieceProvider>
    </MarkerShell>
  );
}
