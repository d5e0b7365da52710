import type { Piece } from "@/core/piece/piece";
import { send } from "@/ui/send";

interface Stored {
  readonly revision: number;
  readonly document: Piece;
}

/** A piece before and after a change. */
export interface Changed {
  readonly before: Piece;
  readonly after: Piece;
}

/**
 * Changes another piece of the studio as it is stored now. Whoever has it open is told as of any change made elsewhere.
 * @returns what it was before and is now; undefined where nothing changed
 * @throws SendFailed
 */
export async function changeVariant(
  id: string,
  change: (piece: Piece) => Piece,
): Promise<Changed | undefined> {
  const url = `/api/pieces/${id}`;
  const { revision, document: before } = await send<Stored>("GET", url);
  const after = change(before);
  if (JSON.stringify(after) === JSON.stringify(before)) return undefined;
  await send("PUT", url, { revision, document: after, save: crypto.randomUUID() });
  return { before, after };
}
