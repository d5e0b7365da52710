/** Work that is done in the order in which it was asked for, one after the other: none overtakes another, and one that fails stops none. */
export function inTurn() {
  let last: Promise<unknown> = Promise.resolve();
  let waiting = 0;
  return {
    run<T>(work: () => Promise<T>): Promise<T> {
      waiting++;
      const own = last.then(work, work).finally(() => waiting--);
      last = own.catch(() => undefined);
      return own;
    },
    busy: (): boolean => waiting > 0,
  };
}
