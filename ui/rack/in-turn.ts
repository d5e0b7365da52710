/** Runs work in the order in which it was asked for, one after the other: none overtakes another, and one that fails stops none. */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const own = last.then(work, work);
    last = own.catch(() => undefined);
    return own;
  };
}
