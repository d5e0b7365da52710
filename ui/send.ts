/** An answer of the server that is no success, in words for people. */
export class SendFailed extends Error {
  constructor(
    message: string,
    /** HTTP status; 0 when the server was not reached. */
    readonly status: number,
    /** What else the answer said. */
    readonly body: unknown = undefined,
  ) {
    super(message);
    this.name = "SendFailed";
  }
}

/** As border/guard.ts reads them. */
const STUDIO_HEADER = "x-blendt-studio";
/** As app/kept-colouring.ts reads it. */
const BUILD_HEADER = "x-blendt-build";
const STUDIO_COOKIE = "blendt-studio";
const YEAR_S = 31_536_000;

const metaOf = (name: string): string | undefined =>
  document.querySelector<HTMLMetaElement>(`meta[name="${name}"]`)?.content;

/** Says in which studio this page stands, so that what it sends goes there whatever other tabs do; and of which build it is. */
function here(): Record<string, string> {
  const [id, build] = [metaOf("blendt-studio"), metaOf("blendt-build")];
  return { ...(id && { [STUDIO_HEADER]: id }), ...(build && { [BUILD_HEADER]: build }) };
}

/** Where a picture is asked for: in the studio, or by the link of a shared piece. */
export function pictureUrl(id: string): string {
  const code = metaOf("blendt-share");
  return code ? `/api/shared/${code}/pictures/${id}` : `/api/pictures/${id}`;
}

/** Makes a studio the one that pages are opened in. */
export function enterStudio(id: string): void {
  document.cookie = `${STUDIO_COOKIE}=${id}; path=/; max-age=${YEAR_S}; samesite=lax`;
}

const UNREACHED = "The server cannot be reached. Nothing was changed there; try again when it is back.";

const TORN = "The server’s answer was lost on its way. It may have been done: look before you try again.";

type Method = "GET" | "POST" | "PUT" | "PATCH" | "DELETE";

/** What the server says, whatever it is that it says. @throws SendFailed when it cannot be reached */
async function ask(method: Method, url: string, body: unknown, signal?: AbortSignal): Promise<Response> {
  const isPlain = body === undefined || body instanceof Blob || body instanceof FormData;
  const answer = await fetch(url, {
    method,
    headers: { ...here(), ...(!isPlain && { "content-type": "application/json" }) },
    ...(body !== undefined && { body: isPlain ? body : JSON.stringify(body) }),
    ...(signal && { signal }),
  }).catch(() => undefined);
  // An answer that was given up half-way is none.
  signal?.throwIfAborted();
  if (!answer) throw new SendFailed(UNREACHED, 0);
  return answer;
}

async function refusedBy(answer: Response): Promise<SendFailed> {
  const json = (await answer.json().catch(() => undefined)) as { message?: unknown } | undefined;
  const said = json?.message;
  return new SendFailed(
    typeof said === "string" ? said : "The server could not do that.",
    answer.status,
    json,
  );
}

/**
 * Asks the server and gives its answer; undefined when there is none to give. JSON goes as JSON, a form as a form.
 * @throws SendFailed when the server refuses or cannot be reached
 */
export async function send<T>(method: Method, url: string, body?: unknown, signal?: AbortSignal): Promise<T> {
  const answer = await ask(method, url, body, signal);
  if (!answer.ok) throw await refusedBy(answer);
  if (answer.status === 204) return undefined as T;
  try {
    return (await answer.json()) as T;
  } catch {
    signal?.throwIfAborted();
    // Cut off on its way: an answer that cannot be read is an answer lost.
    throw new SendFailed(TORN, 0);
  }
}

/** Asks the server for something while the page goes away; nobody hears the answer. */
export function sendAtLast(method: Method, url: string): void {
  void fetch(url, { method, headers: here(), keepalive: true }).catch(() => undefined);
}

/** As {@link send}, for an answer that is a file. */
export async function sendForFile(
  method: Method,
  url: string,
  body?: FormData,
  signal?: AbortSignal,
): Promise<Blob> {
  const answer = await ask(method, url, body, signal);
  if (!answer.ok) throw await refusedBy(answer);
  return answer.blob();
}

/**
 * Sends a picture and gives what the studio keeps of it.
 * @param id by which it shall be known: sent twice it is there once
 */
export function sendPicture<T>(picture: Blob, name: string, id?: string): Promise<T> {
  const form = new FormData();
  if (id !== undefined) form.set("id", id);
  form.set("picture", new File([picture], name, { type: picture.type }));
  return send<T>("POST", "/api/pictures", form);
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
