/** What can be searched: a marker's code and family. */
export interface Findable {
  readonly code: string;
  readonly family: string;
}

/** Markers whose code or family begins with each typed word, or contains it; those that begin with it first. An empty query finds all. */
export function findMarkers<M extends Findable>(markers: readonly M[], query: string): M[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = ({ code, family }: M): number => {
    const [c, f] = [code.toLowerCase(), family.toLowerCase()];
    return words.reduce((worst, w) => Math.max(worst, c === w ? 0 : c.startsWith(w) || f.startsWith(w) ? 1 : c.includes(w) ? 2 : Infinity), 0);
  };
  return markers
    .map((marker, place) => ({ marker, place, rank: rank(marker) }))
    .filter((m) => Number.isFinite(m.rank))
    .sort((a, b) => a.rank - b.rank || a.place - b.place)
    .map((m) => m.marker);
}
