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

/** Where a colour was picked, with the letter of what it was picked for. */
export function ReadingMark({
  letter,
  at,
  width,
  height,
}: {
  letter: string;
  at: NonNullable<PictureReading["at"]>;
  width: number;
  height: number;
}) {
  const x = (at.x + at.width / 2) * width;
  const y = (at.y + at.height / 2) * height;
  return (
    <g>
      <Outline x={at.x * width} y={at.y * height} width={at.width * width} height={at.height * height} />
      <path d={`M${x} ${y}l8 -12h14v-18h-18v12z`} fill="#000" stroke="#fff" strokeWidth="1.5" />
      <text x={x + 13} y={y - 16} textAnchor="middle" fontSize="13" fontWeight="700" fill="#fff">
        {letter}
      </text>
    </g>
  );
}
