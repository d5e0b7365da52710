/** A part of an area, from its lightest end (0) to its darkest (1). */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Borders that were worked out along different ways meet within this. */
const EPSILON = 1e-9;

/** Whether a place lies in a span; where two meet, it is the one that begins there. */
export const covers = ({ from, to }: Span, t: number): boolean =>
  from <= t + EPSILON && (t < to - EPSILON || (to >= 1 && t <= 1));

/** Every stretch on which the same spans lie, from 0 to 1. */
export function stretches(spans: readonly Span[]): Span[] {
  const borders = [...new Set([0, 1, ...spans.flatMap((s) => [s.from, s.to])])].sort((a, b) => a - b);
  return borders.slice(1).map((to, i) => ({ from: borders[i]!, to }));
}

/** Coats at a place of an area. */
export const coatsAt = (passes: readonly (Span & { readonly coats: number })[], t: number): number =>
  passes.reduce((sum, p) => sum + (covers(p, t) ? p.coats : 0), 0);

/** Most coats anywhere on an area, or up to a place of it. */
export const mostCoats = (passes: readonly (Span & { readonly coats: number })[], upTo = 1): number =>
  stretches(passes).reduce((most, { from, to }) => {
    const t = (from + to) / 2;
    return t <= upTo ? Math.max(most, coatsAt(passes, t)) : most;
  }, 0);
