"use client";
import { luminanceOf } from "@/core/colour/rgb";
import { ImageUp, Pipette, Trash2 } from "lucide-react";
import { NO_GAINS, type Gains, type PhotoDoubts } from "@/core/picture/balance";
import { MUCH_CLIPPED } from "@/core/picture/balance";
import type { Piece } from "@/core/piece/piece";
import { MOST_REFERENCES, type Reference } from "@/core/piece/set-up";
import type { PictureFacts } from "@/store/pictures";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { Empty, Notice } from "@/ui/kit/notice";
import { Slider } from "@/ui/kit/slider";
import { useRun } from "@/ui/piece/piece-context";
import { VALUE_VIEWS, type ValueView } from "@/ui/piece/light-filter";
import type { Tool } from "./tool";

/** How the reference is looked at. */
export interface ReferenceLook {
  readonly where: "under" | "beside" | "below";
  /** null shows it half while one decides on it, and not otherwise. */
  readonly opacity: number | null;
  readonly wipe: number;
  readonly values: ValueView;
}

interface ReferenceTabProps {
  readonly piece: Piece;
  readonly pictures: ReadonlyMap<string, PictureFacts>;
  readonly look: ReferenceLook;
  readonly onLook: (look: ReferenceLook) => void;
  readonly onTake: (file: File) => void;
  readonly doubts: PhotoDoubts | undefined;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly alignPoints: number;
}

/** Brightness of a reference in stops: the exponent of the gain that all channels share. */
const MOST_STOPS = 2;
/** Opacity of a reference that is looked at. */
export const HALF = 0.5;

/** Pictures that show how the piece is to look: brought in, aligned with the drawing, their light set right. */
export function ReferenceTab(props: ReferenceTabProps) {
  const { piece, pictures, look, onLook, onTake, doubts, tool, onTool } = props;
  const run = useRun();
  const current = piece.references.find((r) => r.pictureId === piece.pictureId);
  const full = piece.references.length >= MOST_REFERENCES;
  const take = (
    <FileButton label="Add a reference" accept={PICTURES} onFiles={([f]) => onTake(f!)} disabled={full}>
      <ImageUp size={17} aria-hidden /> Add a reference
    </FileButton>
  );
  if (!current)
    return (
      <Empty>
        <p className="m-0 mb-3">
          A reference shows the colours and where the light falls: a photo, a painting, a colour print. A
          piece may have several, or none.
        </p>
        {take}
      </Empty>
    );
  return (
    <div className="flex flex-col gap-4">
      <ul className="m-0 flex list-none flex-wrap gap-2 p-0" aria-label="References">
        {piece.references.map((r) => (
          <li key={r.pictureId}>
            <button
              className={`block border-3 ${r === current ? "border-text" : "border-transparent"}`}
              aria-pressed={r === current}
              aria-label={`Reference ${pictures.get(r.pictureId)?.name ?? ""}`}
              onClick={() => run({ type: "choose picture", pictureId: r.pictureId })}
            >
              <img src={`/api/pictures/${r.pictureId}`} alt="" className="block h-20 w-28 object-cover" />
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        {take}
        <button
          className="button"
          onClick={() => run({ type: "take reference away", pictureId: current.pictureId })}
        >
          <Trash2 size={16} aria-hidden /> Take it away
        </button>
      </div>
      {doubts?.tinted && (
        <Notice>
          The photo is strongly tinted: its light is far from white. Point at something neutral in it, or
          colours are read wrong.
        </Notice>
      )}
      {doubts && doubts.clipped > MUCH_CLIPPED && (
        <Notice>
          {Math.round(100 * doubts.clipped)} % of the photo is clipped: its strongest colours are not in it.
          Take it again with less exposure.
        </Notice>
      )}
      <fieldset className="m-0 flex flex-col gap-2 border-0 p-0">
        <legend className="small-title pb-1">Show it</legend>
        <div className="flex flex-wrap gap-2">
          {(["under", "beside", "below"] as const).map((where) => (
            <button
              key={where}
              className={`button ${look.where === where ? "button-main" : ""}`}
              aria-pressed={look.where === where}
              onClick={() => onLook({ ...look, where })}
            >
              {where === "under" ? "under the line" : where}
            </button>
          ))}
        </div>
        {look.where === "under" && (
          <div className="grid grid-cols-[80px_minmax(0,1fr)] items-center gap-x-3 text-[15px]">
            Opacity
            <Slider
              label="Opacity of the reference"
              value={look.opacity ?? HALF}
              least={0}
              most={1}
              step={0.05}
              onChange={(opacity) => onLook({ ...look, opacity })}
              onMove={(opacity) => onLook({ ...look, opacity })}
              className="w-full"
            />
            Wipe
            <Slider
              label="Wipe"
              value={look.wipe}
              least={0}
              most={1}
              step={0.01}
              onChange={(wipe) => onLook({ ...look, wipe })}
              onMove={(wipe) => onLook({ ...look, wipe })}
              className="w-full"
            />
          </div>
        )}
        <label className="flex items-center gap-2 text-[15px]">
          Values
          <select
            className="field"
            value={look.values}
            onChange={(e) => onLook({ ...look, values: e.target.value as ValueView })}
          >
            {VALUE_VIEWS.map((v) => (
              <option key={v} value={v}>
                {v === "colour" ? "in colour" : v === "grey" ? "as greys" : `in ${v}`}
              </option>
            ))}
          </select>
        </label>
      </fieldset>
      <fieldset className="m-0 flex flex-col gap-2 border-0 p-0">
        <legend className="small-title pb-1">Where it lies</legend>
        <p className="m-0 text-[15px]">{alignedInWords(current, props.alignPoints)}</p>
        <div className="flex flex-wrap gap-2">
          <button
            className={`button ${tool === "align" ? "button-main" : ""}`}
            aria-pressed={tool === "align"}
            onClick={() => {
              if (look.where === "under") onLook({ ...look, where: "beside" });
              onTool(tool === "align" ? "pick" : "align");
            }}
          >
            Align by points
          </button>
          {current.pairs.length > 0 && (
            <button
              className="button"
              onClick={() =>
                run({ type: "change reference", pictureId: current.pictureId, set: { pairs: [] } })
              }
            >
              Edge on edge
            </button>
          )}
        </div>
      </fieldset>
      <LightOf reference={current} tool={tool} onTool={onTool} look={look} onLook={onLook} />
    </div>
  );
}

function alignedInWords({ pairs }: Reference, pending: number): string {
  if (pending > 0 && pending < 4) return `${pending} of 2 or 4 points set.`;
  if (pairs.length >= 4) return "By four points: seen aslant, made to fit.";
  if (pairs.length >= 2) return "By two points: moved, turned and sized to fit.";
  return "Edge on edge with the drawing. Two points move, turn and size it; four undo a slanting view.";
}

function LightOf({
  reference,
  tool,
  onTool,
  look,
  onLook,
}: {
  readonly reference: Reference;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly look: ReferenceLook;
  readonly onLook: (look: ReferenceLook) => void;
}) {
  const run = useRun();
  const { gains, pictureId } = reference;
  const level = luminanceOf(...gains);
  const set = (next: Gains) => run({ type: "change reference", pictureId, set: { gains: next } });
  const stops = Math.log2(level);
  const plain = gains.every((g) => g === 1);
  return (
    <fieldset className="m-0 flex flex-col gap-2 border-0 p-0">
      <legend className="small-title pb-1">Its light</legend>
      <div className="flex flex-wrap gap-2">
        <button
          className={`button ${tool === "neutral" ? "button-main" : ""}`}
          aria-pressed={tool === "neutral"}
          onClick={() => {
            if (look.where === "under") onLook({ ...look, where: "beside" });
            onTool(tool === "neutral" ? "pick" : "neutral");
          }}
        >
          <Pipette size={16} aria-hidden /> Point at something neutral
        </button>
        {!plain && (
          <button className="button" onClick={() => set(NO_GAINS)}>
            As it was taken
          </button>
        )}
      </div>
      <div className="grid grid-cols-[80px_minmax(0,1fr)_64px] items-center gap-x-3 text-[15px]">
        Exposure
        <Slider
          label="Exposure, stops"
          value={Math.round(stops * 10) / 10}
          least={-MOST_STOPS}
          most={MOST_STOPS}
          step={0.1}
          onChange={(v) => set(gains.map((g) => (g * 2 ** v) / level) as unknown as Gains)}
          className="w-full"
        />
        <span>
          {Math.abs(stops) < 0.05 ? "as it is" : `${stops > 0 ? "+" : "−"}${Math.abs(stops).toFixed(1)}`}
        </span>
      </div>
    </fieldset>
  );
}
