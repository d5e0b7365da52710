"use client";
import { useEffect, useRef } from "react";

/** Pixels as they were computed, red, green, blue and opacity each, as wide as their place. */
export function PixelCanvas({
  pixels,
  label,
  className = "absolute inset-0 h-full w-full",
  testId,
}: {
  readonly pixels: { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray };
  readonly label: string;
  readonly className?: string;
  readonly testId?: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { width, height, rgba } = pixels;
    const context = canvas.current?.getContext("2d");
    context?.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  }, [pixels]);
  return (
    <canvas
      ref={canvas}
      width={pixels.width}
      height={pixels.height}
      role="img"
      aria-label={label}
      className={className}
      data-testid={testId}
    />
  );
}
