import type { Blending, Measured } from "@/core/ink/blending";
import type { DeskFit } from "@/core/ink/desk-fit";
import type { ToldByOverlays } from "@/core/ink/fit-overlays";
import type { PaperFit } from "@/core/ink/paper";
import { One, Optional, Rule, Whole, Within } from "./fields";

/** Parameters of all pencils that lie on a desk, and those that they share. */
const MOST_PARAMETERS = 4000;
/** An exponent beyond which nothing is a pencil any more. */
const MOST_EXPONENT = 50;

const isNumbers = (v: unknown, least: number, most: number, size: number) =>
  Array.isArray(v) &&
  v.length <= size &&
  v.every((n) => typeof n === "number" && Number.isFinite(n) && n >= least && n <= most);

class PaperFitInput implements PaperFit {
  @Within(0, 0.5) k1!: number;
  @Within(0, 0.99) k2!: number;
  @Within(0.01, 100) depth!: number;
  @Rule("expected 3 to 12 amounts of ink, each more than the last", (v) => {
    if (!isNumbers(v, 1e-3, 1e3, 12)) return false;
    const amounts = v as readonly number[];
    return amounts.length > 2 && amounts.every((n, i) => i === 0 || n > amounts[i - 1]!);
  })
  uptake!: number[];
  @Within(0.1, 1) crowding!: number;
  @Within(0, 1) lifting!: number;
  @Within(0, 1) wetLifting!: number;
}

class OverlayFitInput implements ToldByOverlays {
  @Within(0.1, 1) crowding!: number;
  @Within(0, 1) lifting!: number;
}

class MeasuredInput implements Measured {
  @Within(0, 1e3) value!: number;
  @Within(0, 1e6) residual!: number;
  @Whole(1, 1000) cells!: number;
}

const MEASURED = 'expected {"value","residual","cells"}';

class BlendingInput implements Blending {
  @Optional() @One(() => MeasuredInput, MEASURED) wetLifting?: MeasuredInput;
  @Optional() @One(() => MeasuredInput, MEASURED) mixing?: MeasuredInput;
  @Optional() @One(() => MeasuredInput, MEASURED) edge?: MeasuredInput;
}

/** What was fitted to a desk before. */
export class DeskFitInput implements DeskFit {
  @One(() => PaperFitInput, 'expected {"k1","k2","depth","uptake",…}') paper!: PaperFitInput;
  @One(() => OverlayFitInput, 'expected {"crowding","lifting"}') overlays!: OverlayFitInput;
  @One(() => BlendingInput, 'expected {"wetLifting","mixing","edge"}') blending!: BlendingInput;
  @Optional()
  @Rule(
    `expected at most ${MOST_PARAMETERS} parameters between −${MOST_EXPONENT} and ${MOST_EXPONENT}`,
    (v) => isNumbers(v, -MOST_EXPONENT, MOST_EXPONENT, MOST_PARAMETERS),
  )
  pencils?: number[];
}

/** What was fitted to a rack on a paper, and the name of that rack as it was. */
export class KeepFitInput {
  @Rule(
    "expected the name of a rack: letters, digits and hyphens",
    (v) => typeof v === "string" && /^[0-9a-z-]{3,60}$/.test(v),
  )
  name!: string;
  @One(() => DeskFitInput, 'expected {"paper","overlays","blending"}') fit!: DeskFitInput;
}
