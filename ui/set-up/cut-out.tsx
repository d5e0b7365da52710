"use client";
import { Scissors } from "lucide-react";
import { useState } from "react";
import type { SetUpOutput } from "@/compute/operations/set-up";
import { claimsOf, drawingQuestion } from "@/compute/piece-questions";
import { SHEETS } from "@/core/chart/layout";
import type { Piece } from "@/core/piece/piece";
import type { DrawingFacts } from "@/store/pictures";
import { askOfPicture } from "@/ui/jobs/client";
import { LengthField, lengthIn, useLengthUnit } from "@/ui/kit/length-field";
import { Notice } from "@/ui/kit/notice";
import { saveFile } from "@/ui/save-file";
import { messageOf } from "@/ui/send";
import { useStudio } from "@/ui/studio/studio-context";
import { counted, listed } from "@/words/numbers";
import type { CutPart } from "./arranged";
import { coarserToCut, cutSvg, sheetSvg } from "./cut-svg";
import { asked } from "./use-drawing";

/** What the line goes round where no single area is meant. */
const [FREE, ALL, EACH] = ["free", "all", "each"] as const;
/** Parts that are arranged at once, as compute/operations/cut-lines.ts takes them. */
const MOST_PARTS = 80;
/** Areas whose box comes as near to the picture's edge as this, in shares of it, reach it. */
const EDGE = 0.01;

/** The line round what is cut out, in true size: for a blade, a cutting machine, or as a mask while the background is coloured. */
export function CutOut({
  piece,
  drawing,
  output,
}: {
  readonly piece: Piece;
  readonly drawing: DrawingFacts;
  readonly output: SetUpOutput;
}) {
  const { sheet } = piece.setUp;
  const unit = useLengthUnit();
  const [what, setWhat] = useState<string>(FREE);
  const [said, setSaid] = useState<number>();
  const [holes, setHoles] = useState(false);
  const [turned, setTurned] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [done, setDone] = useState<string>();
  const paper = SHEETS[useStudio()?.sheet ?? "A4"];
  const offset = said ?? (sheet.cut === "margin" ? sheet.margin : 0);
  const placed = output.areas;
  const free = placed.filter(({ box: [l, t, r, b] }) => l > EDGE && t > EDGE && r < 1 - EDGE && b < 1 - EDGE);
  const apart = (free.length ? free : placed).slice(0, MOST_PARTS);
  const parts =
    what === ALL
      ? placed
      : what === FREE
        ? free
        : what === EACH
          ? apart
          : placed.filter((a) => a.id === what);
  const follow = (each: boolean) => {
    const { hints: _, ...drawn } = drawingQuestion(piece, drawing);
    return askOfPicture("cutLines", asked(drawing), {
      drawn: { ...drawn, coarser: 1 },
      claims: claimsOf(piece),
      areas: parts.map(({ id }) => ({ id })),
      apart: each,
      offset,
      holes,
      coarser: coarserToCut(output),
    });
  };
  const title = (filled: boolean) =>
    `${piece.name} ${filled ? "mask" : "cut line"}${turned ? " mirrored" : ""}`;
  const saveOne = async (filled: boolean) => {
    const lines = await follow(false);
    if (!lines.lines.length) throw new Error("There is nothing to cut round: it is smaller than 4 mm².");
    setDone(`${counted(lines.lines.length, "closed line")}, ${lengthIn(unit, lines.mm)} ${unit} in all.`);
    const name = title(filled);
    saveFile(`${name}.svg`, "image/svg+xml", cutSvg(name, lines, { turned, filled }));
  };
  /** Each part by itself: one sheet is a drawing, more of them are a zip of such. */
  const saveEach = async (filled: boolean) => {
    const names = new Map(piece.areas.map((a) => [a.id, a.name]));
    const { lines, of = [] } = await follow(true);
    const cut = parts.flatMap(({ id }, i): CutPart[] => {
      const own = lines.filter((_, n) => of[n] === i);
      return own.length ? [{ name: names.get(String(id)) ?? "", lines: own }] : [];
    });
    // What few need comes when it is wanted.
    const [{ arranged }, { strToU8, zipSync }] = await Promise.all([import("./arranged"), import("fflate")]);
    const { sheets, tooLarge } = arranged(cut, paper);
    if (!sheets.length) throw new Error("There is nothing to arrange: no part fits on your sheet.");
    const name = `${title(filled)}, parts`;
    const drawn = sheets.map((s, i) =>
      sheetSvg(`${name} ${i + 1} of ${sheets.length}`, s, paper, { turned, filled }),
    );
    const [only, ...more] = drawn;
    if (!more.length) saveFile(`${name}.svg`, "image/svg+xml", only!);
    else {
      const zip = zipSync(Object.fromEntries(drawn.map((svg, i) => [`sheet ${i + 1}.svg`, strToU8(svg)])));
      saveFile(`${name}.zip`, "application/zip", new Blob([zip], { type: "application/zip" }));
    }
    const left = tooLarge.length ? ` Larger than a sheet, and left out: ${listed(tooLarge)}.` : "";
    setDone(`${counted(cut.length - tooLarge.length, "part")} on ${counted(sheets.length, "sheet")}.${left}`);
  };
  const save = async (filled: boolean) => {
    setBusy(true);
    setTrouble(undefined);
    setDone(undefined);
    try {
      await (what === EACH ? saveEach(filled) : saveOne(filled));
    } catch (e) {
      setTrouble(messageOf(e));
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label="Cut line and mask" className="flex flex-col gap-2">
      <h2 className="m-0 text-[17px]">Cut line and mask</h2>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[15px]">
        <label className="flex min-w-0 items-center gap-1.5">
          Round
          <select
            className="field w-84 min-w-0 max-w-full"
            value={what}
            onChange={(e) => setWhat(e.target.value)}
          >
            <option value={FREE}>what stands free of the edge ({counted(free.length, "area")})</option>
            <option value={ALL}>all areas</option>
            <option value={EACH}>each area by itself, arranged on sheets ({apart.length})</option>
            {piece.areas
              .filter((a) => placed.some((p) => p.id === a.id))
              .map((a) => (
                <option key={a.id} value={a.id}>
                  {a.name}
                </option>
              ))}
          </select>
        </label>
        <span className="flex items-center gap-1.5">
          <LengthField
            label="Outside of it by"
            mm={offset}
            least={0}
            most={50}
            onChange={(mm) => mm !== null && setSaid(mm)}
          />
          {unit} outside of it
        </span>
        <label className="flex min-h-9 items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={holes}
            onChange={(e) => setHoles(e.target.checked)}
          />
          holes too
        </label>
        <label className="flex min-h-9 items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-black"
            checked={turned}
            onChange={(e) => setTurned(e.target.checked)}
          />
          mirrored
        </label>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <button className="button" disabled={busy || !parts.length} onClick={() => void save(false)}>
          <Scissors size={17} aria-hidden /> Cut line (SVG)
        </button>
        <button className="button" disabled={busy || !parts.length} onClick={() => void save(true)}>
          Mask to print (SVG)
        </button>
        <span className="text-[14px] text-soft" role="status">
          {done ?? (busy ? "Following the outline…" : "")}
        </span>
      </div>
      <p className="m-0 max-w-[70ch] text-[14px] text-soft">
        In true size. Cut away from your hand, on a mat, and keep blades from children; what a machine needs
        its own manual says. Dry adhesive holds without warping; wet glue does not.
      </p>
      {trouble && <Notice alert>{trouble}</Notice>}
    </section>
  );
}
