"use client";
import { memo, useEffect, useMemo, useRef, type KeyboardEvent, type MouseEvent } from "react";
import type { RackMarker } from "@/store/rack";
import { signed } from "@/words/numbers";
import { coatsInHex } from "./stroke-chip";

interface FamilyTracksProps {
  readonly families: readonly string[];
  readonly markers: readonly RackMarker[];
  readonly chosen: string | undefined;
  readonly onChoose: (code: string) => void;
}

/** What is left of a code on its own family's track. */
const shortCode = (code: string, family: string) =>
  code.replace(family, "").replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, "") || code;

/** A marker on its track, as it is spoken. */
const markerInWords = ({ code, swatches, owned, state }: RackMarker): string =>
  [
    code,
    `lightness ${signed(swatches[0]!.lab[0])}`,
    ...(owned ? (state === "low" || state === "dry" ? [state] : []) : ["not owned"]),
  ].join(", ");

/** Width of a marker on its track, as a share of the whole track. */
const WIDTH = 3.6;
/** Lightness at the left and right end of every track. */
const [LIGHT, DARK] = [100, 15];

const placeOf = (lightness: number) =>
  ((LIGHT - Math.min(LIGHT, Math.max(DARK, lightness))) / (LIGHT - DARK)) * (100 - WIDTH);

/** Markers of a track in lanes, so that none covers another; light to dark. */
export function lanesOf(lightness: readonly number[]): number[] {
  const ends: number[] = [];
  return lightness.map((L) => {
    const x = placeOf(L);
    const free = ends.findIndex((end) => end <= x);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = x + WIDTH;
    return lane;
  });
}

/** The rack as one track a family, each marker standing at its measured lightness. */
export function FamilyTracks({ families, markers, chosen, onChoose }: FamilyTracksProps) {
  const tracks = useMemo(
    () =>
      families.map((family) => {
        const own = markers
          .filter((m) => m.family === family && m.swatches[0])
          .sort((a, b) => b.swatches[0]!.lab[0] - a.swatches[0]!.lab[0]);
        const lanes = lanesOf(own.map((m) => m.swatches[0]!.lab[0]));
        return {
          family,
          own: own.map((marker, i) => ({ marker, lane: lanes[i]! })),
          lanes: Math.max(1, ...lanes.map((l) => l + 1)),
        };
      }),
    [families, markers],
  );
  const root = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (chosen)
      root.current
        ?.querySelector(`[data-marker="${CSS.escape(chosen)}"]`)
        ?.scrollIntoView({ block: "nearest" });
  }, [chosen]);

  const walk = (e: KeyboardEvent, track: number, place: number) => {
    const near = (to: number) => {
      const L = tracks[track]!.own[place]!.marker.swatches[0]!.lab[0];
      const other = tracks[to]?.own;
      return other?.reduce(
        (best, m) =>
          Math.abs(m.marker.swatches[0]!.lab[0] - L) < Math.abs(best.marker.swatches[0]!.lab[0] - L)
            ? m
            : best,
        other[0]!,
      );
    };
    const next =
      e.key === "ArrowRight"
        ? tracks[track]!.own[place + 1]
        : e.key === "ArrowLeft"
          ? tracks[track]!.own[place - 1]
          : e.key === "ArrowDown"
            ? near(track + 1)
            : e.key === "ArrowUp"
              ? near(track - 1)
              : undefined;
    if (!next) return;
    e.preventDefault();
    onChoose(next.marker.code);
    root.current?.querySelector<HTMLElement>(`[data-marker="${CSS.escape(next.marker.code)}"]`)?.focus();
  };
  const codeAt = (target: EventTarget): string | undefined =>
    target instanceof Element ? target.closest<HTMLElement>("[data-marker]")?.dataset.marker : undefined;
  const onClick = (e: MouseEvent) => {
    const code = codeAt(e.target);
    if (code !== undefined) onChoose(code);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const code = codeAt(e.target);
    const track = tracks.findIndex((t) => t.own.some((o) => o.marker.code === code));
    if (track >= 0)
      walk(
        e,
        track,
        tracks[track]!.own.findIndex((o) => o.marker.code === code),
      );
  };
  const first = tracks.find((t) => t.own.length)?.own[0]?.marker.code;

  return (
    // What is pressed is found here: 250 markers need no listeners of their own, and are drawn again only when they change.
    <div ref={root} className="min-w-[760px]" onClick={onClick} onKeyDown={onKeyDown}>
      <div className="relative ml-16 h-6 text-[13px] text-soft" aria-hidden>
        <span className="absolute -left-16">lightness</span>
        {[100, 90, 80, 70, 60, 50, 40, 30, 20].map((L) => (
          <span key={L} className="absolute" style={{ left: `${placeOf(L)}%` }}>
            {L}
          </span>
        ))}
      </div>
      {tracks.map(({ family, own, lanes }) => (
        <div
          key={family}
          role="group"
          aria-label={`Family ${family}, ${own.length} markers`}
          className="flex items-stretch border-t border-line"
        >
          <span className={`code flex w-16 shrink-0 items-center ${family.length > 7 ? "text-[11px]" : ""}`}>
            {family}
          </span>
          <div className="relative flex-1" style={{ height: lanes * 39 }}>
            {own.map(({ marker, lane }) => (
              <OnTrack
                key={marker.code}
                marker={marker}
                family={family}
                lane={lane}
                isChosen={marker.code === chosen}
                isStop={(chosen ?? first) === marker.code}
              />
            ))}
          </div>
        </div>
      ))}
    </div>
  );
}

/** One marker on its track. */
const OnTrack = memo(function OnTrack({
  marker,
  family,
  lane,
  isChosen,
  isStop,
}: {
  readonly marker: RackMarker;
  readonly family: string;
  readonly lane: number;
  readonly isChosen: boolean;
  readonly isStop: boolean;
}) {
  return (
    <button
      data-marker={marker.code}
      tabIndex={isStop ? 0 : -1}
      aria-pressed={isChosen}
      className="absolute flex h-[38px] flex-col items-center"
      style={{ left: `${placeOf(marker.swatches[0]!.lab[0])}%`, top: lane * 39, width: `${WIDTH}%` }}
    >
      <TrackStroke
        coats={coatsInHex(marker.swatches)}
        owned={marker.owned}
        low={marker.state === "low"}
        dry={marker.state === "dry"}
      />
      <span className="sr-only">{markerInWords(marker)}</span>
      <span
        aria-hidden
        className={`-mt-0.5 font-mono text-[11px] leading-none ${isChosen ? "bg-invert px-0.5 font-semibold text-invert-text" : "text-soft"}`}
      >
        {shortCode(marker.code, family)}
      </span>
    </button>
  );
});

/** A standing stroke: one coat above, two in the middle, three below. Hollow when not owned, notched when low, crossed when dry. */
function TrackStroke({
  coats,
  owned,
  low,
  dry,
}: {
  coats: readonly string[];
  owned: boolean;
  low: boolean;
  dry: boolean;
}) {
  const edges = [
    "M4 1L22 3L21.5 25L3 23Z",
    "M3.700 9L21.900 10.500L21.500 25L3 23Z",
    "M3.300 17L21.700 18L21.500 25L3 23Z",
  ];
  return (
    <svg viewBox="0 0 25 26" width="25" height="26" aria-hidden>
      {owned ? (
        coats.map((hex, i) => <path key={i} d={edges[i]} fill={hex} />)
      ) : (
        <path
          d="M5.500 2.700L20.500 4.500L20 23.300L4.700 21.500Z"
          fill="none"
          stroke={coats[0]}
          strokeWidth="3"
        />
      )}
      {!owned && <path d="M4 1L22 3L21.500 25L3 23Z" fill="none" stroke="var(--strong)" strokeWidth="0.7" />}
      {low && <path d="M8 0L13 8L18 0Z" fill="var(--ground)" stroke="var(--text)" strokeWidth="0.8" />}
      {dry && <path d="M4 3L21 23M21 4L4 22" stroke="var(--text)" strokeWidth="1.4" />}
    </svg>
  );
}
