"use client";
import { useMemo } from "react";
import type { ToneMapOutput } from "@/compute/operations/tone-map";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";

/** What a tone is shown as: its colour as laid, or a grey where no group is kept. */
export type ToneTint = (area: string, zone: number, zones: number) => readonly [number, number, number];

/** Bare paper in the tone map. */
const BARE = [255, 255, 255] as const;

/** The picture's areas filled with their tones. */
export function ToneLayer({ map, tint }: { readonly map: ToneMapOutput; readonly tint: ToneTint }) {
  const pixels = useMemo(() => {
    const { width, height, data: zones } = map.zones;
    const tables = map.areas.map(({ id, mm2 }) =>
      Uint32Array.from({ length: mm2.length + 1 }, (_, z) => {
        const [r, g, b] = z ? tint(id, z, mm2.length) : BARE;
        return ((255 << 24) | (b << 16) | (g << 8) | r) >>> 0;
      }),
    );
    const bare = 0xffffffff;
    const out = new Uint32Array(width * height);
    for (let p = 0; p < out.length; p++) {
      const a = map.owner.data[p]!;
      out[p] = a < 0 ? bare : (tables[a]![zones[p]!] ?? bare);
    }
    return { width, height, rgba: new Uint8ClampedArray(out.buffer) };
  }, [map, tint]);
  return <PixelCanvas pixels={pixels} label="Tone map" testId="tone-map" />;
}

/** Least room for a number, screen pixels, and length of the strokes beside it. */
const ROOM = 7;
const STROKE = 9;

/** Numbers of the tones, lightest 1, with the direction of strokes. */
export function ToneNumbers({
  map,
  place,
  pixelsPerMm,
}: {
  readonly map: ToneMapOutput;
  readonly place: (at: readonly [number, number]) => readonly [number, number];
  readonly pixelsPerMm: number;
}) {
  return (
    <>
      {map.marks?.map(({ area, zone, at, room, stroke }) => {
        const [x, y] = place(at);
        if (room * pixelsPerMm < ROOM || (map.areas[area]?.mm2.length ?? 0) < 2) return null;
        const [c, s] = [Math.cos(stroke ?? 0), Math.sin(stroke ?? 0)];
        return (
          <g key={`${area} ${zone}`}>
            {stroke !== null && room * pixelsPerMm > 2 * ROOM && (
              <path
                d={[-1, 1]
                  .map(
                    (k) =>
                      `M${x - STROKE * c - 9 * k * s} ${y - STROKE * s + 9 * k * c}l${2 * STROKE * c} ${2 * STROKE * s}`,
                  )
                  .join("")}
                stroke="#000"
                strokeWidth={1.2}
                fill="none"
              />
            )}
            <text
              x={x}
              y={y}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={12}
              fontWeight={650}
              fill="#000"
              stroke="#fff"
              strokeWidth={3}
              paintOrder="stroke"
            >
              {zone}
            </text>
          </g>
        );
      })}
    </>
  );
}
