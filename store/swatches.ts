import { and, desc, eq } from "drizzle-orm";
import type { Lab } from "@/core/colour/lab";
import type { InstrumentReading } from "@/core/formats/measured";
import { withStore } from "./database";
import { asLab } from "./papers";
import { readings, type Backing } from "./schema";
import type { Studio } from "./studio";

/** One coat count of a marker as read on a paper; `hex` where the reading was 8-bit. */
export interface Swatch {
  readonly lab: Lab;
  readonly hex?: string;
  /** Where an instrument told more than a colour by day. */
  readonly measured?: InstrumentReading;
}

/** A pencil's drawdowns over white and over black. */
export type Drawdowns = { readonly [B in Exclude<Backing, "paper">]?: Lab };

/** Newest reading of every stack on a paper that nobody excluded. */
export const currentReadings = (studio: Studio, paperId: string) =>
  withStore((db) =>
    db
      .selectDistinctOn([readings.stack, readings.lift, readings.backing, readings.pressure], {
        stack: readings.stack,
        lift: readings.lift,
        backing: readings.backing,
        pressure: readings.pressure,
        lab: readings.lab,
        hex: readings.hex,
        measured: readings.measured,
        source: readings.source,
      })
      .from(readings)
      .where(
        and(eq(readings.studioId, studio.id), eq(readings.paperId, paperId), eq(readings.excluded, false)),
      )
      .orderBy(readings.stack, readings.lift, readings.backing, readings.pressure, desc(readings.readAt)),
  );

export type Current = Awaited<ReturnType<typeof currentReadings>>[number];

/** Readings of one, two, three… coats of a code, as far as none is missing between. */
export function swatchesOf(own: readonly Current[]): Swatch[] {
  const out: Swatch[] = [];
  for (let n = 1; n <= 3; n++) {
    const found = own.find((r) => r.stack.length === n && r.backing === "paper" && !r.lift);
    if (!found) break;
    out.push({
      lab: asLab(found.lab),
      ...(found.hex && { hex: found.hex }),
      ...(found.measured && { measured: found.measured }),
    });
  }
  return out;
}

export function drawdownsOf(own: readonly Current[]): Drawdowns | undefined {
  const on = (backing: Backing) => own.find((r) => r.backing === backing);
  const [white, black] = [on("white"), on("black")];
  return white || black
    ? { ...(white && { white: asLab(white.lab) }), ...(black && { black: asLab(black.lab) }) }
    : undefined;
}
