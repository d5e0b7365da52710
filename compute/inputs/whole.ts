import { IsInt, IsNumber, Max, Min } from "class-validator";

/** The field is a whole number within limits, and says so when it is not. */
export function Whole(least: number, most: number) {
  const says = { message: `expected a whole number from ${least} to ${most}` };
  return all(IsInt(says), Min(least, says), Max(most, says));
}

/** The field is a number within limits, and says so when it is not. */
export function Within(least: number, most: number, unit = "") {
  const says = { message: `expected a number from ${least} to ${most}${unit && ` ${unit}`}` };
  return all(IsNumber({}, says), Min(least, says), Max(most, says));
}

const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    decorators.forEach((d) => d(target, key));
