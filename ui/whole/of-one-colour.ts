import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";

/** An area as a joint plan is asked of it. */
interface AskedArea {
  readonly id: string;
  readonly target: Readonly<Record<string, { readonly lab: Lab }>>;
  /** Size of a part, mm². */
  readonly mm2?: number | null | undefined;
}

/** Fewer areas that stand for all of them. */
export interface Standing<A> {
  readonly areas: readonly A[];
  /** Areas that get the group of another one, by that one's id. */
  readonly like: ReadonlyMap<string, readonly string[]>;
  /** Areas that found no room: the smallest. */
  readonly left: readonly string[];
}

/** ΔE00 within which areas are of one colour, in each place that was picked. */
const ONE_COLOUR = 2.5;

/** What an area is asked beside its colour and how it lies; areas of which this differs are never one. */
const restOf = ({ id: _, target: __, mm2: ___, ...rest }: AskedArea): string =>
  JSON.stringify(rest, (key, value: unknown) => (key === "shares" ? undefined : value));

const alike = (a: AskedArea, b: AskedArea): boolean => {
  const [places, others] = [Object.keys(a.target), Object.keys(b.target)];
  return (
    places.length === others.length &&
    places.every((p) => b.target[p] && deltaE00(a.target[p]!.lab, b.target[p].lab) <= ONE_COLOUR)
  );
};

/**
 * Where there are more areas than can be planned together, those of one colour and one wish share a group: the largest stands for the others. What
 * then still is too much is left out, the smallest first. As many as there is room for are left as they are.
 */
export function standingFor<A extends AskedArea>(areas: readonly A[], most: number): Standing<A> {
  if (areas.length <= most) return { areas, like: new Map(), left: [] };
  const standing = new Map<string, A[]>();
  const like = new Map<string, string[]>();
  const order: A[] = [];
  for (const area of [...areas].sort((a, b) => (b.mm2 ?? 0) - (a.mm2 ?? 0))) {
    const rest = restOf(area);
    const same = standing.get(rest) ?? [];
    const found = same.find((other) => alike(other, area));
    if (found) {
      like.set(found.id, [...(like.get(found.id) ?? []), area.id]);
      continue;
    }
    standing.set(rest, [...same, area]);
    order.push(area);
  }
  const kept = order.slice(0, most);
  const left = order.slice(most).flatMap(({ id }) => [id, ...(like.get(id) ?? [])]);
  return {
    areas: kept,
    like: new Map(kept.flatMap(({ id }) => (like.has(id) ? [[id, like.get(id)!] as const] : []))),
    left,
  };
}

/** Pairs of neighbours between what stands for them, each once; none with itself, nor with what was left out. */
export function standingPairs<A extends { readonly id: string }>(
  { areas, like }: Standing<A>,
  neighbours: readonly (readonly [string, string])[],
): [string, string][] {
  const by = new Map<string, string>(areas.map(({ id }) => [id, id]));
  for (const [id, others] of like) for (const other of others) by.set(other, id);
  const seen = new Set<string>();
  return neighbours.flatMap(([a, b]): [string, string][] => {
    const [p, q] = [by.get(a), by.get(b)];
    if (!p || !q || p === q) return [];
    const name = [p, q].sort().join(" ");
    if (seen.has(name)) return [];
    seen.add(name);
    return [[p, q]];
  });
}
