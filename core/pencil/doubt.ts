import { type Drawing, labAt, parametersOf, type Posterior, slopesOf, weighed } from "./fit-pencils";

/** What no parameter of the model says, as a variance in weighed Lab: of one pencil's layers, and of each further pencil's over it. */
const UNSAID = 1.2;
const UNSAID_OVER = 1.6;
/** Spreads within which nine of ten drawings come out; tuned on the teeth of `bench/teeth.ts`. */
const SPREADS = 1.75;

/**
 * ΔE00 within which a drawing comes out in nine of ten cases: what is not known of films and tooth, carried through the model to first order,
 * and what the model cannot say.
 */
export function doubtOf(posterior: Posterior, drawing: Drawing): number {
  if (!drawing.layers.length) return 0;
  const { x, covariance } = posterior;
  const parameters = parametersOf(posterior, drawing);
  const here = labAt(posterior, x, drawing);
  const slopes = slopesOf((at) => weighed(labAt(posterior, at, drawing), here), x, parameters, [0, 0, 0]);
  let variance = UNSAID + UNSAID_OVER * (drawing.layers.length - 1);
  parameters.forEach((i, r) =>
    parameters.forEach((j, s) => {
      const c = covariance[i * x.length + j]!;
      for (let k = 0; k < 3; k++) variance += c * slopes[r]![k]! * slopes[s]![k]!;
    }),
  );
  return SPREADS * Math.sqrt(variance);
}
