import type { PlacedStep } from "@/core/piece/piece";

/** Pairs of steps of which the first comes before the second. */
export type Pins = readonly (readonly [first: PlacedStep, then: PlacedStep])[];

/** What goes along with a row that is put elsewhere: nothing; all passes of its sections; all of its area. */
export const TAKEN_ALONG = ["row", "sections", "area"] as const;
export type TakenAlong = (typeof TAKEN_ALONG)[number];

const isSame = (a: PlacedStep, b: PlacedStep): boolean => a.every((v, i) => String(v) === String(b[i]));
const sectionOf = ([area, section]: PlacedStep): string => `${area} ${section}`;

/** The first and the last pass of each section among some steps: what stands between them is held by them. */
function endsOf(steps: readonly PlacedStep[]): { first: PlacedStep[]; last: PlacedStep[] } {
  const first = new Map<string, PlacedStep>();
  const last = new Map<string, PlacedStep>();
  for (const s of steps) {
    const of = sectionOf(s);
    if (s[2] < (first.get(of)?.[2] ?? Infinity)) first.set(of, s);
    if (s[2] > (last.get(of)?.[2] ?? -1)) last.set(of, s);
  }
  return { first: [...first.values()], last: [...last.values()] };
}

/**
 * A row of steps put elsewhere among the rows of an order: the whole order as it then stands, what was put, and what holds it there.
 * @param rows steps of each row, in order; `from` and `to` places among them
 * @param along what goes along: it is gathered there, in its own order
 */
export function putElsewhere(
  rows: readonly (readonly PlacedStep[])[],
  from: number,
  to: number,
  along: TakenAlong = "row",
): { readonly follow: readonly PlacedStep[]; readonly put: readonly PlacedStep[]; readonly pins: Pins } {
  const row = rows[from]!;
  const area = String(row[0]![0]);
  const sections = new Set(row.map(sectionOf));
  const own = new Set(
    along === "row"
      ? row
      : rows.flat().filter((s) => (along === "area" ? String(s[0]) === area : sections.has(sectionOf(s)))),
  );
  const put = rows.flat().filter((s) => own.has(s));
  const isOther = (s: PlacedStep) => !own.has(s);
  const earlier = rows
    .slice(0, to > from ? to + 1 : to)
    .flat()
    .filter(isOther);
  const later = rows
    .slice(to > from ? to + 1 : to)
    .flat()
    .filter(isOther);
  const [before, after] = [earlier.at(-1), later[0]];
  const { first, last } = endsOf(put);
  return {
    follow: [...earlier, ...put, ...later],
    put,
    pins: [
      ...(before ? first.map((s) => [before, s] as const) : []),
      ...(after ? last.map((s) => [s, after] as const) : []),
    ],
  };
}

/** Pins with further ones: what was put once more is held only where it was put last. */
export const pinnedAnew = (known: Pins, put: readonly PlacedStep[], pins: Pins): Pins => [
  ...known.filter((pair) => !pair.some((s) => put.some((p) => isSame(s, p)))),
  ...pins,
];
