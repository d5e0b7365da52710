/** Long work yields its progress, 0–1, so that it can be watched and stopped between two yields. */
export type Work<O> = Generator<number, O>;

/** Runs work to its end, whatever its progress. */
export function finish<O>(work: Work<O>): O {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Work that is one part of longer work: its progress runs from `from` over `share` of the whole. */
export function* part<O>(work: Work<O>, from: number, share: number): Work<O> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield from + share * step.value;
  }
}

/** Work that was stopped on request. */
export class Cancelled extends Error {
  constructor() {
    super("cancelled");
    this.name = "Cancelled";
  }
}
