"use client";
import { useEffect, useRef } from "react";
import { rgb8ToLab } from "@/core/colour/display";
import { signed } from "@/words/numbers";

/** Picture pixels across the loupe, and its size on the screen. */
const ACROSS = 13;
const SIZE = 104;

interface LoupeProps {
  readonly pixels: CanvasRenderingContext2D;
  readonly at: { readonly x: number; readonly y: number };
  readonly left: number;
  readonly top: number;
  readonly flip: { readonly x: boolean; readonly y: boolean };
}

/** The pixels around the pointer, large, with the lightness of the middle one. */
export function Loupe({ pixels, at, left, top, flip }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [x, y] = [Math.floor(at.x), Math.floor(at.y)];
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    context.imageSmoothingEnabled = false;
    context.fillStyle = "#808080";
    context.fillRect(0, 0, SIZE, SIZE);
    context.drawImage(
      pixels.canvas,
      x - (ACROSS - 1) / 2,
      y - (ACROSS - 1) / 2,
      ACROSS,
      ACROSS,
      0,
      0,
      SIZE,
      SIZE,
    );
    const cell = SIZE / ACROSS;
    const middle = ((ACROSS - 1) / 2) * cell;
    context.strokeStyle = "#fff";
    context.lineWidth = 3;
    context.strokeRect(middle, middle, cell, cell);
    context.strokeStyle = "#000";
    context.lineWidth = 1;
    context.strokeRect(middle, middle, cell, cell);
  }, [pixels, x, y]);
  const [r, g, b] = pixels.getImageData(x, y, 1, 1).data;
  const lab = rgb8ToLab(r!, g!, b!);
  return (
    <div
      className="pointer-events-none absolute z-10 border-2 border-black bg-white text-[12px] text-black outline-1 outline-white"
      style={{ left: flip.x ? left - SIZE - 28 : left + 24, top: flip.y ? top - SIZE - 40 : top + 24 }}
    >
      <canvas ref={canvas} width={SIZE} height={SIZE} className="block" />
      <p className="m-0 px-1 text-center">L* {signed(lab[0])}</p>
    </div>
  );
}
