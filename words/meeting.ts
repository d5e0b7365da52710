import type { Meeting } from "@/core/chart/layout";
import { nameStack } from "@/core/formats/cgats";

interface Laid {
  readonly how: Meeting;
  readonly stack: readonly string[];
  readonly over: readonly string[];
}

/** What to do in a long cell: the second ink begins in its middle. */
export function layingInWords({ how, stack, over }: Laid): string {
  const [whole, half] = [nameStack(stack), nameStack(over)];
  switch (how) {
    case "dark over wet light":
      return `${whole} all over; while wet ${half} on the right`;
    case "light over wet dark":
      return `${half} on the right; while wet ${whole} all over`;
    case "dark over dry light":
      return `${whole} all over; let dry; ${half} on the right`;
    case "lifted":
      return `${whole} all over; let dry; blender on the right`;
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
