"use client";
import {
  FlipHorizontal2,
  FileDown,
  Grid2x2,
  RectangleHorizontal,
  RectangleVertical,
  Ruler,
} from "lucide-react";
import { useState } from "react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import type { Piece } from "@/core/piece/piece";
import { drawingWidth, SHEET_SIZES, type SheetPlan, type SheetSizeName } from "@/core/piece/set-up";
import { LengthField, lengthIn, UnitSwitch, useLengthUnit } from "@/ui/kit/length-field";
import { Notice } from "@/ui/kit/notice";
import { useRun } from "@/ui/piece/piece-context";
import { messageOf, sendForFile } from "@/ui/send";
import { saveFile } from "@/ui/save-file";
import { useStudio } from "@/ui/studio/studio-context";
import { placeOf } from "@/core/piece/set-up";
import type { DrawingFacts } from "@/store/pictures";
import { CutOut } from "./cut-out";
import { SheetPreview } from "./sheet-preview";

const sizeName = ({ width, height }: SheetPlan): SheetSizeName | "" =>
  (Object.keys(SHEET_SIZES) as SheetSizeName[]).find((n) => {
    const [w, h] = SHEET_SIZES[n];
    return Math.abs(Math.min(width, height) - w) < 0.5 && Math.abs(Math.max(width, height) - h) < 0.5;
  }) ?? "";

interface SheetTabProps {
  readonly piece: Piece;
  readonly output: SetUpOutput;
  readonly onMeasure: () => void;
  /** The picture of its line. */
  readonly drawing?: DrawingFacts | undefined;
}

/** How large the drawing is, the sheet it lies on and where, how it will be cut out, and sheets to trace it from. */
export function SheetTab({ piece, output, onMeasure, drawing }: SheetTabProps) {
  const run = useRun();
  const unit = useLengthUnit();
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const { sheet, line } = piece.setUp;
  const aspect = output.width / output.height;
  const width = drawingWidth(piece.setUp, aspect);
  const height = width / aspect;
  const change = (set: Partial<SheetPlan>) => run({ type: "change sheet", set });
  const over = width > sheet.width + 0.05 || height > sheet.height + 0.05;
  const [left, top] = placeOf(sheet, width, height);
  const off =
    left < -0.05 || top < -0.05 || left + width > sheet.width + 0.05 || top + height > sheet.height + 0.05;
  const paper = useStudio()?.sheet ?? "A4";
  const [long, short] = [Math.max(sheet.width, sheet.height), Math.min(sheet.width, sheet.height)];
  const [pageWidth, pageHeight] = SHEET_SIZES[paper];
  const isLarger = short > pageWidth + 0.5 || long > pageHeight + 0.5;
  const trace = async (mirrored: boolean, pages?: typeof paper) => {
    setBusy(true);
    setTrouble(undefined);
    try {
      await tracing(piece, output, { width, height, left, top, mirrored, ...(pages && { pages }) });
    } catch (e) {
      setTrouble(messageOf(e));
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px]">
        <span className="flex items-center gap-1.5">
          The drawing is
          <LengthField
            label="Width of the drawing"
            mm={width}
            least={5}
            most={2000}
            onChange={(mm) => mm && run({ type: "change line", set: { width: mm } })}
          />
          × {lengthIn(unit, height)} {unit}
        </span>
        <button className="button" onClick={onMeasure}>
          <Ruler size={17} aria-hidden /> By a known length
        </button>
        <button className="button" onClick={() => run({ type: "change line", set: { width: sheet.width } })}>
          As wide as the sheet
        </button>
        <UnitSwitch />
      </div>
      {line && line.width === null && (
        <Notice>
          Nobody has said how large it is yet: {lengthIn(unit, width)} {unit} wide is{" "}
          {line.corners ? "what the sheet says" : "as large as fits on the sheet"}. Sizes of areas follow from
          it.
        </Notice>
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px]">
        <label className="flex items-center gap-1.5">
          Sheet
          <select
            className="field"
            aria-label="Size of the sheet"
            value={sizeName(sheet)}
            onChange={(e) => {
              const size = SHEET_SIZES[e.target.value as SheetSizeName];
              if (!size) return;
              const [w, h] = sheet.width > sheet.height ? [size[1], size[0]] : size;
              change({ width: w, height: h, at: null });
            }}
          >
            {Object.keys(SHEET_SIZES).map((n) => (
              <option key={n}>{n}</option>
            ))}
            <option value="">other</option>
          </select>
        </label>
        <span className="flex items-center gap-1">
          <LengthField
            label="Width of the sheet"
            mm={sheet.width}
            least={10}
            most={2000}
            onChange={(mm) => mm && change({ width: mm })}
          />
          ×
          <LengthField
            label="Height of the sheet"
            mm={sheet.height}
            least={10}
            most={2000}
            onChange={(mm) => mm && change({ height: mm })}
          />
        </span>
        <button
          className="button"
          onClick={() => change({ width: sheet.height, height: sheet.width, at: null })}
        >
          {sheet.width > sheet.height ? (
            <RectangleVertical size={17} aria-hidden />
          ) : (
            <RectangleHorizontal size={17} aria-hidden />
          )}
          {sheet.width > sheet.height ? "Portrait" : "Landscape"}
        </button>
      </div>
      {(over || off) && (
        <Notice alert>
          {over
            ? "The drawing is larger than the sheet. Make it smaller, or take a larger sheet."
            : "Part of the drawing lies beyond the sheet."}
        </Notice>
      )}
      <SheetPreview
        sheet={sheet}
        width={width}
        height={height}
        regions={output}
        onMove={(at) => change({ at })}
      />
      <fieldset className="m-0 flex flex-wrap items-center gap-x-4 gap-y-1 border-0 p-0 text-[15px]">
        <legend className="small-title pb-1">When it is done</legend>
        {(
          [
            ["sheet", "the sheet stays whole"],
            ["tight", "cut tight along the line"],
            ["margin", "cut out with a margin"],
          ] as const
        ).map(([cut, says]) => (
          <label key={cut} className="flex min-h-9 items-center gap-1.5">
            <input
              type="radio"
              name="cut"
              className="size-4 accent-black"
              checked={sheet.cut === cut}
              onChange={() => change({ cut })}
            />
            {says}
          </label>
        ))}
        {sheet.cut === "margin" && (
          <span className="flex items-center gap-1.5">
            of
            <LengthField
              label="Margin"
              mm={sheet.margin}
              least={0}
              most={50}
              onChange={(mm) => mm !== null && change({ margin: mm })}
            />
            {unit}
          </span>
        )}
      </fieldset>
      {sheet.cut !== "sheet" && (
        <p className="m-0 text-[14px] text-soft">
          Mark the outer areas “past the line”: what is coloured beyond it is cut off. Cut away from your
          hand, with a sharp blade on a mat; keep blades and scissors from children.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <button className="button" disabled={busy} onClick={() => void trace(false)}>
          <FileDown size={17} aria-hidden /> Sheet to trace (PDF)
        </button>
        <button className="button" disabled={busy} onClick={() => void trace(true)}>
          <FlipHorizontal2 size={17} aria-hidden /> Mirrored (PDF)
        </button>
        {isLarger && (
          <button className="button" disabled={busy} onClick={() => void trace(false, paper)}>
            <Grid2x2 size={17} aria-hidden /> On pages of {paper} (PDF)
          </button>
        )}
        <span className="text-[14px] text-soft">
          In true size: print it at 100 %, not scaled to the page.
        </span>
      </div>
      {trouble && <Notice alert>{trouble}</Notice>}
      {drawing && output.areas.length > 0 && <CutOut piece={piece} drawing={drawing} output={output} />}
    </div>
  );
}

/** The line as a picture, sent to be set on a sheet in true size. */
async function tracing(
  piece: Piece,
  { line }: SetUpOutput,
  place: {
    width: number;
    height: number;
    left: number;
    top: number;
    mirrored: boolean;
    pages?: "A4" | "Letter";
  },
): Promise<void> {
  const canvas = new OffscreenCanvas(line.width, line.height);
  const rgba = new Uint32Array(line.width * line.height);
  for (let p = 0; p < rgba.length; p++) {
    const v = 255 - line.data[p]!;
    rgba[p] = 0xff000000 | (v << 16) | (v << 8) | v;
  }
  canvas
    .getContext("2d")!
    .putImageData(new ImageData(new Uint8ClampedArray(rgba.buffer), line.width, line.height), 0, 0);
  const form = new FormData();
  form.set("picture", await canvas.convertToBlob({ type: "image/png" }), "line.png");
  const { sheet } = piece.setUp;
  form.set(
    "sheet",
    JSON.stringify({ name: piece.name, sheetWidth: sheet.width, sheetHeight: sheet.height, ...place }),
  );
  const pdf = await sendForFile("POST", "/api/tracing", form);
  saveFile(
    `${piece.name}${place.mirrored ? " mirrored" : ""}${place.pages ? `, ${place.pages}` : ""}.pdf`,
    "application/pdf",
    pdf,
  );
}
