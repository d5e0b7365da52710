"use client";
import { withRack } from "@/ui/rack-here";
import { Link } from "@/ui/kit/link";
import { useCallback, useMemo } from "react";
import type { PaperSheet } from "@/store/papers";
import type { Rack } from "@/store/rack";
import { Progress } from "@/ui/jobs/progress";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { Tabs, type TabItem } from "@/ui/kit/tabs";
import { StillPicture, useKeptPicture } from "@/ui/piece/kept-picture";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { LightFilter } from "@/ui/piece/light-filter";
import { PieceHeader } from "@/ui/piece/piece-header";
import { DrawingPane } from "@/ui/set-up/drawing-pane";
import { ReferenceLayer } from "@/ui/set-up/reference-layer";
import { LINE_TOOLS } from "@/ui/set-up/tool";
import { ask, useQuery } from "@/ui/use-query";
import { AreaMarks } from "./area-marks";
import { FormTab } from "./form-tab";
import { inGreys } from "./greys";
import { HairTab } from "./hair-tab";
import { LightTab } from "./light-tab";
import { tintOf } from "./tints";
import { ToneLayer, ToneNumbers } from "./tone-layer";
import { MarksLayer } from "./marks-layer";
import { MarksTab } from "./marks-tab";
import { TonesTab } from "./tones-tab";
import { colourOfFinisher } from "./use-marks";
import { STAGE_VIEWS, useLightStage, type LightStage, type StageView } from "./use-light-stage";

const FILTER = "light-reference";
const NONE: ReadonlySet<string> = new Set();
const VIEW_NAMES: Readonly<Record<StageView, string>> = {
  light: "Light",
  tones: "Tone map",
  colouring: "Colouring",
  line: "Line",
  reference: "Reference",
};

/** Light: where it comes from, what it falls on, and where each tone goes. */
export function LightView({ papers, rack }: { readonly papers: readonly PaperSheet[]; readonly rack: Rack }) {
  const tab = useQuery().get("tab") ?? "light";
  const own = useLightStage(papers, rack, tab);
  const { id } = usePieceHandles();
  const { piece, line, state } = own;
  const placed = piece.areas.some((a) => a.place);
  const items = [
    { id: "light", name: "Light", content: () => <LightTab own={own} /> },
    { id: "form", name: "Form", content: () => <FormTab own={own} /> },
    { id: "hair", name: "Hair and fur", content: () => <HairTab own={own} /> },
    { id: "tones", name: "Tones", content: () => <TonesTab own={own} /> },
    { id: "marks", name: "Marks", content: () => <MarksTab own={own} /> },
  ] satisfies TabItem<string>[];
  return (
    <div className="flex min-h-[calc(100dvh-3rem)] flex-col min-[900px]:h-[calc(100dvh-3.06rem)]">
      <PieceHeader stage="light" papers={papers} />
      <LightFilter id={FILTER} gains={own.reference?.gains ?? [1, 1, 1]} view="colour" />
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-4 px-4 pt-3 pb-2 min-[900px]:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]"
      >
        <h1 className="sr-only">Light of {piece.name}</h1>
        {!line || (state.output && !placed) ? (
          <div className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8">
            <p className="m-0 max-w-[44ch] text-[17px]">
              Light falls on areas: bring in the line art first, and say what is one area.
            </p>
            <Link className="button button-main" href={`/pieces/${id}/set-up`}>
              Set up the line
            </Link>
          </div>
        ) : (
          <Stage own={own} tab={tab} />
        )}
        <div className="min-h-0 min-w-0 min-[900px]:overflow-y-auto min-[900px]:pr-1">
          {state.output && placed && (
            <Tabs
              label="Light"
              items={items}
              open={tab}
              onOpen={(next) => {
                own.setView(undefined);
                own.start("pick");
                ask(`?tab=${next}`);
              }}
            />
          )}
        </div>
      </main>
    </div>
  );
}

/** The drawing, filled with what is looked at. */
function Stage({ own, tab }: { readonly own: LightStage; readonly tab: string }) {
  const {
    state,
    light,
    map,
    colouring,
    view,
    tool,
    draft,
    chosen,
    names,
    picture,
    reference,
    judged,
    piece,
  } = own;
  const { output } = state;
  const values = light.lit?.output.values;
  const greys = useMemo(() => values && inGreys(values, (b) => 255 - 0.86 * b), [values]);
  const tint = useMemo(() => tintOf(piece, judged.groupOf), [piece, judged]);
  const marks = useCallback(
    (place: (at: readonly [number, number]) => readonly [number, number]) => {
      const [x0] = place([0, 0]);
      const [x1] = place([1, 0]);
      const pixelsPerMm = output ? (x1 - x0) / (output.width * output.mmPerPixel) : 1;
      return (
        <>
          {view === "tones" && map && <ToneNumbers map={map} place={place} pixelsPerMm={pixelsPerMm} />}
          {view !== "line" && (
            <MarksLayer
              areas={piece.areas}
              drawn={view !== "reference" && (view !== "colouring" || colouring.busy)}
              chosen={own.marks.picked?.mark}
              proposed={(own.marks.proposed ?? []).flatMap((a) => a.marks)}
              colourOf={(code) => colourOfFinisher(own.rack, code)}
              place={place}
              pixelsPerMm={pixelsPerMm}
            />
          )}
          {tab !== "marks" && (
            <AreaMarks areas={own.areas} tool={tool} place={place} pixelsPerMm={pixelsPerMm} />
          )}
        </>
      );
    },
    [
      output,
      view,
      map,
      own.areas,
      own.marks.picked?.mark,
      own.marks.proposed,
      own.rack,
      piece.areas,
      colouring.busy,
      tool,
      tab,
    ],
  );
  const kept = useKeptPicture();
  if (!output && kept && !state.error)
    return (
      <div className="relative min-h-60">
        <StillPicture
          kept={kept}
          label="The colouring as it was last drawn"
          className="absolute inset-0 h-full w-full object-contain object-top"
          sizes="(min-width: 900px) 55vw, 100vw"
        />
      </div>
    );
  if (!output)
    return (
      <div className="flex min-h-60 flex-col justify-center border border-dashed border-strong p-4 min-[600px]:p-8">
        <Progress
          work={{ ...state, progress: state.progress ?? (state.error || state.cancelled ? undefined : 0) }}
          doing="Finding the line and what it encloses"
        />
      </div>
    );
  const views = STAGE_VIEWS.filter((v) => v !== "reference" || picture);
  const waiting = {
    progress: 0,
    error: undefined,
    cancelled: false,
    cancel: () => undefined,
    again: light.again,
  };
  const error = light.error ?? (view === "colouring" ? colouring.error : undefined);
  const busy =
    light.busy ||
    (view === "colouring" && colouring.busy) ||
    (view === "tones" && own.mapping.progress !== undefined);
  return (
    <DrawingPane
      output={output}
      names={names}
      // Its hatching would hide what is set.
      chosen={tool === "spark" || tool === "stroke" ? NONE : chosen}
      outlined={tab === "marks"}
      tool={tool}
      draft={draft}
      next={draft.length}
      cuts={[]}
      onPoint={own.onPoint}
      onEnd={() => own.endLine(draft)}
      onBack={() => own.setDraft(draft.slice(0, -1))}
      onPath={LINE_TOOLS.includes(tool) ? own.endLine : undefined}
      showAreas={view === "line"}
      lined={view !== "colouring"}
      numbered={view === "light" || view === "line"}
      marks={marks}
      under={(frame) =>
        view === "light" ? (
          greys && <PixelCanvas pixels={greys} label="Light and dark" testId="light-picture" />
        ) : view === "tones" ? (
          map && <ToneLayer map={map} tint={tint} />
        ) : view === "colouring" ? (
          colouring.coloured && (
            <PixelCanvas pixels={colouring.coloured} label="Predicted colouring" testId="colouring" />
          )
        ) : view === "reference" && picture && reference ? (
          <ReferenceLayer
            reference={reference}
            picture={picture}
            frame={frame}
            filter={FILTER}
            opacity={1}
            wipe={1}
          />
        ) : null
      }
      toolbar={
        <>
          <div role="group" aria-label="Show" className="flex flex-wrap gap-1">
            {views.map((v) => (
              <button
                key={v}
                className={`button ${v === view ? "button-main" : ""}`}
                aria-pressed={v === view}
                onClick={() => own.setView(v)}
              >
                {VIEW_NAMES[v]}
              </button>
            ))}
          </div>
          <span className="ml-2 min-w-24 text-[14px] text-soft" role="status">
            {busy && !error ? "Updating…" : ""}
          </span>
          {error && (
            <Progress work={{ ...waiting, progress: undefined, error }} doing="Working out the light" />
          )}
        </>
      }
    />
  );
}

/** The same where the rack comes with the page. */
export const LightPlace = withRack(LightView);
