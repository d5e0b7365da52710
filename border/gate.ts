/** Hosts by which this server may be called; what else resolves to it is somebody's trick. */
const LOCAL = ["localhost", "127.0.0.1", "[::1]"];

/** Names from BLENDT_HOSTS (comma-separated, without ports), besides the machine itself. */
const further = (): readonly string[] =>
  (process.env.BLENDT_HOSTS ?? "")
    .split(",")
    .map((h) => h.trim().toLowerCase())
    .filter(Boolean);

const known = (): ReadonlySet<string> => new Set([...LOCAL, ...further()]);

/** Whether this server is called by no name but the machine's own, so that whoever asks sits at it. */
export const isServedOnlyHere = (): boolean => further().length === 0;

/** A host without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, "");

/** Whether a request calls this server by a name that is its own. A name rebound to it by somebody else is not. */
export function isKnownHost(headers: Headers): boolean {
  const host = headers.get("host");
  return host !== null && known().has(nameOf(host));
}

const READS = new Set(["GET", "HEAD", "OPTIONS"]);

/** Whether a request comes from a page of this server, or from no page at all. */
function isFromHere(headers: Headers): boolean {
  const site = headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin" && site !== "none") return false;
  const origin = headers.get("origin");
  if (origin === null) return true;
  try {
    return new URL(origin).host.toLowerCase() === headers.get("host")?.toLowerCase();
  } catch {
    return false;
  }
}

/** What a body may be. */
export type BodyKind = "json" | "form" | "zip" | "none";
const TYPES: Readonly<Record<BodyKind, string | undefined>> = {
  json: "application/json",
  form: "multipart/form-data",
  zip: "application/zip",
  none: undefined,
};

/** Why a request is not let in: status and words; undefined when it is. */
export function refusedAtGate(
  { method, headers }: Pick<Request, "method" | "headers">,
  body: BodyKind,
): { readonly status: number; readonly message: string } | undefined {
  if (!isKnownHost(headers))
    return {
      status: 421,
      message: "This server does not know the host by which it was called. BLENDT_HOSTS names further ones.",
    };
  if (READS.has(method)) return undefined;
  if (!isFromHere(headers))
    return {
      status: 403,
      message: "Only pages of this studio may change it. The request came from another.",
    };
  const wanted = TYPES[body];
  const type = headers.get("content-type")?.split(";")[0]!.trim().toLowerCase();
  if (wanted && type !== wanted) return { status: 415, message: `expected the content type ${wanted}` };
  return undefined;
}
