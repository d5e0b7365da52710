"use client";
import type { TradePoint } from "@/compute/operations/plan-piece";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { Slider } from "@/ui/kit/slider";
import { counted } from "@/words/numbers";

const inWords = (p: TradePoint) =>
  `${counted(p.markers, "marker")}, local colours ${p.localDeltaE00.toFixed(1)} ΔE00 off`;

/** What a marker more or less costs: a curve along which a plan is chosen, fewest markers at its right end. */
export function Trade({
  points,
  now,
  onChoose,
}: {
  /** Most markers first. */
  readonly points: readonly TradePoint[];
  /** Markers of the plan that is shown. */
  readonly now: number;
  readonly onChoose: (markerCost: number) => void;
}) {
  const nearest = points.reduce(
    (best, p, i) => (Math.abs(p.markers - now) < Math.abs(points[best]!.markers - now) ? i : best),
    0,
  );
  const choose = (i: number) => onChoose(points[i]!.markerCost);
  return (
    <div className="grid gap-1">
      <label className="flex items-center gap-3 text-[14px]">
        <span>closest colour</span>
        <Slider
          label={`Closest colour, or fewest markers: ${inWords(points[nearest]!)}`}
          least={0}
          most={points.length - 1}
          value={nearest}
          className="min-w-0 flex-1"
          onChange={choose}
        />
        <span>fewest markers</span>
      </label>
      <details className="text-[14px]">
        <summary className="min-h-6 cursor-pointer text-soft">What each marker less costs</summary>
        <ChartCanvas
          kind="scatter"
          className="h-48"
          label={`Markers against fit: ${points.map(inWords).join("; ")}`}
          says={JSON.stringify([points.map((p) => [p.markers, p.fit, p.localDeltaE00]), now])}
          data={({ text }) => ({
            datasets: [
              {
                label: "how far from what is wished, mean",
                data: points.map((p) => ({ x: p.markers, y: p.fit })),
                showLine: true,
                borderColor: text,
                backgroundColor: text,
                pointRadius: points.map((p) => (p.markers === now ? 8 : 4)),
                pointStyle: "rect",
              },
              {
                label: "local colour off, ΔE00",
                data: points.map((p) => ({ x: p.markers, y: p.localDeltaE00 })),
                showLine: true,
                borderColor: text,
                borderDash: [5, 4],
                backgroundColor: "transparent",
                pointRadius: 5,
                pointBorderWidth: 1.5,
              },
            ],
          })}
          options={(ink) => ({
            scales: {
              x: axis(ink, "markers of the piece", { precision: 0 }),
              y: axis(ink, "ΔE00, less is better", { min: 0 }),
            },
            plugins: {
              legend: {
                position: "bottom",
                labels: { color: ink.text, font: ink.font, usePointStyle: true },
              },
              tooltip: { animation: false },
            },
          })}
        />
        <table className="mt-1 border-collapse">
          <thead>
            <tr>
              {["markers", "mean score", "local colour off"].map((h) => (
                <th key={h} className="pr-5 text-left">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={p.markerCost} className="border-t border-line">
                <td className="pr-5">{p.markers}</td>
                <td className="pr-5">{p.fit.toFixed(2)}</td>
                <td>{p.localDeltaE00.toFixed(2)} ΔE00</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </div>
  );
}
