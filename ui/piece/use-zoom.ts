"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { useKey } from "@/ui/use-keys";

export const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8];

/** How large a picture is shown in its frame: as a whole, or zoomed in by steps. Keys + − 0. */
export function useZoom(size: { readonly width: number; readonly height: number }) {
  const { width, height } = size;
  const [zoom, setZoom] = useState(0);
  const [fit, setFit] = useState(0);
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const measure = () =>
      frame.current &&
      setFit(Math.min(frame.current.clientWidth / width, frame.current.clientHeight / height));
    measure();
    const observer = new ResizeObserver(measure);
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, [width, height]);
  const zoomBy = useCallback(
    (by: number) => setZoom((z) => Math.min(ZOOMS.length - 1, Math.max(0, z + by))),
    [],
  );
  /** The step that is nearest to a magnification. */
  const zoomTo = useCallback(
    (times: number) =>
      setZoom(
        ZOOMS.reduce(
          (best, z, i) =>
            Math.abs(Math.log(z / times)) < Math.abs(Math.log(ZOOMS[best]! / times)) ? i : best,
          0,
        ),
      ),
    [],
  );
  const whole = useCallback(() => setZoom(0), []);
  useKey("equal, shift+equal, add", () => zoomBy(1));
  useKey("minus, subtract", () => zoomBy(-1));
  useKey("0", whole);
  return { frame, fit, zoom, scale: fit * ZOOMS[zoom]!, zoomBy, zoomTo, whole };
}
