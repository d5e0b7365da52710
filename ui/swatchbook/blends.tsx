"use client";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { FitPaperOutput } from "@/compute/operations/fit-paper";
import type { StoredBlend } from "@/store/blends";
import type { PaperSheet } from "@/store/papers";
import { messageOf, send } from "@/ui/send";
import { meetingInWords } from "@/words/meeting";

/** Colours along a cell; the two layings meet in its middle. */
function Along({ hexes, label }: { readonly hexes: readonly string[]; readonly label: string }) {
  return (
    <div className="flex h-5" role="img" aria-label={label}>
      {hexes.map((hex, i) => (
        <span key={i} className="flex-1" style={{ background: hex }} />
      ))}
    </div>
  );
}

/** Whether two long cells are of one kind and the same inks. */
const isSame = (a: Pick<StoredBlend, "how" | "stack" | "over">, b: typeof a) =>
  a.how === b.how && a.stack.join("\n") === b.stack.join("\n") && a.over.join("\n") === b.over.join("\n");

/** How ink moves on a paper: every long cell as it was read, and beneath it as the model lays it. */
export function Blends({
  paper,
  fit,
  stored,
}: {
  readonly paper: PaperSheet;
  readonly fit: FitPaperOutput;
  readonly stored: readonly StoredBlend[];
}) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const exclude = (id: string, excluded: boolean) =>
    send("PATCH", `/api/blends/${id}`, { excluded }).then(
      () => router.refresh(),
      (e: unknown) => setTrouble(messageOf(e)),
    );
  const out = stored.filter((s) => s.excluded);
  return (
    <section aria-label="How ink moves">
      <h2 className="m-0 text-[17px]">How ink moves on it</h2>
      {fit.blends.length === 0 && out.length === 0 && (
        <p className="my-1 text-[15px]">
          Nothing was read of this yet, so plans and sample strips go by what smooth card usually does.{" "}
          <Link className="underline" href={`/swatchbook/${paper.id}?tab=chart`}>
            Print a page of blends
          </Link>
          , colour it, and photograph it.
        </p>
      )}
      {fit.blends.length > 0 && (
        <p className="mt-0 mb-2 text-[14px] text-soft">
          Above as read along the cell, beneath it as the model lays it with the values found.
        </p>
      )}
      <ul className="m-0 grid list-none gap-x-5 gap-y-3 p-0 min-[700px]:grid-cols-2">
        {fit.blends.map((b) => {
          const own = stored.find((s) => !s.excluded && isSame(s, b));
          const name = meetingInWords(b);
          return (
            <li key={b.how + name} className="min-w-0">
              <div className="mb-0.5 flex items-baseline gap-2 text-[14px]">
                <span className="code min-w-0 flex-1 truncate">{name}</span>
                {own && (
                  <button
                    className="min-h-9 underline"
                    aria-label={`Leave out ${name}`}
                    onClick={() => void exclude(own.id, true)}
                  >
                    Leave out
                  </button>
                )}
              </div>
              <div className="border border-strong">
                <Along hexes={b.read.map((c) => c.hex)} label={`${name}, as read`} />
                {b.laid.length > 0 && (
                  <Along hexes={b.laid.map((c) => c.hex)} label={`${name}, as the model lays it`} />
                )}
              </div>
            </li>
          );
        })}
      </ul>
      {out.length > 0 && (
        <p className="mt-2 mb-0 text-[14px]">
          Left out:{" "}
          {out.map((s) => (
            <button
              key={s.id}
              className="mr-3 min-h-9 underline"
              aria-label={`Take in ${meetingInWords(s)} again`}
              onClick={() => void exclude(s.id, false)}
            >
              <span className="code">{meetingInWords(s)}</span>
            </button>
          ))}
        </p>
      )}
      {trouble && (
        <p role="alert" className="m-0">
          {trouble}
        </p>
      )}
    </section>
  );
}
