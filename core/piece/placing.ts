import type { Point } from "@/core/algebra/point";
import { EVEN_SHARES } from "@/core/group/area-shares";
import type { PlacedArea } from "@/core/picture/area-map";
import { defaultName, type Area, type Piece } from "./piece";
import type { FoundArea, SetUpCommand } from "./set-up-commands";
import { MOST_POINTS } from "./set-up";

/** What has to be known of a drawing to say which regions belong to which area. */
export interface Ground {
  readonly areas: readonly PlacedArea[];
  readonly regions: readonly {
    readonly id: number;
    readonly middle: Point;
    readonly mm2: number;
    readonly width: number;
    readonly edge: number;
    readonly name?: string;
  }[];
  readonly free: readonly number[];
}

/**
 * Along more of the picture's edge than this a region is the bare sheet round the drawing; and so is then what runs out to the edge along this
 * share of it elsewhere: both sides of a drawing that reaches from edge to edge are alike.
 */
const BACKGROUND = 0.5;
const OTHER_SIDE = 0.15;
/** Longest name of an area. */
const LONGEST_NAME = 80;

/** Points of shares with as many digits as a large print needs. */
export const rounded = ([x, y]: Point): Point => [Math.round(x * 1e4) / 1e4, Math.round(y * 1e4) / 1e4];

const regionOf = (ground: Ground, id: number) => ground.regions[id - 1]!;
const uniquely = (points: readonly Point[]): readonly Point[] =>
  [...new Map(points.map((p) => [p.join(), p])).values()].slice(0, MOST_POINTS);

/** Regions that are the bare sheet round the drawing, whoever has claimed them. */
export function backgroundOf({ regions }: Pick<Ground, "regions">): ReadonlySet<number> {
  const isDrawn = regions.every((r) => r.edge < BACKGROUND);
  return new Set(isDrawn ? [] : regions.flatMap((r) => (r.edge >= OTHER_SIDE ? [r.id] : [])));
}

/** Regions that belong to no area and are no bare sheet round the drawing. */
export function openRegions(ground: Pick<Ground, "regions" | "free">): readonly number[] {
  const bare = backgroundOf(ground);
  return ground.free.filter((id) => !bare.has(id));
}

/** Regions of the bare sheet round the drawing that belong to no area. */
export function bareRegions(ground: Pick<Ground, "regions" | "free">): readonly number[] {
  const bare = backgroundOf(ground);
  return ground.free.filter((id) => bare.has(id));
}

/**
 * New areas for regions: those that the drawing's file calls by one name are one area, the others one each.
 * @param taken names that are in use, and how many areas there may still be: the largest regions come first then
 */
export function areasFor(
  ground: Ground,
  ids: readonly number[],
  taken: readonly string[],
  room: number,
  newId: () => string,
): FoundArea[] {
  const groups = new Map<string, number[]>();
  for (const id of ids) {
    const key = regionOf(ground, id).name ?? `region ${id}`;
    groups.set(key, [...(groups.get(key) ?? []), id]);
  }
  const used = new Set(taken);
  let count = taken.length;
  const named = (name: string | undefined): string => {
    let out = name?.slice(0, LONGEST_NAME - 5);
    if (out === undefined) {
      do out = defaultName(count++);
      while (used.has(out));
    } else for (let n = 2; used.has(out); n++) out = `${name} ${n}`;
    used.add(out);
    return out;
  };
  const sizeOf = (own: readonly number[]) => own.reduce((sum, id) => sum + regionOf(ground, id).mm2, 0);
  return [...groups.values()]
    .map((own) => ({ own, mm2: sizeOf(own) }))
    .sort((a, b) => b.mm2 - a.mm2)
    .slice(0, Math.max(0, room))
    .sort((a, b) => a.own[0]! - b.own[0]!)
    .map(({ own }) => areaOf(ground, own, newId(), named(regionOf(ground, own[0]!).name)));
}

/** All that is bare sheet round the drawing as one area; nothing where there is none. */
export function backgroundArea(
  ground: Ground,
  taken: readonly string[],
  newId: () => string,
): FoundArea | undefined {
  const own = bareRegions(ground);
  let name = "Background";
  for (let n = 2; taken.includes(name); n++) name = `Background ${n}`;
  return own.length ? areaOf(ground, own, newId(), name) : undefined;
}

/** A new area of some regions. */
function areaOf(ground: Ground, own: readonly number[], id: string, name: string): FoundArea {
  const parts = own.map((r) => regionOf(ground, r));
  const greatest = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), 0);
  return {
    id,
    name,
    at: uniquely(parts.map((r) => rounded(r.middle))),
    mm2: parts.reduce((sum, r) => sum + r.mm2, 0),
    part: greatest(parts.map((r) => r.mm2)),
    width: greatest(parts.map((r) => r.width)),
  };
}

const isUntouched = (a: Area): boolean => !a.layers.length && !Object.keys(a.readings).length && !a.fixed;

/**
 * Regions that may be gathered into new areas: those of none, and those that are an area by themselves of which nothing has been said yet. The bare
 * sheet is none of them.
 */
export function gatherable(piece: Piece, ground: Ground): readonly number[] {
  const known = new Map(piece.areas.map((a) => [a.id, a]));
  const alone = ground.areas.flatMap(({ id, regions }) => {
    const area = known.get(id);
    return area && regions.length === 1 && isUntouched(area) ? regions : [];
  });
  return [...openRegions(ground), ...alone];
}

/** Sets of regions made one area each, in one step; areas of single regions that are gathered with others are gone. Nothing when there is no room. */
export function gathered(
  piece: Piece,
  ground: Ground,
  sets: readonly (readonly number[])[],
  room: number,
  newId: () => string,
): Extract<SetUpCommand, { type: "add areas" }> | undefined {
  const may = new Set(gatherable(piece, ground));
  const wanted = sets.map((s) => s.filter((r) => may.has(r))).filter((s) => s.length);
  const all = new Set(wanted.flat());
  const instead = ground.areas.filter((a) => a.regions.some((r) => all.has(r))).map((a) => a.id);
  const names = new Set(piece.areas.flatMap((a) => (instead.includes(a.id) ? [] : [a.name])));
  const kept = names.size;
  const areas = wanted.slice(0, Math.max(0, room + instead.length)).map((own, i) => {
    // What the drawing's file calls all of them is their name; else their number is.
    const [said, ...others] = new Set(own.map((r) => regionOf(ground, r).name));
    const name = said && !others.length && !names.has(said) ? said : defaultName(kept + i);
    names.add(name);
    return areaOf(ground, own, newId(), name);
  });
  return areas.length ? { type: "add areas", areas, instead } : undefined;
}

/** Several areas, and regions that belong to none, made one: the first keeps its plan. Nothing when that is locked. */
export function joined(
  piece: Piece,
  ground: Ground,
  ids: readonly string[],
  regions: readonly number[],
): SetUpCommand | undefined {
  const areas = piece.areas.filter((a) => ids.includes(a.id) && a.place);
  const [first, ...others] = areas;
  if (!first || areas.some((a) => a.fixed) || (!others.length && !regions.length)) return undefined;
  const at = uniquely([
    ...areas.flatMap((a) => a.place!.at),
    ...regions.map((id) => rounded(regionOf(ground, id).middle)),
  ]);
  return { type: "place areas", places: [{ id: first.id, at }], without: others.map((a) => a.id) };
}

/** A region given to an area, or taken out of it when it is the area's own. Locked areas give and take nothing. */
export function withPart(piece: Piece, ground: Ground, id: string, region: number): SetUpCommand | undefined {
  const area = piece.areas.find((a) => a.id === id);
  if (!area || area.fixed) return undefined;
  const holder = ground.areas.find((a) => a.regions.includes(region));
  const before = holder && piece.areas.find((a) => a.id === holder.id);
  if (before?.fixed) return undefined;
  const without = (a: Area, placed: PlacedArea): readonly Point[] =>
    (a.place?.at ?? []).filter((_, i) => placed.points[i] !== region);
  if (before && holder && before.id === id)
    return { type: "place areas", places: [{ id, at: without(before, holder) }] };
  const at = uniquely([...(area.place?.at ?? []), rounded(regionOf(ground, region).middle)]);
  return {
    type: "place areas",
    places: [{ id, at }, ...(before && holder ? [{ id: before.id, at: without(before, holder) }] : [])],
  };
}

/** An area that lost its place takes that of another, which is lost then. */
export function swapped(piece: Piece, lost: string, successor: string): SetUpCommand | undefined {
  const [from, to] = [lost, successor].map((id) => piece.areas.find((a) => a.id === id));
  if (!from || !to?.place || from.fixed || to.fixed) return undefined;
  return {
    type: "place areas",
    places: [
      { id: lost, at: to.place.at },
      { id: successor, at: [] },
    ],
  };
}

/** Where areas without a place lie, by the places that their colours were picked at. `back` leads from the reference to the drawing. */
export function placedByReadings(
  piece: Piece,
  back: (x: number, y: number) => Point,
): { readonly id: string; readonly at: readonly Point[] }[] {
  return piece.areas.flatMap((a) => {
    if (a.place) return [];
    const picked = Object.values(a.readings).flatMap((r) => (r?.at ? [r.at] : []));
    const at = picked
      .map(({ x, y, width, height }) => rounded(back(x + width / 2, y + height / 2)))
      .filter(([x, y]) => x >= 0 && y >= 0 && x <= 1 && y <= 1);
    return at.length ? [{ id: a.id, at: uniquely(at) }] : [];
  });
}

const thousandth = (v: number) => Math.round(v * 1000) / 1000;
/** Measures are kept to a tenth of a mm² and a hundredth of a mm. */
const tenth = (v: number) => Math.round(v * 10) / 10;
const hundredth = (v: number) => Math.round(v * 100) / 100;
const MOST_TOUCHES = 1300;

/** How far, in sum over their steps, two divisions of an area are one: what is looked at more or less closely differs a little. */
const SAME_SHARES = 0.08;

/** How areas are divided from light to dark as a tone map shows it, if the piece does not say so already. */
export function shared(
  piece: Piece,
  areas: readonly { readonly id: string; readonly shares?: readonly number[] }[],
): SetUpCommand | undefined {
  const now = new Map(piece.areas.map((a) => [a.id, a.place]));
  const changed = areas.flatMap(({ id, shares }) => {
    const place = now.get(id);
    if (!place || !shares) return [];
    const before = place.shares ?? EVEN_SHARES;
    const apart = shares.reduce((sum, s, i) => sum + Math.abs(s - before[i]!), 0);
    return apart > SAME_SHARES ? [{ id, shares: shares.map(thousandth) }] : [];
  });
  return changed.length ? { type: "share areas", shares: changed } : undefined;
}

/** What was measured, if it is not what the piece says already. */
export function measured(
  piece: Piece,
  {
    areas,
    touches,
  }: Pick<Ground, "areas"> & {
    readonly touches: readonly { readonly a: string; readonly b: string; readonly mm: number }[];
  },
): SetUpCommand | undefined {
  const places = areas.map((a) => ({
    id: a.id,
    mm2: tenth(a.mm2),
    part: tenth(a.part),
    width: hundredth(a.width),
  }));
  const borders = [...touches]
    .sort((p, q) => q.mm - p.mm)
    .slice(0, MOST_TOUCHES)
    .map(({ a, b, mm }) => [a, b, tenth(mm)] as const)
    .sort((p, q) => (p[0] + p[1] < q[0] + q[1] ? -1 : 1));
  const now = new Map(piece.areas.map((a) => [a.id, a.place]));
  const same =
    places.every(
      (p) =>
        now.get(p.id)?.mm2 === p.mm2 && now.get(p.id)?.part === p.part && now.get(p.id)?.width === p.width,
    ) && JSON.stringify(borders) === JSON.stringify(piece.setUp.touches);
  return same ? undefined : { type: "measure areas", places, touches: borders };
}
