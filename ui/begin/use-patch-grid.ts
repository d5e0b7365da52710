"use client";
import { useEffect, useRef, useState } from "react";
import type { FindPatchesOutput } from "@/compute/operations/find-patches";
import { MOST_PATCHES, patchGrid, type At, type PatchGrid } from "@/core/picture/patch-grid";
import { askOfPicture } from "@/ui/jobs/client";
import { messageOf } from "@/ui/send";

/** What is pointed at, in this order, where the patches were not found by themselves. */
export const POINTS = [
  "Point at bare paper",
  "Now at the first patch, in its middle",
  "Now at the last patch of the first row",
  "Now at the very last patch",
] as const;

export interface SheetPicture {
  readonly handle: string;
  readonly file: File;
  readonly url: string;
  readonly size: { readonly width: number; readonly height: number };
}

interface Size {
  readonly rows: number;
  readonly columns: number;
}

/** Patches in place: found by themselves, pointed at, or moved from there onto what lies there. */
interface Placed {
  readonly grid: PatchGrid;
  readonly how: "found" | "pointed" | "moved";
  readonly asPointed?: PatchGrid;
  /** Places of bare paper around the patches. */
  readonly bare: readonly At[];
}

const cornersOf = ({ middles }: PatchGrid, { columns }: Size) => ({
  first: middles[0]!,
  rowEnd: middles[columns - 1]!,
  last: middles[middles.length - 1]!,
});

/** A photo of a swatch sheet and where its patches lie: found by themselves, or pointed at and then moved onto what lies there. */
export function usePatchGrid(onChange: () => void) {
  const [photo, setPhoto] = useState<SheetPicture>();
  const [points, setPoints] = useState<readonly At[]>([]);
  const [bare, setBare] = useState<At>();
  const [size, setSize] = useState<Size>({ rows: 4, columns: 6 });
  const [placed, setPlaced] = useState<Placed>();
  const [isLooking, setLooking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const latest = useRef(0);
  useEffect(() => () => photo && URL.revokeObjectURL(photo.url), [photo]);

  /** Asks where patches lie; what was asked before and comes later is thrown away. */
  const look = async (
    of: SheetPicture,
    pointed?: object,
  ): Promise<FindPatchesOutput["found"] | undefined> => {
    const own = ++latest.current;
    setLooking(true);
    try {
      const { found } = await askOfPicture(
        "findPatches",
        { handle: of.handle, called: of.file.name, load: () => Promise.resolve(of.file) },
        pointed ? { pointed } : {},
      );
      return own === latest.current ? found : undefined;
    } catch (e) {
      if (own === latest.current) setTrouble(messageOf(e));
      return undefined;
    } finally {
      if (own === latest.current) setLooking(false);
    }
  };
  /** Shows a grid at once, and moves it onto the patches once they are seen. */
  const place = async (of: SheetPicture, asPointed: PatchGrid, its: Size) => {
    setPlaced({ grid: asPointed, how: "pointed", bare: [] });
    if (its.rows * its.columns > MOST_PATCHES) return;
    const found = await look(of, { ...cornersOf(asPointed, its), ...its });
    if (!found) return;
    onChange();
    setPlaced({
      grid: { middles: found.middles, side: found.side },
      how: "moved",
      asPointed,
      bare: found.bare,
    });
  };
  const clear = () => {
    latest.current++;
    setLooking(false);
    setTrouble(undefined);
    setPlaced(undefined);
    setBare(undefined);
    setPoints([]);
    onChange();
  };
  const choose = (file: File) => {
    clear();
    const turn = latest.current;
    const url = URL.createObjectURL(file);
    const image = new Image();
    image.onload = async () => {
      // Another photo was chosen before this one had come.
      if (turn !== latest.current) return URL.revokeObjectURL(url);
      const taken = {
        handle: crypto.randomUUID(),
        file,
        url,
        size: { width: image.naturalWidth, height: image.naturalHeight },
      };
      setPhoto(taken);
      const found = await look(taken);
      if (!found) return;
      setSize({ rows: found.rows, columns: found.columns });
      setPlaced({ grid: { middles: found.middles, side: found.side }, how: "found", bare: found.bare });
      setBare(found.bare[0]);
    };
    image.onerror = () => setTrouble(`“${file.name}” is not a picture this browser can open.`);
    image.src = url;
  };
  const point = (at: At) => {
    if (!photo || (placed && bare)) return;
    onChange();
    if (placed || !points.length) setBare(at);
    if (placed) return;
    // Whoever points does not wait for what is looked for by itself.
    latest.current++;
    setLooking(false);
    const now = [...points, at];
    setPoints(now);
    if (now.length === POINTS.length)
      void place(photo, patchGrid(now[1]!, now[2]!, now[3]!, size, photo.size), size);
  };
  const resize = (change: Partial<Size>) => {
    const now = { ...size, ...change };
    setSize(now);
    onChange();
    if (!photo || !placed) return;
    const { first, rowEnd, last } = cornersOf(placed.asPointed ?? placed.grid, size);
    void place(photo, patchGrid(first, rowEnd, last, now, photo.size), now);
  };
  return {
    photo,
    size,
    bare,
    /** The grid that is read; nothing is read before bare paper is known. */
    placed,
    isLooking,
    trouble,
    points,
    /** What is to be pointed at next. */
    next: placed ? (bare ? undefined : POINTS[0]) : POINTS[points.length],
    choose,
    point,
    resize,
    again: clear,
    asPointed: () => {
      if (!placed?.asPointed) return;
      setPlaced({ ...placed, grid: placed.asPointed, how: "pointed", asPointed: undefined });
      onChange();
    },
  };
}
