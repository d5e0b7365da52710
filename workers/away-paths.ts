/** Where what the desk needs is kept while the server is away: its pages, its racks and pictures, and the scripts of all. */
export const AWAY_CACHES = ["blendt-desk-pages", "blendt-desk-things", "blendt-desk-scripts"] as const;

const ID = "[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}";
/** The desk of a piece, and what one looks up in a shop or beside the paper. */
const PAGE = new RegExp(`^/(?:desk/${ID}|have|glossary)$`);
const THING = new RegExp(
  `^/api/(?:papers/${ID}|pictures/${ID}(?:/(?:facts|drawing))?|pieces/${ID}/colouring)$`,
);

export const isDeskPage = (path: string): boolean => PAGE.test(path);
export const isDeskThing = (path: string): boolean => THING.test(path);
export const isScript = (path: string): boolean => path.startsWith("/_next/static/");

/**
 * What a script is kept by. All workers begin with one script, whose address says behind its # what each is to run; a cache does not look behind the
 * #, and a worker that is given the answer to another runs what the other was to.
 */
export function keyOfScript(address: string): string {
  const url = new URL(address);
  if (!url.hash) return address;
  url.searchParams.set("behind", url.hash);
  url.hash = "";
  return url.href;
}

/** A page that is no desk has its first pictures before it makes the desk ready, ms. */
const FIRST_PICTURES = 6000;

/**
 * Makes the desk work without the server from its next opening on, where the browser lets it. Whatever a page fetches goes through that
 * from then on, which a first visit would pay while it waits for its first picture.
 */
export function readyForAway(): void {
  if (!("serviceWorker" in navigator)) return;
  const register = () =>
    void navigator.serviceWorker.register("/away.js", { scope: "/" }).catch(() => undefined);
  if (isDeskPage(location.pathname)) register();
  else setTimeout(register, FIRST_PICTURES);
}

/** Forgets the pages that were kept: whoever uses this browser next is somebody else. */
export async function forgetAway(): Promise<void> {
  if (!("caches" in globalThis)) return;
  await Promise.all(AWAY_CACHES.slice(0, 2).map((name) => caches.delete(name))).catch(() => undefined);
}

/** Of which build the desk was last fetched as a page, with all of its scripts, while there was somebody to keep them. */
const KEPT_OF = "blendt-desk-of";
const buildHere = (): string =>
  document.querySelector<HTMLMetaElement>('meta[name="blendt-build"]')?.content ?? "";

/**
 * Whether the desk may be gone to without fetching it as a page: what it needs while the server is away is kept of this build already, but for the
 * page itself.
 */
export function isDeskKept(): boolean {
  const build = buildHere();
  try {
    return build !== "" && localStorage.getItem(KEPT_OF) === build && !!navigator.serviceWorker?.controller;
  } catch {
    return false;
  }
}

/** Notes that the desk was fetched whole; one that was gone to without is fetched beside it and kept. */
export async function keepDesk(): Promise<void> {
  if (!("caches" in globalThis) || !navigator.serviceWorker?.controller) return;
  const { pathname } = location;
  const [fetched] = performance.getEntriesByType("navigation");
  try {
    if (fetched && new URL(fetched.name).pathname === pathname)
      return localStorage.setItem(KEPT_OF, buildHere());
    const page = await fetch(pathname, { headers: { accept: "text/html" } });
    if (page.status === 200 && !page.redirected && isDeskPage(pathname))
      await (await caches.open(AWAY_CACHES[0])).put(pathname, page);
  } catch {
    // No room, or no server: it is as it was.
  }
}
