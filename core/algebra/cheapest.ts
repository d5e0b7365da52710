/** Keeps the cheapest so many, in linear time on the whole. */
export function cheapest<P extends { readonly cost: number }>(most: number) {
  const kept: P[] = [];
  let limit = Infinity;
  const cut = () => {
    kept.sort((a, b) => a.cost - b.cost);
    kept.length = Math.min(kept.length, most);
    if (kept.length === most) limit = kept[most - 1]!.cost;
  };
  return {
    limit: () => limit,
    add: (p: P) => {
      kept.push(p);
      if (kept.length >= 2 * most) cut();
    },
    take: () => {
      cut();
      return kept;
    },
  };
}
