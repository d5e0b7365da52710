export const signed = (v: number, digits = 0): string => `${v < 0 ? "−" : ""}${Math.abs(v).toFixed(digits)}`;
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
export const coatsInWords = (n: number): string => counted(n, "coat");
export const labInWords = ([L, a, b]: readonly [number, number, number]): string => `L* ${signed(L)}  a* ${signed(a)}  b* ${signed(b)}`;
