import { Flag, Optional, type Document } from "@/border/fields";
import type { Work } from "@/core/progress";
import type { OpenDesk } from "./desk";

/** An operation: the document that its question is read as, whether it is asked of a desk, and what it does. */
export interface Operation<Q extends object, O> {
  readonly question: Document<Q>;
  readonly ofDesk: boolean;
  /** `show` is told what is known so far, as often as that gets better; the answer itself is what comes back. */
  readonly run: (question: Q, open: OpenDesk, show?: (soFar: O) => void) => O | Work<O>;
}

/** An operation that needs no desk. */
export const operation = <Q extends object, O>(
  question: Document<Q>,
  run: (question: Q) => O | Work<O>,
): Operation<Q, O> => ({ question, ofDesk: false, run });

/** An operation on a desk, which comes along in the question or is named by its handle. */
export const deskOperation = <Q extends object, O>(
  question: Document<Q>,
  run: Operation<Q, O>["run"],
): Operation<Q, O> => ({ question, ofDesk: true, run });

/** A question that may leave out what is not owned. */
export class AmongOwned {
  /** Leaves out inks of a cost: those that are not owned. */
  @Optional() @Flag() ownedOnly = false;
}
