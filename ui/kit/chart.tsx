"use client";
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartConfiguration,
  type ChartData,
  type ChartOptions,
  type ScaleOptionsByType,
} from "chart.js";
import { useEffect, useRef } from "react";
import { useSurround } from "@/ui/use-surround";

Chart.register(
  BarController,
  BarElement,
  LineController,
  ScatterController,
  LineElement,
  PointElement,
  LinearScale,
  CategoryScale,
  Legend,
  Tooltip,
);

type Kind = "line" | "scatter" | "bar";

/** The page's own colours and letters, for what is painted on a canvas. */
export interface Ink {
  readonly text: string;
  readonly line: string;
  readonly font: { readonly family: string; readonly size: number };
}

function inkOfPage(): Ink {
  const style = getComputedStyle(document.documentElement);
  return {
    text: style.getPropertyValue("--text"),
    line: style.getPropertyValue("--line"),
    font: { family: getComputedStyle(document.body).fontFamily, size: 12 },
  };
}

/** An axis with its title, in the page's colours. */
export const axis = (
  { text, line, font }: Ink,
  title: string,
  more: {
    readonly min?: number;
    readonly max?: number;
    readonly stepSize?: number;
    readonly precision?: number;
  } = {},
): Partial<ScaleOptionsByType<"linear">> => {
  const { stepSize, precision, ...ends } = more;
  return {
    ...ends,
    title: { display: true, text: title, color: text, font } as ScaleOptionsByType<"linear">["title"],
    ticks: {
      color: text,
      font,
      ...(stepSize !== undefined && { stepSize }),
      ...(precision !== undefined && { precision }),
    } as ScaleOptionsByType<"linear">["ticks"],
    grid: { color: line } as ScaleOptionsByType<"linear">["grid"],
  };
};

/**
 * A chart that is made once: what it shows is exchanged when `data` says something else, and it is painted anew when the surround changes.
 * Both functions are asked again at each such change only.
 */
export function ChartCanvas<K extends Kind>({
  kind,
  label,
  className,
  says,
  data,
  options,
}: {
  readonly kind: K;
  readonly label: string;
  readonly className: string;
  /** Names what is shown: the chart changes exactly when it does. */
  readonly says: string;
  readonly data: (ink: Ink) => ChartData<K>;
  readonly options: (ink: Ink) => ChartOptions<K>;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart>(undefined);
  const latest = useRef({ data, options });
  const surround = useSurround();
  useEffect(() => {
    latest.current = { data, options };
  });
  useEffect(() => {
    const ink = inkOfPage();
    const shown = {
      data: latest.current.data(ink),
      options: { animation: false, maintainAspectRatio: false, ...latest.current.options(ink) },
    };
    if (chart.current) {
      Object.assign(chart.current, shown);
      chart.current.update("none");
    } else
      chart.current = new Chart(canvas.current!, { type: kind, ...shown } as unknown as ChartConfiguration);
  }, [kind, says, surround]);
  useEffect(
    () => () => {
      chart.current?.destroy();
      chart.current = undefined;
    },
    [],
  );
  return (
    <div className={`relative min-w-0 overflow-hidden ${className}`}>
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
