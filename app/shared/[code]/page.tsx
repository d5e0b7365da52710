import { notFound } from "next/navigation";
import { loadShared } from "@/app/shared-piece";
import { SharedView } from "@/ui/piece/shared-view";

export const metadata = { title: "A shared piece", robots: { index: false, follow: false } };

interface Props {
  params: Promise<{ code: string }>;
}

/** One piece, for whoever has its link. */
export default async function SharedPage({ params }: Props) {
  const { code } = await params;
  const shared = await loadShared(code);
  if (!shared) notFound();
  return (
    <>
      <meta name="blendt-share" content={code} />
      <SharedView studio={shared.studio.name} piece={shared.piece} rack={shared.rack} kept={shared.kept} />
    </>
  );
}
