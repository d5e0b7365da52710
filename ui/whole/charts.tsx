"use client";
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
