"use client";
import { axis, ChartCanvas } from "@/ui/kit/chart";

export interface Curve {
  readonly name: string;
  readonly hex: string;
  /** Values of the model from no coat on. */
  readonly model: readonly number[];
  /** Readings by coats; undefined where there is none. */
  readonly read: readonly (number | undefined)[];
}

const WIDTH = 2.5;
const READ = ", read";

/** Coats against a measure of colour: the model as lines, readings as points. */
export function CoatCurves({
  curves,
  measure,
  capacity,
}: {
  readonly curves: readonly Curve[];
  readonly measure: string;
  readonly capacity: number;
}) {
  return (
    <ChartCanvas
      kind="line"
      className="h-80"
      label={`${measure} by coats of ${curves.map((c) => c.name).join(", ")}; the table below says the same`}
      says={JSON.stringify([curves, measure, capacity])}
      data={({ text }) => ({
        labels: curves[0]?.model.map((_, n) => (n === capacity ? `${n} (full)` : String(n))) ?? [],
        datasets: curves.flatMap((c) => [
          {
            label: c.name,
            data: [...c.model],
            borderColor: c.hex,
            backgroundColor: c.hex,
            borderWidth: WIDTH,
            pointRadius: 0,
            tension: 0.25,
          },
          {
            label: c.name + READ,
            data: c.model.map((_, n) => c.read[n] ?? null),
            borderColor: text,
            backgroundColor: c.hex,
            showLine: false,
            pointRadius: 6,
            pointBorderWidth: 1.5,
          },
        ]),
      })}
      options={(ink) => ({
        scales: { x: { ...axis(ink, "coats"), type: "category" }, y: axis(ink, measure) },
        plugins: {
          legend: {
            position: "right",
            labels: {
              color: ink.text,
              font: ink.font,
              boxWidth: 26,
              boxHeight: 3,
              filter: (item) => !item.text.endsWith(READ),
            },
          },
          tooltip: { animation: false },
        },
      })}
    />
  );
}
