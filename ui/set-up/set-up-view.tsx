"use client";
import type { PaperSheet } from "@/store/papers";
import { FilePages } from "./file-pages";
import { Progress } from "@/ui/jobs/progress";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { LightFilter } from "@/ui/piece/light-filter";
import { PieceHeader } from "@/ui/piece/piece-header";
import { CornerPane } from "./corner-pane";
import { DrawingPane } from "./drawing-pane";
import { FirstLine } from "./first-line";
import { KnownLength } from "./known-length";
import { ReferenceLayer } from "./reference-layer";
import { ReferencePane } from "./reference-pane";
import { HALF } from "./reference-tab";
import { SetUpTabs, useSetUpTab } from "./set-up-tabs";
import { STROKE_TOOLS } from "./tool";
import { useSetUp, type SetUp } from "./use-set-up";

const FILTER = "reference-light";

/** Set up: the line, its sheet, and the areas between the lines. */
export function SetUpView({ papers }: { readonly papers: readonly PaperSheet[] }) {
  const own = useSetUp(papers);
  const { piece, run, line, pictures, state, start } = own;
  const { output } = state;
  const tab = useSetUpTab(piece);
  const said = own.trouble ?? pictures.trouble ?? own.pages.trouble;
  return (
    <div className="flex min-h-[calc(100dvh-3rem)] flex-col min-[900px]:h-[calc(100dvh-3.06rem)]">
      <PieceHeader stage="set-up" papers={papers} />
      {(said || pictures.busy) && (
        <div
          role="alert"
          className="flex items-center gap-3 border-b border-line bg-panel px-4 py-2 text-[15px]"
        >
          {said ?? "Taking the picture in…"}
          {said && (
            <button
              className="button-bare"
              onClick={() => {
                own.setTrouble(undefined);
                pictures.dismiss();
              }}
            >
              Dismiss
            </button>
          )}
        </div>
      )}
      <LightFilter id={FILTER} gains={own.reference?.gains ?? [1, 1, 1]} view={own.look.values} />
      <main
        id="main"
        className="grid min-h-0 flex-1 gap-4 px-4 pt-3 pb-2 min-[900px]:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]"
      >
        <h1 className="sr-only">Set up {piece.name}</h1>
        <DrawingSide own={own} tab={tab} />
        <div className="min-h-0 min-w-0 min-[900px]:overflow-y-auto min-[900px]:pr-1">
          {line ? (
            <SetUpTabs own={own} open={tab} />
          ) : (
            <p className="m-0 max-w-[46ch] p-4 text-[16px] text-soft">
              Blendt finds the areas between the lines, measures them, and knows from then on how large each
              is and what it touches.
            </p>
          )}
        </div>
      </main>
      <FilePages of={own.pages} />
      <KnownLength
        mm={own.length}
        onClose={() => {
          own.setLength(undefined);
          start("pick");
        }}
        onTake={(mm) => {
          if (output && own.length) {
            const width = (output.width * output.mmPerPixel * mm) / own.length;
            const set = { width: Math.round(Math.min(2000, Math.max(5, width)) * 100) / 100 };
            run({ type: "change line", set });
          }
          own.setLength(undefined);
          start("pick");
        }}
      />
    </div>
  );
}

/** The drawing, its photo while corners are set, or the way to one. */
function DrawingSide({ own, tab }: { readonly own: SetUp; readonly tab: string }) {
  const { id } = usePieceHandles();
  const { piece, run, line, drawing, state, tool, draft, pairs, look, picture, reference } = own;
  const { output } = state;
  if (!line) {
    const { pictureId } = piece;
    const blank = { kind: "drawn", proof: null, corners: null, width: null } as const;
    return (
      <FirstLine
        withoutHref={`/pieces/${id}/colour`}
        onTake={(files) => void own.takeFirst(files)}
        onPicture={(picture) => void own.takeLoose(picture)}
        onReference={
          pictureId ? () => run({ type: "choose line", line: { pictureId, ...blank } }) : undefined
        }
      />
    );
  }
  if (tool === "corners" && drawing && line.corners)
    return (
      <CornerPane
        picture={drawing}
        corners={line.corners}
        onChange={(corners) => run({ type: "change line", set: { corners } })}
        onDone={() => own.start("pick")}
      />
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
  const opacity = look.opacity ?? (tab === "reference" ? HALF : 0);
  const apart = picture && look.where !== "under" ? look.where : undefined;
  const cutting = tool === "cut" || tool === "shape";
  const { cuts } = piece.setUp;
  return (
    <div
      className={`grid min-h-0 min-w-0 gap-3 ${apart === "beside" ? "grid-cols-2" : apart ? "grid-rows-2" : ""}`}
    >
      <DrawingPane
        output={output}
        names={own.names}
        chosen={own.chosen}
        tool={tool}
        draft={tool === "align" ? [...pairs.map((p) => p.line), ...draft] : draft}
        next={draft.length}
        cuts={cuts}
        onPoint={own.onPoint}
        onEnd={() => (cutting ? own.endCut(draft) : own.unite())}
        onPath={STROKE_TOOLS.includes(tool) ? own.onStroke : undefined}
        onBack={() => {
          if (draft.length) own.setDraft(draft.slice(0, -1));
          else if (cutting && cuts.length) run({ type: "take cut away", at: cuts.length - 1 });
        }}
        showAreas={tab !== "line"}
        under={
          picture && reference && !apart && opacity > 0
            ? (frame) => (
                <ReferenceLayer
                  reference={reference}
                  picture={picture}
                  frame={frame}
                  filter={FILTER}
                  opacity={opacity}
                  wipe={look.wipe}
                />
              )
            : undefined
        }
        toolbar={
          <span className="flex min-h-9 items-center">
            <Progress work={state} doing="Looking again" />
          </span>
        }
      />
      {apart && picture && (
        <ReferencePane
          picture={picture}
          filter={FILTER}
          pointing={tool === "neutral" || (tool === "align" && draft.length === 1)}
          marks={tool === "align" ? pairs.map((p) => p.reference) : []}
          onPoint={own.onReferencePoint}
        />
      )}
    </div>
  );
}
