import type { PictureReading } from "@/core/piece/piece";

/** A box that shows on any colour: black on white. */
export const Outline = ({
  dashed = false,
  ...box
}: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly dashed?: boolean;
}) => (
  <>
    <rect {...box} fill="none" stroke="#fff" strokeWidth="2.8" />
    <rect {...box} fill="none" stroke="#000" strokeDasharray={dashed ? "4 3" : undefined} />
  </>
);

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** How far a flag stands from what it names, and half its side, screen pixels. */
const [LEADER, HALF] = [34, 9];
const UP_RIGHT: Spot = { x: 0.7, y: -0.7 };

/** Which way each flag steps aside: away from the middle of all of them, so that what was picked stays in sight. */
export function asideOf(spots: readonly Spot[]): Spot[] {
  const middle = {
    x: spots.reduce((sum, s) => sum + s.x, 0) / spots.length,
    y: spots.reduce((sum, s) => sum + s.y, 0) / spots.length,
  };
  return spots.map((s) => {
    const [dx, dy] = [s.x - middle.x, s.y - middle.y];
    const far = Math.hypot(dx, dy);
    return far < 1 ? UP_RIGHT : { x: dx / far, y: dy / far };
  });
}

/** Where colours were picked, each with the letter of what it was picked for. */
export function ReadingMarks({
  marks,
  width,
  height,
}: {
  readonly marks: readonly { readonly letter: string; readonly at: NonNullable<PictureReading["at"]> }[];
  readonly width: number;
  readonly height: number;
}) {
  const spots = marks.map(({ at }) => ({
    x: (at.x + at.width / 2) * width,
    y: (at.y + at.height / 2) * height,
  }));
  const aside = asideOf(spots);
  const within = (v: number, most: number) => Math.min(most - HALF, Math.max(HALF, v));
  return marks.map(({ letter, at }, i) => {
    const { x, y } = spots[i]!;
    const [fx, fy] = [within(x + aside[i]!.x * LEADER, width), within(y + aside[i]!.y * LEADER, height)];
    return (
      <g key={letter}>
        <Outline x={at.x * width} y={at.y * height} width={at.width * width} height={at.height * height} />
        <path d={`M${x} ${y}L${fx} ${fy}`} stroke="#fff" strokeWidth="3.5" />
        <path d={`M${x} ${y}L${fx} ${fy}`} stroke="#000" strokeWidth="1.5" />
        <rect
          x={fx - HALF}
          y={fy - HALF}
          width={2 * HALF}
          height={2 * HALF}
          stroke="#fff"
          strokeWidth="1.5"
        />
        <text x={fx} y={fy + 4.5} textAnchor="middle" fontSize="13" fontWeight="700" fill="#fff">
          {letter}
        </text>
      </g>
    );
  });
}
