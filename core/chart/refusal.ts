/** Why a picture of a chart cannot be trusted. */
export type Refusal =
  | "no chart"
  | "cut off"
  | "no page code"
  | "too small"
  | "blurred"
  | "too bright"
  | "too dark"
  | "glare"
  | "uneven light"
  | "wrong page"
  | "unknown chart";

/** A picture that is not read. */
export class ChartRefused extends Error {
  /** @param figure the number or name that decided it, such as "1.9 pixels a millimetre" */
  constructor(
    readonly reason: Refusal,
    readonly figure?: string,
  ) {
    super(figure ? `${reason} (${figure})` : reason);
    this.name = "ChartRefused";
  }
}

export function refuse(reason: Refusal, figure?: string): never {
  throw new ChartRefused(reason, figure);
}
