"use client";
import { useRouter } from "next/navigation";
import { useState, type MouseEvent } from "react";
import { readTypedCodes } from "@/core/codes/typed";
import { windowAt } from "@/core/picture/patch";
import { inRows, MOST_PATCHES, MOST_SIDE, type At } from "@/core/picture/patch-grid";
import type { PaperSheet } from "@/store/papers";
import { askOfPicture } from "@/ui/jobs/client";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { Modal } from "@/ui/kit/modal";
import { NumberField } from "@/ui/kit/number-field";
import { Choice } from "@/ui/studio/fields";
import { messageOf, send } from "@/ui/send";
import { counted } from "@/words/numbers";
import type { BeginProps } from "./begin-view";
import { GridMarks, type ReadPatch } from "./grid-marks";
import { usePatchGrid } from "./use-patch-grid";

/** Doubtful patches that are named. */
const MOST_NAMED = 8;
/** Stands for a patch that has no marker. */
const BLANK = "-";
/** Side of a window of bare paper against that of a patch. */
const BARE = 0.4;
const WAYS = { rows: "along the rows", columns: "down the columns" } as const;

/** Colours of a swatch sheet that lies there already: its patches are found, or three of them pointed at; codes follow along rows or columns. */
export function SheetPhoto({
  paper,
  markers,
  read,
  onClose,
}: {
  readonly paper: PaperSheet;
  /** Codes to begin with, in rack order. */
  readonly markers: readonly string[];
  /** What is known on this paper already: patches of these set the photo right. */
  readonly read: BeginProps["read"];
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const [way, setWay] = useState<keyof typeof WAYS>("rows");
  const [text, setText] = useState(markers.join(" "));
  const [share, setShare] = useState<number>();
  const [found, setFound] = useState<readonly ReadPatch[]>();
  const [unkept, setUnkept] = useState<string>();
  const sheet = usePatchGrid(() => {
    setFound(undefined);
    setUnkept(undefined);
  });
  const { photo, size, placed, bare } = sheet;
  const grid = placed?.grid;
  const trouble = unkept ?? sheet.trouble;
  const codes = inRows(readTypedCodesWithBlanks(text), size, way === "columns");
  const named = codes.filter((c) => c && c !== BLANK).length;
  const tooMany = size.rows * size.columns > MOST_PATCHES;
  const again = (set: () => void) => {
    set();
    setFound(undefined);
  };
  const point = (e: MouseEvent<HTMLElement>) => {
    const { left, top, width, height } = e.currentTarget.getBoundingClientRect();
    sheet.point([(e.clientX - left) / width, (e.clientY - top) / height]);
  };
  const readAll = async () => {
    setUnkept(undefined);
    setShare(0);
    const { handle, file } = photo!;
    // Bare paper lies in narrow places.
    const bareWindow = (at: At) => windowAt(at, grid!.side * BARE, photo!.size);
    const windowOf = (at: At) => windowAt(at, grid!.side, photo!.size);
    const patches = grid!.middles.flatMap((at, i) => {
      const code = codes[i];
      return code && code !== BLANK ? [{ code, at }] : [];
    });
    const asked = new Set(patches.map((p) => p.code));
    try {
      const { swatches } = await askOfPicture(
        "readSwatches",
        { handle, called: file.name, load: () => Promise.resolve(file) },
        {
          paper: { lab: paper.lab },
          bare: bareWindow(bare!),
          further: placed!.bare.map(bareWindow),
          swatches: patches.map(({ code, at }) => ({ code, box: windowOf(at) })),
          known: read.flatMap(({ code, lab }) => (asked.has(code) ? [{ code, color: { lab } }] : [])),
        },
        { onProgress: setShare },
      );
      setFound(swatches.map((s, i) => ({ ...s, at: patches[i]!.at })));
    } catch (e) {
      setUnkept(messageOf(e));
    } finally {
      setShare(undefined);
    }
  };
  const inPlace = () => {
    const many = counted(size.rows * size.columns, "patch", "patches");
    if (placed?.how === "found")
      return `${counted(size.rows, "row")} of ${counted(size.columns, "patch", "patches")} found`;
    return placed?.how === "moved" ? `${many} in place, moved onto what lies there` : `${many} in place`;
  };
  const doubted = found?.filter((f) => f.doubt) ?? [];
  const keep = async (all: boolean) => {
    const known = new Set(read.map((r) => r.code));
    try {
      await send("POST", `/api/papers/${paper.id}/readings`, {
        readings: found!
          .filter((f) => !known.has(f.code) && (all || !f.doubt))
          .map(({ code, lab }) => ({ stack: [code], color: { lab }, source: "picture" })),
      });
      router.refresh();
      onClose();
    } catch (e) {
      setUnkept(messageOf(e));
    }
  };
  return (
    <Modal open wide title={`A swatch sheet on ${paper.name}`} onClose={onClose}>
      <div className="grid gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <FileButton
            label="Photo of the swatch sheet"
            accept={PICTURES}
            main={!photo}
            onFiles={([f]) => f && sheet.choose(f)}
          >
            {photo ? "Another photo" : "Choose a photo"}
          </FileButton>
          <label className="grid gap-1 text-[15px]">
            Rows
            <NumberField
              label="Rows"
              value={size.rows}
              least={1}
              most={MOST_SIDE}
              whole
              onChange={(v) => sheet.resize({ rows: v ?? 1 })}
            />
          </label>
          <label className="grid gap-1 text-[15px]">
            Columns
            <NumberField
              label="Columns"
              value={size.columns}
              least={1}
              most={MOST_SIDE}
              whole
              onChange={(v) => sheet.resize({ columns: v ?? 1 })}
            />
          </label>
          <Choice says="Codes run" value={way} options={WAYS} onChange={(w) => again(() => setWay(w))} />
        </div>
        <label className="grid gap-1 text-[15px]">
          Codes in their order on the sheet; {BLANK} leaves a patch out
          <textarea
            className="field min-h-16 font-mono"
            spellCheck={false}
            value={text}
            onChange={(e) => again(() => setText(e.target.value))}
          />
        </label>
        {photo && (
          // As high with its buttons as without: the picture below stays where it is while somebody points into it.
          <p className="m-0 flex min-h-11 flex-wrap items-center gap-3 text-[16px]" aria-live="polite">
            <strong>
              {sheet.isLooking && !placed ? "Looking for the patches…" : (sheet.next ?? inPlace())}
            </strong>
            {(placed || sheet.points.length > 0) && (
              <button className="button" onClick={sheet.again}>
                {placed?.how === "found" ? "Point at them yourself" : "Point again"}
              </button>
            )}
            {placed?.asPointed && !found && (
              <button className="button" onClick={sheet.asPointed}>
                Leave them where you pointed
              </button>
            )}
            {grid && bare && !found && (
              <button
                className="button button-main"
                disabled={share !== undefined || !named || tooMany}
                onClick={() => void readAll()}
              >
                Read {counted(named, "patch", "patches")}
              </button>
            )}
            {found && found.length > doubted.length && (
              <button className="button button-main" onClick={() => void keep(false)}>
                Keep {counted(found.length - doubted.length, "reading")}
              </button>
            )}
            {doubted.length > 0 && (
              <button className="button" onClick={() => void keep(true)}>
                Keep the doubtful {counted(doubted.length, "one")} too
              </button>
            )}
            {tooMany && <span>At most {MOST_PATCHES} patches at a time.</span>}
          </p>
        )}
        {photo && (
          <div className="relative w-fit cursor-crosshair" onClick={point} data-testid="sheet-photo">
            <img
              src={photo.url}
              draggable={false}
              className="block max-h-[52vh] max-w-full"
              alt="The photo of the swatch sheet"
            />
            {grid && <GridMarks grid={grid} size={photo.size} codes={codes} found={found} />}
            {(grid ? (bare ? [bare] : []) : sheet.points).map(([x, y], i) => (
              <span
                key={i}
                className="pointer-events-none absolute size-3 -translate-x-1/2 -translate-y-1/2 border-2 border-black outline-2 outline-white"
                style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
              />
            ))}
          </div>
        )}
        {share !== undefined && (
          <progress className="w-full" value={share} aria-label="Reading the patches" />
        )}
        {trouble && (
          <p role="alert" className="m-0 text-[15px]">
            {trouble}
          </p>
        )}
        {doubted.length > 0 && (
          <p role="alert" className="m-0 text-[15px]">
            <strong>
              {counted(doubted.length, "patch", "patches")} {doubted.length === 1 ? "is" : "are"} no one
              colour, or like bare paper:
            </strong>{" "}
            {doubted
              .slice(0, MOST_NAMED)
              .map((f) => `${f.code} ${f.doubt}`)
              .join(", ")}
            {doubted.length > MOST_NAMED && ` and ${doubted.length - MOST_NAMED} more`}. Point again, nearer
            to the middles; or look at the photo whether rows and columns are as you said.
          </p>
        )}
      </div>
    </Modal>
  );
}

/** Codes as they are typed elsewhere, where "-" by itself stands for no marker; here one may come twice. */
function readTypedCodesWithBlanks(text: string): string[] {
  return text
    .split(/[\n;]+/)
    .flatMap((line) =>
      / - | -$|^- /.test(` ${line.trim()} `)
        ? line.trim().split(/[\s,]+/)
        : readTypedCodes(line, MOST_PATCHES, 40).codes,
    )
    .filter(Boolean)
    .slice(0, MOST_PATCHES);
}
