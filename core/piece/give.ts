import type { Layer } from "@/core/media/layer";
import type { Area, Piece, PictureReading, Place } from "./piece";

/** What an area gives to others: the colours that are wanted of it, or with them its whole plan. */
export type Given = "colours" | "plan";

/** Most letters of where a reading comes from. */
const LONGEST = 60;

/** Readings as another area has them: they lie nowhere in the picture of their own. */
const readingsOf = ({ name, readings }: Area): Area["readings"] =>
  Object.fromEntries(
    (Object.entries(readings) as [Place, PictureReading][]).map(([p, r]) => [
      p,
      { lab: r.lab, spread: 0, from: `like ${name}`.slice(0, LONGEST) },
    ]),
  );

/** Layers as another area has them: what was set at a spot lies in the one alone. */
const elsewhere = (layer: Layer): Layer => {
  if (layer.medium !== "finish" || !layer.marks) return layer;
  const { marks: _, ...rest } = layer;
  return rest;
};

/** What an area is to be built of, and what is wished of it; not where it lies, nor what it is called. */
const planOf = ({ material, school, tones, contrast, drift, ownedOnly, excluded, layers }: Area) => ({
  material,
  school,
  tones,
  contrast,
  drift,
  ownedOnly,
  excluded,
  layers,
});

/** The piece after one of its areas took the plan of an area of another piece. */
export const taken = (piece: Piece, id: string, source: Area, from: string): Piece => ({
  ...piece,
  areas: piece.areas.map((a) =>
    a.id !== id || a.white ? a : { ...a, ...planOf(source), readings: readingsOf({ ...source, name: from }) },
  ),
});

/** The piece after an area gave what it has to others. Where these lie, how they are formed and what they are called stays theirs. */
export function given(piece: Piece, from: string, to: readonly string[], what: Given): Piece {
  const source = piece.areas.find((a) => a.id === from);
  if (!source) return piece;
  const wanted = new Set(to);
  const readings = readingsOf(source);
  const plan = planOf({ ...source, layers: source.layers.map(elsewhere) });
  return {
    ...piece,
    areas: piece.areas.map((a) =>
      a.id === from || !wanted.has(a.id) || a.white ? a : { ...a, ...(what === "plan" && plan), readings },
    ),
  };
}
