import type { ValidationError } from "class-validator";

/** One thing that is wrong with an input: where, and what was expected there. */
export interface Problem {
  /** Path of the field, such as "inks[3].coats[0]"; empty for the whole. */
  readonly path: string;
  readonly expected: string;
}

/** Input that cannot be used. The caller turns it into exit code 2 or HTTP 422. */
export class BadInput extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((p) => (p.path ? `${p.path}: ${p.expected}` : p.expected)).join("\n"));
    this.name = "BadInput";
  }
}

/** Flattens class-validator's tree into paths. */
export function problemsOf(errors: readonly ValidationError[], parent = ""): Problem[] {
  return errors.flatMap((e) => {
    const path = /^\d+$/.test(e.property)
      ? `${parent}[${e.property}]`
      : parent
        ? `${parent}.${e.property}`
        : e.property;
    const own = Object.values(e.constraints ?? {}).map((expected) => ({ path, expected }));
    return [...own, ...problemsOf(e.children ?? [], path)];
  });
}
