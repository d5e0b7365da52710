/** Middle of values by size, the upper of the two middle ones for an even number; NaN for none. */
export const median = (values: readonly number[]): number => quantile(values, 0.5);

/** Value below which a share (0–1) of the values lies; NaN for none. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
