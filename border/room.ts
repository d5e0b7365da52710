/** What one studio may hold of each kind, apart from its rack. */
export const MOST = {
  papers: 200,
  ranges: 100,
  pictures: 2000,
  charts: 500,
  scans: 2000,
  trials: 5000,
  groups: 5000,
  pieces: 1000,
  readings: 200_000,
  blends: 20_000,
  weighings: 20_000,
  answers: 50_000,
  practised: 5000,
} as const;

/** Bytes of the pictures of one studio, as they came and as they are worked with. */
export const MOST_PICTURE_BYTES = 1_000_000_000;
