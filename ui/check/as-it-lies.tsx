"use client";
import { useState } from "react";
import type { ComparedZone } from "@/compute/operations/compare-sheet";
import { Progress } from "@/ui/jobs/progress";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { layingOf } from "@/ui/set-up/reference-layer";
import { differenceWords } from "@/words/closeness";
import { liesInWords } from "@/words/sheet";
import { counted } from "@/words/numbers";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { Learn, useLearnt } from "./learn";
import { Mend } from "./mend";
import { Stages } from "./stages";
import type { Check } from "./use-check";
import { UNTOLD } from "./use-compared";
import { useKeptComparison } from "./kept-comparison";
import type { LaidPhoto } from "./use-sheet-photo";

/** A photo of the sheet, made straight under the drawing. */
export function LaidSheet({
  sheet: { url, size, pairs },
  frame,
}: {
  readonly sheet: LaidPhoto;
  readonly frame: { readonly width: number; readonly height: number };
}) {
  return (
    <img
      src={url}
      alt="The sheet as it lies, from your photo"
      draggable={false}
      className="absolute top-0 left-0 max-w-none origin-top-left"
      style={{ ...size, transform: layingOf(pairs, frame, size) }}
    />
  );
}

/** ΔE00 from which on a person would see it. */
const SEEN = 4;
/** Places that are told at once, and of those the ones whose mending is looked for unasked. */
const [TOLD, LOOKED_FOR] = [8, 3] as const;

const COMPARED_WITH = [
  ["so far", "What is laid so far"],
  ["finished", "The finished picture"],
] as const;

/** Where on an area a zone lies. */
const toneInWords = ({ zone, of }: ComparedZone) =>
  of === 1 ? "" : zone === 1 ? "lightest tone" : zone === of ? "darkest tone" : `tone ${zone} of ${of}`;

/** The finished sheet, or a half-done one, against the plan: a photo, what came out otherwise, why, and what mends it. */
export function AsItLies({ own }: { readonly own: Check }) {
  const { id } = usePieceHandles();
  const { sheet, piece, compared, isUnderWay, against, setAgainst } = own;
  const found = sheet.laid && sheet.work.output?.read;
  const all = found && !compared.old ? compared.output : undefined;
  const names = new Map(piece.areas.map((a) => [a.id, a.name]));
  const told = (all?.zones ?? []).filter((z) => !z.within && z.deltaE00 >= SEEN);
  // What a hand does differs from area to area; what a lamp or another sheet does is the same everywhere.
  const lighter = told.filter((z) => z.lies.lab[0] > z.planned.lab[0]).length;
  const alike =
    told.length > 3 &&
    told.length > 0.9 * (all?.zones.length ?? 0) &&
    (lighter === 0 || lighter === told.length);
  const doubts = [
    ...(alike
      ? ["Nearly all lie off the same way: rather the photo’s light, or another paper than planned"]
      : []),
    ...(found ? found.doubts : []),
  ];
  const [more, setMore] = useState(false);
  const learnt = useLearnt(own.rack);
  useKeptComparison(own.log, sheet.pictureId, found?.camera.from === "nothing" ? undefined : all?.zones);
  return (
    <section aria-label="As it lies">
      <h2 className="m-0 mb-1 text-[17px]">As it lies</h2>
      {!found && (
        <p className="mt-0 mb-2 max-w-[60ch] text-[15px]">
          A photo of your sheet, half done or finished, is laid under the drawing and read tone by tone. It
          stays on this machine.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <FileButton
          label="Photo of the sheet"
          accept={PICTURES}
          onFiles={([file]) => file && sheet.take(file)}
        >
          {sheet.name ? "Another photo" : "Photo of the sheet"}
        </FileButton>
        {sheet.name && (
          <>
            <span className="min-w-0 truncate text-[14px] text-soft">{sheet.name}</span>
            <button className="button-bare" onClick={sheet.putAway}>
              Put away
            </button>
          </>
        )}
      </div>
      <Stages id={id} log={own.log} sheet={sheet} corners={found?.corners} />
      {sheet.name && <Progress work={sheet.work} doing="Finding the drawing in the photo" />}
      {found && isUnderWay && (
        <div role="group" aria-label="Compare with" className="mt-2 flex flex-wrap gap-1">
          {COMPARED_WITH.map(([key, says]) => (
            <button
              key={key}
              className={`button ${against === key ? "button-main" : ""}`}
              aria-pressed={against === key}
              onClick={() => setAgainst(key)}
            >
              {says}
            </button>
          ))}
        </div>
      )}
      {found && <Progress work={compared} doing="Comparing it with the plan" />}
      {found && all && (
        <>
          <p className="mt-2 mb-1 text-[15px]" role="status">
            {told.length
              ? `${counted(told.length, "place")} of ${all.zones.length} came out visibly otherwise; worst first.`
              : `All ${all.zones.length} places lie as planned, as far as the photo tells.`}{" "}
            <button
              className="underline"
              onClick={() => {
                own.setView("colouring");
                own.setOther("sheet");
                own.setCompare("split");
              }}
            >
              Compare in the picture
            </button>
          </p>
          {doubts.length > 0 && (
            <ul className="m-0 mb-2 list-none space-y-1 p-0" aria-label="Doubts about the photo">
              {doubts.map((d) => (
                <li key={d} className="border-l-4 border-strong bg-panel py-1 pl-3 text-[14px]">
                  {d}.
                </li>
              ))}
            </ul>
          )}
          {told.length > 0 && (
            <ol className="m-0 list-none p-0" aria-label="What came out otherwise">
              {told.slice(0, more ? undefined : TOLD).map((z, i) => (
                <Otherwise
                  key={`${z.id} ${z.zone}`}
                  zone={z}
                  name={names.get(z.id) ?? z.id}
                  own={own}
                  asked={i < LOOKED_FOR && !alike}
                />
              ))}
            </ol>
          )}
          {told.length > TOLD && !more && (
            <button className="button mt-1" onClick={() => setMore(true)}>
              {counted(told.length - TOLD, "more place")}
            </button>
          )}
          <EveryPlace zones={all.zones} names={names} />
          <p className="mt-1 mb-0 text-[14px] text-soft">
            The line was met within {found.offMm.p95.toFixed(1)} mm.{" "}
            {found.camera.from === "nothing"
              ? "The photo’s light was set so that most of it lies as planned: what is off everywhere alike is not seen."
              : `Colour from ${found.camera.from}${found.camera.expectedError === null ? "" : `, within ${found.camera.expectedError.toFixed(1)} ΔE00 as a rule`}.`}
          </p>
        </>
      )}
      {found && found.camera.from !== "nothing" && (
        <Learn
          key={sheet.name}
          zones={all?.zones}
          photo={found.camera.expectedError ?? UNTOLD}
          sure={found.camera.from !== "bare paper"}
          rack={own.rack}
          learnt={learnt}
        />
      )}
    </section>
  );
}

/** One place that came out otherwise: planned and lying colour, why, and what mends it. */
function Otherwise({
  zone,
  name,
  own,
  asked,
}: {
  readonly zone: ComparedZone;
  readonly name: string;
  readonly own: Check;
  readonly asked: boolean;
}) {
  const [looks, setLooks] = useState(asked);
  const tone = toneInWords(zone);
  return (
    <li className="grid gap-1.5 border-t border-line py-2">
      <div className="flex items-center gap-3">
        <span className="inline-flex shrink-0" aria-hidden>
          <span className="inline-block h-9 w-9" style={{ background: zone.planned.hex }} />
          <span className="inline-block h-9 w-9" style={{ background: zone.lies.hex }} />
        </span>
        <div className="min-w-0">
          <p className="m-0 text-[15px]">
            <b>{name}</b>
            {tone && `, ${tone}`}{" "}
            <span className="text-[14px] text-soft">
              {zone.deltaE00.toFixed(1)} ΔE00, {zone.mm2.toFixed(0)} mm²
            </span>
          </p>
          <p className="m-0 text-[15px] leading-snug">{zone.says}</p>
        </div>
      </div>
      {looks ? (
        <Mend zone={zone} tone={tone} rack={own.rack} log={own.log} />
      ) : (
        <button className="button justify-self-start" onClick={() => setLooks(true)}>
          What mends it?
        </button>
      )}
    </li>
  );
}

/** Everything that was read, for who wants to see it all. */
function EveryPlace({
  zones,
  names,
}: {
  readonly zones: readonly ComparedZone[];
  readonly names: ReadonlyMap<string, string>;
}) {
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-[15px]">Every place that was read</summary>
      <table className="mt-1 w-full border-collapse text-[15px]">
        <caption className="sr-only">Each tone of each area as it lies against the plan</caption>
        <thead>
          <tr className="text-left text-[14px] text-soft">
            <th className="pr-2 font-normal">place</th>
            <th className="pr-2 font-normal">planned, lies</th>
            <th className="font-normal">against the plan</th>
            <th className="text-right font-normal">ΔE00</th>
          </tr>
        </thead>
        <tbody>
          {zones.map((z) => (
            <tr key={`${z.id} ${z.zone}`} className="border-b border-line">
              <td className="py-1 pr-2">
                {names.get(z.id) ?? z.id}
                {z.of > 1 && <span className="text-soft">, {toneInWords(z)}</span>}
              </td>
              <td>
                <span className="inline-flex" aria-hidden>
                  <span className="inline-block h-6 w-7" style={{ background: z.planned.hex }} />
                  <span className="inline-block h-6 w-7" style={{ background: z.lies.hex }} />
                </span>
              </td>
              <td>
                {z.deltaE00 < SEEN ? differenceWords(z.deltaE00) : liesInWords(z.lies.lab, z.planned.lab)}
              </td>
              <td className="text-right text-soft">{z.deltaE00.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
