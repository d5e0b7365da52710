"use client";
import { Printer } from "lucide-react";
import { useMemo, useState } from "react";
import type { PracticeSheetOutput } from "@/compute/operations/practice-sheet";
import { exerciseOf } from "@/core/practice/exercise";
import type { ExerciseId } from "@/core/practice/shapes";
import type { ComparedPiece } from "@/core/practice/habits";
import { worstWith, type SheetResult } from "@/core/practice/sheet-result";
import type { Rack } from "@/store/rack";
import { compute, havePicture } from "@/ui/jobs/client";
import { Progress } from "@/ui/jobs/progress";
import { useJob } from "@/ui/jobs/use-job";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { messageOf, send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { exerciseInWords } from "@/words/practice";
import { Habits } from "./habits";
import { counted } from "@/words/numbers";

/** Sheets from the first to the hardest. */
const IN_ORDER: readonly ExerciseId[] = [
  "flat",
  "edge",
  "ramp3",
  "ramp4",
  "ramp6",
  "scale",
  "ball",
  "ball6",
  "cast",
  "ribbon",
  "hair",
  "match",
];

/** What is drawn on a sheet, small. */
function Small({ id }: { readonly id: ExerciseId }) {
  return (
    <svg viewBox="12 19 146 78" className="block h-auto w-[132px] border border-line bg-[#fff]" aria-hidden>
      {exerciseOf(id).drawing.map((line, i) => (
        <polyline
          key={i}
          points={line.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ")}
          fill="none"
          stroke="#111"
          strokeWidth={1.1}
        />
      ))}
    </svg>
  );
}

interface Photo {
  readonly exercise: ExerciseId;
  readonly handle: string;
  readonly file: File;
}

/** Sheets to print, to lay, and to have judged from a photo. */
export function SheetsTab({
  sheets: known,
  compared,
  rack,
}: {
  readonly sheets: readonly SheetResult[];
  readonly compared: readonly ComparedPiece[];
  readonly rack: Rack;
}) {
  const [photo, setPhoto] = useState<Photo>();
  const [own, setOwn] = useState<readonly SheetResult[]>([]);
  const { lab } = rack.paper;
  const work = useJob(
    photo ? JSON.stringify(["practiceSheet", photo.exercise, photo.handle, lab]) : null,
    async ({ signal, onProgress }): Promise<PracticeSheetOutput> => {
      const { file, handle, exercise } = photo!;
      await havePicture({ handle, called: file.name, load: () => Promise.resolve(file) });
      return compute(
        "practiceSheet",
        { exercise, photo: { picture: handle }, paper: { lab } },
        { ...(signal && { signal }), ...(onProgress && { onProgress }) },
      );
    },
  );
  const sheets = useMemo(
    () => [...new Map([...known, ...own].map((s) => [s.id, s])).values()].sort((a, b) => a.at - b.at),
    [known, own],
  );
  return (
    <div className="grid gap-6">
      <p className="m-0 max-w-[64ch] text-[16px]">
        Print a sheet in true size, lay it with markers of your own, and take a photo of the whole frame. It
        is judged by what the exercise is about, on this machine.
      </p>
      <Habits pieces={compared} sheets={sheets} />
      <ul className="m-0 grid list-none gap-0 p-0" aria-label="Sheets">
        {IN_ORDER.map((id) => {
          const { name, does, about } = exerciseInWords[id];
          const scores = sheets.filter((s) => s.exercise === id).map((s) => s.score);
          const isOpen = photo?.exercise === id;
          return (
            <li key={id} id={`sheet-${id}`} className="grid gap-2 border-b border-line py-3">
              <div className="grid gap-x-4 gap-y-2 grid-cols-[auto_minmax(0,1fr)] min-[720px]:grid-cols-[auto_minmax(0,1fr)_auto]">
                <Small id={id} />
                <div>
                  <h2 className="m-0 text-[17px]">{name}</h2>
                  <p className="m-0 text-[15px]">{does}</p>
                  <p className="m-0 text-[14px] text-soft">
                    About {about}.
                    {scores.length > 0 &&
                      ` Done ${counted(scores.length, "time")}: ${scores.slice(-6).join(", ")} of 100.`}
                  </p>
                </div>
                <div className="col-span-2 flex flex-wrap items-start gap-2 min-[720px]:col-span-1">
                  <a
                    className="button inline-flex items-center gap-1.5"
                    href={`/api/practice/sheets/print?exercise=${id}`}
                    download
                    aria-label={`Print: ${name}`}
                  >
                    <Printer size={17} aria-hidden /> Print
                  </a>
                  <FileButton
                    label={`Photo of: ${name}`}
                    accept={PICTURES}
                    onFiles={([file]) =>
                      file &&
                      setPhoto({
                        exercise: id,
                        file,
                        handle: `practice ${file.name} ${file.size} ${file.lastModified}`.slice(0, 80),
                      })
                    }
                  >
                    Photo of it
                  </FileButton>
                </div>
              </div>
              {isOpen && <Progress work={work} doing="Finding the sheet in the photo" />}
              {isOpen && work.output && work.progress === undefined && (
                <Judged
                  key={photo.handle}
                  found={work.output}
                  exercise={id}
                  onKept={(sheet) => setOwn((o) => [...o, sheet])}
                />
              )}
            </li>
          );
        })}
      </ul>
      <History sheets={sheets} />
    </div>
  );
}

/** How light or dark a place of the picture is drawn that lies off. */
function asGrey({ width, height, data }: PracticeSheetOutput["map"]) {
  const rgba = new Uint8ClampedArray(width * height * 4);
  data.forEach((v, p) => {
    if (v) rgba.set([v, v, v, 255], 4 * p);
  });
  return { width, height, rgba };
}

/** What a sheet shows, the one thing to try next, and where it lies off. */
function Judged({
  found,
  exercise,
  onKept,
}: {
  readonly found: PracticeSheetOutput;
  readonly exercise: ExerciseId;
  readonly onKept: (sheet: SheetResult) => void;
}) {
  const may = useMayChange();
  const [codes, setCodes] = useState("");
  const [state, setState] = useState<"open" | "keeping" | "kept">("open");
  const [trouble, setTrouble] = useState<string>();
  const [id] = useState(() => crypto.randomUUID());
  const pixels = useMemo(() => asGrey(found.map), [found.map]);
  const keep = async () => {
    setState("keeping");
    setTrouble(undefined);
    const sheet: SheetResult = {
      id,
      at: Date.now(),
      exercise,
      score: found.score,
      codes: codes.split(/[\s,]+/).filter(Boolean),
    };
    try {
      await send("POST", "/api/practice/sheets", sheet);
      onKept(sheet);
      setState("kept");
    } catch (e) {
      setTrouble(messageOf(e));
      setState("open");
    }
  };
  return (
    <div className="grid gap-4 border-l-4 border-strong pl-3 min-[720px]:grid-cols-[minmax(0,1fr)_300px]">
      <div>
        <p className="m-0 text-[19px] font-semibold" role="status">
          {found.score} of 100
        </p>
        <ul className="m-0 mt-1 list-none p-0 text-[15px]">
          {found.findings.map((f) => (
            <li key={f.kind}>{f.says}</li>
          ))}
        </ul>
        <p className="mt-2 mb-0 text-[16px]">
          <b>Next:</b> {found.next}
        </p>
        {found.doubts.map((d) => (
          <p key={d} className="mt-1 mb-0 text-[14px] text-soft">
            {d}.
          </p>
        ))}
        {may && state !== "kept" && (
          <div className="mt-3 flex flex-wrap items-end gap-2">
            <label className="grid gap-0.5 text-[14px]">
              Laid with
              <input
                className="field w-56"
                value={codes}
                placeholder="rust2c rust4m"
                maxLength={200}
                onChange={(e) => setCodes(e.target.value)}
              />
            </label>
            <button className="button" disabled={state === "keeping"} onClick={() => void keep()}>
              Keep this result
            </button>
          </div>
        )}
        {state === "kept" && <p className="mt-2 mb-0 text-[14px] text-soft">Kept.</p>}
        {trouble && (
          <p role="alert" className="mt-1 mb-0">
            {trouble}
          </p>
        )}
      </div>
      <figure className="m-0">
        <PixelCanvas
          pixels={pixels}
          label="Where it lies off"
          className="block h-auto w-full border border-line bg-[#fff]"
        />
        <figcaption className="text-[13px] text-soft">
          {exercise === "edge"
            ? "White: ink beyond the line."
            : "White: lighter than it should be; black: darker; grey: as it should be."}
        </figcaption>
      </figure>
    </div>
  );
}

/** Markers that one handles badly, as far as sheets tell. */
function History({ sheets }: { readonly sheets: readonly SheetResult[] }) {
  const worst = worstWith(sheets);
  if (!worst.length) return null;
  return (
    <section aria-label="Markers that come out worse">
      <h2 className="m-0 text-[17px]">Markers that come out worse</h2>
      <ul className="m-0 mt-1 list-none p-0 text-[15px]">
        {worst.slice(0, 5).map((w) => (
          <li key={w.code}>
            <span className="code">{w.code}</span>: {w.score.toFixed(0)} of 100 in the mean of {w.of} sheets
          </li>
        ))}
      </ul>
    </section>
  );
}
