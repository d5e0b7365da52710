/** One thing that is wrong with an input: where, and what was expected there. */
export interface Problem {
  /** Path of the field, such as "inks[3].coats"; empty for the whole. */
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

/** One problem as what is thrown. */
export const wrong = (path: string, expected: string): BadInput => new BadInput([{ path, expected }]);

/** The problems of a part, seen from the whole. */
export const within = (e: BadInput, parent: string): BadInput =>
  new BadInput(e.problems.map((p) => ({ ...p, path: p.path ? join(parent, p.path) : parent })));

/** Path of a field of something that has a path itself. */
export const join = (parent: string, field: string): string =>
  !parent || field.startsWith("[") ? parent + field : `${parent}.${field}`;

/** Something named that is not there, or is another studio's. */
export const noSuch = (path: string, what: string): BadInput =>
  wrong(path, `expected the id of a ${what}; there is no such ${what}`);
