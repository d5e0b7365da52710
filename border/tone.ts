import { Code, Coats, OneOf } from "./fields";

/** Some coats of one ink. */
export class ToneInput {
  @Code() code!: string;
  @Coats() coats!: number;
}

/** What a list of tones looks like. */
export const TONE = '{"code","coats"}';

/** Temperature asked of the ends: −1 cooler, 1 warmer. */
export class DriftInput {
  @OneOf([-1, 0, 1]) light!: -1 | 0 | 1;
  @OneOf([-1, 0, 1]) shadow!: -1 | 0 | 1;
}
