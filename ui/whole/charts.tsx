"use client";
import { Chart, Legend, LinearScale, LineElement, PointElement, ScatterController, Tooltip } from "chart.js";
import { useEffect, useRef } from "react";
import type { TradePoint } from "@/compute/piece";
import { labToHex } from "@/core/colour/display";
import { chroma, hue } from "@/core/colour/lab";
import type { SeenArea } from "@/core/piece/overview";
import { useSurround } from "@/ui/use-surround";

Chart.register(ScatterController, LineElement, PointElement, LinearScale, Legend, Tooltip);

const ink = () => {
  const style = getComputedStyle(document.documentElement);
  return {
    text: style.getPropertyValue("--text"),
    line: style.getPropertyValue("--line"),
    font: { family: getComputedStyle(document.body).fontFamily, size: 12 },
  };
};
/** Shapes by which areas are told apart without hue. */
const SHAPES = ["circle", "rect", "triangle", "rectRot", "star", "crossRot", "rectRounded", "cross"] as const;

/** Hue against chroma of every tone: what belongs together stands together, opposites stand half a turn apart. */
export function HueChroma({ areas }: { readonly areas: readonly SeenArea[] }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const surround = useSurround();
  useEffect(() => {
    const { text, line, font } = ink();
    const chart = new Chart(canvas.current!, {
      type: "scatter",
      data: {
        datasets: areas
          .filter((a) => a.tones.length)
          .map((a, i) => ({
            label: a.area.name,
            data: a.tones.map((t) => ({ x: hue(t.lab), y: chroma(t.lab) })),
            pointStyle: SHAPES[i % SHAPES.length]!,
            pointRadius: 7,
            pointBackgroundColor: a.tones.map((t) => labToHex(t.lab)),
            pointBorderColor: text,
            pointBorderWidth: 1.2,
          })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            min: 0,
            max: 360,
            title: { display: true, text: "hue, degrees", color: text, font },
            ticks: { stepSize: 60, color: text, font },
            grid: { color: line },
          },
          y: {
            min: 0,
            title: { display: true, text: "chroma", color: text, font },
            ticks: { color: text, font },
            grid: { color: line },
          },
        },
        plugins: {
          legend: { position: "bottom", labels: { color: text, font, usePointStyle: true, boxHeight: 8 } },
          tooltip: {
            animation: false,
            callbacks: {
              label: (c) =>
                `${c.dataset.label}: ${areas.filter((a) => a.tones.length)[c.datasetIndex]!.tones[c.dataIndex]!.code}`,
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [areas, surround]);
  return (
    <div className="h-64">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Hue and chroma of ${areas
          .filter((a) => a.tones.length)
          .map((a) => a.area.name)
          .join(", ")}`}
      />
    </div>
  );
}

/** Markers used against how well the groups fit, at several prices of a marker. */
export function Trade({ points, now }: { readonly points: readonly TradePoint[]; readonly now: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const surround = useSurround();
  useEffect(() => {
    const { text, line, font } = ink();
    const sorted = [...points].sort((a, b) => a.markers - b.markers);
    const chart = new Chart(canvas.current!, {
      type: "scatter",
      data: {
        datasets: [
          {
            label: "mean score",
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
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: { display: true, text: "markers of the piece", color: text, font },
            ticks: { color: text, font, precision: 0 },
            grid: { color: line },
          },
          y: {
            min: 0,
            title: { display: true, text: "ΔE00, less is better", color: text, font },
            ticks: { color: text, font },
            grid: { color: line },
          },
        },
        plugins: {
          legend: { position: "bottom", labels: { color: text, font, usePointStyle: true } },
          tooltip: { animation: false },
        },
      },
    });
    return () => chart.destroy();
  }, [points, now, surround]);
  return (
    <div className="h-56">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Markers against fit: ${points.map((p) => `${p.markers} markers, ${p.localDeltaE00.toFixed(1)} ΔE00`).join("; ")}`}
      />
    </div>
  );
}
