import type { Piece } from "@/core/piece/piece";
import type { WorkRecord } from "./record";

/** Codes exchanged wherever a layer names them. */
function exchangedCodes<T>(value: T, by: ReadonlyMap<string, string>): T {
  if (Array.isArray(value)) return value.map((v: unknown) => exchangedCodes(v, by)) as T;
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [
      key,
      (key === "code" || key === "base") && typeof v === "string"
        ? (by.get(v) ?? v)
        : exchangedCodes<unknown>(v, by),
    ]),
  ) as T;
}

/**
 * The piece with what is taken instead of what, as the record says: in every area in which nothing was laid yet with the old one. What lies with it
 * stays as it lies.
 */
export function exchangedIn<P extends Pick<Piece, "areas" | "whole">>(piece: P, record: WorkRecord): P {
  const { exchanged, done } = record;
  if (!exchanged.size) return piece;
  const used = new Set([...done.values()].map((e) => JSON.stringify([e.area, e.code])));
  const laid = new Set([...done.values()].map((e) => e.code));
  return {
    ...piece,
    whole: {
      ...piece.whole,
      underlay: piece.whole.underlay.map((c) => (laid.has(c) ? c : (exchanged.get(c) ?? c))),
    },
    areas: piece.areas.map((area) => {
      const own = new Map([...exchanged].filter(([code]) => !used.has(JSON.stringify([area.id, code]))));
      return own.size ? { ...area, layers: exchangedCodes(area.layers, own) } : area;
    }),
  };
}
