"use client";
import { deltaE00 } from "@/core/colour/delta-e00";
import { Progress } from "@/ui/jobs/progress";
import { FileButton, PICTURES } from "@/ui/kit/file-button";
import { layingOf } from "@/ui/set-up/reference-layer";
import { differenceWords } from "@/words/closeness";
import { liesInWords } from "@/words/sheet";
import type { Check } from "./use-check";
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

/** The finished sheet, or a half-done one, against the plan: a photo, what it says of each area, and how far to trust it. */
export function AsItLies({ own }: { readonly own: Check }) {
  const { sheet, over, piece } = own;
  const found = sheet.laid && sheet.work.output?.read;
  const planned = new Map(over.output?.areas.map((a) => [a.id, a.seen]));
  const rows = (found?.areas ?? [])
    .flatMap((lies) => {
      const area = piece.areas.find((a) => a.id === lies.id);
      const plan = area && planned.get(area.id);
      return area && plan ? [{ area, lies, plan, off: deltaE00(lies.lab, plan.lab) }] : [];
    })
    .sort((a, b) => b.off - a.off);
  const seen = rows.filter((r) => r.off >= SEEN).length;
  // What a hand does differs from area to area; what a lamp or another sheet does is the same everywhere.
  const lighter = rows.filter((r) => r.lies.lab[0] > r.plan.lab[0]).length;
  const alike = rows.length > 3 && seen > 0.9 * rows.length && (lighter === 0 || lighter === rows.length);
  const doubts = [
    ...(alike
      ? ["Nearly all lie off the same way: rather the photo’s light, or another paper than planned"]
      : []),
    ...(found ? found.doubts : []),
  ];
  return (
    <section aria-label="As it lies">
      <h2 className="m-0 mb-1 text-[17px]">As it lies</h2>
      {!found && (
        <p className="mt-0 mb-2 max-w-[60ch] text-[15px]">
          A photo of your sheet, half done or finished, is laid under the drawing and read area by area. It
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
      {sheet.name && <Progress work={sheet.work} doing="Finding the drawing in the photo" />}
      {found && (
        <>
          <p className="mt-2 mb-1 text-[15px]" role="status">
            {seen
              ? `${seen} of ${rows.length} areas lie visibly off the plan; worst first.`
              : `All ${rows.length} areas lie as planned, as far as the photo tells.`}{" "}
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
          <table className="w-full border-collapse text-[15px]">
            <caption className="sr-only">Each area as it lies against the plan</caption>
            <thead>
              <tr className="text-left text-[14px] text-soft">
                <th className="pr-2 font-normal">area</th>
                <th className="pr-2 font-normal">planned, lies</th>
                <th className="font-normal">against the plan</th>
                <th className="text-right font-normal">ΔE00</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ area, lies, plan, off }) => (
                <tr key={area.id} className="border-b border-line">
                  <td className="py-1 pr-2">{area.name}</td>
                  <td>
                    <span className="inline-flex" aria-hidden>
                      <span className="inline-block h-6 w-7" style={{ background: plan.hex }} />
                      <span className="inline-block h-6 w-7" style={{ background: lies.hex }} />
                    </span>
                  </td>
                  <td>{off < SEEN ? differenceWords(off) : liesInWords(lies.lab, plan.lab)}</td>
                  <td className="text-right text-soft">{off.toFixed(1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 mb-0 text-[14px] text-soft">
            The line was met within {found.offMm.p95.toFixed(1)} mm. Colour from {found.camera.from}
            {found.camera.expectedError !== null &&
              `, within ${found.camera.expectedError.toFixed(1)} ΔE00 as a rule`}
            .
          </p>
        </>
      )}
    </section>
  );
}
