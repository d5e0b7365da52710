/** A point: x, y. */
export type Point = readonly [number, number];
