"use client";
import { memo } from "react";
import type { SetUpOutput, ShownRegion } from "@/compute/operations/set-up";

interface RegionOverlayProps {
  readonly output: SetUpOutput;
  /** Area ids and, of regions that belong to none, "region N". */
  readonly chosen: ReadonlySet<string>;
  readonly names: ReadonlyMap<
    string,
    { readonly number: number; readonly name: string; readonly white: boolean }
  >;
  /** Screen pixels of a pixel of the drawing. */
  readonly scale: number;
  readonly showRest: boolean;
  readonly numbered?: boolean;
  /** What is chosen is told by its outline alone: what lies there is looked at. */
  readonly outlined?: boolean;
}

export const regionKey = (id: number) => `region ${id}`;

/** Which area each region belongs to. */
const ownersOf = ({ areas }: Pick<SetUpOutput, "areas">): ReadonlyMap<number, string> =>
  new Map(areas.flatMap((a) => a.regions.map((r) => [r, a.id] as const)));

/** What is chosen when some regions are: their areas, or themselves where they are of none. */
export function keysOf(output: Pick<SetUpOutput, "areas">, regions: readonly number[]): string[] {
  const owners = ownersOf(output);
  return [...new Set(regions.map((r) => owners.get(r) ?? regionKey(r)))];
}

/** Regions of what is chosen. */
export const regionsOf = (
  { areas, regions }: Pick<SetUpOutput, "areas" | "regions">,
  chosen: ReadonlySet<string>,
): number[] => [
  ...areas.flatMap((a) => (chosen.has(a.id) ? a.regions : [])),
  ...regions.flatMap((r) => (chosen.has(regionKey(r.id)) ? [r.id] : [])),
];

/** Least width on the screen, pixels, of an area that bears its number. */
const NUMBERED = 13;

const Shape = memo(function Shape({
  region,
  owner,
  chosen,
  white,
  shown,
  outlined,
}: {
  readonly region: ShownRegion;
  readonly owner: string;
  readonly chosen: boolean;
  readonly white: boolean;
  readonly shown: boolean;
  readonly outlined: boolean;
}) {
  const free = owner === regionKey(region.id);
  return (
    <g data-owner={owner} data-region={region.id} className="group/region">
      <path
        d={region.path}
        fillRule="evenodd"
        fill={chosen && !outlined ? "url(#chosen)" : white ? "url(#white)" : "transparent"}
        stroke={chosen ? "#fff" : "none"}
        strokeWidth={5}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={region.path}
        fill="none"
        stroke="#000"
        strokeOpacity={chosen ? 1 : shown ? (free ? 0.55 : 0.35) : 0}
        strokeWidth={chosen ? 2.5 : 1}
        strokeDasharray={free ? "4 3" : undefined}
        vectorEffect="non-scaling-stroke"
        className="group-hover/region:[stroke-opacity:1] group-hover/region:[stroke-width:2.5px]"
        pointerEvents="none"
      />
    </g>
  );
});

/** Outlines and numbers of the areas over the drawing; patterns, not tints, tell what is chosen and what stays white. */
export function RegionOverlay({
  output,
  chosen,
  names,
  scale,
  showRest,
  numbered = true,
  outlined = false,
}: RegionOverlayProps) {
  const { width, height } = output;
  const ownerOf = ownersOf(output);
  const pixel = 1 / Math.max(1e-6, scale);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      className="absolute inset-0 h-full w-full overflow-visible"
      aria-hidden
      data-testid="regions"
    >
      <defs>
        <pattern id="chosen" width={8 * pixel} height={8 * pixel} patternUnits="userSpaceOnUse">
          <path
            d={`M0 ${8 * pixel}L${8 * pixel} 0`}
            stroke="#000"
            strokeWidth={1.6 * pixel}
            strokeOpacity="0.6"
          />
        </pattern>
        <pattern id="white" width={9 * pixel} height={9 * pixel} patternUnits="userSpaceOnUse">
          <circle cx={4.5 * pixel} cy={4.5 * pixel} r={pixel} fill="#000" fillOpacity="0.45" />
        </pattern>
      </defs>
      {output.regions.map((r) => {
        const owner = ownerOf.get(r.id) ?? regionKey(r.id);
        return (
          <Shape
            key={r.id}
            region={r}
            owner={owner}
            chosen={chosen.has(owner)}
            white={names.get(owner)?.white ?? false}
            shown={showRest}
            outlined={outlined}
          />
        );
      })}
      {output.areas.map((a) => {
        const said = names.get(a.id);
        const wide = (a.width / output.mmPerPixel) * scale;
        if (!numbered || !said || (wide < NUMBERED && !chosen.has(a.id))) return null;
        return (
          <text
            key={a.id}
            x={a.middle[0] * width}
            y={a.middle[1] * height}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={12.5 * pixel}
            fontWeight="650"
            fill="#000"
            stroke="#fff"
            strokeWidth={3.5 * pixel}
            paintOrder="stroke"
            pointerEvents="none"
          >
            {said.number}
          </text>
        );
      })}
    </svg>
  );
}
