/** Work that is one part of longer work: its progress (0–1) runs from `from` over `share` of the whole. */
export function* part<O>(work: Generator<number, O>, from: number, share: number): Generator<number, O> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield from + share * step.value;
  }
}
