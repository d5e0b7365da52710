import type { ReactNode } from "react";
import { PieceHere } from "@/app/piece-here";
import { loadPiece } from "@/app/studio-view";
import { MarkerShell } from "@/ui/marker-shell";

/** What is the same on all pages of a piece: its rack, and the piece itself. */
export default async function PieceLayout({
  params,
  children,
}: {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}) {
  const { piece, at } = await loadPiece((await params).id);
  return (
    <MarkerShell at={at}>
      <PieceHere id={piece.id}>{children}</PieceHere>
    </MarkerShell>
  );
}
