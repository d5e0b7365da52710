import type { PrintBox } from "./layout";
import type { Lab } from "@/core/colour/lab";
import { meanLab } from "@/core/colour/mean-lab";
import type { Xyz } from "@/core/colour/observer";
import { ALONG, evenness, middleOf } from "./cell";

/** Colours along a long cell, left to right; two layings meet in its middle. */
export interface Profile {
  /** Distance from one colour to the next, mm. */
  readonly step: number;
  readonly labs: readonly Lab[];
}

/** Share of a profile at either end where nothing of the other laying arrives. */
const PLATEAU = 0.25;

/** Colour of the even part at the left or the right end. */
export function endOf({ labs }: Profile, end: "left" | "right"): Lab {
  const width = Math.max(1, Math.round(PLATEAU * labs.length));
  return meanLab(end === "left" ? labs.slice(0, width) : labs.slice(-width));
}

/** Blocks of one column of the grid, top to bottom. */
const column = <T>(blocks: readonly T[], x: number): T[] =>
  Array.from({ length: ALONG.down }, (_, y) => blocks[y * ALONG.across + x]!);

/** No reading is finer than a hundredth. */
const rounded = (lab: Lab): Lab => lab.map((v) => Math.round(100 * v) / 100) as unknown as Lab;

/** Colours along a long cell from the levels of its blocks: the robust middle of every column. */
export const profileOf = (blocks: readonly Xyz[], box: PrintBox, toLab: (rgb: Xyz) => Lab): Profile => ({
  step: (box.width * (1 - 2 * ALONG.margin[0])) / ALONG.across,
  labs: Array.from({ length: ALONG.across }, (_, x) => rounded(toLab(middleOf(column(blocks, x))))),
});

/** The even part at one end of a long cell: its colour, and how even it is. */
export function plateauOf(
  blocks: readonly Xyz[],
  end: "left" | "right",
  toLab: (rgb: Xyz) => Lab,
): { readonly lab: Lab } & ReturnType<typeof evenness> {
  const width = Math.round(PLATEAU * ALONG.across);
  const from = end === "left" ? 0 : ALONG.across - width;
  const own = Array.from({ length: width }, (_, i) => column(blocks, from + i)).flat();
  const lab = toLab(middleOf(own));
  return { lab, ...evenness(own.map(toLab), lab) };
}
