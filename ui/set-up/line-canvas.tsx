"use client";
import { useEffect, useRef } from "react";
import type { Bytes } from "@/core/picture/plane";

/** The line of a drawing, black on nothing, as fine as it was read. */
export function LineCanvas({ line, label }: { readonly line: Bytes; readonly label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { width, height, data } = line;
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    const rgba = new Uint32Array(width * height);
    // Opacity is the highest byte of a little-endian pixel.
    for (let p = 0; p < rgba.length; p++) rgba[p] = data[p]! << 24;
    context.putImageData(new ImageData(new Uint8ClampedArray(rgba.buffer), width, height), 0, 0);
  }, [line]);
  return (
    <canvas
      ref={canvas}
      width={line.width}
      height={line.height}
      role="img"
      aria-label={label}
      className="absolute inset-0 h-full w-full"
    />
  );
}
