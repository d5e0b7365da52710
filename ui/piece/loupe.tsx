"use client";
import { useEffect, useRef } from "react";
import { balanced, type Gains } from "@/core/picture/balance";
import { rgb8ToLab } from "@/core/colour/display";
import { colourInWords } from "@/words/colour";
import { signed } from "@/words/numbers";

/** Picture pixels across the loupe, and its size on the screen. */
const ACROSS = 13;
const SIZE = 104;
const SPEAK_MS = 400;

interface LoupeProps {
  readonly bitmap: ImageBitmap;
  readonly gains: Gains;
  readonly at: { readonly x: number; readonly y: number };
  readonly left: number;
  readonly top: number;
  readonly flip: { readonly x: boolean; readonly y: boolean };
}

/** The pixels around the pointer, large, with the lightness of the middle one. */
export function Loupe({ bitmap, gains, at, left, top, flip }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const lightness = useRef<HTMLParagraphElement>(null);
  const spoken = useRef<HTMLParagraphElement>(null);
  const [x, y] = [Math.floor(at.x), Math.floor(at.y)];
  useEffect(() => {
    const context = canvas.current?.getContext("2d", { willReadFrequently: true });
    if (!context) return;
    context.imageSmoothingEnabled = false;
    context.fillStyle = "#808080";
    context.fillRect(0, 0, SIZE, SIZE);
    context.drawImage(bitmap, x - (ACROSS - 1) / 2, y - (ACROSS - 1) / 2, ACROSS, ACROSS, 0, 0, SIZE, SIZE);
    const cell = SIZE / ACROSS;
    const middle = ((ACROSS - 1) / 2) * cell;
    const whole = context.getImageData(0, 0, SIZE, SIZE);
    const seen = balanced({ width: SIZE, height: SIZE, channels: 4, data: whole.data }, gains).data;
    whole.data.set(seen);
    context.putImageData(whole, 0, 0);
    const [r, g, b] = context.getImageData(middle + cell / 2, middle + cell / 2, 1, 1).data;
    const lab = rgb8ToLab(r!, g!, b!);
    lightness.current!.textContent = `lightness ${signed(lab[0])}`;
    // Spoken once the crosshair rests.
    const speaking = setTimeout(() => {
      if (spoken.current) spoken.current.textContent = `lightness ${signed(lab[0])}, ${colourInWords(lab)}`;
    }, SPEAK_MS);
    context.strokeStyle = "#fff";
    context.lineWidth = 3;
    context.strokeRect(middle, middle, cell, cell);
    context.strokeStyle = "#000";
    context.lineWidth = 1;
    context.strokeRect(middle, middle, cell, cell);
    return () => clearTimeout(speaking);
  }, [bitmap, gains, x, y]);
  return (
    <div
      className="pointer-events-none absolute z-10 border-2 border-black bg-white text-[12px] text-black outline-1 outline-white"
      style={{ left: flip.x ? left - SIZE - 28 : left + 24, top: flip.y ? top - SIZE - 40 : top + 24 }}
    >
      <canvas ref={canvas} width={SIZE} height={SIZE} className="block" />
      <p ref={lightness} aria-hidden className="m-0 min-h-[1.4em] px-1 text-center" />
      <p ref={spoken} role="status" className="sr-only" />
    </div>
  );
}
