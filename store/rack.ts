import { and, asc, eq } from "drizzle-orm";
import type { MarkerState } from "@/compute/inputs/desk";
import type { Lab } from "@/core/colour/lab";
import { withStore } from "./database";
import { inks, papers, ranges, swatches } from "./schema";
import type { Studio } from "./studio";

export interface PaperSheet {
  readonly id: string;
  readonly name: string;
  readonly lab: Lab;
  readonly capacity: number;
}

/** One coat count of a marker as read on a paper; `hex` where the reading was 8-bit. */
export interface Swatch {
  readonly lab: Lab;
  readonly hex?: string;
}

/** A marker with its swatches on one paper, in order of coats; none where it has not been read there. */
export interface RackMarker {
  readonly code: string;
  readonly family: string;
  readonly owned: boolean;
  readonly state: MarkerState;
  readonly swatches: readonly Swatch[];
}

export interface Rack {
  readonly paper: PaperSheet;
  readonly families: readonly string[];
  readonly markers: readonly RackMarker[];
}

const asLab = (v: number[]): Lab => [v[0]!, v[1]!, v[2]!];

export async function listPapers(studio: Studio): Promise<PaperSheet[]> {
  const rows = await withStore((db) => db.select().from(papers).where(eq(papers.studioId, studio.id)).orderBy(asc(papers.position), asc(papers.name)));
  return rows.map((p) => ({ id: p.id, name: p.name, lab: asLab(p.lab), capacity: p.capacity }));
}

/** All markers of the studio with their swatches on a paper; undefined when there is no such paper. */
export async function rackOn(studio: Studio, paperId: string): Promise<Rack | undefined> {
  const paper = (await listPapers(studio)).find((p) => p.id === paperId);
  if (!paper) return undefined;
  const [known, rows] = await withStore((db) =>
    Promise.all([
      db.select({ families: ranges.families }).from(ranges).where(eq(ranges.studioId, studio.id)).orderBy(asc(ranges.createdAt)),
      db
        .select({ code: inks.code, family: inks.family, owned: inks.owned, state: inks.state, coats: swatches.coats, lab: swatches.lab, hex: swatches.hex })
        .from(inks)
        .leftJoin(swatches, and(eq(swatches.inkId, inks.id), eq(swatches.paperId, paperId), eq(swatches.studioId, studio.id)))
        .where(eq(inks.studioId, studio.id))
        .orderBy(asc(inks.code), asc(swatches.coats)),
    ]),
  );
  const markers = new Map<string, Omit<RackMarker, "swatches"> & { swatches: Swatch[] }>();
  for (const { code, family, owned, state, lab, hex } of rows) {
    const marker = markers.get(code) ?? { code, family, owned, state: state as MarkerState, swatches: [] };
    if (lab) marker.swatches.push({ lab: asLab(lab), ...(hex && { hex }) });
    markers.set(code, marker);
  }
  return { paper, families: known.flatMap((r) => r.families), markers: [...markers.values()] };
}
