type Corner = readonly [x: number, y: number];
type Corners = readonly [Corner, Corner, Corner, Corner];

const FLAT: Corners = [
  [42, 12],
  [118, 12],
  [118, 108],
  [42, 108],
];

/** Kinds of pictures: where the page's corners lie in the frame, upper left first, and what is wrong with it. */
const KINDS: readonly {
  readonly says: string;
  readonly corners: Corners;
  readonly isBad?: true;
  readonly lamp?: true;
}[] = [
  { says: "The whole page, all four ring marks in view", corners: FLAT },
  {
    says: "Any way up, and aslant up to about 35°",
    corners: [
      [30, 40],
      [112, 12],
      [136, 84],
      [48, 108],
    ],
  },
  {
    says: "Not with a ring mark cut off",
    isBad: true,
    corners: [
      [62, 14],
      [150, 14],
      [150, 124],
      [62, 124],
    ],
  },
  { says: "Not with a lamp mirrored on the page", isBad: true, lamp: true, corners: FLAT },
];
const COLUMNS = [0.12, 0.33, 0.54, 0.75] as const;
const ROWS = [0.2, 0.38, 0.56, 0.74] as const;
const MARKS = [
  [0.08, 0.07],
  [0.92, 0.07],
  [0.92, 0.93],
  [0.08, 0.93],
] as const;

/** Place on a page, both from 0 to 1, in the frame. */
const at = ([a, b, c, d]: Corners, u: number, v: number): Corner => {
  const mix = (i: 0 | 1) => (1 - v) * ((1 - u) * a[i] + u * b[i]) + v * ((1 - u) * d[i] + u * c[i]);
  return [mix(0), mix(1)];
};
const shape = (places: readonly Corner[]): string =>
  places.map((p) => p.map((v) => v.toFixed(1)).join()).join(" ");

/** What a picture of a chart is to look like, and what spoils it. */
export const GoodPictures = () => (
  <ul aria-label="What a good picture shows" className="m-0 flex list-none flex-wrap gap-x-6 gap-y-4 p-0">
    {KINDS.map(({ says, corners, isBad, lamp }) => (
      <li key={says} className="w-40">
        <svg viewBox="0 0 160 120" className="block w-full border border-line bg-panel" aria-hidden>
          <polygon points={shape(corners)} fill="#fff" stroke="var(--strong)" />
          {ROWS.flatMap((v, row) =>
            COLUMNS.map((u, column) => (
              <polygon
                key={`${u} ${v}`}
                points={shape([
                  at(corners, u, v),
                  at(corners, u + 0.15, v),
                  at(corners, u + 0.15, v + 0.12),
                  at(corners, u, v + 0.12),
                ])}
                fill={`hsl(0 0% ${88 - 14 * column - 5 * row}%)`}
              />
            )),
          )}
          {MARKS.map(([u, v]) => {
            const [x, y] = at(corners, u, v);
            return (
              <g key={`${u} ${v}`}>
                <circle cx={x} cy={y} r={3.6} fill="none" stroke="#000" strokeWidth={1.6} />
                <circle cx={x} cy={y} r={1} />
              </g>
            );
          })}
          {lamp && (
            <ellipse
              cx={92}
              cy={48}
              rx={26}
              ry={17}
              fill="#fff"
              stroke="var(--strong)"
              strokeDasharray="3 3"
            />
          )}
          {isBad && (
            <path d="M6 6 L154 114 M154 6 L6 114" stroke="var(--text)" strokeWidth={1.2} opacity={0.55} />
          )}
        </svg>
        <p className="mt-1.5 mb-0 text-[14px] text-soft">{says}</p>
      </li>
    ))}
  </ul>
);
