import { readAs } from "@/border/read-as";
import { BadInput } from "@/border/problem";
import { LogSearchInput } from "@/border/log-search";
import { addressOf } from "@/app/kept-colouring";
import { currentStudio, loadRack } from "@/app/studio-view";
import { benchOf } from "@/store/bench";
import { searchLog } from "@/store/log";
import { LogPlace } from "@/ui/log/log-view";
import { MarkerShell } from "@/ui/marker-shell";

export const metadata = { title: "Log" };

type Asked = Readonly<Record<string, string | string[] | undefined>>;

/** Pieces that may be chosen from. */
const MOST_PIECES = 200;

/** What an address asks of the log; what it says wrongly is left out of it and told. */
function searchOf(asked: Asked): { readonly wish: LogSearchInput; readonly trouble: string | undefined } {
  const one = (name: string) => (typeof asked[name] === "string" && asked[name] ? asked[name] : undefined);
  const moment = (name: string) => {
    const text = one(name);
    return text === undefined ? undefined : Number(text);
  };
  const given = {
    words: one("words"),
    codes: one("codes")?.split(",").filter(Boolean),
    kind: one("kind"),
    piece: one("piece"),
    from: moment("from"),
    until: moment("until"),
  };
  const said = Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined));
  try {
    return { wish: readAs(LogSearchInput, said), trouble: undefined };
  } catch (e) {
    if (!(e instanceof BadInput)) throw e;
    return { wish: new LogSearchInput(), trouble: e.message };
  }
}

export default async function LogPage({ searchParams }: { readonly searchParams: Promise<Asked> }) {
  const studio = await currentStudio();
  const asked = await searchParams;
  const { wish, trouble } = searchOf(asked);
  const [{ at }, found, bench] = await Promise.all([
    loadRack(null),
    searchLog(studio, wish),
    benchOf(studio, { words: "", order: "changed", filter: "all", from: 0, most: MOST_PIECES }),
  ]);
  const { events, planned, before, pictures } = found;
  return (
    <MarkerShell at={at}>
      <LogPlace
        events={events}
        planned={planned}
        before={before}
        trouble={trouble}
        pieces={bench.pieces.map(({ id, name }) => ({ id, name }))}
        pictures={Object.fromEntries(
          pictures.map((p) => [
            p.pieceId,
            { src: addressOf(`/api/pieces/${p.pieceId}/colouring`, p), width: p.width, height: p.height },
          ]),
        )}
      />
    </MarkerShell>
  );
}
