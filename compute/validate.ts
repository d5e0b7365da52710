import { plainToInstance, type ClassConstructor } from "class-transformer";
import { validateSync } from "class-validator";
import { BadInput, problemsOf } from "./problem";

/**
 * An instance of an input class, once everything in it has been checked.
 * @throws BadInput with every field that is wrong
 */
export function validate<T extends object>(type: ClassConstructor<T>, plain: unknown): T {
  if (typeof plain !== "object" || plain === null || Array.isArray(plain))
    throw new BadInput([{ path: "", expected: "expected a JSON object" }]);
  const instance = plainToInstance(type, plain);
  const errors = validateSync(instance, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    stopAtFirstError: true,
  });
  if (errors.length) throw new BadInput(problemsOf(errors));
  return instance;
}
