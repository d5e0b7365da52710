"use client";
import { Share2 } from "lucide-react";
import { useState } from "react";
import { SHOWN, USUALLY_SHOWN, type Shown } from "@/core/piece/shown";
import type { Share } from "@/store/shares";
import { shownInWords } from "@/words/shown";
import { Day } from "@/ui/day";
import { Modal } from "@/ui/kit/modal";
import { messageOf, send } from "@/ui/send";
import { CopyLink } from "@/ui/studio/copy-link";
import { useMayChange } from "@/ui/studio/studio-context";

/** Links that show of a piece what is ticked, to whoever has them, and nothing else of the studio. */
export function SharePiece({ id }: { readonly id: string }) {
  const may = useMayChange();
  const [open, setOpen] = useState(false);
  const [links, setLinks] = useState<readonly Share[]>([]);
  const [made, setMade] = useState<string>();
  const [shows, setShows] = useState<ReadonlySet<Shown>>(new Set(USUALLY_SHOWN));
  const [error, setError] = useState<string>();
  if (!may) return null;
  const refused = (e: unknown) => setError(messageOf(e));
  const look = () => send<Share[]>("GET", `/api/pieces/${id}/shares`).then(setLinks, refused);
  const make = async () => {
    const { code } = await send<{ code: string }>("POST", `/api/pieces/${id}/shares`, {
      shows: SHOWN.filter((s) => shows.has(s)),
    });
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
          Whoever has the link sees what you tick of this piece, as it is at that moment. They change nothing
          and see nothing else of the studio. No account is needed.
        </p>
        <fieldset className="m-0 mt-4 mb-3 grid gap-1.5 border-0 p-0">
          <legend className="mb-1 p-0 text-[15px] font-semibold">The link shows</legend>
          {SHOWN.map((tick) => (
            <label key={tick} className="flex items-baseline gap-2 text-[15px]">
              <input
                type="checkbox"
                checked={shows.has(tick)}
                onChange={(e) => {
                  const next = new Set(shows);
                  if (e.target.checked) next.add(tick);
                  else next.delete(tick);
                  setShows(next);
                }}
              />
              <span>
                {shownInWords[tick].name}: <span className="text-soft">{shownInWords[tick].says}</span>
              </span>
            </label>
          ))}
        </fieldset>
        {error && <p role="alert">{error}</p>}
        {made && <CopyLink link={made} note="The link is not shown again; another can always be made." />}
        <button
          className="button button-main mt-3"
          disabled={!shows.size}
          onClick={() => void make().catch(refused)}
        >
          Make a link
        </button>
        {links.length > 0 && (
          <ul className="mt-4 mb-0 grid list-none gap-1.5 p-0 text-[15px]">
            {links.map((l) => (
              <li key={l.id} className="flex items-center gap-3">
                <span className="flex-1">
                  A link made <Day at={l.createdAt} />
                  <span className="block text-[14px] text-soft">
                    {l.shows.map((s) => shownInWords[s].name).join(", ")}
                  </span>
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
