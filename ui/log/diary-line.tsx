"use client";
import { useState } from "react";
import type { DiaryLine, LogEvent } from "@/core/log/diary";
import type { RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { useSending } from "@/ui/jobs/use-sending";
import { Link } from "@/ui/kit/link";
import { send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { lineInWords } from "@/words/log";
import { shortName } from "@/border/names";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import { MOST_TONE_COATS } from "@/border/fields";

interface Props {
  readonly line: DiaryLine;
  readonly piece: LogEvent["piece"];
  readonly byCode: ReadonlyMap<string, RackMarker>;
  readonly zone: string;
}

/** One line of the diary: when, where, with what, and what was said of it. */
export function Line({ line, piece, byCode, zone }: Props) {
  const time = (at: number) =>
    new Intl.DateTimeFormat("en", {
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
      timeZone: zone,
    }).format(at);
  const until = line.until > line.from + 60_000 ? `–${time(line.until)}` : "";
  return (
    <li className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-3 py-1 text-[15px] max-[520px]:grid-cols-1">
      <span className="text-soft tabular-nums">
        {time(line.from)}
        {until}
      </span>
      <span className="min-w-0">
        <span>
          {line.area && <b className="font-semibold">{line.area}: </b>}
          {lineInWords(line)}
        </span>
        {line.tones.length > 0 && (
          <span className="mt-0.5 flex flex-wrap items-center gap-x-3 gap-y-1">
            {line.tones.map(({ code, coats }, i) => {
              const marker = byCode.get(code);
              return (
                <span key={i} className="inline-flex items-center gap-1">
                  {marker && <MarkerChip marker={marker} width={36} height={20} />}
                  <span className="code text-[14px]">{code}</span>
                  {coats > 1 && <span className="text-[13px] text-soft">×{coats}</span>}
                </span>
              );
            })}
            <KeepAsGroup line={line} piece={piece} byCode={byCode} />
          </span>
        )}
        {line.pictureId && (
          <a href={`/api/pictures/${line.pictureId}`} className="mt-1 block w-fit">
            <img
              src={`/api/pictures/${line.pictureId}?width=320`}
              alt={`Photo${line.words ? `: ${line.words}` : ""}`}
              loading="lazy"
              className="max-h-40 border border-line"
            />
          </a>
        )}
      </span>
    </li>
  );
}

/** What was laid as a group to be used again, light to dark. */
function KeepAsGroup({ line, piece, byCode }: Omit<Props, "zone">) {
  const mayChange = useMayChange();
  const sending = useSending();
  const [kept, setKept] = useState(false);
  const lightness = (code: string) => byCode.get(code)?.swatches[0]?.lab[0];
  const tones = [...new Map(line.tones.map((t) => [t.code, t])).values()]
    .filter((t) => lightness(t.code) !== undefined)
    .map(({ code, coats }) => ({ code, coats: Math.min(MOST_TONE_COATS, Math.max(1, Math.round(coats))) }))
    .sort((a, b) => lightness(b.code)! - lightness(a.code)!);
  const isGroup = (line.kind === "laid" || line.kind === "entered") && tones.length >= FEWEST_TONES;
  if (!isGroup || tones.length > MOST_TONES || !mayChange) return null;
  if (kept) return <Link href="/groups">Kept in Groups</Link>;
  const name = shortName(`${line.area || piece.name}, ${tones.map((t) => t.code).join(" ")}`, 80);
  return (
    <button
      className="button-bare text-[14px] underline"
      disabled={sending.busy}
      onClick={() =>
        void sending
          .run(() => send("POST", "/api/groups", { name, tones, notes: line.words }))
          .then((went) => went && setKept(true))
      }
    >
      {sending.trouble ? <span role="alert">Not kept: {sending.trouble} Try again</span> : "Keep as a group"}
    </button>
  );
}
