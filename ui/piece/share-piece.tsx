"use client";
import { Share2 } from "lucide-react";
import { useState } from "react";
import type { Share } from "@/store/shares";
import { Day } from "@/ui/day";
import { Modal } from "@/ui/kit/modal";
import { messageOf, send } from "@/ui/send";
import { CopyLink } from "@/ui/studio/copy-link";
import { useMayChange } from "@/ui/studio/studio-context";

/** Links that show a piece, its picture, steps and supplies, to whoever has them, and nothing else of the studio. */
export function SharePiece({ id }: { readonly id: string }) {
  const may = useMayChange();
  const [open, setOpen] = useState(false);
  const [links, setLinks] = useState<readonly Share[]>([]);
  const [made, setMade] = useState<string>();
  const [error, setError] = useState<string>();
  if (!may) return null;
  const refused = (e: unknown) => setError(messageOf(e));
  const look = () => send<Share[]>("GET", `/api/pieces/${id}/shares`).then(setLinks, refused);
  const make = async () => {
    const { code } = await send<{ code: string }>("POST", `/api/pieces/${id}/shares`);
    setMade(`${location.origin}/shared/${code}`);
    await look();
  };
  const end = (link: string) => send("DELETE", `/api/shares/${link}`).then(look, refused);
  return (
    <>
      <button
        className="button screen-only"
        onClick={() => {
          setOpen(true);
          setMade(undefined);
          setError(undefined);
          void look();
        }}
      >
        <Share2 size={16} aria-hidden /> Show to others
      </button>
      <Modal open={open} title="Show this piece to others" onClose={() => setOpen(false)}>
        <p className="mt-0 text-[15px]">
          Whoever has the link sees this piece as it is at that moment: picture, steps and the markers it
          uses. They change nothing and see nothing else of the studio. No account is needed.
        </p>
        {error && <p role="alert">{error}</p>}
        {made && <CopyLink link={made} note="The link is not shown again; another can always be made." />}
        <button className="button button-main mt-3" onClick={() => void make().catch(refused)}>
          Make a link
        </button>
        {links.length > 0 && (
          <ul className="mt-4 mb-0 grid list-none gap-1.5 p-0 text-[15px]">
            {links.map((l) => (
              <li key={l.id} className="flex items-center gap-3">
                <span className="flex-1">
                  A link made <Day at={l.createdAt} />
                </span>
                <button className="button" onClick={() => void end(l.id)}>
                  End it
                </button>
              </li>
            ))}
          </ul>
        )}
      </Modal>
    </>
  );
}
