"use client";
import { ImageUp, RotateCw, ScanLine } from "lucide-react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { LineKind } from "@/core/picture/line";
import { WHOLE_PICTURE, type Corners } from "@/core/picture/rectify";
import type { LineArt } from "@/core/piece/set-up";
import { DRAWINGS, FileButton } from "@/ui/kit/file-button";
import { Notice } from "@/ui/kit/notice";
import { useRun } from "@/ui/piece/piece-context";
import { lineTroubleInWords, PROOF_CAUTION, PROOF_UNKNOWN } from "@/words/place";

const KINDS: readonly (readonly [LineKind, string, string])[] = [
  ["stamped", "Stamped", "ink from a stamp: even and dark, here and there broken"],
  ["drawn", "Drawn", "a liner, a brush or a print: thin and thick lines"],
  ["lineless", "Lineless", "a pale sketch that is coloured first and inked afterwards, if at all"],
];

interface LineTabProps {
  readonly line: LineArt;
  readonly output: SetUpOutput | undefined;
  /** What the search for the sheet said last. */
  readonly sheetSaid: string | undefined;
  readonly searching: boolean;
  readonly onTake: (file: File) => void;
  readonly onFindSheet: () => void;
  readonly onCorners: () => void;
}

const turned = (c: Corners): Corners => [c[3], c[0], c[1], c[2]];

/** The picture of the line: what kind of line it is, whether it stands alcohol, and where its sheet lies. */
export function LineTab({
  line,
  output,
  sheetSaid,
  searching,
  onTake,
  onFindSheet,
  onCorners,
}: LineTabProps) {
  const run = useRun();
  const change = (set: Partial<Omit<LineArt, "pictureId">>) => run({ type: "change line", set });
  const trouble = output && lineTroubleInWords(output.share, output.regions.length);
  return (
    <div className="flex flex-col gap-4">
      {trouble && <Notice alert>{trouble}</Notice>}
      <fieldset className="m-0 border-0 p-0">
        <legend className="small-title pb-1">The line is</legend>
        {KINDS.map(([kind, name, says]) => (
          <label key={kind} className="flex min-h-9 items-baseline gap-2 py-0.5 text-[15px]">
            <input
              type="radio"
              name="kind"
              className="size-4 translate-y-0.5 accent-black"
              checked={line.kind === kind}
              onChange={() => change({ kind })}
            />
            <span>
              <strong className="font-semibold">{name}</strong> <span className="text-soft">{says}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {line.kind !== "lineless" && (
        <div className="flex flex-col gap-2">
          <label className="flex items-center gap-2 text-[15px]">
            Its ink is alcohol-proof
            <select
              className="field"
              value={line.proof === null ? "" : String(line.proof)}
              onChange={(e) => change({ proof: e.target.value === "" ? null : e.target.value === "true" })}
            >
              <option value="">not known</option>
              <option value="true">yes</option>
              <option value="false">no</option>
            </select>
          </label>
          {line.proof !== true && <Notice>{line.proof === false ? PROOF_CAUTION : PROOF_UNKNOWN}</Notice>}
        </div>
      )}
      <div>
        <h2 className="small-title m-0 pb-1">Where it lies in its picture</h2>
        <p className="m-0 pb-2 text-[15px]">
          {line.corners
            ? "A sheet within the picture, made straight and evenly lit."
            : "The whole picture is the drawing."}{" "}
          {sheetSaid}
        </p>
        <div className="flex flex-wrap gap-2">
          <button className="button" onClick={onFindSheet} disabled={searching}>
            <ScanLine size={17} aria-hidden /> {searching ? "Looking for the sheet…" : "Find the sheet"}
          </button>
          <button className="button" onClick={onCorners}>
            Set its corners
          </button>
          {line.corners && (
            <button className="button" onClick={() => change({ corners: null })}>
              Take the whole picture
            </button>
          )}
          <button
            className="button"
            onClick={() => change({ corners: turned(line.corners ?? WHOLE_PICTURE) })}
          >
            <RotateCw size={16} aria-hidden /> Turn
          </button>
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <FileButton label="Another picture of the line" accept={DRAWINGS} onFiles={([f]) => onTake(f!)}>
          <ImageUp size={17} aria-hidden /> Another picture
        </FileButton>
        <button
          className="button-bare text-[14px] underline"
          onClick={() => run({ type: "choose line", line: null })}
        >
          Work without a drawing
        </button>
      </div>
    </div>
  );
}
