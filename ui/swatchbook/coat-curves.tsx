"use client";
import {
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from "chart.js";
import { useEffect, useRef } from "react";
import { useSurround } from "@/ui/use-surround";

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, Legend, Tooltip);

export interface Curve {
  readonly name: string;
  readonly hex: string;
  /** Values of the model from no coat on. */
  readonly model: readonly number[];
  /** Readings by coats; undefined where there is none. */
  readonly read: readonly (number | undefined)[];
}

const WIDTH = 2.5;

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
  const canvas = useRef<HTMLCanvasElement>(null);
  const surround = useSurround();
  useEffect(() => {
    const style = getComputedStyle(document.documentElement);
    const [text, line] = [style.getPropertyValue("--text"), style.getPropertyValue("--line")];
    const font = { family: getComputedStyle(document.body).fontFamily, size: 13 };
    const chart = new Chart(canvas.current!, {
      type: "line",
      data: {
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
            label: `${c.name}, read`,
            data: c.model.map((_, n) => c.read[n] ?? null),
            borderColor: text,
            backgroundColor: c.hex,
            showLine: false,
            pointRadius: 6,
            pointBorderWidth: 1.5,
          },
        ]),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: { display: true, text: "coats", color: text, font },
            ticks: { color: text, font },
            grid: { color: line },
          },
          y: {
            title: { display: true, text: measure, color: text, font },
            ticks: { color: text, font },
            grid: { color: line },
          },
        },
        plugins: {
          legend: {
            position: "right",
            labels: {
              color: text,
              font,
              boxWidth: 26,
              boxHeight: 3,
              filter: (item) => !item.text.endsWith(", read"),
            },
          },
          tooltip: { animation: false },
        },
      },
    });
    return () => chart.destroy();
  }, [curves, measure, capacity, surround]);
  return (
    <div className="h-80">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`${measure} by coats of ${curves.map((c) => c.name).join(", ")}; the table below says the same`}
      />
    </div>
  );
}
