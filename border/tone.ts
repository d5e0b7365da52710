import { MOST_TONES } from "@/core/group/tone";
import { Code, Coats, OneOf, Optional, Whole, Yes } from "./fields";

/** Some coats of one ink. */
export class ToneInput {
  @Code() code!: string;
  @Coats() coats!: number;
}

/** A tone of a group that somebody chose. */
export class ChosenToneInput extends ToneInput {
  /** Place from light (0) to dark, where the tones are not given light to dark. */
  @Optional() @Whole(0, MOST_TONES - 1) depth?: number;
  /** Carries the local colour; where none is said to, the one does that suits best. */
  @Optional() @Yes() carries?: true;
}

/** What a list of tones looks like. */
export const TONE = '{"code","coats"}';

/** Temperature asked of the ends: −1 cooler, 1 warmer. */
export class DriftInput {
  @OneOf([-1, 0, 1]) light!: -1 | 0 | 1;
  @OneOf([-1, 0, 1]) shadow!: -1 | 0 | 1;
}
