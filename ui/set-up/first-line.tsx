"use client";
import { ImageUp } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { useEffect, useState } from "react";
import type { PictureFacts } from "@/store/pictures";
import { send } from "@/ui/send";
import { DRAWINGS, FileButton } from "@/ui/kit/file-button";

/** Pictures of the studio that are offered. */
const MOST_SHOWN = 200;

/** Where there is no line yet: bring it in. */
export function FirstLine({
  onTake,
  onReference,
  onPicture,
  withoutHref,
}: {
  /** Takes pictures: of several one is the line, and the others are references. */
  readonly onTake: (files: readonly File[]) => void;
  readonly onReference: (() => void) | undefined;
  /** Takes a picture that lies in the studio already. */
  readonly onPicture: (id: string) => void;
  /** Where one goes on without. */
  readonly withoutHref: string;
}) {
  const [loose, setLoose] = useState<readonly PictureFacts[]>([]);
  useEffect(() => {
    const stop = new AbortController();
    send<PictureFacts[]>("GET", "/api/pictures", undefined, stop.signal).then(setLoose, () => undefined);
    return () => stop.abort();
  }, []);
  return (
    <div className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8">
      <p className="m-0 max-w-[46ch] text-[17px]">
        Bring in what you will colour: a scan or photo of the stamped or drawn sheet, a drawing in SVG or PDF,
        or a pale sketch. A photo may lie on the table; its sheet is found. A picture of it in colour may come
        along: it becomes the reference.
      </p>
      <FileButton main multiple label="Choose the picture of the line" accept={DRAWINGS} onFiles={onTake}>
        <ImageUp size={18} aria-hidden /> Choose the picture of the line
      </FileButton>
      {onReference && (
        <button className="button" onClick={onReference}>
          The outlines of the reference will do
        </button>
      )}
      <Link className="button" href={withoutHref}>
        Go on without a drawing
      </Link>
      {loose.length > 0 && (
        <div>
          <h2 className="small-title m-0 pb-1">Or take one that lies in the studio</h2>
          <ul
            className="m-0 flex max-h-60 list-none flex-wrap gap-2 overflow-y-auto p-0"
            aria-label="Pictures in the studio"
          >
            {loose.slice(0, MOST_SHOWN).map((p) => (
              <li key={p.id}>
                <button
                  className="button block p-1"
                  aria-label={`Take ${p.name}`}
                  title={p.name}
                  onClick={() => onPicture(p.id)}
                >
                  <img
                    src={`/api/pictures/${p.id}`}
                    alt=""
                    loading="lazy"
                    className="block h-24 w-32 object-cover"
                  />
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
