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

const UNREACHED = "The server cannot be reached. Nothing was changed there; try again when it is back.";

/**
 * Asks the server and gives its answer; undefined when there is none to give. JSON goes as JSON, a form as a form.
 * @throws SendFailed when the server refuses or cannot be reached
 */
export async function send<T>(
  method: "GET" | "POST" | "PUT" | "PATCH" | "DELETE",
  url: string,
  body?: unknown,
  signal?: AbortSignal,
): Promise<T> {
  const isForm = body instanceof FormData;
  const answer = await fetch(url, {
    method,
    ...(body !== undefined && {
      body: isForm ? body : JSON.stringify(body),
      ...(!isForm && { headers: { "content-type": "application/json" } }),
    }),
    ...(signal && { signal }),
  }).catch(() => undefined);
  if (!answer) throw new SendFailed(UNREACHED, 0);
  const json = answer.status === 204 ? undefined : ((await answer.json().catch(() => undefined)) as unknown);
  // An answer that was given up half-way is none.
  signal?.throwIfAborted();
  if (answer.ok) return json as T;
  const said = (json as { message?: unknown } | undefined)?.message;
  throw new SendFailed(
    typeof said === "string" ? said : "The server could not do that.",
    answer.status,
    json,
  );
}

/** Sends a picture and gives what the studio keeps of it. */
export function sendPicture<T>(picture: Blob, name: string): Promise<T> {
  const form = new FormData();
  form.set("picture", new File([picture], name, { type: picture.type }));
  return send<T>("POST", "/api/pictures", form);
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
