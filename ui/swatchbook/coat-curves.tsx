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
/** Curves are told apart by shape and dash, not by colour alone. */
const SHAPES = ["circle", "rect", "triangle", "rectRot", "rectRounded", "star"] as const;
const DASHES = [[], [10, 4], [3, 3], [14, 3, 3, 3]] as const;
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
        datasets: curves.flatMap((c, i) => [
          {
            label: c.name,
            pointStyle: SHAPES[i % SHAPES.length]!,
            borderDash: [...DASHES[i % DASHES.length]!],
            data: [...c.model],
            borderColor: c.hex,
            backgroundColor: c.hex,
            borderWidth: WIDTH,
            pointRadius: 0,
            tension: 0.25,
          },
          {
            // Pale lines are seen by the dark one behind them, which also fills their gaps.
            label: c.name + READ,
            data: [...c.model],
            borderColor: text,
            borderWidth: WIDTH + 1.5,
            pointRadius: 0,
            tension: 0.25,
            order: 1,
          },
          {
            label: c.name + READ,
            data: c.model.map((_, n) => c.read[n] ?? null),
            borderColor: text,
            backgroundColor: c.hex,
            showLine: false,
            pointStyle: SHAPES[i % SHAPES.length]!,
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
              usePointStyle: true,
              boxHeight: 9,
              filter: (item) => !item.text.endsWith(READ),
            },
          },
          tooltip: { animation: false },
        },
      })}
    />
  );
}
