import { Link } from "@/ui/kit/link";
import { headers } from "next/headers";
import { MarkerShell } from "@/ui/marker-shell";
import { NewPiece } from "@/ui/bench/new-piece";
import { PieceCard } from "@/ui/bench/piece-card";
import { findPictures } from "@/store/pictures";
import { listPieces } from "@/store/pieces";
import { stripsOf } from "@/app/judged-groups";
import { localeFrom } from "@/app/locale";
import { currentStudio, loadRack, rackToDraw } from "@/app/studio-view";

/** Pieces that come with the colours of their groups; the browser works out those further down. */
const IN_SIGHT = 4;

export const metadata = { title: "Bench" };

export default async function BenchPage() {
  const studio = await currentStudio();
  const [{ papers, paper, at }, pieces, asked] = await Promise.all([
    loadRack(null),
    listPieces(studio),
    headers(),
  ]);
  const pictures = await findPictures(studio, [
    ...new Set(pieces.flatMap(({ document: d }) => d.pictureId ?? d.setUp.line?.pictureId ?? [])),
  ]);
  const onOf = (id: string | null) => papers.find((p) => p.id === id) ?? paper;
  const used = [...new Set(pieces.map((p) => onOf(p.document.paperId).id))];
  const racks = new Map(await Promise.all(used.map(async (id) => [id, await rackToDraw(id)] as const)));
  const strips = await Promise.all(
    pieces.slice(0, IN_SIGHT).map((p) => stripsOf(p.document, racks.get(onOf(p.document.paperId).id)!)),
  );
  const day = new Intl.DateTimeFormat(localeFrom(asked.get("accept-language")), {
    dateStyle: "medium",
  });
  return (
    <MarkerShell at={at}>
      <main id="main" className="mx-auto max-w-[1320px] px-4 py-5">
        <div className="mb-4 flex items-center justify-between gap-4">
          <h1 className="m-0 text-[26px]">
            Bench <span className="ml-2 text-[16px] font-normal text-soft">{studio.name}</span>
          </h1>
          <NewPiece papers={papers} />
        </div>
        {pieces.length === 0 && (
          <div className="grid max-w-[60ch] gap-3 text-[17px]">
            <p className="m-0">
              The bench is clear. Begin a piece: give it a name, choose its paper, and bring the picture whose
              colours you want.
            </p>
            <p className="m-0">
              <Link className="button" href="/begin">
                From your markers to a first plan
              </Link>
            </p>
          </div>
        )}
        <div className="grid gap-4">
          {pieces.map((p, i) => {
            const shown = p.document.pictureId ?? p.document.setUp.line?.pictureId;
            const on = onOf(p.document.paperId);
            return (
              <PieceCard
                key={p.id}
                id={p.id}
                piece={p.document}
                picture={pictures.find((f) => f.id === shown)}
                first={i === 0}
                paper={on.name}
                changed={day.format(p.changedAt)}
                at={racks.get(on.id)!}
                strips={strips[i]}
              />
            );
          })}
        </div>
      </main>
    </MarkerShell>
  );
}
