import { rampsOf } from "@/app/judged-groups";
import { keptOf } from "@/app/kept-colouring";
import { currentStudio, loadPiece, rackToDraw, titleOf, type PieceParams } from "@/app/studio-view";
import { drawingChanges } from "@/core/piece/variants";
import { variantsOf } from "@/store/pieces";
import { VariantsPlace } from "@/ui/variants/variants-view";

export const generateMetadata = titleOf("variants");

export default async function VariantsPage({ params }: PieceParams) {
  const { papers, paper, piece } = await loadPiece((await params).id);
  const studio = await currentStudio();
  const lineId = piece.document.setUp.line?.pictureId;
  const found = lineId ? await variantsOf(studio, piece.id, lineId) : [];
  const others = await Promise.all(
    found.map(async (v) => {
      const own = papers.find((p) => p.id === v.document.paperId) ?? paper;
      const ramps = await rampsOf(v, await rackToDraw(own.id));
      return {
        id: v.id,
        name: v.document.name,
        paper: own.name,
        piece: {
          areas: v.document.areas,
          whole: v.document.whole,
          setUp: { touches: v.document.setUp.touches },
        },
        paperId: own.id,
        drawing: drawingChanges(v.document, piece.document),
        picture: await keptOf(studio, v.id),
        ramps: Object.fromEntries(ramps.map((r) => [r.id, r.colours])),
      };
    }),
  );
  return <VariantsPlace papers={papers} others={others} />;
}
