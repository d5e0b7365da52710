"use client";
import { toneMapQuestion } from "@/compute/piece-questions";
import { memo, useMemo } from "react";
import type { Piece } from "@/core/piece/piece";
import { laidBy } from "@/core/work/at-desk";
import { stepKey } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { SMALL, useColouring, useLight, type Coloured } from "@/ui/light/use-colouring";
import { StillPicture, useKeptPicture } from "@/ui/piece/kept-picture";
import { usePictures } from "@/ui/set-up/use-pictures";
import { litPixels, markedZone, mixedPixels, zoneOf } from "./lit-pixels";
import type { DeskState } from "./use-desk";

/** How much of the frame the section fills at most, and how far the picture is zoomed at most. */
const FILLS = 0.62;
const MOST_ZOOM = 3;

export type Look = "zone" | "whole" | "end";

/**
 * Where a step goes: the picture as it looks once it is laid, zoomed to its section with its zone lit; or the whole of it; or as it looks in the
 * end.
 */
export const LitPicture = memo(function LitPicture({
  piece,
  rack,
  work,
  record,
  sections,
  parts,
  hand,
  area,
  section,
  pass: at,
  look,
  label,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly work: DeskState["work"];
  readonly record: DeskState["record"];
  readonly sections: DeskState["sections"];
  readonly parts: DeskState["parts"];
  readonly hand: DeskState["desk"]["hand"];
  /** The step that is shown, if one is. */
  readonly area: string | undefined;
  readonly section: number | undefined;
  readonly pass: number | undefined;
  readonly look: Look;
  readonly label: string;
}) {
  const line = piece.setUp.line!;
  const mixed = piece.light.fromReference > 0 && piece.pictureId ? [piece.pictureId] : [];
  const pictures = usePictures([...new Set([line.pictureId, ...mixed])]);
  // What is to be seen in the end is kept: nothing is drawn for it.
  const drawing = look === "end" ? undefined : pictures.known.get(line.pictureId);
  const light = useLight(piece, drawing, pictures.known, SMALL);
  const field = light.exact?.output.field;
  const part = area === undefined ? undefined : parts.get(area);
  const map = useCompute("toneMap", field ? { field, ...toneMapQuestion(piece) } : null).output;
  const isCut = part && (sections[part.id] ?? 1) > 1;
  const cut = useCompute(
    "sections",
    field && isCut
      ? {
          field,
          ...toneMapQuestion(piece),
          sections: Object.fromEntries(
            work.flatMap((w) => (!w.isDry ? [[w.area.id, sections[w.id] ?? 1]] : [])),
          ),
          hand,
        }
      : null,
    undefined,
    { about: field },
  ).output;
  const laid = useMemo(() => laidBy(work, record), [work, record]);
  const added = (id: string) => record.added.filter((a) => a.area === id);
  const place = part && at !== undefined ? part.course[at]! : -1;
  const base = useColouring(piece, rack, light.lit, {
    onLost: light.again,
    upTo: (area) => laid.get(area.id) ?? 0,
    added: (area) => added(area.id),
  }).coloured;
  const after = useColouring(piece, rack, part ? light.lit : undefined, {
    onLost: light.again,
    upTo: (area) =>
      area.id === part?.area.id ? Math.max(place + 1, laid.get(area.id) ?? 0) : (laid.get(area.id) ?? 0),
    added: (area) => added(area.id),
  }).coloured;
  const kept = useKeptPicture();
  const pass = part && at !== undefined ? part.passes[at] : undefined;
  const areaAt = map && part ? map.areas.findIndex((a) => a.id === part.area.id) : -1;
  const mmPerPixel = light.exact?.output.mmPerPixel;
  const zone = useMemo(() => {
    if (!map || section === undefined || !pass || areaAt < 0 || !mmPerPixel) return undefined;
    const cuts = isCut ? cut?.sections.data : undefined;
    return pass.marks
      ? markedZone(map.owner, mmPerPixel, pass.marks, cuts, section)
      : zoneOf(map.owner, areaAt, map.places.data, cuts, section, pass.from, pass.to);
  }, [map, section, pass, areaAt, cut, isCut, mmPerPixel]);
  // Sections of this area that have the pass already keep it, whichever is being laid.
  const over = useMemo(() => {
    if (!base || !after || !map || !part || at === undefined || areaAt < 0) return base;
    const n = sections[part.id] ?? 1;
    const has = Array.from({ length: n }, (_, own) =>
      record.done.has(stepKey({ area: part.id, section: own, pass: at })),
    );
    if (!has.some(Boolean)) return base;
    const owner = map.owner.data;
    return mixedPixels(base, after, (p) => owner[p] === areaAt && !!has[cut ? cut.sections.data[p]! - 1 : 0]);
  }, [base, after, map, part, at, areaAt, sections, record, cut]);
  const pixels = useMemo(
    () => over && (look === "zone" ? litPixels(over, after, zone) : over),
    [over, after, zone, look],
  );
  if (look === "end")
    return kept ? (
      <StillPicture
        kept={kept}
        label={`${piece.name} as it will look`}
        className="mx-auto h-full w-auto max-w-full object-contain"
        sizes="50vw"
      />
    ) : null;
  if (!pixels)
    return (
      <div className="grid h-full place-items-center text-[15px] text-soft" role="status">
        Drawing the picture…
      </div>
    );
  const { width, height } = pixels;
  const zoomed = look === "zone" && zone ? zone.box : undefined;
  return <Zoomed pixels={pixels} box={zoomed ?? [0, 0, width, height]} label={label} />;
});

/** A picture in its frame, so near that a box of it fills most of the frame. */
function Zoomed({
  pixels,
  box: [l, t, r, b],
  label,
}: {
  readonly pixels: Coloured;
  readonly box: readonly [number, number, number, number];
  readonly label: string;
}) {
  const { width, height } = pixels;
  const whole = r - l >= width && b - t >= height;
  const zoom = whole
    ? 1
    : Math.max(
        1,
        Math.min(MOST_ZOOM, (FILLS * width) / Math.max(1, r - l), (FILLS * height) / Math.max(1, b - t)),
      );
  // The middle of the box comes to the middle of the frame, as far as the picture reaches.
  const shift = (from: number, to: number, side: number) => {
    const middle = (from + to) / 2 / side;
    return Math.min(0, Math.max(1 - zoom, 0.5 - middle * zoom)) * 100;
  };
  return (
    <div style={{ containerType: "size" }} className="grid h-full place-items-center overflow-hidden">
      <div
        className="relative max-h-full max-w-full overflow-hidden border border-line"
        style={{
          aspectRatio: `${width} / ${height}`,
          width: `min(100cqw, ${(100 * width) / height}cqh)`,
        }}
      >
        <div
          className="absolute left-0 top-0 motion-safe:transition-[width,height,translate] motion-safe:duration-300"
          style={{
            width: `${zoom * 100}%`,
            height: `${zoom * 100}%`,
            transform: `translate(${shift(l, r, width) / zoom}%, ${shift(t, b, height) / zoom}%)`,
          }}
        >
          <PixelCanvas pixels={pixels} label={label} testId="desk-picture" />
        </div>
      </div>
    </div>
  );
}
