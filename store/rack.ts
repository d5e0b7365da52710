import { and, asc, eq, inArray, sql } from "drizzle-orm";
import { compareCodes, isRead, parseCode, type CodeKey } from "@/core/codes/key";
import type { Lab } from "@/core/colour/lab";
import type { Pressure } from "@/core/pencil/tooth";
import { MOST_ON_RACK, type Kind, type MarkerState } from "@/core/stock/kinds";
import { blendsOn, currentBlends, type Blend } from "./blends";
import { lockStudio, unlessTaken, withStore } from "./database";
import { asLab, findPaper, type PaperSheet } from "./papers";
import { inks, ranges } from "./schema";
import { inRoom } from "./room";
import {
  currentReadings,
  drawdownsOf,
  swatchesOf,
  type Current,
  type Drawdowns,
  type Swatch,
} from "./swatches";
import type { Studio } from "./studio";

/** What is written down about a thing on the rack, apart from its colours. */
export interface RackFacts {
  readonly family: string;
  readonly kind: Kind;
  readonly name: string;
  readonly owned: boolean;
  readonly wished: boolean;
  readonly state: MarkerState;
  readonly refills: number;
  readonly nib: string;
  readonly price: string;
  readonly place: string;
  readonly notes: string;
  /** Of a liner: whether it is alcohol-proof. */
  readonly proof: boolean | null;
}

/** A thing on the rack with its swatches on one paper, in order of coats; none where it has not been read there. */
export interface RackMarker extends RackFacts {
  readonly code: string;
  readonly range: string;
  /** Depth that its code says, where its range has a key; grows with deeper. */
  readonly depth?: number;
  readonly swatches: readonly Swatch[];
  /** A pencil's drawdowns over white and over black. */
  readonly drawdowns?: Drawdowns;
}

export interface RangeFacts {
  readonly id: string;
  readonly name: string;
  readonly families: readonly string[];
  readonly key: CodeKey | null;
  readonly homes: Readonly<Record<string, number>>;
}

export interface Rack {
  readonly paper: PaperSheet;
  readonly ranges: readonly RangeFacts[];
  readonly families: readonly string[];
  /** Alcohol markers, in rack order. */
  readonly markers: readonly RackMarker[];
  /** Pencils, finishers and water-based pens. */
  readonly others: readonly RackMarker[];
  /** Stacks of several inks as read on this paper. */
  readonly overlays: readonly (Swatch & { readonly stack: readonly string[] })[];
  /** The bare sheet as an instrument read it last. */
  readonly bare?: Swatch;
  /** Pencil strips as read on this paper: markers beneath, then layers of pencil, one entry a layer. */
  readonly strips: readonly {
    readonly stack: readonly string[];
    readonly pressure: Pressure;
    readonly lab: Lab;
  }[];
  /** How colours that meet were read on this paper. */
  readonly blends: readonly Blend[];
}

export const listRanges = (studio: Studio): Promise<RangeFacts[]> =>
  withStore((db) =>
    db
      .select({
        id: ranges.id,
        name: ranges.name,
        families: ranges.families,
        key: ranges.key,
        homes: ranges.homes,
      })
      .from(ranges)
      .where(eq(ranges.studioId, studio.id))
      .orderBy(asc(ranges.createdAt), asc(ranges.name)),
  );

export async function findRange(studio: Studio, id: string): Promise<RangeFacts | undefined> {
  return (await listRanges(studio)).find((r) => r.id === id);
}

/** Adds a range; "taken" when another has its name. */
export const addRange = (studio: Studio, range: Omit<RangeFacts, "id">): Promise<RangeFacts | "taken"> =>
  unlessTaken(async () => {
    const [added] = await inRoom(studio, ranges, "ranges", (tx) =>
      tx
        .insert(ranges)
        .values({ studioId: studio.id, ...range, families: [...range.families] })
        .returning(),
    );
    return added!;
  });

/** Changes a range; undefined when it is not this studio's, "taken" when another has its name. */
export const changeRange = (
  studio: Studio,
  id: string,
  change: Partial<Omit<RangeFacts, "id">>,
): Promise<RangeFacts | undefined | "taken"> =>
  unlessTaken(async () => {
    const { families, ...rest } = change;
    const [changed] = await withStore((db) =>
      db
        .update(ranges)
        .set({ ...rest, ...(families && { families: [...families] }) })
        .where(and(eq(ranges.studioId, studio.id), eq(ranges.id, id)))
        .returning(),
    );
    return changed;
  });

const NUMERIC = new Intl.Collator("en", { numeric: true });

/** Everything on the rack with its swatches on a paper; undefined when there is no such paper. */
export async function rackOn(studio: Studio, paperId: string): Promise<Rack | undefined> {
  const paper = await findPaper(studio, paperId);
  if (!paper) return undefined;
  const [known, rows, read, long] = await Promise.all([
    listRanges(studio),
    withStore((db) => db.select().from(inks).where(eq(inks.studioId, studio.id)).orderBy(asc(inks.code))),
    currentReadings(studio, paperId),
    blendsOn(studio, paperId),
  ]);
  const ofOne = new Map<string, Current[]>();
  const overlays: Rack["overlays"][number][] = [];
  let bare: Swatch | undefined;
  const pencils = new Set(rows.filter((r) => r.kind === "pencil").map((r) => r.code));
  const strips: Rack["strips"][number][] = [];
  for (const r of read) {
    if (r.backing === "paper" && !r.lift && r.stack.some((c) => pencils.has(c)))
      strips.push({ stack: r.stack, pressure: r.pressure ?? "medium", lab: asLab(r.lab) });
    if (r.pressure && r.pressure !== "medium") continue;
    if (new Set(r.stack).size > 1) {
      if (!r.lift && r.backing === "paper")
        overlays.push({ stack: r.stack, lab: asLab(r.lab), ...(r.measured && { measured: r.measured }) });
      continue;
    }
    if (!r.stack.length) {
      if (r.measured && r.backing === "paper") bare = { lab: asLab(r.lab), measured: r.measured };
      continue;
    }
    const own = ofOne.get(r.stack[0]!);
    if (own) own.push(r);
    else ofOne.set(r.stack[0]!, [r]);
  }
  const rangeById = new Map(known.map((r) => [r.id, r]));
  const items = rows.map((row): RackMarker => {
    const range = rangeById.get(row.rangeId)!;
    const parsed = range.key && parseCode(range.key, row.code);
    const own = ofOne.get(row.code) ?? [];
    const drawdowns = row.kind === "pencil" ? drawdownsOf(own) : undefined;
    const { code, family, kind, name, owned, wished, refills, nib, price, place, notes, proof } = row;
    return {
      code,
      family,
      kind,
      name,
      owned,
      wished,
      state: row.state as MarkerState,
      refills,
      nib,
      price,
      place,
      notes,
      proof,
      range: range.name,
      ...(parsed && isRead(parsed) && parsed.depth !== undefined && { depth: parsed.depth }),
      swatches: swatchesOf(own),
      ...(drawdowns && { drawdowns }),
    };
  });
  const inOrder = known.flatMap((range) => {
    const own = items.filter((i) => i.range === range.name);
    if (range.key) {
      const byCode = compareCodes(range.key);
      return own.sort((a, b) => byCode(a.code, b.code));
    }
    const places = new Map(range.families.map((f, i) => [f, i]));
    const placeOf = ({ family }: RackMarker) => places.get(family) ?? -1;
    return own.sort((a, b) => placeOf(a) - placeOf(b) || NUMERIC.compare(a.code, b.code));
  });
  return {
    paper,
    ranges: known,
    families: [...new Set(known.flatMap((r) => r.families))],
    markers: inOrder.filter((i) => i.kind === "marker"),
    others: inOrder.filter((i) => i.kind !== "marker"),
    overlays,
    ...(bare && { bare }),
    strips,
    blends: currentBlends(long).map(({ how, stack, over, profile }) => ({ how, stack, over, profile })),
  };
}

/** Everything on the rack with what is written down about it, in the order of codes. */
export const thingsOf = (
  studio: Studio,
): Promise<(RackFacts & { code: string; rangeId: string; stateAt: number })[]> =>
  withStore(async (db) =>
    (await db.select().from(inks).where(eq(inks.studioId, studio.id)).orderBy(asc(inks.code))).map(
      ({ id: _, studioId: __, createdAt: ___, state, stateAt, ...t }) => ({
        ...t,
        state: state as MarkerState,
        stateAt: stateAt.getTime(),
      }),
    ),
  );

/** A change of some facts of one thing on the rack. */
export interface RackChange {
  readonly code: string;
  readonly set: Partial<RackFacts>;
}

/** Makes changes, all or none. Gives the codes that are not on the rack; nothing is changed then. */
export const changeRack = (
  studio: Studio,
  changes: readonly RackChange[],
): Promise<{ readonly missing: readonly string[] }> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      const codes = changes.map((c) => c.code);
      const found = new Set(
        (
          await tx
            .select({ code: inks.code })
            .from(inks)
            .where(and(eq(inks.studioId, studio.id), inArray(inks.code, codes)))
        ).map((r) => r.code),
      );
      const missing = codes.filter((c) => !found.has(c));
      if (missing.length) return { missing };
      // Alike changes, as of many chosen markers, are one statement.
      const alike = new Map<string, { set: Partial<RackFacts>; codes: string[] }>();
      for (const { code, set } of changes.filter((c) => Object.keys(c.set).length)) {
        const key = JSON.stringify(set);
        const group = alike.get(key) ?? { set, codes: [] };
        group.codes.push(code);
        alike.set(key, group);
      }
      for (const { set, codes: own } of alike.values())
        await tx
          .update(inks)
          .set(set)
          .where(and(eq(inks.studioId, studio.id), inArray(inks.code, own)));
      return { missing: [] };
    }),
  );

/** Takes things off the rack. Their readings stay, should they come back. */
export const removeFromRack = (studio: Studio, codes: readonly string[]): Promise<number> =>
  withStore(
    async (db) =>
      (
        await db
          .delete(inks)
          .where(and(eq(inks.studioId, studio.id), inArray(inks.code, [...codes])))
          .returning({ id: inks.id })
      ).length,
  );

/** One thing to be put on the rack; what is not said stays as it is, or takes its usual value. */
export type RackRow = { readonly code: string; readonly family: string } & Partial<RackFacts>;

export interface ImportOutcome {
  readonly added: number;
  readonly updated: number;
  /** Codes that stand in another range already and were left alone. */
  readonly elsewhere: readonly string[];
}

/** What a row does say: fields that it leaves open must not stand in for the usual values. */
const said = <T extends object>(row: T): T =>
  Object.fromEntries(Object.entries(row).filter(([, v]) => v !== undefined)) as T;

/**
 * Puts rows on the rack of a range: new codes are added, known ones updated with what the row says, none doubled.
 * @returns "full" when the rack would hold too much; nothing is changed then
 */
export const importRack = (
  studio: Studio,
  rangeId: string,
  rows: readonly RackRow[],
): Promise<ImportOutcome | "full"> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      await lockStudio(tx, studio.id);
      const codes = rows.map((r) => r.code);
      const there = await tx
        .select({ code: inks.code, rangeId: inks.rangeId })
        .from(inks)
        .where(and(eq(inks.studioId, studio.id), inArray(inks.code, codes)));
      const known = new Map(there.map((r) => [r.code, r.rangeId]));
      const isElsewhere = (r: RackRow) => known.has(r.code) && known.get(r.code) !== rangeId;
      const elsewhere = rows.filter(isElsewhere).map((r) => r.code);
      const own = rows.filter((r) => !isElsewhere(r));
      const fresh = own.filter((r) => !known.has(r.code));
      if (fresh.length && (await tx.$count(inks, eq(inks.studioId, studio.id))) + fresh.length > MOST_ON_RACK)
        return "full";
      // Rows that say the same fields are one statement: what a known code is not told stays as it is.
      const alike = new Map<string, RackRow[]>();
      for (const row of own.map(said)) {
        const key = Object.keys(row).sort().join();
        const group = alike.get(key);
        if (group) group.push(row);
        else alike.set(key, [row]);
      }
      for (const [key, group] of alike) {
        const set = Object.fromEntries(
          key
            .split(",")
            .filter((k) => k !== "code")
            .map((k) => [k, sql.raw(`excluded."${inks[k as keyof RackRow].name}"`)]),
        );
        await tx
          .insert(inks)
          .values(group.map((r) => ({ studioId: studio.id, rangeId, owned: true, state: "full", ...r })))
          .onConflictDoUpdate({ target: [inks.studioId, inks.code], set });
      }
      const families = [...new Set(own.map((r) => r.family))];
      // A range that gets nothing new keeps the families it has, even none.
      if (families.length)
        await tx
          .update(ranges)
          .set({
            families: sql`(select array_agg(f order by o) from (select f, min(o) as o from unnest(${ranges.families} || ${sql.param(families)}::text[]) with ordinality as u(f, o) group by f) as distinct_families)`,
          })
          .where(and(eq(ranges.studioId, studio.id), eq(ranges.id, rangeId)));
      return { added: fresh.length, updated: own.length - fresh.length, elsewhere };
    }),
  );
