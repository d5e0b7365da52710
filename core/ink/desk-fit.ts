import type { Blending } from "./blending";
import type { ToldByOverlays } from "./fit-overlays";
import type { PaperFit } from "./paper";

/** What was fitted to the readings of a desk, as plain figures: with it the same desk is opened again without fitting anything. */
export interface DeskFit {
  /** Of the paper, from coats of single inks. */
  readonly paper: PaperFit;
  readonly overlays: ToldByOverlays;
  readonly blending: Blending;
  /** Parameters of films and tooth (`Posterior.x`); none while no pencil was asked for. */
  readonly pencils?: readonly number[];
}
