const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Where a function of one valley is least between two ends (golden section; each round leaves 62 % of the length). */
export function leastOf(
  value: (x: number) => number,
  [from, to]: readonly [number, number],
  rounds: number,
): number {
  let [low, high] = [from, to];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [atA, atB] = [value(a), value(b)];
  for (let i = 0; i < rounds; i++)
    if (atA < atB) {
      [high, b, atB] = [b, a, atA];
      a = high - GOLDEN * (high - low);
      atA = value(a);
    } else {
      [low, a, atA] = [a, b, atB];
      b = low + GOLDEN * (high - low);
      atB = value(b);
    }
  return (low + high) / 2;
}
