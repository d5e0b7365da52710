/** Longest part of the header that is looked at. */
const MOST = 200;

/** The first language of an Accept-Language header (RFC 9110, 12.5.4) in which dates can be written; English where there is none. */
export function localeFrom(header: string | null): string {
  for (const part of (header ?? "").slice(0, MOST).split(",")) {
    try {
      const [known] = Intl.DateTimeFormat.supportedLocalesOf(part.split(";")[0]!.trim());
      if (known) return known;
    } catch {
      // "*", or anything else that is no language: the next one.
    }
  }
  return "en";
}
