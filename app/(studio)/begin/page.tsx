import { currentStudio } from "@/app/studio-view";
import { listPapers } from "@/store/papers";
import { countPieces } from "@/store/pieces";
import { rackAt } from "@/store/rack-cache";
import { listRanges, thingsOf } from "@/store/rack";
import { BeginView } from "@/ui/begin/begin-view";
import { Shell } from "@/ui/shell";

export const metadata = { title: "Begin" };

/** The short way from an empty studio to a first plan; it says what is there already and what comes next. */
export default async function BeginPage() {
  const studio = await currentStudio();
  const [papers, ranges, things, pieces] = await Promise.all([
    listPapers(studio),
    listRanges(studio),
    thingsOf(studio),
    countPieces(studio),
  ]);
  const first = papers[0] && (await rackAt(studio, papers[0].id))?.rack;
  const markers = things.filter((t) => t.kind === "marker").map((t) => t.code);
  const read = (first?.markers ?? []).flatMap(({ code, swatches }) =>
    swatches[0] ? [{ code, lab: swatches[0].lab }] : [],
  );
  return (
    <Shell>
      <BeginView
        papers={papers}
        ranges={ranges.map(({ id, name }) => ({ id, name }))}
        markers={first ? first.markers.map((m) => m.code) : markers}
        read={read}
        pieces={pieces}
      />
    </Shell>
  );
}
