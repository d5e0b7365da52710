import { GLOSSARY, type Term } from "./glossary-terms";

/** The anchor of a term on its page. */
export const anchorOf = ({ term }: Pick<Term, "term">): string =>
  term
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");

/** The glossary as far as it holds all words that one looks for, in terms before explanations. */
export function termsFor(words: string): typeof GLOSSARY {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (!wanted.length) return GLOSSARY;
  const holds = (text: string) => wanted.every((w) => text.toLowerCase().includes(w));
  const named = GLOSSARY.map((g) => ({ ...g, terms: g.terms.filter((t) => holds(t.term)) }));
  const said = GLOSSARY.map((g) => ({
    ...g,
    terms: g.terms.filter((t) => holds(`${t.term} ${t.says} ${t.matters}`)),
  }));
  const found = named.some((g) => g.terms.length) ? named : said;
  return found.filter((g) => g.terms.length);
}
