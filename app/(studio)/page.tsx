import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { rampsOf } from "@/app/judged-groups";
import { localeFrom } from "@/app/locale";
import { pictureOnBench } from "@/app/kept-colouring";
import { currentStudio, loadRack, rackToDraw } from "@/app/studio-view";
import { BENCH_PAGE, BenchInput } from "@/border/bench";
import { BadInput } from "@/border/problem";
import { readAs } from "@/border/read-as";
import { benchOf } from "@/store/bench";
import { findPictures } from "@/store/pictures";
import { findPieces } from "@/store/pieces";
import { BenchTools, Pages } from "@/ui/bench/bench-tools";
import { NewPiece } from "@/ui/bench/new-piece";
import { PieceCard } from "@/ui/bench/piece-card";
import { Link } from "@/ui/kit/link";
import { MarkerShell } from "@/ui/marker-shell";
import { counted } from "@/words/numbers";

export const metadata = { title: "Bench" };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

/** What the address asks of the bench; one that asks for nothing that there is leads to the whole of it. */
function askedOf(query: object): BenchInput {
  try {
    return readAs(BenchInput, query);
  } catch (e) {
    if (e instanceof BadInput) redirect("/");
    throw e;
  }
}

export default async function BenchPage({ searchParams }: Props) {
  const studio = await currentStudio();
  const asked = askedOf(await searchParams);
  const page = Number(asked.page);
  const [{ papers, paper, at }, bench, sent] = await Promise.all([
    loadRack(null),
    benchOf(studio, {
      words: asked.find,
      order: asked.sort,
      filter: asked.show,
      from: (page - 1) * BENCH_PAGE,
      most: BENCH_PAGE,
    }),
    headers(),
  ]);
  const documents = new Map(
    (
      await findPieces(
        studio,
        bench.pieces.map((p) => p.id),
      )
    ).map((p) => [p.id, p]),
  );
  const shown = bench.pieces.flatMap((p) => {
    const stored = documents.get(p.id);
    return stored ? [{ ...p, document: stored.document, revision: stored.revision }] : [];
  });
  const stills = new Map(
    (
      await findPictures(studio, [
        ...new Set(shown.flatMap(({ document: d }) => d.pictureId ?? d.setUp.line?.pictureId ?? [])),
      ])
    ).map((f) => [f.id, f]),
  );
  const day = new Intl.DateTimeFormat(localeFrom(sent.get("accept-language")), { dateStyle: "medium" });
  const cards = await Promise.all(
    shown.map(async (p) => {
      const own = papers.find((o) => o.id === p.document.paperId) ?? paper;
      return {
        ...p,
        paper: own.name,
        changed: day.format(p.changedAt),
        ramps: await rampsOf(p, await rackToDraw(own.id)),
        picture: pictureOnBench(p, stills),
      };
    }),
  );
  return (
    <MarkerShell at={at}>
      <main id="main" className="mx-auto max-w-[1320px] px-4 py-5">
        <div className="mb-3 flex flex-wrap items-center justify-between gap-4">
          <h1 className="m-0 text-[26px]">
            Bench <span className="ml-2 text-[16px] font-normal text-soft">{studio.name}</span>
          </h1>
          <NewPiece papers={papers} />
        </div>
        {bench.all > 0 && <BenchTools asked={{ ...asked }} found={bench.found} />}
        {bench.all === 0 && (
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
        {bench.all > 0 && bench.found === 0 && (
          <p className="text-[17px]">
            None of {counted(bench.all, "piece")} is like this.{" "}
            <Link className="button" href="/">
              Show all
            </Link>
          </p>
        )}
        <div className="grid gap-4">
          {cards.map(({ document: _, changedAt: __, colouring: ___, revision: ____, ...card }, i) => (
            <PieceCard key={card.id} {...card} first={i === 0} />
          ))}
        </div>
        <Pages asked={{ ...asked }} found={bench.found} />
      </main>
    </MarkerShell>
  );
}
