"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { USUAL_FULL } from "@/core/stock/ink-level";
import { runOut, type InkLedger, type LaidInk, type RunOut } from "@/core/stock/ink-ledger";
import type { MarkerInk } from "@/core/stock/ink-use";
import type { Rack, RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";
import { useInkLedger, useInkUse } from "@/ui/ink/use-ink-ledger";
import { Progress } from "@/ui/jobs/progress";
import { useMayChange } from "@/ui/studio/studio-context";
import { counted } from "@/words/numbers";
import { levelInWords, runOutInWords } from "@/words/ink";
import { ScaleDialog } from "./scale-dialog";

/** Markers that are shown before somebody asks for more. */
const FIRST = 8;
const MORE = 50;

interface Level {
  readonly marker: RackMarker;
  readonly ink: MarkerInk;
  readonly out: RunOut;
}

const LONG = 8.64e15;
const dayOf = (at: number): string => new Date(at).toLocaleDateString(undefined, { dateStyle: "medium" });

/** What is nearest to its end first: by the day on which it may be empty, by the pieces that it is enough for, then by what is in it. */
const byEnd = (a: Level, b: Level): number =>
  (a.out.early ?? LONG) - (b.out.early ?? LONG) ||
  (a.out.pieces ?? LONG) - (b.out.pieces ?? LONG) ||
  a.ink.left.ml - b.ink.left.ml;

function levelsOf(
  markers: readonly RackMarker[],
  ledger: InkLedger,
  use: ReturnType<typeof useInkUse>["output"],
  now: number,
): Level[] {
  const known = new Map(use?.markers.map((m) => [m.code, m]));
  const laid = new Map<string, LaidInk[]>();
  for (const l of ledger.laid) {
    const own = laid.get(l.code);
    if (own) own.push(l);
    else laid.set(l.code, [l]);
  }
  return markers
    .flatMap((marker): Level[] => {
      const ink = known.get(marker.code);
      return ink && use
        ? [{ marker, ink, out: runOut(ink.left, laid.get(marker.code) ?? [], use, now) }]
        : [];
    })
    .sort(byEnd);
}

/** How much is in each marker, how long it lasts, and what a scale says of it. */
export function InkLevels({ rack }: { readonly rack: Rack }) {
  const may = useMayChange();
  const router = useRouter();
  const [now] = useState(() => Date.now());
  const ledger = useInkLedger();
  const owned = useMemo(() => rack.markers.filter((m) => m.owned), [rack]);
  const use = useInkUse(owned, ledger.output);
  const others = rack.others.filter((o) => o.owned && (o.state === "low" || o.state === "dry"));
  const [shown, setShown] = useState(FIRST);
  const [weighed, setWeighed] = useState<string>();
  const levels = useMemo(
    () => (ledger.output ? levelsOf(owned, ledger.output, use.output, now) : []),
    [owned, ledger.output, use.output, now],
  );
  const marker = levels.find((l) => l.marker.code === weighed);
  return (
    <section aria-label="Ink">
      <h2 className="m-0 text-[18px]">Ink</h2>
      <p className="mt-0.5 mb-2 text-[14px] text-soft">
        By the word in the Rack, what was laid at the desk since, and what a scale said; the paler part is how
        far it may be off. What is used and nearest to its end comes first.
      </p>
      {ledger.error && (
        <p role="alert" className="m-0 text-[15px]">
          {ledger.error}{" "}
          <button className="button" onClick={ledger.again}>
            Try again
          </button>
        </p>
      )}
      {!owned.length && <p className="m-0 text-[15px] text-soft">You own no marker yet.</p>}
      <Progress work={use} doing="Working out" />
      <ul className="m-0 list-none p-0">
        {levels.slice(0, shown).map((level) => (
          <LevelRow
            key={level.marker.code}
            level={level}
            onWeigh={may ? () => setWeighed(level.marker.code) : undefined}
          />
        ))}
      </ul>
      {levels.length > shown && (
        <button className="button mt-2" onClick={() => setShown(shown + MORE)}>
          Show {counted(Math.min(MORE, levels.length - shown), "more marker", "more markers")} of{" "}
          {levels.length - shown}
        </button>
      )}
      {others.length > 0 && (
        <p className="mt-2 mb-0 text-[15px]">
          Marked low or dry in the Rack beside markers:{" "}
          {others.map((o) => `${o.code} (${o.state})`).join(", ")}.
        </p>
      )}
      {marker && (
        <ScaleDialog
          code={marker.marker.code}
          refills={marker.marker.refills}
          entries={(ledger.output?.scale ?? []).filter((e) => e.code === weighed)}
          onClose={() => setWeighed(undefined)}
          onChanged={() => {
            ledger.again();
            // Refills in stock are the Rack's.
            router.refresh();
          }}
        />
      )}
    </section>
  );
}

function LevelRow({
  level: { marker, ink, out },
  onWeigh,
}: {
  readonly level: Level;
  readonly onWeigh: (() => void) | undefined;
}) {
  const share = (ml: number) => `${Math.min(100, (100 * Math.max(0, ml)) / USUAL_FULL)}%`;
  const { left } = ink;
  return (
    <li className="grid grid-cols-[46px_minmax(0,1fr)_auto] items-center gap-x-3 border-t border-line py-1.5">
      <MarkerChip marker={marker} width={46} height={26} />
      <span className="min-w-0">
        <span className="flex items-baseline gap-2">
          <b className="code">{marker.code}</b>
          <span className="text-[14px]">{levelInWords(left)}</span>
        </span>
        <span
          role="img"
          aria-label={`Level of ${marker.code}: ${levelInWords(left)} of ${USUAL_FULL} ml`}
          className="relative mt-1 block h-2.5 border border-strong"
        >
          <span className="absolute inset-y-0 left-0 bg-line" style={{ width: share(left.high) }} />
          <span className="absolute inset-y-0 left-0 bg-text" style={{ width: share(left.low) }} />
          <span className="absolute -inset-y-0.5 w-0.5 bg-text" style={{ left: share(left.ml) }} />
        </span>
        <span className="block text-[13px] text-soft">
          {runOutInWords(out, dayOf)}
          {marker.refills > 0 && `; ${counted(marker.refills, "refill")} in stock`}
        </span>
      </span>
      {onWeigh && (
        <button className="button" aria-label={`Weigh or fill ${marker.code}`} onClick={onWeigh}>
          Weigh
        </button>
      )}
    </li>
  );
}
