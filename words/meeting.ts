import type { Meeting } from "@/core/chart/layout";
import { nameStack } from "@/core/formats/cgats";

interface Laid {
  readonly how: Meeting;
  readonly stack: readonly string[];
  readonly over: readonly string[];
}

/** What is written over the two halves of a long cell: the left one goes over all of it, in the order of the numbers. */
export function layingNotes({ how, stack, over }: Laid): readonly [left: string, right: string] {
  const [whole, half] = [nameStack(stack), nameStack(over)];
  switch (how) {
    case "dark over wet light":
      return [`1 ${whole}`, `2 ${half}, wet`];
    case "light over wet dark":
      return [`2 ${whole}, wet`, `1 ${half}`];
    case "dark over dry light":
      return [`1 ${whole}`, `2 ${half}, dry`];
    case "lifted":
      return [`1 ${whole}`, "2 blender, dry"];
  }
}

/** What a long cell is, once it is laid. */
export function meetingInWords({ how, stack, over }: Laid): string {
  const [whole, half] = [nameStack(stack), nameStack(over)];
  switch (how) {
    case "dark over wet light":
      return `${half} over wet ${whole}`;
    case "light over wet dark":
      return `${whole} over wet ${half}`;
    case "dark over dry light":
      return `${half} over dry ${whole}`;
    case "lifted":
      return `${whole} lifted`;
  }
}
