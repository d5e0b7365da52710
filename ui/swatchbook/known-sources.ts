import type { ReadingSource } from "@/store/schema";

/** Readings that a camera's own colour can be set by: of an instrument, a flatbed scanner, or by hand. */
export const KNOWN: ReadonlySet<ReadingSource> = new Set(["colorimeter", "scan", "hand"]);
