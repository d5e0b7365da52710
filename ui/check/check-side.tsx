"use client";
import type { LookOverOutput } from "@/compute/operations/look-over";
import { Progress } from "@/ui/jobs/progress";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { usePieceHandles } from "@/ui/piece/piece-context";
import { differenceWords } from "@/words/closeness";
import { AsItLies } from "./as-it-lies";
import { ExportButtons } from "./export-buttons";
import { Findings } from "./findings";
import type { Check } from "./use-check";

/** What is noticed in the colouring, its values, each area against its picked colours, and the ways out. */
export function CheckSide({ own }: { readonly own: Check }) {
  const { over, piece, alone, setAlone } = own;
  const { id } = usePieceHandles();
  const found = over.output;
  // Of what nobody has planned there is nothing good to say either.
  const planned = piece.areas.some((a) => a.place && (a.white || a.layers.length > 0));
  const offs = new Map(found?.areas.map((a) => [a.id, a.deltaE00]));
  return (
    <div className="flex flex-col gap-5">
      <section aria-label="Look over">
        <h2 className="m-0 mb-1 text-[19px]">Before a marker is uncapped</h2>
        <Progress work={over} doing="Looking it over" />
        {own.still && own.progress !== undefined && (
          <p className="m-0 text-[14px] text-soft" role="status">
            Laying every pass to look it over… {Math.round(100 * own.progress)} %
          </p>
        )}
        {found && <Findings own={own} />}
      </section>
      {found && planned && <ValuesChart found={found} />}
      <section aria-label="Areas">
        <h2 className="m-0 mb-1 text-[17px]">Areas</h2>
        <table className="w-full border-collapse text-[15px]">
          <caption className="sr-only">
            Each area against the colours that were picked, over its pixels
          </caption>
          <tbody>
            {piece.areas
              .filter((a) => a.place)
              .map((a) => {
                const off = offs.get(a.id);
                return (
                  <tr key={a.id} className="border-b border-line">
                    <td className="py-1">
                      <button
                        className={`min-h-8 text-left ${alone === a.id ? "font-bold underline" : ""}`}
                        aria-pressed={alone === a.id}
                        title={alone === a.id ? "Show all areas" : "Show this area alone"}
                        onClick={() => setAlone(alone === a.id ? undefined : a.id)}
                      >
                        {a.name}
                      </button>
                    </td>
                    <td>
                      {off === undefined
                        ? a.white
                          ? "stays white"
                          : a.layers.length
                            ? ""
                            : "no group yet"
                        : differenceWords(off)}
                    </td>
                    <td className="text-right text-soft">{off !== undefined && `${off.toFixed(1)} ΔE00`}</td>
                  </tr>
                );
              })}
          </tbody>
        </table>
        {alone && (
          <button className="button mt-2" onClick={() => setAlone(undefined)}>
            Show all areas
          </button>
        )}
      </section>
      <AsItLies own={own} />
      <ExportButtons own={own} pieceId={id} />
    </div>
  );
}

/** How much of the picture is how light, beside its reference. */
function ValuesChart({ found }: { readonly found: LookOverOutput }) {
  const { values, wanted } = found;
  const n = values.shares.length;
  const at = (i: number) => ((i + 0.5) * 100) / n;
  return (
    <section aria-label="Values">
      <h2 className="m-0 mb-1 text-[17px]">Values</h2>
      <p className="mt-0 mb-1 text-[15px]">
        From lightness {values.dark.toFixed(0)} to {values.light.toFixed(0)}:{" "}
        {(values.light - values.dark).toFixed(0)} of contrast
        {wanted && `; the reference has ${(wanted.light - wanted.dark).toFixed(0)}`}.
      </p>
      <ChartCanvas
        kind="line"
        className="h-40"
        label="Share of the picture by lightness"
        says={JSON.stringify([values.shares, wanted?.shares])}
        data={({ text }) => ({
          datasets: [
            {
              label: "predicted",
              data: values.shares.map((s, i) => ({ x: at(i), y: 100 * s })),
              borderColor: text,
              borderWidth: 2.5,
              pointRadius: 0,
            },
            ...(wanted
              ? [
                  {
                    label: "reference",
                    data: wanted.shares.map((s, i) => ({ x: at(i), y: 100 * s })),
                    borderColor: text,
                    borderWidth: 1.2,
                    borderDash: [4, 3],
                    pointRadius: 0,
                  },
                ]
              : []),
          ],
        })}
        options={(ink) => ({
          parsing: false,
          scales: {
            x: { type: "linear", ...axis(ink, "lightness", { min: 0, max: 100, stepSize: 20 }) },
            y: axis(ink, "% of it", { min: 0, precision: 0 }),
          },
          plugins: { legend: { labels: { color: ink.text, font: ink.font, boxHeight: 1 } } },
        })}
      />
    </section>
  );
}
