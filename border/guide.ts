import { MOST_AREAS } from "./piece";
import { wrong } from "./problem";

const LONGEST = 40_000;

/**
 * Which tone carries the local colour of which area, as JSON in a form; nothing when it is left out.
 * @throws BadInput when it is something else
 */
export function localsOf(said: unknown): Readonly<Record<string, number>> {
  if (said === null || said === undefined) return {};
  const refused = wrong(
    "locals",
    `expected {"area id": place of a tone from 0} for at most ${MOST_AREAS} areas, as JSON`,
  );
  if (typeof said !== "string" || said.length > LONGEST) throw refused;
  let read: unknown;
  try {
    read = JSON.parse(said);
  } catch {
    throw refused;
  }
  if (typeof read !== "object" || read === null || Array.isArray(read)) throw refused;
  const pairs = Object.entries(read);
  const sound = pairs.every(([, v]) => Number.isInteger(v) && (v as number) >= 0 && (v as number) < 8);
  if (pairs.length > MOST_AREAS || !sound) throw refused;
  return Object.assign(Object.create(null) as Record<string, number>, Object.fromEntries(pairs)) as Record<
    string,
    number
  >;
}
