"use client";
import { toneMapQuestion } from "@/compute/piece-questions";
import { useMemo } from "react";
import { coverage } from "@/core/colouring/set-marks";
import type { Mark } from "@/core/media/mark";
import type { Piece } from "@/core/piece/piece";
import { laidBy } from "@/core/work/at-desk";
import { stepKey } from "@/core/work/record";
import type { Rack } from "@/store/rack";
import { useCompute } from "@/ui/jobs/use-job";
import { PixelCanvas } from "@/ui/kit/pixel-canvas";
import { SMALL, useColouring, useLight, type Coloured } from "@/ui/light/use-colouring";
import { StillPicture, useKeptPicture } from "@/ui/piece/kept-picture";
import { usePictures } from "@/ui/set-up/use-pictures";
import type { DeskState, DeskStep } from "./use-desk";

/** Whose opacity hides what is not worked on, of 255; and pixels of the rim of what is. */
const DIM = 190;
/** How much of the frame the section fills at most, and how far the picture is zoomed at most. */
const FILLS = 0.62;
const MOST_ZOOM = 3;

interface Zone {
  readonly lit: Uint8Array;
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
}

/** Pixels in which a step goes on. */
function zoneOf(
  { width, data }: { readonly width: number; readonly data: Int16Array },
  area: number,
  places: Uint8Array,
  sections: Uint16Array | undefined,
  section: number,
  from: number,
  to: number,
): Zone | undefined {
  const lit = new Uint8Array(data.length);
  let [l, t, r, b] = [Infinity, Infinity, -1, -1];
  for (let p = 0; p < data.length; p++) {
    if (data[p] !== area || !places[p] || (sections && sections[p] !== section + 1)) continue;
    const place = (places[p]! - 1) / 254;
    if (place < from - 0.002 || place > to + 0.002) continue;
    lit[p] = 1;
    const [x, y] = [p % width, (p / width) | 0];
    [l, t, r, b] = [Math.min(l, x), Math.min(t, y), Math.max(r, x), Math.max(b, y)];
  }
  return r < 0 ? undefined : { lit, box: [l, t, r, b] };
}

/** Room around marks that are set, mm, by which they are found. */
const AROUND = 1.5;

/** Pixels in and around marks that a step sets, in its own section. */
function markedZone(
  { width, height, data }: { readonly width: number; readonly height: number; readonly data: Int16Array },
  mmPerPixel: number,
  marks: readonly Mark[],
  sections: Uint16Array | undefined,
  section: number,
): Zone | undefined {
  const lit = new Uint8Array(data.length);
  let [l, t, r, b] = [Infinity, Infinity, -1, -1];
  for (const mark of marks) {
    const wide = { ...mark, kind: "line" as const, width: mark.width + 2 * AROUND };
    const { box, cover } = coverage(wide, { width, height, mmPerPixel }, [0, 0, width, height]);
    for (let y = box[1], q = 0; y < box[3]; y++)
      for (let x = box[0]; x < box[2]; x++, q++) {
        const p = y * width + x;
        if (cover[q]! < 0.5 || (sections && sections[p] && sections[p] !== section + 1)) continue;
        lit[p] = 1;
        [l, t, r, b] = [Math.min(l, x), Math.min(t, y), Math.max(r, x), Math.max(b, y)];
      }
  }
  return r < 0 ? undefined : { lit, box: [l, t, r, b] };
}

/** The picture with all but a zone dimmed, and the zone rimmed. */
function litPixels(under: Coloured, over: Coloured | undefined, zone: Zone | undefined): Coloured {
  const { width, height } = under;
  const rgba = under.rgba.slice();
  if (zone && zone.lit.length === width * height)
    for (let p = 0; p < zone.lit.length; p++) {
      const at = 4 * p;
      if (zone.lit[p]) {
        if (over) for (let c = 0; c < 3; c++) rgba[at + c] = over.rgba[at + c]!;
        continue;
      }
      const x = p % width;
      const rim =
        (x > 0 && zone.lit[p - 1]) ||
        (x < width - 1 && zone.lit[p + 1]) ||
        zone.lit[p - width] ||
        zone.lit[p + width];
      for (let c = 0; c < 3; c++)
        rgba[at + c] = rim ? 20 : Math.round((rgba[at + c]! * (255 - DIM) + 245 * DIM) / 255);
    }
  return { ...under, rgba };
}

export type Look = "zone" | "whole" | "end";

/**
 * Where a step goes: the picture as it looks once it is laid, zoomed to its section with its zone lit; or the whole of it; or as it looks in the
 * end.
 */
export function LitPicture({
  piece,
  rack,
  state,
  step,
  look,
  label,
}: {
  readonly piece: Piece;
  readonly rack: Rack;
  readonly state: DeskState;
  readonly step: DeskStep | undefined;
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
  const { work, record, sections, parts, desk } = state;
  const part = step && parts.get(step.area);
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
          hand: desk.hand,
        }
      : null,
    undefined,
    { about: field },
  ).output;
  const laid = useMemo(() => laidBy(work, record), [work, record]);
  const added = (id: string) => record.added.filter((a) => a.area === id);
  const place = part && step ? part.course[step.pass]! : -1;
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
  const pass = part && step ? part.passes[step.pass] : undefined;
  const areaAt = map && part ? map.areas.findIndex((a) => a.id === part.area.id) : -1;
  const mmPerPixel = light.exact?.output.mmPerPixel;
  const zone = useMemo(() => {
    if (!map || !step || !pass || areaAt < 0 || !mmPerPixel) return undefined;
    const cuts = isCut ? cut?.sections.data : undefined;
    return pass.marks
      ? markedZone(map.owner, mmPerPixel, pass.marks, cuts, step.section)
      : zoneOf(map.owner, areaAt, map.places.data, cuts, step.section, pass.from, pass.to);
  }, [map, step, pass, areaAt, cut, isCut, mmPerPixel]);
  // Sections of this area that have the pass already keep it, whichever is being laid.
  const over = useMemo(() => {
    if (!base || !after || !map || !part || !step || areaAt < 0) return base;
    const n = sections[part.id] ?? 1;
    const has = Array.from({ length: n }, (_, section) =>
      record.done.has(stepKey({ area: part.id, section, pass: step.pass })),
    );
    if (!has.some(Boolean)) return base;
    const rgba = base.rgba.slice();
    map.owner.data.forEach((a, p) => {
      if (a === areaAt && has[cut ? cut.sections.data[p]! - 1 : 0])
        rgba.set(after.rgba.subarray(4 * p, 4 * p + 3), 4 * p);
    });
    return { ...base, rgba };
  }, [base, after, map, part, step, areaAt, sections, record, cut]);
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
}

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
