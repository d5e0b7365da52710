"use client";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import { diaryOf, type LogEvent } from "@/core/log/diary";
import type { PlannedUse } from "@/store/log";
import type { Rack } from "@/store/rack";
import { Link } from "@/ui/kit/link";
import { Picture } from "@/ui/kit/picture";
import { useTitlePart } from "@/ui/kit/use-title-part";
import { withRack } from "@/ui/rack-here";
import { useMayChange } from "@/ui/studio/studio-context";
import { useQuery } from "@/ui/use-query";
import { counted } from "@/words/numbers";
import { Line } from "./diary-line";
import { EnterLine } from "./enter-line";
import { LogSearch } from "./log-search";
import { useZone } from "./use-zone";

interface PieceName {
  readonly id: string;
  readonly name: string;
}

interface Props {
  readonly events: readonly LogEvent[];
  readonly planned: readonly PlannedUse[];
  readonly before: number | null;
  readonly trouble: string | undefined;
  readonly pieces: readonly PieceName[];
  readonly pictures: Readonly<
    Record<string, { readonly src: string; readonly width: number; readonly height: number }>
  >;
  readonly rack: Rack;
}

/** A diary of what was done with all pieces, searched by words, codes, colours and days; and what is planned with the same. */
export function LogView({ events, planned, before, trouble, pieces, pictures, rack }: Props) {
  const router = useRouter();
  const params = useQuery();
  const zone = useZone();
  const mayChange = useMayChange();
  const days = useMemo(() => {
    // As calendars sort: year, month, day.
    const format = new Intl.DateTimeFormat("sv-SE", { dateStyle: "short", timeZone: zone });
    return diaryOf(events, (at) => format.format(at));
  }, [events, zone]);
  const byCode = useMemo(() => new Map([...rack.markers, ...rack.others].map((m) => [m.code, m])), [rack]);
  const isSearch = [...params.keys()].length > 0;
  useTitlePart(params.get("words")?.slice(0, 60) || (isSearch ? "Found" : undefined));
  const go = (set: Readonly<Record<string, string>>) => {
    const next = new URLSearchParams(params);
    for (const [k, v] of Object.entries(set)) {
      if (v) next.set(k, v);
      else next.delete(k);
    }
    router.push(next.size ? `/log?${next}` : "/log");
  };
  const dayName = (day: string) =>
    new Intl.DateTimeFormat("en", { dateStyle: "full", timeZone: "UTC" }).format(
      new Date(`${day}T12:00:00Z`),
    );
  return (
    <main id="main" className="mx-auto max-w-[1120px] p-4 max-[759px]:px-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="m-0 text-[26px]">Log</h1>
        <Link href="/log/figures" className="text-[15px] underline">
          In figures
        </Link>
      </div>
      {mayChange && <EnterLine pieces={pieces} rack={rack} />}
      <LogSearch params={params} pieces={pieces} rack={rack} onGo={go} />
      {trouble && (
        <p role="alert" className="my-2 border border-strong p-2 text-[14px]">
          {trouble}
        </p>
      )}
      {days.length === 0 && (
        <p className="my-6 text-[16px] text-soft">
          {isSearch
            ? "Nothing that was done is like that."
            : "Nothing is laid yet. What you do at the desk is written down here by itself; what you did elsewhere you write down above."}
        </p>
      )}
      {days.map(({ day, pieces: own }) => (
        <section key={day} aria-label={dayName(day)} className="mt-5">
          <h2 className="m-0 border-b-2 border-text pb-1 text-[18px]">{dayName(day)}</h2>
          {own.map(({ piece, lines }) => (
            <div
              key={piece.id}
              className="grid grid-cols-[72px_minmax(0,1fr)] gap-x-4 border-b border-line py-3 min-[760px]:grid-cols-[132px_minmax(0,1fr)]"
            >
              {pictures[piece.id] ? (
                <Picture
                  {...pictures[piece.id]!}
                  sizes="132px"
                  className="h-auto w-full border border-line"
                />
              ) : (
                <span aria-hidden className="block aspect-[4/3] w-full border border-line bg-paper" />
              )}
              <div className="min-w-0">
                <h3 className="m-0 text-[16px]">
                  <Link href={`/pieces/${piece.id}/colour`}>{piece.name}</Link>
                </h3>
                <ul className="m-0 list-none p-0">
                  {lines.map((line) => (
                    <Line key={line.id} line={line} piece={piece} byCode={byCode} zone={zone} />
                  ))}
                </ul>
              </div>
            </div>
          ))}
        </section>
      ))}
      {before !== null && (
        <p className="my-4">
          <button className="button" onClick={() => go({ until: String(before) })}>
            Earlier
          </button>
        </p>
      )}
      {planned.length > 0 && (
        <section aria-label="Planned" className="mt-6">
          <h2 className="m-0 border-b-2 border-text pb-1 text-[18px]">
            Planned with it: {counted(planned.length, "area")}
          </h2>
          <ul className="m-0 list-none p-0">
            {planned.map(({ piece, areaId, area, codes }) => (
              <li key={`${piece.id} ${areaId}`} className="border-b border-line py-1.5 text-[15px]">
                <Link
                  href={
                    areaId
                      ? `/pieces/${piece.id}/colour?area=${encodeURIComponent(areaId)}`
                      : `/pieces/${piece.id}/colour`
                  }
                >
                  {area || "The whole piece"} of {piece.name}
                </Link>{" "}
                <span className="code text-[14px] text-soft">{codes.join(" ")}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}

export const LogPlace = withRack(LogView);
