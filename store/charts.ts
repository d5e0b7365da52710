import { and, desc, eq, sql } from "drizzle-orm";
import type { ChartLine, SheetName } from "@/core/chart/layout";
import type { ReadPage } from "@/core/chart/read-chart";
import { inPieces, withStore } from "./database";
import { addBlends } from "./blends";
import { blends, charts, readings, scans, type CellDecision } from "./schema";
import { inRoom } from "./room";
import type { Studio } from "./studio";

export interface StoredChart {
  readonly id: string;
  readonly paperId: string;
  readonly serial: number;
  readonly title: string;
  readonly sheet: SheetName;
  readonly lines: readonly ChartLine[];
  readonly createdAt: Date;
}

const columns = {
  id: charts.id,
  paperId: charts.paperId,
  serial: charts.serial,
  title: charts.title,
  sheet: charts.sheet,
  lines: charts.lines,
  createdAt: charts.createdAt,
};

/** All charts, newest first. */
export const listCharts = (studio: Studio): Promise<StoredChart[]> =>
  withStore((db) =>
    db.select(columns).from(charts).where(eq(charts.studioId, studio.id)).orderBy(desc(charts.serial)),
  );

export async function findChart(studio: Studio, id: string): Promise<StoredChart | undefined> {
  const [found] = await withStore((db) =>
    db
      .select(columns)
      .from(charts)
      .where(and(eq(charts.studioId, studio.id), eq(charts.id, id))),
  );
  return found;
}

/** Adds a chart under the next free serial of the studio. */
export async function addChart(
  studio: Studio,
  chart: Pick<StoredChart, "paperId" | "title" | "sheet" | "lines">,
): Promise<StoredChart> {
  const serial = sql<number>`(select coalesce(max(${charts.serial}), 0) + 1 from ${charts} where ${charts.studioId} = ${studio.id})`;
  const [added] = await inRoom(studio, charts, "charts", (tx) =>
    tx
      .insert(charts)
      .values({ studioId: studio.id, ...chart, serial })
      .returning(columns),
  );
  return added!;
}

export interface StoredScan {
  readonly id: string;
  readonly chartId: string;
  readonly pictureId: string;
  readonly page: number;
  readonly result: ReadPage;
  readonly decisions: readonly CellDecision[];
  readonly stored: boolean;
  readonly createdAt: Date;
}

const scanColumns = {
  id: scans.id,
  chartId: scans.chartId,
  pictureId: scans.pictureId,
  page: scans.page,
  result: scans.result,
  decisions: scans.decisions,
  stored: scans.stored,
  createdAt: scans.createdAt,
};
const ownScan = (studio: Studio, id: string) => and(eq(scans.studioId, studio.id), eq(scans.id, id));

export const listScans = (studio: Studio): Promise<StoredScan[]> =>
  withStore((db) =>
    db.select(scanColumns).from(scans).where(eq(scans.studioId, studio.id)).orderBy(desc(scans.createdAt)),
  );

export async function findScan(studio: Studio, id: string): Promise<StoredScan | undefined> {
  const [found] = await withStore((db) => db.select(scanColumns).from(scans).where(ownScan(studio, id)));
  return found;
}

export async function addScan(
  studio: Studio,
  scan: Pick<StoredScan, "chartId" | "pictureId" | "page" | "result" | "decisions">,
): Promise<StoredScan> {
  const [added] = await inRoom(studio, scans, "scans", (tx) =>
    tx
      .insert(scans)
      .values({ studioId: studio.id, ...scan })
      .returning(scanColumns),
  );
  return added!;
}

export const decideScan = (
  studio: Studio,
  id: string,
  decisions: readonly CellDecision[],
): Promise<boolean> =>
  withStore(
    async (db) =>
      (await db.update(scans).set({ decisions }).where(ownScan(studio, id)).returning({ id: scans.id }))
        .length > 0,
  );

/** Takes a scan away; its readings stay. */
export const deleteScan = (studio: Studio, id: string): Promise<boolean> =>
  withStore(
    async (db) => (await db.delete(scans).where(ownScan(studio, id)).returning({ id: scans.id })).length > 0,
  );

/**
 * Turns the accepted cells of a scan into readings, in place of those that it gave before. Undefined when there is no such scan.
 */
export const storeScan = (studio: Studio, id: string): Promise<number | undefined> =>
  withStore((db) =>
    db.transaction(async (tx) => {
      const [scan] = await tx
        .select({ ...scanColumns, paperId: charts.paperId })
        .from(scans)
        .innerJoin(charts, eq(charts.id, scans.chartId))
        .where(ownScan(studio, id));
      if (!scan) return undefined;
      await tx.delete(readings).where(and(eq(readings.studioId, studio.id), eq(readings.scanId, id)));
      await tx.delete(blends).where(and(eq(blends.studioId, studio.id), eq(blends.scanId, id)));
      const accepted = scan.result.cells.filter((_, i) => scan.decisions[i] === "accepted");
      const long = accepted.flatMap(({ stack, meets, profile }) =>
        meets && profile ? [{ stack, ...meets, profile }] : [],
      );
      await addBlends(tx, studio, scan.paperId, long, id);
      for (const some of inPieces(accepted.filter((c) => !c.meets)))
        await tx.insert(readings).values(
          some.map(({ stack, lift, pressure, lab, spread, streakiness, confidence }) => ({
            studioId: studio.id,
            paperId: scan.paperId,
            stack: [...stack],
            lift: lift ?? false,
            ...(pressure && { pressure }),
            lab: [...lab],
            spread,
            streakiness,
            confidence,
            source: "chart" as const,
            scanId: id,
          })),
        );
      await tx.update(scans).set({ stored: true }).where(ownScan(studio, id));
      return accepted.length;
    }),
  );
