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
import { BenchTools, Pages } from "@/ui/bench/bench-tools";
import { NewPiece } from "@/ui/bench/new-piece";
import { PieceCard, type PieceCardProps } from "@/ui/bench/piece-card";
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
  const stills = new Map(
    (await findPictures(studio, [...new Set(bench.pieces.flatMap((p) => p.stillId ?? []))])).map((f) => [
      f.id,
      f,
    ]),
  );
  const day = new Intl.DateTimeFormat(localeFrom(sent.get("accept-language")), { dateStyle: "medium" });
  const cards: PieceCardProps[] = [];
  // One after the other: a document that must be read for its ramps may be a large one.
  for (const { revision, paperId, stillId, colouring, changedAt, ...p } of bench.pieces) {
    const own = papers.find((o) => o.id === paperId) ?? paper;
    cards.push({
      ...p,
      paper: own.name,
      changed: day.format(changedAt),
      ramps: await rampsOf({ id: p.id, revision }, await rackToDraw(own.id)),
      picture: pictureOnBench({ id: p.id, colouring, stillId }, stills),
    });
  }
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
          {cards.map((card, i) => (
            <PieceCard key={card.id} {...card} first={i === 0} />
          ))}
        </div>
        <Pages asked={{ ...asked }} found={bench.found} />
      </main>
    </MarkerShell>
  );
}
