"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { withDrawingOf, type DrawingChanges } from "@/core/piece/variants";
import { useSending } from "@/ui/jobs/use-sending";
import { usePiece, usePieceHandles } from "@/ui/piece/piece-context";
import { counted, listed } from "@/words/numbers";
import { changeVariant, type Changed } from "./change-variant";
import type { OtherVariant } from "./variants-view";

/** What a variant would take on, in words. */
function inWords({ fresh, gone, otherwise, light, line }: DrawingChanges): string {
  const some = (names: readonly string[]) =>
    names.length > 4 ? `${names.slice(0, 3).join(", ")} and ${names.length - 3} more` : listed(names);
  return [
    line && "its line or sheet",
    light && "the light",
    otherwise.length && `how ${some(otherwise)} ${otherwise.length === 1 ? "lies" : "lie"}`,
    fresh.length && `${some(fresh)} new, coloured as here`,
    gone.length && `${some(gone)} gone, with the plan`,
  ]
    .filter(Boolean)
    .join("; ");
}

/** The drawing, areas and light of this piece given to its variants, which keep their own colours; and taken back. */
export function OneDrawing({ others }: { readonly others: readonly OtherVariant[] }) {
  const piece = usePiece();
  const { id } = usePieceHandles();
  const router = useRouter();
  const sending = useSending();
  const [before, setBefore] = useState<ReadonlyMap<string, Changed>>(new Map());
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const differ = others.filter((o) => o.drawing);
  const chosen = differ.filter((o) => !left.has(o.id));
  const give = () =>
    sending.run(async () => {
      try {
        for (const { id: other } of chosen) {
          const done = await changeVariant(other, (own) => withDrawingOf(own, piece));
          if (done) setBefore((known) => new Map(known).set(other, done));
        }
      } finally {
        router.refresh();
      }
    });
  const takeBack = () =>
    sending.run(async () => {
      try {
        for (const [other, done] of before) {
          // What was coloured since stays: then only the drawing goes back, and what went with it comes again.
          await changeVariant(other, (own) =>
            JSON.stringify(own) === JSON.stringify(done.after)
              ? done.before
              : withDrawingOf(own, done.before),
          );
          setBefore((known) => new Map([...known].filter(([key]) => key !== other)));
        }
      } finally {
        router.refresh();
      }
    });
  if (!differ.length && !before.size && !sending.trouble) return null;
  return (
    <section aria-label="One drawing" className="screen-only mb-5 border border-strong bg-panel p-3" key={id}>
      {differ.length > 0 && (
        <>
          <h2 className="m-0 text-[17px]">
            {differ.length === 1 ? "One variant has" : `${differ.length} variants have`} another drawing
          </h2>
          <p className="mt-0.5 mb-2 text-[15px]">
            Given this one’s, they keep their own colours. What would change:
          </p>
          <ul className="m-0 mb-3 grid list-none gap-1 p-0">
            {differ.map((o) => (
              <li key={o.id}>
                <label className="flex min-h-8 items-start gap-2.5 text-[15px]">
                  <input
                    type="checkbox"
                    className="mt-1.5 size-4 shrink-0 accent-black"
                    checked={!left.has(o.id)}
                    onChange={() => {
                      const next = new Set(left);
                      if (!next.delete(o.id)) next.add(o.id);
                      setLeft(next);
                    }}
                  />
                  <span className="py-0.5">
                    <b>{o.name}</b>: {inWords(o.drawing!)}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          <button
            className="button button-main"
            disabled={!chosen.length || sending.busy}
            onClick={() => void give()}
          >
            Give {counted(chosen.length, "variant")} this drawing
          </button>
        </>
      )}
      {before.size > 0 && (
        <p role="status" className="mt-1 mb-0 flex flex-wrap items-center gap-3 text-[15px]">
          {counted(before.size, "variant")} {before.size === 1 ? "has" : "have"} this drawing now.
          <button className="button" disabled={sending.busy} onClick={() => void takeBack()}>
            Take it back
          </button>
        </p>
      )}
      {sending.trouble && (
        <p role="alert" className="mt-1 mb-0">
          {sending.trouble}
        </p>
      )}
    </section>
  );
}
