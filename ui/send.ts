/** An answer of the server that is no success, in words for people. */
export class SendFailed extends Error {}

/**
 * Sends JSON to the server and gives its answer.
 * @throws SendFailed when the server refuses or cannot be reached
 */
export async function send<T>(
  method: "POST" | "PUT" | "PATCH" | "DELETE",
  url: string,
  body?: unknown,
): Promise<T> {
  const answer = await fetch(url, {
    method,
    headers: { "content-type": "application/json" },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  }).catch(() => undefined);
  if (!answer)
    throw new SendFailed(
      "The server cannot be reached. Nothing was changed there; try again when it is back.",
    );
  const json = (await answer.json().catch(() => ({}))) as T & { message?: string };
  if (!answer.ok) throw new SendFailed(json.message ?? "The server could not do that.");
  return json;
}

export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
