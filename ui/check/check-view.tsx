"use client";
import { withRack } from "@/ui/rack-here";
import { Link } from "@/ui/kit/link";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { WorkEvent } from "@/core/work/record";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { useWorkLog } from "@/ui/desk/use-work-log";
import { Progress } from "@/ui/jobs/progress";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { inGreys } from "@/ui/light/greys";
import { tintOf } from "@/ui/light/tints";
import { ToneLayer, ToneNumbers } from "@/ui/light/tone-layer";
import { LightFilter } from "@/ui/piece/light-filter";
import { PieceHeader } from "@/ui/piece/piece-header";
import { StillPicture, useKeptPicture } from "@/ui/piece/kept-picture";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { useZoom } from "@/ui/piece/use-zoom";
import { ZoomButtons } from "@/ui/piece/zoom-buttons";
import { ReferenceLayer } from "@/ui/set-up/reference-layer";
import { useKey } from "@/ui/use-keys";
import { LaidSheet } from "./as-it-lies";
import { LAMPS } from "@/words/lamps";
import { CheckSide } from "./check-side";
import { Scrub } from "./scrub";
import { CHECK_VIEWS, COMPARE, useCheck, type Check, type CheckView, type Compare } from "./use-check";

const FILTER = "check-reference";
const GREY = "check-values";

const NAMES: Readonly<Record<CheckView, string>> = {
  colouring: "Colouring",
  values: "Values",
  tones: "Tone map",
  light: "Light",
  line: "Line",
  reference: "Reference",
  differences: "Values off",
  sheet: "As it lies",
};
const COMPARE_NAMES: Readonly<Record<Compare, string>> = {
  one: "One view",
  split: "Wipe",
  beside: "Side by side",
  blink: "Blink",
};
/** Work that nobody can stop. */
const NO_WORK = {
  progress: undefined,
  error: undefined,
  cancelled: false,
  cancel: () => undefined,
  again: () => undefined,
};
/** Time that each of two blinking views stands, ms. */
const BLINK = 900;

/** Check: the piece as it will look, before a marker is uncapped. */
export function CheckView({
  papers,
  rack,
  events,
}: {
  readonly papers: readonly PaperSheet[];
  readonly rack: Rack;
  readonly events: readonly WorkEvent[];
}) {
  const { id } = usePieceHandles();
  const own = useCheck(papers, rack, useWorkLog(id, events));
  const { piece } = own;
  const ready = piece.setUp.line && piece.areas.some((a) => a.place);
  return (
    <div className="flex min-h-[calc(100dvh-3rem)] flex-col min-[900px]:h-[calc(100dvh-3.06rem)]">
      <PieceHeader stage="check" papers={papers} />
      <LightFilter id={FILTER} gains={own.reference?.gains ?? [1, 1, 1]} view="colour" />
      <LightFilter id={GREY} gains={[1, 1, 1]} view="grey" />
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-4 px-4 pt-3 pb-2 min-[900px]:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]"
      >
        <h1 className="sr-only">Check {piece.name}</h1>
        {ready ? (
          <>
            <Picture own={own} />
            <div className="min-h-0 min-w-0 min-[900px]:overflow-y-auto min-[900px]:pr-1">
              <CheckSide own={own} />
            </div>
          </>
        ) : (
          <div className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8">
            <p className="m-0 max-w-[44ch] text-[17px]">
              The finished piece can be seen here once its line and its areas are set up.
            </p>
            <Link className="button button-main" href={`/pieces/${id}/set-up`}>
              Set up the line
            </Link>
          </div>
        )}
      </main>
    </div>
  );
}

function Picture({ own }: { readonly own: Check }) {
  const { shown, light, view, other, compare, busy, error, picture, lamp } = own;
  const kept = useKeptPicture();
  const size = shown ?? light.lit?.output.values ?? kept ?? { width: 4, height: 3 };
  const { frame, fit, zoom, scale, zoomBy, whole } = useZoom(size);
  const [wipe, setWipe] = useState(0.5);
  const [second, setSecond] = useState(false);
  const blinking = compare === "blink";
  useEffect(() => {
    if (!blinking || matchMedia("(prefers-reduced-motion: reduce)").matches) return;
    const timer = setInterval(() => setSecond((s) => !s), BLINK);
    return () => {
      clearInterval(timer);
      setSecond(false);
    };
  }, [blinking]);
  useKey("b", () => setSecond((s) => !s));
  const on = { width: size.width * scale, height: size.height * scale };
  const choices = CHECK_VIEWS.filter((v) =>
    v === "sheet" ? own.sheet.laid : picture || (v !== "reference" && v !== "differences"),
  );
  const beside = compare === "beside";
  const half = beside ? { width: on.width / 2, height: on.height / 2 } : on;
  const paper = useMemo(() => ({ background: "#fff" }), []);
  const layer = (v: CheckView, style: object = {}): ReactNode => (
    <div className="relative shrink-0 overflow-hidden" style={{ ...half, ...paper, ...style }} key={v}>
      <Layer own={own} view={v} frame={half} />
    </div>
  );
  return (
    <section aria-label="Picture" className="flex min-h-0 min-w-0 flex-col">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1 pb-2">
        <Choice label="Show" value={view} options={choices} names={NAMES} onChange={own.setView} />
        <Choice
          label="Compare"
          value={compare}
          options={COMPARE}
          names={COMPARE_NAMES}
          onChange={own.setCompare}
        />
        {compare !== "one" && (
          <Choice label="with" value={other} options={choices} names={NAMES} onChange={own.setOther} />
        )}
        <Choice
          label="Under"
          value={lamp}
          options={["D65", "D50", "A"]}
          names={LAMPS}
          onChange={own.setLamp}
        />
        <span className="ml-auto flex items-center">
          <span className="mr-2 text-[14px] text-soft" role="status">
            {busy && !error
              ? `Updating… ${own.progress === undefined ? "" : `${Math.round(100 * own.progress)} %`}`
              : ""}
          </span>
          <ZoomButtons zoom={zoom} zoomBy={zoomBy} whole={whole} />
        </span>
      </div>
      <div ref={frame} className="relative min-h-60 flex-1 overflow-auto">
        {error && <Progress work={{ ...NO_WORK, error, again: light.again }} doing="Drawing the colouring" />}
        {(own.still || (!shown && !error && kept)) && kept && (
          <StillPicture
            kept={kept}
            label="The colouring as it was last drawn"
            className="absolute inset-0 h-full w-full object-contain object-top"
            sizes="(min-width: 900px) 60vw, 100vw"
          />
        )}
        {!shown && !error && !kept && (
          <div className="p-4">
            <Progress
              work={{ ...NO_WORK, progress: own.progress ?? 0 }}
              doing="Laying every pass of every area"
            />
          </div>
        )}
        {shown && !own.still && fit > 0 && (
          <div
            className={beside ? "flex flex-wrap gap-2" : "relative mx-auto"}
            style={beside ? undefined : on}
          >
            {beside ? (
              <>
                {layer(view)}
                {layer(other)}
              </>
            ) : compare === "split" ? (
              <>
                <div className="absolute inset-0">{layer(other)}</div>
                <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 * (1 - wipe)}% 0 0)` }}>
                  {layer(view)}
                </div>
                <span
                  className="absolute inset-y-0 w-0.5 bg-black outline outline-white"
                  style={{ left: `${100 * wipe}%` }}
                />
              </>
            ) : (
              layer(blinking && second ? other : view)
            )}
          </div>
        )}
      </div>
      {compare === "split" && (
        <input
          type="range"
          aria-label="Wipe"
          className="mt-1 w-full accent-current"
          min={0}
          max={1}
          step={0.01}
          value={wipe}
          onChange={(e) => setWipe(Number(e.target.value))}
        />
      )}
      <Scrub own={own} />
    </section>
  );
}

/** One view of the piece, as large as its frame. */
function Layer({
  own,
  view,
  frame,
}: {
  readonly own: Check;
  readonly view: CheckView;
  readonly frame: { readonly width: number; readonly height: number };
}) {
  const { shown, bare, light, map, over, piece, judged, reference, picture } = own;
  const values = light.lit?.output.values;
  const greys = useMemo(
    () => (view === "light" && values ? inGreys(values, (b) => 255 - 0.86 * b) : undefined),
    [view, values],
  );
  const off = over.output?.differences;
  const differences = useMemo(
    () => (view === "differences" && off ? inGreys(off, (b) => b) : undefined),
    [view, off],
  );
  const tint = useMemo(() => tintOf(piece, judged.groupOf), [piece, judged]);
  const pixelsPerMm = light.lit
    ? frame.width / (light.lit.output.values.width * light.lit.output.mmPerPixel)
    : 1;
  switch (view) {
    case "colouring":
      return shown ? <PixelCanvas pixels={shown} label="Predicted colouring" testId="colouring" /> : null;
    case "values":
      return shown ? (
        <div className="absolute inset-0" style={{ filter: `url(#${GREY})` }}>
          <PixelCanvas pixels={shown} label="Values of the colouring" />
        </div>
      ) : null;
    case "tones":
      return map ? (
        <>
          <ToneLayer map={map} tint={tint} />
          <svg className="absolute inset-0 h-full w-full" aria-hidden>
            <ToneNumbers
              map={map}
              place={([x, y]) => [x * frame.width, y * frame.height]}
              pixelsPerMm={pixelsPerMm}
            />
          </svg>
        </>
      ) : null;
    case "light":
      return greys ? <PixelCanvas pixels={greys} label="Light and dark" /> : null;
    case "differences":
      return differences ? (
        <PixelCanvas pixels={differences} label="Where values differ from the reference" />
      ) : null;
    case "reference":
      return reference && picture ? (
        <ReferenceLayer
          reference={reference}
          picture={picture}
          frame={frame}
          filter={FILTER}
          opacity={1}
          wipe={1}
        />
      ) : null;
    case "sheet":
      return own.sheet.laid ? <LaidSheet sheet={own.sheet.laid} frame={frame} /> : null;
    case "line":
      return bare ? <PixelCanvas pixels={bare} label="Line on bare paper" /> : null;
  }
}

function Choice<T extends string>({
  label,
  value,
  options,
  names,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly T[];
  readonly names: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
}) {
  return (
    <label className="flex items-center gap-1.5 text-[14px] text-soft">
      {label}
      <select
        aria-label={label}
        className="field text-text"
        value={value}
        onChange={(e) => onChange(e.target.value as T)}
      >
        {options.map((o) => (
          <option key={o} value={o}>
            {names[o]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The same where the rack comes with the page. */
export const CheckPlace = withRack(CheckView);
