"use client";
import { useEffect, useRef } from "react";

/** A group laid on a sample strip, light end left: what the paper would show. */
export function SampleStrip({
  cells,
  lanes,
  hex,
  height = 44,
  label,
}: {
  readonly cells: number;
  readonly lanes: number;
  readonly hex: readonly string[];
  readonly height?: number;
  readonly label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current!.getContext("2d")!;
    const image = context.createImageData(cells, lanes);
    hex.forEach((h, i) => {
      const rgb = Number.parseInt(h.slice(1), 16);
      image.data.set([rgb >> 16, (rgb >> 8) & 255, rgb & 255, 255], 4 * i);
    });
    context.putImageData(image, 0, 0);
  }, [cells, lanes, hex]);
  return (
    <canvas
      ref={canvas}
      width={cells}
      height={lanes}
      role="img"
      aria-label={label}
      className="block w-full border border-strong"
      style={{ height }}
    />
  );
}
