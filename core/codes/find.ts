/** What can be searched: a marker's code and family, and if known its name and the depth that its code says. */
export interface Findable {
  readonly code: string;
  readonly family: string;
  readonly name?: string;
  readonly depth?: number;
}

/** "2-5", "2–5" or "2..5": a range of depths, in either direction. */
const RANGE = /^(\d+)\s*(?:[-–—]|\.\.)\s*(\d+)$/;

/** How well a marker answers one typed word: 0 exactly, 1 begins with it, 2 contains it, Infinity not at all. */
function rankOf({ code, family, name, depth }: Findable, word: string): number {
  const [c, f, n] = [code.toLowerCase(), family.toLowerCase(), (name ?? "").toLowerCase()];
  if (c === word || f === word || n === word) return 0;
  const range = RANGE.exec(word);
  if (range && depth !== undefined) {
    const [a, b] = [Number(range[1]), Number(range[2])];
    const d = Math.abs(depth);
    return d >= Math.min(a, b) && d <= Math.max(a, b) ? 0 : Infinity;
  }
  if (c.startsWith(word) || f.startsWith(word) || n.startsWith(word)) return 1;
  if (
    c.includes(word) ||
    n.includes(word) ||
    (/^\d+$/.test(word) && depth !== undefined && Math.abs(depth) === Number(word))
  )
    return 2;
  return Infinity;
}

/**
 * Markers that answer every typed word by code, family, name or range of depths ("reed 2-5"); the nearest answers first. An empty query
 * finds all.
 */
export function findMarkers<M extends Findable>(markers: readonly M[], query: string): M[] {
  const words = query
    .toLowerCase()
    .replace(/(\d)\s*([-–—]|\.\.)\s*(\d)/g, "$1$2$3")
    .split(/\s+/)
    .filter(Boolean);
  return markers
    .map((marker, place) => ({
      marker,
      place,
      rank: words.reduce((worst, w) => Math.max(worst, rankOf(marker, w)), 0),
    }))
    .filter((m) => Number.isFinite(m.rank))
    .sort((a, b) => a.rank - b.rank || a.place - b.place)
    .map((m) => m.marker);
}
