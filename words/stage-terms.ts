import { GLOSSARY, type Term } from "./glossary-terms";
import type { Stage } from "./stages";

/** Words of the craft that a stage is about. */
export const termsAt = ({ name }: Pick<Stage, "name">): readonly Term[] =>
  GLOSSARY.flatMap((g) => g.terms).filter(
    (t) => t.at?.split(", ")[0] === (name === "Steps" ? "Order" : name),
  );
