"use client";
import { Maximize, ZoomIn, ZoomOut } from "lucide-react";
import { ZOOMS, type useZoom } from "./use-zoom";

/** Nearer, farther, and the whole picture. */
export function ZoomButtons({
  zoom,
  zoomBy,
  whole,
}: Pick<ReturnType<typeof useZoom>, "zoom" | "zoomBy" | "whole">) {
  return (
    <>
      <button className="button-bare" onClick={() => zoomBy(-1)} disabled={zoom === 0} aria-label="Zoom out">
        <ZoomOut size={19} aria-hidden />
      </button>
      <span className="w-11 text-center text-[14px]">{ZOOMS[zoom]}×</span>
      <button
        className="button-bare"
        onClick={() => zoomBy(1)}
        disabled={zoom === ZOOMS.length - 1}
        aria-label="Zoom in"
      >
        <ZoomIn size={19} aria-hidden />
      </button>
      <button className="button-bare" onClick={whole} aria-label="Whole picture">
        <Maximize size={18} aria-hidden />
      </button>
    </>
  );
}
