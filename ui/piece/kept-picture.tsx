"use client";
import { createContext, useContext, useEffect, useMemo, type ReactNode } from "react";
import { colouringName } from "@/compute/colouring-name";
import type { Piece } from "@/core/piece/piece";
import { shared } from "@/core/piece/placing";
import type { Rack } from "@/store/rack";
import { Picture } from "@/ui/kit/picture";
import type { Coloured } from "@/ui/light/use-colouring";
import { send } from "@/ui/send";
import { useMayChange } from "@/ui/studio/studio-context";
import { usePiece, usePieceHandles, useSaveState } from "./piece-context";

/** The picture of a piece as it was last drawn, wherever that was. */
export interface KeptPicture {
  /** Address of it; `?width=` gives a smaller one. */
  readonly url: string;
  readonly width: number;
  readonly height: number;
  /** What it was made of. */
  readonly name: string;
  readonly lineId: string;
}

const KeptContext = createContext<KeptPicture | undefined>(undefined);

export const KeptPictureProvider = ({
  kept,
  children,
}: {
  readonly kept: KeptPicture | undefined;
  readonly children: ReactNode;
}) => <KeptContext value={kept}>{children}</KeptContext>;

export const useKeptPicture = (): KeptPicture | undefined => useContext(KeptContext);

/** The kept picture where it is what would be drawn now, of the present plan by the present computation: nothing need be drawn to see it. */
export function useKeptNow(piece: Piece, rack: Rack): KeptPicture | undefined {
  const kept = useKeptPicture();
  const name = useMemo(() => (kept?.name ? colouringName(piece, rack) : undefined), [kept, piece, rack]);
  return kept && name === kept.name && kept.lineId === piece.setUp.line?.pictureId ? kept : undefined;
}

/** The kept picture, to be seen at once: as a page shows it until it is drawn anew. */
export function StillPicture({
  kept,
  label,
  className = "",
  sizes,
}: {
  readonly kept: KeptPicture;
  readonly label: string;
  readonly className?: string;
  readonly sizes: string;
}) {
  return (
    <Picture
      src={kept.url}
      width={kept.width}
      height={kept.height}
      sizes={sizes}
      alt={label}
      className={className}
      first
    />
  );
}

/** Long side, pixels, and quality at which a picture is kept; and how long it must stay as it is before it is, ms. */
const KEPT_SIDE = 1600;
const QUALITY = 0.86;
const STAYS = 1500;

/** A picture as WebP, at most so large; made beside the page's own work. */
async function asWebp({ width, height, rgba }: Coloured): Promise<Blob> {
  const by = Math.min(1, KEPT_SIDE / Math.max(width, height));
  const size = { width: Math.max(1, Math.round(width * by)), height: Math.max(1, Math.round(height * by)) };
  const bitmap = await createImageBitmap(new ImageData(rgba.slice(), width, height), {
    resizeWidth: size.width,
    resizeHeight: size.height,
    resizeQuality: "high",
  });
  const canvas = new OffscreenCanvas(size.width, size.height);
  canvas.getContext("bitmaprenderer")!.transferFromImageBitmap(bitmap);
  return canvas.convertToBlob({ type: "image/webp", quality: QUALITY });
}

/** What this page has sent, by piece: nothing is sent twice. */
const sent = new Map<string, { readonly name: string; readonly width: number }>();

/**
 * Keeps the finished picture of the piece at hand in the studio, once it has been drawn of what is saved; nobody waits for it. How its areas are
 * divided from light to dark is noted with it: groups are planned for that.
 */
export function useKeepPicture(rack: Rack, drawn: Coloured | undefined): void {
  const piece = usePiece();
  const { id, store } = usePieceHandles();
  const saved = useSaveState().kind === "saved";
  const may = useMayChange();
  const kept = useKeptPicture();
  const lineId = piece.setUp.line?.pictureId;
  useEffect(() => {
    const { piece: now, follow } = store.getState();
    const command = drawn && may && id !== "shared" && shared(now, drawn.areas);
    if (command) follow(command);
  }, [drawn, may, id, store]);
  useEffect(() => {
    if (!drawn || !saved || !may || !lineId || id === "shared") return;
    const timer = setTimeout(() => {
      const name = colouringName(piece, rack);
      const known = sent.get(id) ?? (kept?.lineId === lineId ? kept : undefined);
      if (known?.name === name && known.width >= Math.min(drawn.width, KEPT_SIDE)) return;
      sent.set(id, { name, width: Math.min(drawn.width, KEPT_SIDE) });
      asWebp(drawn)
        .then((blob) => {
          const form = new FormData();
          form.append("name", name);
          form.append("line", lineId);
          form.append("picture", blob, "colouring.webp");
          return send("PUT", `/api/pieces/${id}/colouring`, form);
        })
        // The next who draws it sends it again.
        .catch(() => sent.delete(id));
    }, STAYS);
    return () => clearTimeout(timer);
  }, [drawn, saved, may, lineId, id, piece, rack, kept]);
}
