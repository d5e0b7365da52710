"use client";
import type { TradePoint } from "@/compute/operations/plan-piece";
import { labToHex } from "@/core/colour/display";
import { chroma, hue } from "@/core/colour/lab";
import type { SeenArea } from "@/core/piece/overview";
import { axis, ChartCanvas } from "@/ui/kit/chart";

/** Shapes by which areas are told apart without hue. */
const SHAPES = ["circle", "rect", "triangle", "rectRot", "star", "crossRot", "rectRounded", "cross"] as const;

/** Hue against chroma of every tone: what belongs together stands together, opposites stand half a turn apart. */
export function HueChroma({ areas }: { readonly areas: readonly SeenArea[] }) {
  const shown = areas.filter((a) => a.tones.length);
  return (
    <ChartCanvas
      kind="scatter"
      className="h-64"
      label={`Hue and colour strength of ${shown.map((a) => a.area.name).join(", ")}`}
      says={JSON.stringify(shown.map((a) => [a.area.name, a.tones]))}
      data={({ text }) => ({
        datasets: shown.map((a, i) => ({
          label: a.area.name,
          data: a.tones.map((t) => ({ x: hue(t.lab), y: chroma(t.lab) })),
          pointStyle: SHAPES[i % SHAPES.length]!,
          pointRadius: 7,
          pointBackgroundColor: a.tones.map((t) => labToHex(t.lab)),
          pointBorderColor: text,
          pointBorderWidth: 1.2,
        })),
      })}
      options={(ink) => ({
        scales: {
          x: axis(ink, "hue, degrees round the circle", { min: 0, max: 360, stepSize: 60 }),
          y: axis(ink, "colour strength", { min: 0 }),
        },
        plugins: {
          legend: {
            position: "bottom",
            labels: { color: ink.text, font: ink.font, usePointStyle: true, boxHeight: 8 },
          },
          tooltip: {
            animation: false,
            callbacks: {
              label: (c) => `${c.dataset.label}: ${shown[c.datasetIndex]?.tones[c.dataIndex]?.code ?? ""}`,
            },
          },
        },
      })}
    />
  );
}

/** Markers used against how well the groups fit, at several prices of a marker. */
export function Trade({ points, now }: { readonly points: readonly TradePoint[]; readonly now: number }) {
  const sorted = [...points].sort((a, b) => a.markers - b.markers);
  return (
    <ChartCanvas
      kind="scatter"
      className="h-56"
      label={`Markers against fit: ${points.map((p) => `${p.markers} markers, ${p.localDeltaE00.toFixed(1)} ΔE00`).join("; ")}`}
      says={JSON.stringify([sorted, now])}
      data={({ text }) => ({
        datasets: [
          {
            label: "how far from what is wished, mean",
            data: sorted.map((p) => ({ x: p.markers, y: p.fit })),
            showLine: true,
            borderColor: text,
            backgroundColor: text,
            pointRadius: sorted.map((p) => (p.markers === now ? 8 : 4)),
            pointStyle: "rect",
          },
          {
            label: "local colour off, ΔE00",
            data: sorted.map((p) => ({ x: p.markers, y: p.localDeltaE00 })),
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
          legend: { position: "bottom", labels: { color: ink.text, font: ink.font, usePointStyle: true } },
          tooltip: { animation: false },
        },
      })}
    />
  );
}
